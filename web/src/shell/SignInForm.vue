<script setup lang="ts">
import { ref } from 'vue';
import KitButton from '../kit/KitButton.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useSession } from './session.ts';
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
      <KitButton main :disabled="form.busy.value" @click="go(session.signInDemo)"> Sign in to the demo </KitButton>
      <p class="small soft">One click, on this machine only. Or with an account:</p>
    </template>
    <KitField v-slot="{ bind }" label="E-mail" :error="form.errors['email']">
      <KitInput v-bind="bind" v-model="email" type="email" autocomplete="username" required />
    </KitField>
    <KitField v-slot="{ bind }" label="Password" :error="form.errors['password']">
      <KitInput v-bind="bind" v-model="password" type="password" autocomplete="current-password" required />
    </KitField>
    <KitNotice bad v-if="form.rest('email', 'password')">{{ form.rest('email', 'password') }}</KitNotice>
    <KitButton submit :main="!demo" :disabled="form.busy.value">Sign in</KitButton>
  </form>
</template>
