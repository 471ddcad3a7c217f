<script setup lang="ts">
import { useRoute, useRouter } from 'vue-router';
import { bodyPlan } from '@aspecta/core/body';
import FlankSketch from '../garage/FlankSketch.vue';
import { useSession } from './session.ts';
import SetUpForm from './SetUpForm.vue';
import SignInForm from './SignInForm.vue';

const session = useSession();
const router = useRouter();
const route = useRoute();
const plan = bodyPlan('saloon');

function enter(): void {
  const to =
    typeof route.query['to'] === 'string' && route.query['to'].startsWith('/') && !route.query['to'].startsWith('//')
      ? route.query['to']
      : '/';
  void router.replace(to);
}
</script>

<template>
  <main class="page door">
    <div class="what">
      <p class="eyebrow">Aspecta</p>
      <h1>From the first reading to the last stitch</h1>
      <p>
        Read a bare body, see what is really gone, decide patch or panel, mark the cut with a tape, and weld it in an
        order that keeps the sheet cool.
      </p>
      <FlankSketch :plan="plan" :states="{}" />
      <p class="small">
        <RouterLink to="/book">The Bench book</RouterLink> computes without an account and without a car.
      </p>
    </div>
    <div class="tile">
      <template v-if="session.door?.needsSetup">
        <h2>Open your shop</h2>
        <p class="soft small">The first account is the owner’s. More people can be added later.</p>
        <SetUpForm @done="enter" />
      </template>
      <template v-else>
        <h2>Sign in</h2>
        <SignInForm :demo="session.door?.demo ?? false" @done="enter" />
      </template>
    </div>
  </main>
</template>

<style scoped>
.door {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(300px, 400px);
  gap: clamp(1.5rem, 5vw, 5rem);
  align-content: center;
  max-width: 1240px;
  margin: 0 auto;
  width: 100%;
}
.what h1 {
  font-size: clamp(1.7rem, 4vw, 2.7rem);
  margin-bottom: 0.75rem;
}
.what p {
  max-width: 36rem;
}
.tile {
  align-self: center;
}
.tile h2 {
  margin-bottom: 0.75rem;
}
@media (max-width: 860px) {
  .door {
    grid-template-columns: 1fr;
    align-content: start;
  }
}
</style>
