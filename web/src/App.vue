<script setup lang="ts">
import { NConfigProvider, NMessageProvider } from 'naive-ui';
import { onMounted } from 'vue';
import ConnectionBar from './shell/ConnectionBar.vue';
import KeyHelp from './shell/KeyHelp.vue';
import SignInAgain from './shell/SignInAgain.vue';
import TopBar from './shell/TopBar.vue';
import { useConnection } from './shell/connection.ts';
import { useLook } from './shell/look.ts';
import { useSession } from './shell/session.ts';

const look = useLook();
const session = useSession();
const connection = useConnection();
onMounted(() => connection.watch());
</script>

<template>
  <NConfigProvider :theme-overrides="look.overrides" :inline-theme-disabled="false" abstract>
    <NMessageProvider placement="bottom">
      <div class="app">
        <TopBar v-if="session.current" />
        <ConnectionBar />
        <RouterView v-slot="{ Component, route }">
          <component :is="Component" :key="route.path" />
        </RouterView>
        <SignInAgain />
        <KeyHelp />
      </div>
    </NMessageProvider>
  </NConfigProvider>
</template>
