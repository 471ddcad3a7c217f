<script setup lang="ts">
import { computed, ref } from 'vue';
import type { CalculationView } from '@aspecta/contract/calc';
import KitInput from '../kit/KitInput.vue';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';
import { listBook } from '../workers/bookBridge.ts';
import { GROUPS } from './page.ts';
import { BOOK, searchBook } from './shelf.ts';

/* Single calculations, found by what one wants to do; usable without a car and without an account. */
const session = useSession();
const units = useUnits();
const wanted = ref('');
const found = computed(() => searchBook(wanted.value));
const groups = computed(() =>
  GROUPS.map((name) => ({ name, pages: found.value.filter((page) => page.group === name) })).filter(
    ({ pages }) => pages.length > 0,
  ),
);
const others = ref<CalculationView[]>([]);
void listBook().then((all) => (others.value = all.filter(({ id }) => !BOOK.some((page) => page.calc === id))));
const rest = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean);
  return others.value.filter(({ id, title, question }) =>
    words.every((word) => `${id} ${title} ${question}`.toLowerCase().includes(word)),
  );
});
</script>

<template>
  <main class="page">
    <nav v-if="!session.current" class="small"><RouterLink to="/sign-in">Sign in</RouterLink></nav>
    <div class="row spread head">
      <h1>Bench book</h1>
      <label class="search">
        <span class="visually-hidden">What do you want to do?</span>
        <KitInput
          v-model="wanted"
          type="search"
          placeholder="What do you want to do? fold an arch, space plugs, check diagonals …"
          autocomplete="off"
        />
      </label>
    </div>
    <p class="small">
      <RouterLink to="/book/rules-of-thumb">Rules of thumb on which figures rest</RouterLink>
    </p>
    <p v-if="groups.length === 0 && rest.length === 0" class="soft" role="status">
      Nothing by these words. Try fewer: “roll”, “hours”, “filler”.
    </p>
    <div class="shelf">
      <section v-for="group in groups" :key="group.name" :aria-label="group.name">
        <h2 class="eyebrow">{{ group.name }}</h2>
        <ul>
          <li v-for="page in group.pages" :key="page.key">
            <RouterLink :to="`/book/${page.key}`" class="leaf">
              <strong>{{ page.title }}</strong>
              <span class="soft">{{ units.said(page.wants) }}</span>
            </RouterLink>
          </li>
        </ul>
      </section>
      <section v-if="rest.length > 0" aria-label="By figures">
        <h2 class="eyebrow">By figures: the other calculations, JSON in and out</h2>
        <ul>
          <li v-for="entry in rest" :key="entry.id">
            <RouterLink :to="`/book/figures/${entry.id}`" class="leaf">
              <strong>{{ entry.title }}</strong>
              <span class="soft">{{ units.said(entry.question) }}</span>
            </RouterLink>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.head {
  margin-bottom: 0.8rem;
  gap: 1rem;
  flex-wrap: wrap;
}
.search {
  flex: 1 1 22rem;
  max-width: 40rem;
}
.shelf {
  columns: 3 300px;
  column-gap: 1.2rem;
}
section {
  margin-bottom: 1.1rem;
}
h2 {
  break-after: avoid;
}
ul {
  list-style: none;
  margin: 0.4rem 0 0;
  padding: 0;
}
li {
  break-inside: avoid;
  padding-bottom: 0.45rem;
}
.leaf {
  display: grid;
  gap: 0.1rem;
  min-height: 44px;
  padding: 0.45rem 0.8rem;
  background: var(--card);
  border: 1px solid var(--line);
  border-left: 4px solid var(--mark);
  border-radius: 6px;
  color: inherit;
  text-decoration: none;
}
.leaf:hover {
  border-color: var(--mark);
}
.leaf .soft {
  font-size: 0.92rem;
  line-height: 1.3;
}
</style>
