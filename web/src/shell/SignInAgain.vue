<script setup lang="ts">
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import { useSession } from './session.ts';
import SignInForm from './SignInForm.vue';

const session = useSession();
</script>

<template>
  <KitDialog v-if="session.expired" title="Sign in again" stay>
    <p>Your session has ended. Everything on this page is still there; sign in and it goes on.</p>
    <SignInForm :email="session.current?.person.email ?? ''" :demo="session.door?.demo ?? false" />
    <KitButton plain @click="session.giveUp()">Not now</KitButton>
  </KitDialog>
</template>
