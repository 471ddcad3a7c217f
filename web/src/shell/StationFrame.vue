<script setup lang="ts">
import { ref } from 'vue';
import KitPress from '../kit/KitPress.vue';

/* The sheet, the card beside it (over it on a phone), and the next step below. */
defineProps<{
  crumbs: readonly { text: string; to?: string }[];
  title: string;
  wide?: boolean;
  next?: { text: string; to?: string } | null;
}>();
const emit = defineEmits<{ next: [] }>();
const open = ref(true);
</script>

<template>
  <main class="station" :class="{ wide, shut: !open }">
    <nav class="crumbs" aria-label="Where you are">
      <template v-for="crumb in crumbs" :key="crumb.text">
        <RouterLink v-if="crumb.to" :to="crumb.to">{{ crumb.text }}</RouterLink><span v-else>{{ crumb.text }}</span
        ><span aria-hidden="true">›</span>
      </template>
      <h1>{{ title }}</h1>
      <span class="tools"><slot name="tools" /></span>
    </nav>
    <section class="sheet" aria-label="Sheet"><slot name="sheet" /></section>
    <aside class="card" aria-label="Card">
      <KitPress class="grip" :aria-expanded="open" @click="open = !open">
        {{ open ? 'Hide the card' : 'Show the card' }}
      </KitPress>
      <div class="inner"><slot name="card" /></div>
    </aside>
    <footer v-if="next" class="next">
      <span class="eyebrow">Next</span>
      <RouterLink v-if="next.to" :to="next.to" class="do">{{ next.text }} <span aria-hidden="true">→</span></RouterLink>
      <KitPress v-else class="do" @click="emit('next')">{{ next.text }} <span aria-hidden="true">→</span></KitPress>
    </footer>
  </main>
</template>

<style scoped>
.station {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template: 'crumbs crumbs' auto 'sheet card' minmax(0, 1fr) 'next next' auto / minmax(0, 1fr) 372px;
}
.station.wide {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.55fr);
}
.crumbs {
  grid-area: crumbs;
  display: flex;
  align-items: center;
  gap: 0.5rem;
  padding: 0.3rem 1rem;
  flex-wrap: wrap;
  color: var(--ink-soft);
  font-size: 0.95rem;
  min-height: 44px;
}
.crumbs a {
  color: var(--ink-soft);
  min-height: 32px;
  display: inline-flex;
  align-items: center;
}
.crumbs h1 {
  font-size: 1.1rem;
  color: var(--ink);
}
.tools {
  margin-left: auto;
  display: flex;
  gap: 0.4rem;
  flex-wrap: wrap;
}
.sheet {
  grid-area: sheet;
  min-height: 0;
  min-width: 0;
  position: relative;
  border-top: 1px solid var(--line);
  background: var(--sheet);
}
.card {
  grid-area: card;
  min-height: 0;
  border: solid var(--line);
  border-width: 1px 0 0 1px;
  background: var(--card);
  display: flex;
  flex-direction: column;
}
.inner {
  overflow: auto;
  padding: 1rem;
  flex: 1;
}
.grip {
  display: none;
}
.next {
  grid-area: next;
  display: flex;
  align-items: center;
  gap: 0.75rem;
  padding: 0.3rem 1rem;
  border-top: 1px solid var(--line);
  background: var(--card);
}
.next .eyebrow {
  margin: 0;
}
.do {
  border: 0;
  background: none;
  color: var(--mark);
  font-weight: 600;
  min-height: 44px;
  display: inline-flex;
  align-items: center;
  gap: 0.4rem;
  text-decoration: none;
  cursor: pointer;
  text-align: left;
}
@media (max-width: 900px) {
  .station,
  .station.wide {
    grid-template: 'crumbs' auto 'sheet' minmax(0, 1fr) 'card' minmax(0, 46%) 'next' auto / minmax(0, 1fr);
  }
  .station.shut {
    grid-template-rows: auto minmax(0, 1fr) auto auto;
  }
  .station.shut .inner {
    display: none;
  }
  .card {
    border-width: 1px 0 0;
    box-shadow: 0 -6px 18px rgb(60 50 30 / 10%);
  }
  .grip {
    display: block;
    border: 0;
    background: none;
    min-height: 44px;
    text-align: center;
    color: var(--ink-soft);
    font-size: 0.85rem;
    flex: none;
  }
  .inner {
    padding: 0 1rem 1rem;
  }
  .station.wide {
    grid-template-rows: auto 30% minmax(0, 1fr) auto;
  }
  .crumbs h1 {
    font-size: 1rem;
  }
}
@media (max-width: 640px) {
  /* On a phone the tools are one row that is pushed sideways: the sheet needs the height. */
  .tools {
    flex-wrap: nowrap;
    overflow-x: auto;
    width: 100%;
    margin-left: 0;
    padding-bottom: 0.2rem;
  }
  .tools :deep(.btn) {
    flex: none;
  }
}
@media (max-height: 600px) and (min-width: 600px) {
  /* Low windows, a phone sideways, and a screen at 200 %: the card beside the sheet, the next step under the card. */
  .station,
  .station.wide {
    grid-template: 'crumbs crumbs' auto 'sheet card' minmax(0, 1fr) 'sheet next' auto / minmax(0, 1fr) minmax(
        260px,
        42%
      );
  }
  .station.shut {
    grid-template-rows: auto minmax(0, 1fr) auto;
  }
  .card {
    border-width: 1px 0 0 1px;
    box-shadow: none;
  }
  .grip {
    display: none;
  }
  .inner,
  .station.shut .inner {
    display: block;
    padding: 0.5rem 0.75rem;
  }
  .next {
    border-left: 1px solid var(--line);
    padding: 0 0.75rem;
  }
  .crumbs {
    padding: 0 0.75rem;
    flex-wrap: nowrap;
  }
  .tools {
    width: auto;
    margin-left: auto;
    min-width: 0;
    flex-wrap: nowrap;
    overflow-x: auto;
  }
  .tools :deep(.btn) {
    flex: none;
  }
}
</style>
