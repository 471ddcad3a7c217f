<script setup lang="ts">
import { computed, reactive } from 'vue';
import type { Person, Role } from '@aspecta/contract/shop';
import { get, post, put } from '../shell/api.ts';
import Chips from '../shell/Chips.vue';
import Field from '../shell/Field.vue';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* Who works in this shop, and what each may do. */
const session = useSession();
const form = useForm();
const fresh = reactive({ name: '', email: '', password: '', role: 'worker' as Role });
const load = useLoad(() => get<Person[]>('/shop/people'));
const owner = computed(() => session.current?.person.role === 'owner');
async function addPerson(): Promise<void> {
  const done = await form.submit(async () => {
    await post('/shop/people', { ...fresh });
  });
  if (!done) return;
  Object.assign(fresh, { name: '', email: '', password: '', role: 'worker' });
  await load.reload();
}
async function setRole(person: Person, role: string): Promise<void> {
  await form.submit(async () => {
    await put(`/shop/people/${person.id}/role`, { role });
  });
  await load.reload();
}
const ROLES = [
  { value: 'owner', label: 'Owner' },
  { value: 'worker', label: 'Worker' },
  { value: 'viewer', label: 'Viewer' },
] as const;
</script>

<template>
  <Waiting :of="load" what="The people">
    <section v-if="load.data.value" class="tile stack">
      <h2>People</h2>
      <table class="plain">
        <tbody>
          <tr v-for="person in load.data.value" :key="person.id">
            <td>
              {{ person.name }}<br /><span class="soft small">{{ person.email }}</span>
            </td>
            <td>
              <select
                v-if="owner"
                class="input"
                :value="person.role"
                :aria-label="`Role of ${person.name}`"
                @change="setRole(person, ($event.target as HTMLSelectElement).value)"
              >
                <option v-for="role in ROLES" :key="role.value" :value="role.value">
                  {{ role.label }}
                </option></select
              ><span v-else>{{ person.role }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <form v-if="owner" class="stack" @submit.prevent="addPerson">
        <h3>Add somebody</h3>
        <Field v-slot="{ bind }" label="Name" :error="form.errors['name']"
          ><input v-bind="bind" v-model="fresh.name" class="input" autocomplete="off"
        /></Field>
        <Field v-slot="{ bind }" label="E-mail" :error="form.errors['email']"
          ><input v-bind="bind" v-model="fresh.email" class="input" type="email" autocomplete="off"
        /></Field>
        <Field
          v-slot="{ bind }"
          label="Password"
          hint="At least 10 characters; to be changed hand to hand"
          :error="form.errors['password']"
          ><input v-bind="bind" v-model="fresh.password" class="input" type="password" autocomplete="new-password"
        /></Field>
        <Chips v-model="fresh.role" legend="May do" :options="ROLES" />
        <p v-if="form.general.value ?? form.errors['role']" class="notice bad" role="alert">
          {{ form.general.value ?? form.errors['role'] }}
        </p>
        <button class="btn" :disabled="form.busy.value">Add</button>
      </form>
    </section>
  </Waiting>
</template>
