<script setup lang="ts">
import { computed } from 'vue';
import type { FindView } from '@aspecta/contract/survey';
import { signOf } from '@aspecta/core/survey';
import { timeOf } from '../shell/units.ts';

const props = defineProps<{ finds: readonly FindView[]; nameOf?: (panel: string) => string }>();
const shown = computed(() => props.finds.filter((find) => find.sign !== 'sound'));
const grave = computed(() => shown.value.some((find) => find.structural && signOf(find.sign).weight >= 0.5));
</script>

<template>
  <div v-if="shown.length > 0">
    <p class="eyebrow">Found</p>
    <p v-if="grave" class="small alarm">
      Some of it is on load-bearing metal. Nothing there counts as strength until it is repaired as your local code
      says; ask a qualified person.
    </p>
    <ul>
      <li v-for="find in shown" :key="find.id" :class="{ grave: find.structural }">
        <strong>{{ signOf(find.sign).title }}</strong><template v-if="nameOf"
          >, {{ nameOf(find.panel).toLowerCase() }}</template
        >
        <span class="small soft"> – {{ signOf(find.sign).meaning }}</span>
        <span class="small soft block"
          >{{ find.note ? `${find.note} · ` : '' }}{{ find.by }}, {{ timeOf(find.at) }}</span
        >
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 0.5rem;
}
li {
  border-left: 3px solid var(--line-strong);
  padding-left: 0.6rem;
}
li.grave {
  border-color: var(--alarm);
}
.block {
  display: block;
}
</style>
