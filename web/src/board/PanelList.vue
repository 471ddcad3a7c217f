<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { View } from '@aspecta/core/body';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import { foundPanels, STATES, type BoardShape } from './boardScene.ts';

/* Panels by their names: for fingers, for whoever knows what he looks for, and for a screen that is read aloud. */
const props = defineProps<{ vehicle: string; shapes: readonly BoardShape[]; views: readonly { view: View }[] }>();
const router = useRouter();
const words = ref('');
const found = computed(() => foundPanels(props.shapes, props.views, words.value));
/** The first that was found opens by the return key. */
function first(): void {
  const [shape] = found.value;
  if (words.value !== '' && shape) void router.push(`/vehicles/${props.vehicle}/panels/${shape.panel.id}`);
}
</script>

<template>
  <div class="stack">
    <KitField v-slot="{ bind }" label="Find a panel"
      ><KitInput v-bind="bind" v-model="words" type="search" placeholder="sill left" @keydown.enter="first"
    /></KitField>
    <p v-if="words && found.length === 0" class="small soft" role="status">
      No panel of this body is called that. Try a shorter word.
    </p>
    <KitCollapse :open="words !== ''" :title="words ? `${found.length} found` : `All ${shapes.length} panels`">
      <ul class="panels">
        <li v-for="shape in found" :key="shape.panel.id">
          <RouterLink :to="`/vehicles/${vehicle}/panels/${shape.panel.id}`">
            <span class="swatch" :style="{ background: STATES[shape.state].fill }" aria-hidden="true" />
            <span class="grow">{{ shape.panel.name }}</span>
            <span class="small soft">{{ STATES[shape.state].label }}</span>
          </RouterLink>
        </li>
      </ul>
    </KitCollapse>
  </div>
</template>

<style scoped>
.panels {
  list-style: none;
  margin: 0;
  padding: 0;
}
.panels a {
  display: flex;
  gap: 0.6rem;
  align-items: center;
  min-height: 44px;
  color: var(--ink);
  text-decoration: none;
  border-bottom: 1px solid var(--line);
}
</style>
