<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { THUMB_RULES, THUMB_SUBJECTS, type ThumbSubject } from '@aspecta/contract/thumb';
import KitInput from '../kit/KitInput.vue';
import { useSession } from '../shell/session.ts';
import { useUnits } from '../shell/units.ts';

/* Rules of thumb on which figures rest, by the order of the work; a figure elsewhere leads to its own. */
const session = useSession();
const units = useUnits();
const route = useRoute();
const wanted = ref('');
const asked = computed(() => String(route.query['rule'] ?? ''));
const groups = computed(() => {
  const words = wanted.value.toLowerCase().split(/\s+/).filter(Boolean);
  return (Object.keys(THUMB_SUBJECTS) as ThumbSubject[])
    .map((subject) => ({
      name: THUMB_SUBJECTS[subject],
      rules: THUMB_RULES.filter(
        (rule) =>
          rule.subject === subject &&
          words.every((word) => `${rule.text} ${THUMB_SUBJECTS[subject]}`.toLowerCase().includes(word)),
      ),
    }))
    .filter(({ rules }) => rules.length > 0);
});
const list = ref<HTMLElement | null>(null);
onMounted(() => list.value?.querySelector('.asked')?.scrollIntoView({ block: 'center' }));
</script>

<template>
  <main class="page">
    <nav v-if="!session.current" class="small"><RouterLink to="/sign-in">Sign in</RouterLink></nav>
    <p class="eyebrow"><RouterLink to="/book">Bench book</RouterLink></p>
    <div class="row spread head">
      <h1>Rules of thumb</h1>
      <label class="search">
        <span class="visually-hidden">Word</span>
        <KitInput v-model="wanted" type="search" placeholder="plug, filler, brace …" autocomplete="off" />
      </label>
    </div>
    <p class="soft wide">
      What the trade goes by where nothing is measured: common practice, no published source. Figures of the application
      that rest on one lead here. A house does otherwise by its house rules, and what your own hours teach goes before
      all of it.
    </p>
    <p v-if="groups.length === 0" class="soft" role="status">Nothing by these words.</p>
    <div ref="list" class="groups">
      <section v-for="group in groups" :key="group.name">
        <h2>{{ group.name }}</h2>
        <ul>
          <li v-for="rule in group.rules" :key="rule.id" :class="{ asked: rule.id === asked }">
            {{ units.said(rule.text) }}
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>

<style scoped>
.wide {
  max-width: 46rem;
}
.groups {
  columns: 24rem 2;
  column-gap: 2.5rem;
}
section {
  break-inside: avoid;
  margin-bottom: 1.2rem;
}
h2 {
  font-size: 1.1rem;
  margin: 0 0 0.3rem;
}
ul {
  margin: 0;
  padding-left: 1.1rem;
}
li {
  padding: 0.2rem 0;
}
li.asked {
  background: var(--mark-soft);
  outline: 2px solid var(--mark);
}
</style>
