<script setup lang="ts">
import { reactive } from 'vue';
import { useRouter } from 'vue-router';
import { ROLES, type JoinView } from '@aspecta/contract/account';
import type { SessionView } from '@aspecta/contract/shop';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, post } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import NewPassword from '../shell/NewPassword.vue';
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
        <KitField v-slot="{ bind }" label="Your name" :error="form.errors['name']"
          ><KitInput v-bind="bind" v-model="draft.name" autocomplete="name"
        /></KitField>
        <KitField v-slot="{ bind }" label="E-mail" :error="form.errors['email']"
          ><KitInput v-bind="bind" v-model="draft.email" type="email" autocomplete="username"
        /></KitField>
        <NewPassword v-model="draft.password" :error="form.errors['password']" />
        <KitNotice bad v-if="form.rest('email', 'name', 'password')">{{
          form.rest('email', 'name', 'password')
        }}</KitNotice>
        <KitButton submit main :disabled="form.busy.value">Join</KitButton>
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
