<script setup lang="ts">
import { computed, reactive, ref, shallowRef } from 'vue';
import { ROLES, type InvitationView, type NewInvitation } from '@aspecta/contract/account';
import type { Person, Role } from '@aspecta/contract/shop';
import KitButton from '../kit/KitButton.vue';
import KitChips from '../kit/KitChips.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import KitTable from '../kit/KitTable.vue';
import { get, post, put, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { dayOf } from '../shell/days.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import GuestsDialog from './GuestsDialog.vue';

/* Who works in this shop, what each may do, and who has been asked to join. */
const session = useSession();
const form = useForm();
const fresh = reactive({ name: '', role: 'worker' as Role });
/** The link of the invitation that was just made: told once. */
const link = ref<string | null>(null);
const removing = ref<string | null>(null);
const customer = shallowRef<Person | null>(null);
const owner = computed(() => session.current?.person.role === 'owner');
const load = useLoad(async () => ({
  people: await get<Person[]>('/shop/people'),
  invitations: owner.value ? await get<InvitationView[]>('/shop/invitations') : [],
}));
const roles = Object.entries(ROLES).map(([value, { name }]) => ({ value: value as Role, label: name }));
const may = (role: Role) => ROLES[role].may;

async function invite(): Promise<void> {
  const done = await form.submit(async () => {
    const { token } = await post<NewInvitation>('/shop/invitations', { ...fresh });
    link.value = `${window.location.origin}/join/${token}`;
  });
  if (!done) return;
  fresh.name = '';
  await load.reload();
}
async function act(action: () => Promise<unknown>): Promise<void> {
  await form.submit(async () => {
    await action();
  });
  removing.value = null;
  await load.reload();
}
const setRole = (person: Person, role: string) => act(() => put(`/shop/people/${person.id}/role`, { role }));
function takeOut(person: Person): void {
  if (removing.value === person.id) void act(() => remove(`/shop/people/${person.id}`));
  else removing.value = person.id;
}
const copy = () => void navigator.clipboard?.writeText(link.value ?? '').catch(() => undefined);
</script>

<template>
  <Waiting :of="load" what="The people">
    <section v-if="load.data.value" class="tile stack">
      <h2>People</h2>
      <KitTable>
        <tbody>
          <tr v-for="person in load.data.value.people" :key="person.id">
            <td>
              {{ person.name }}<br /><span class="soft small">{{ person.email }} · {{ may(person.role) }}</span>
            </td>
            <td v-if="owner">
              <div class="acts">
                <KitSelect
                  :model-value="person.role"
                  :aria-label="`Role of ${person.name}`"
                  @update:model-value="setRole(person, $event)"
                >
                  <option v-for="role in roles" :key="role.value" :value="role.value">{{ role.label }}</option>
                </KitSelect>
                <KitButton small v-if="person.role === 'customer'" @click="customer = person"> Cars he sees </KitButton>
                <KitButton small v-if="person.id !== session.current?.person.id" @click="takeOut(person)">
                  {{ removing === person.id ? 'Really remove' : 'Remove' }}
                </KitButton>
              </div>
            </td>
            <td v-else>{{ ROLES[person.role].name }}</td>
          </tr>
        </tbody>
      </KitTable>
      <form v-if="owner" class="stack" @submit.prevent="invite">
        <h3>Ask somebody to join</h3>
        <KitField v-slot="{ bind }" label="Name" :error="form.errors['name']"
          ><KitInput v-bind="bind" v-model="fresh.name" autocomplete="off"
        /></KitField>
        <KitChips v-model="fresh.role" legend="May do" :options="roles" />
        <p class="small soft">{{ may(fresh.role) }}</p>
        <KitNotice bad v-if="form.rest('name')">
          {{ form.rest('name') }}
        </KitNotice>
        <KitButton submit :disabled="form.busy.value">Make a link to join</KitButton>
        <KitNotice v-if="link" class="stack">
          <p>Give this link to that person only; it works once, for seven days, and is not shown again.</p>
          <p class="mono link">{{ link }}</p>
          <KitButton small @click="copy">Copy it</KitButton>
        </KitNotice>
      </form>
      <div v-if="load.data.value.invitations.length > 0">
        <h3>Asked, not yet joined</h3>
        <ul>
          <li v-for="invitation in load.data.value.invitations" :key="invitation.id" class="row spread">
            <span class="small"
              >{{ invitation.name }}, {{ ROLES[invitation.role].name.toLowerCase() }}, until
              {{ dayOf(invitation.expiresAt) }}</span
            >
            <KitButton small @click="act(() => remove(`/shop/invitations/${invitation.id}`))"> Withdraw </KitButton>
          </li>
        </ul>
      </div>
      <GuestsDialog v-if="customer" :customer="customer" @close="customer = null" />
    </section>
  </Waiting>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 0.4rem;
  justify-content: flex-end;
}
.acts .select {
  width: auto;
}
.link {
  overflow-wrap: anywhere;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}
</style>
