<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { Moon, Sun, LogOut, UserRound } from 'lucide-vue-next';
import KitButton from '../kit/KitButton.vue';
import SearchKey from '../search/SearchKey.vue';
import { stations } from '../stations.ts';
import { useLook } from './look.ts';
import { useSession } from './session.ts';

const session = useSession();
const look = useLook();
const router = useRouter();
const shown = computed(() => stations.filter((station) => station.inBar && !(station.inside && session.isCustomer)));
async function leave(): Promise<void> {
  await session.signOut();
  await session.look();
  await router.push('/sign-in');
}
</script>

<template>
  <header class="top">
    <RouterLink class="brand" to="/" aria-label="Aspecta: to the garage">
      <img src="/mark.svg" alt="" width="28" height="28" /><span>Aspecta</span>
    </RouterLink>
    <nav aria-label="Stations">
      <RouterLink v-for="station in shown" :key="station.name" :to="station.path">{{ station.title }}</RouterLink>
    </nav>
    <RouterLink class="who soft small" to="/account" :title="`Your account: ${session.current?.person.name}`"
      ><UserRound :size="18" /><span
        >{{ session.current?.person.name }} · {{ session.current?.shop.name }}</span
      ></RouterLink
    >
    <SearchKey />
    <KitButton plain :aria-label="look.night ? 'Day look' : 'Night look'" @click="look.toggle()">
      <component :is="look.night ? Sun : Moon" :size="20" />
    </KitButton>
    <KitButton plain aria-label="Sign out" @click="leave"><LogOut :size="20" /></KitButton>
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 0.4rem;
  padding: 0 0.75rem;
  border-bottom: 1px solid var(--line);
  background: var(--card);
  min-height: 52px;
  flex: none;
}
.brand {
  display: flex;
  align-items: center;
  gap: 0.5rem;
  text-decoration: none;
  color: var(--ink);
  font: 600 1.2rem var(--text);
  padding-right: 0.75rem;
  min-height: 44px;
}
nav {
  display: flex;
  gap: 0.1rem;
  flex: 1;
  min-width: 0;
  overflow-x: auto;
  scrollbar-width: none;
}
nav a {
  flex: none;
  display: flex;
  align-items: center;
  min-height: 44px;
  padding: 0 0.7rem;
  color: var(--ink-soft);
  text-decoration: none;
  border-bottom: 3px solid transparent;
  white-space: nowrap;
}
nav a.router-link-exact-active {
  color: var(--ink);
  border-color: var(--mark);
}
.who {
  display: flex;
  align-items: center;
  gap: 0.35rem;
  min-height: 44px;
  min-width: 44px;
  justify-content: center;
  color: inherit;
  text-decoration: none;
}
.who span {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 960px) {
  .who span {
    display: none;
  }
}
@media (max-width: 760px) {
  .brand span {
    display: none;
  }
  .brand {
    padding-right: 0;
  }
  nav a {
    padding: 0 0.45rem;
    font-size: 0.92rem;
  }
  .btn.plain {
    padding: 0 0.35rem;
  }
}
</style>
