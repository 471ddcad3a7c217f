<script setup lang="ts">
import { reactive, ref } from 'vue';
import type { OpenSession } from '@aspecta/contract/account';
import FeedTile from '../feed/FeedTile.vue';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, put, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { timeOf } from '../shell/days.ts';
import NewPassword from '../shell/NewPassword.vue';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';

/* One's own account: password, and where one is signed in. */
const session = useSession();
const form = useForm();
const ending = useForm();
const draft = reactive({ current: '', password: '' });
const changed = ref(false);
const load = useLoad(() => get<OpenSession[]>('/account/sessions'));
async function change(): Promise<void> {
  changed.value = await form.submit(async () => {
    await put('/account/password', { ...draft });
    Object.assign(draft, { current: '', password: '' });
  });
  if (changed.value) await load.reload();
}
async function end(name: string): Promise<void> {
  await ending.submit(() => remove(`/account/sessions/${name}`));
  await load.reload();
}
/** What a browser says of itself is long: which one, and on what. */
const device = (agent: string) =>
  [/Edg|Firefox|Chrome|Safari/.exec(agent)?.[0], /Android|iPhone|iPad|Windows|Mac OS|Linux/.exec(agent)?.[0]]
    .filter(Boolean)
    .join(' on ') || 'some program';
</script>

<template>
  <main class="page">
    <p class="eyebrow">Your account</p>
    <h1>{{ session.current?.person.name }}</h1>
    <p class="soft">{{ session.current?.person.email }}</p>
    <div class="columns">
      <form class="tile stack" @submit.prevent="change">
        <h2>Password</h2>
        <KitField v-slot="{ bind }" label="Present password" :error="form.errors['current']"
          ><KitInput v-bind="bind" v-model="draft.current" type="password" autocomplete="current-password"
        /></KitField>
        <NewPassword v-model="draft.password" label="New password" :error="form.errors['password']" />
        <KitNotice bad v-if="form.rest('current', 'password')">{{ form.rest('current', 'password') }}</KitNotice>
        <p v-if="changed" class="good" role="status">Changed. You have been signed out everywhere else.</p>
        <KitButton submit main :disabled="form.busy.value">Change the password</KitButton>
      </form>
      <FeedTile v-if="!session.isCustomer" />
      <section class="tile stack">
        <h2>Where you are signed in</h2>
        <Waiting :of="load" what="The sessions">
          <ul v-if="load.data.value">
            <li v-for="entry in load.data.value" :key="entry.name" class="row spread">
              <span
                >{{ device(entry.agent) }}<br /><span class="small soft"
                  >since {{ entry.since ? timeOf(entry.since) : 'some time ago' }}</span
                ></span
              >
              <span v-if="entry.current" class="soft">this one</span>
              <KitButton small v-else @click="end(entry.name)">End it</KitButton>
            </li>
          </ul>
        </Waiting>
        <KitNotice bad v-if="ending.general.value">{{ ending.general.value }}</KitNotice>
      </section>
    </div>
  </main>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 1.25rem;
  margin-top: 1rem;
  align-items: start;
  max-width: 1000px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.6rem;
}
</style>
