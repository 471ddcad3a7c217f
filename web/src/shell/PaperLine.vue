<script setup lang="ts">
import { onMounted, onUnmounted, ref } from 'vue';
import { written } from './days.ts';
import { usePaper } from './paper.ts';
import { useSession } from './session.ts';

/* On paper only: whose shop it is, who printed it and when; a sheet on the bench may be of last week. */
const session = useSession();
const text = written({ day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' });
const now = () => text(new Date().toISOString());
const at = ref(now());
const look = () => (at.value = now());
onMounted(() => window.addEventListener('beforeprint', look));
onUnmounted(() => window.removeEventListener('beforeprint', look));
usePaper();
</script>

<template>
  <p v-if="session.current" class="paper">
    <strong>{{ session.current.shop.name }}</strong> · printed by {{ session.current.person.name }}, {{ at }}. What is
    done since then is not on it.
  </p>
</template>

<style scoped>
.paper {
  display: none;
}
@media print {
  .paper {
    display: block;
    margin: 0 0 0.4rem;
    font-size: 0.8rem;
  }
}
</style>
