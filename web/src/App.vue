<script setup lang="ts">
import KitProvider from './kit/KitProvider.vue';
import { computed, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import StationLine from './car/StationLine.vue';
import ConnectionBar from './shell/ConnectionBar.vue';
import KeyHelp from './shell/KeyHelp.vue';
import KeyRow from './shell/KeyRow.vue';
import PaperLine from './shell/PaperLine.vue';
import SignInAgain from './shell/SignInAgain.vue';
import TopBar from './shell/TopBar.vue';
import { useConnection } from './shell/connection.ts';
import { useLook } from './shell/look.ts';
import { useSession } from './shell/session.ts';

const look = useLook();
const session = useSession();
const connection = useConnection();
const route = useRoute();
/** The car whose pages are open. */
const carId = computed(() => (route.path.startsWith('/vehicles/') ? String(route.params['id'] ?? '') : ''));
onMounted(() => connection.watch());
/** Past the bars, to what the page is about. */
const page = ref<HTMLElement>();
const toPage = () => page.value?.focus();
</script>

<template>
  <KitProvider :night="look.night">
    <div class="app">
      <a href="#page" class="skip" @click.prevent="toPage">Go to the page</a>
      <div class="above">
        <TopBar v-if="session.current" />
        <StationLine v-if="carId && session.current && !session.isCustomer" :id="carId" :key="carId" />
      </div>
      <ConnectionBar />
      <PaperLine />
      <div id="page" ref="page" class="rest" tabindex="-1">
        <RouterView v-slot="{ Component, route }">
          <component :is="Component" :key="route.path" />
        </RouterView>
      </div>
      <SignInAgain />
      <KeyRow />
      <KeyHelp />
    </div>
  </KitProvider>
</template>

<style scoped>
.skip {
  position: absolute;
  left: 0.5rem;
  top: -4rem;
  z-index: 30;
  padding: 0.7rem 1rem;
  background: var(--card);
  border: 2px solid var(--mark);
  border-radius: 8px;
}
.rest {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
  outline: none;
}
.skip:focus {
  top: 0.4rem;
}
.above {
  flex: none;
}
@media (max-height: 480px) {
  /* Sideways on a phone: one row for both, and the house's own stations behind the mark. */
  .above:has(.line) {
    display: flex;
  }
  .above:has(.line) > :deep(.line) {
    flex: 1;
  }
  .above:has(.line) > :deep(.top nav),
  .above:has(.line) > :deep(.top .who) {
    display: none;
  }
}
</style>
