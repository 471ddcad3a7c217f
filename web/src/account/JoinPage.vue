<script setup lang="ts">
import { reactive } from 'vue';
import { useRouter } from 'vue-router';
import { ROLES, type JoinView } from '@aspecta/contract/account';
import type { SessionView } from '@aspecta/contract/shop';
import { get, post } from '../shell/api.ts';
import Field from '../shell/Field.vue';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* Somebody has opened the link of an invitation. */
const props = defineProps<{ token: string }>();
const session = useSession();
const router = useRouter();
const form = useForm();
const draft = reactive({ name: '', email: '', password: '' });
const load = useLoad(async () => {
  const view = await get<JoinView>(`/invitations/${props.token}`);
  draft.name ||= view.name;
  return view;
});
async function join(): Promise<void> {
  const done = await form.submit(async () => {
    session.enter(await post<SessionView>(`/invitations/${props.token}`, { ...draft }));
  });
  if (done) await router.push('/');
}
</script>

<template>
  <main class="page narrow">
    <Waiting :of="load" what="The invitation">
      <form v-if="load.data.value" class="tile stack" @submit.prevent="join">
        <h1>Join {{ load.data.value.shop }}</h1>
        <p class="soft">
          As {{ ROLES[load.data.value.role].name.toLowerCase() }} you may {{ ROLES[load.data.value.role].may }}.
        </p>
        <Field v-slot="{ bind }" label="Your name" :error="form.errors['name']"
          ><input v-bind="bind" v-model="draft.name" class="input" autocomplete="name"
        /></Field>
        <Field v-slot="{ bind }" label="E-mail" :error="form.errors['email']"
          ><input v-bind="bind" v-model="draft.email" class="input" type="email" autocomplete="username"
        /></Field>
        <Field
          v-slot="{ bind }"
          label="Password"
          hint="Four or five words that do not belong together"
          :error="form.errors['password']"
          ><input v-bind="bind" v-model="draft.password" class="input" type="password" autocomplete="new-password"
        /></Field>
        <p v-if="form.general.value" class="notice bad" role="alert">{{ form.general.value }}</p>
        <button class="btn main" :disabled="form.busy.value">Join</button>
      </form>
    </Waiting>
  </main>
</template>

<style scoped>
.narrow {
  max-width: 480px;
  margin: 0 auto;
}
</style>
