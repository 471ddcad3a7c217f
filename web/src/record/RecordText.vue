<script setup lang="ts">
import { PICTURE_WORDS, type RecordView } from '@aspecta/contract/record';
import { dayOf } from '../shell/days.ts';
import { useUnits } from '../shell/units.ts';

/* The record of a car in words, as a tester, a buyer or a judge reads it. */
defineProps<{ view: RecordView; pictureAt: (id: string) => string }>();
const units = useUnits();
</script>

<template>
  <article class="record">
    <p v-if="view.parts.length === 0" class="soft">Nothing is recorded yet.</p>
    <section v-for="part in view.parts" :key="part.title">
      <h2>{{ part.title }}</h2>
      <ul>
        <li v-for="line in part.lines" :key="line">{{ units.said(line) }}</li>
      </ul>
      <div v-if="part.pictures" class="pictures">
        <figure v-for="picture in part.pictures" :key="picture.id">
          <img
            :src="pictureAt(picture.id)"
            :alt="`${PICTURE_WORDS[picture.when]}: ${picture.note || part.title}`"
            loading="lazy"
          />
          <figcaption>
            <strong>{{ PICTURE_WORDS[picture.when] }}</strong>, {{ dayOf(picture.takenAt)
            }}<template v-if="picture.note"><br />{{ picture.note }}</template>
          </figcaption>
        </figure>
      </div>
    </section>
    <section v-if="view.notInspected.length > 0">
      <h2>Not inspected</h2>
      <p>Nothing is said of these: {{ view.notInspected.join(', ') }}.</p>
    </section>
    <p class="small soft">{{ view.deference }}</p>
  </article>
</template>

<style scoped>
.record {
  max-width: 900px;
}
h2 {
  font-size: 1.1rem;
  margin: 1rem 0 0.2rem;
}
ul {
  margin: 0;
  padding-left: 1.1rem;
}
li {
  padding: 0.15rem 0;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 0.8rem;
  margin-top: 0.5rem;
}
figure {
  margin: 0;
  width: 12rem;
}
img {
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  border-radius: 6px;
  background: var(--line);
}
figcaption {
  font-size: 0.85rem;
  color: var(--ink-soft);
}
</style>
