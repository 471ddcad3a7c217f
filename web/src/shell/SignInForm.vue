<script setup lang="ts">
import { ref } from 'vue';
import { useSession } from './session.ts';
import Field from './Field.vue';
import { useForm } from './useForm.ts';

const props = defineProps<{ email?: string; demo: boolean }>();
const emit = defineEmits<{ done: [] }>();
const session = useSession();
const email = ref(props.email ?? '');
const password = ref('');
const form = useForm();

async function go(action: () => Promise<void>): Promise<void> {
  if (await form.submit(action)) emit('done');
}
</script>

<template>
  <form class="stack" @submit.prevent="go(() => session.signIn(email, password))">
    <template v-if="demo">
      <button type="button" class="btn main" :disabled="form.busy.value" @click="go(session.signInDemo)">
        Sign in to the demo
      </button>
      <p class="small soft">One click, on this machine only. Or with an account:</p>
    </template>
    <Field v-slot="{ bind }" label="E-mail" :error="form.errors['email']">
      <input v-bind="bind" v-model="email" class="input" type="email" autocomplete="username" required />
    </Field>
    <Field v-slot="{ bind }" label="Password" :error="form.errors['password']">
      <input v-bind="bind" v-model="password" class="input" type="password" autocomplete="current-password" required />
    </Field>
    <p v-if="form.general.value" class="notice bad" role="alert">{{ form.general.value }}</p>
    <button class="btn" :class="{ main: !demo }" :disabled="form.busy.value">Sign in</button>
  </form>
</template>
