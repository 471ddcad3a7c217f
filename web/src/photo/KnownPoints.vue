<script setup lang="ts">
import { reactive } from 'vue';
import Field from '../shell/Field.vue';
import { useUnits } from '../shell/units.ts';
import type { usePhotoPoints } from './usePhotoPoints.ts';

/* What is known on the picture: a taped rectangle, or points one by one. */
const props = defineProps<{ points: ReturnType<typeof usePhotoPoints> }>();
const units = useUnits();
const rectangle = reactive({ u: '', v: '', width: '', height: '' });
const known = reactive({ u: '', v: '' });
const { pairs, waiting, corners, problem, lies } = props.points;
function keep(): void {
  if (props.points.keepPoint(known)) Object.assign(known, { u: '', v: '' });
}
const FIELDS = [
  ['u', 'Corner from the left'],
  ['v', 'Corner up'],
  ['width', 'Width'],
  ['height', 'Height'],
] as const;
</script>

<template>
  <details :open="corners !== null">
    <summary @click.prevent="points.startRectangle(corners === null)">A taped rectangle</summary>
    <div v-if="corners" class="stack">
      <p class="small">
        Tap its corners on the picture from the lower left one, anticlockwise: {{ corners.length }} of 4. Then write
        where it is.
      </p>
      <div class="pair">
        <Field v-for="[key, label] in FIELDS" v-slot="{ bind }" :key="key" :label="`${label}, ${units.word.value}`"
          ><input v-bind="bind" v-model="rectangle[key]" class="input mono" inputmode="decimal"
        /></Field>
      </div>
      <button class="btn" :disabled="corners.length < 4" @click="points.keepRectangle(rectangle)">
        Use the rectangle
      </button>
    </div>
  </details>
  <div v-if="waiting" class="stack">
    <p class="small">Where is this point on the panel?</p>
    <div class="pair">
      <Field v-slot="{ bind }" :label="`From the left, ${units.word.value}`"
        ><input v-bind="bind" v-model="known.u" class="input mono" inputmode="decimal" @keydown.enter="keep"
      /></Field>
      <Field v-slot="{ bind }" :label="`Up, ${units.word.value}`"
        ><input v-bind="bind" v-model="known.v" class="input mono" inputmode="decimal" @keydown.enter="keep"
      /></Field>
    </div>
    <button class="btn" @click="keep">Keep the point</button>
  </div>
  <p v-else-if="corners === null" class="soft small">Tap a point on the picture whose place on the panel you know.</p>
  <p v-if="problem" class="notice bad" role="alert">{{ problem }}</p>
  <table v-if="pairs.length > 0" class="plain">
    <tbody>
      <tr v-for="(pair, i) in pairs" :key="i">
        <td>{{ i + 1 }}</td>
        <td class="num">{{ units.length(pair.u) }} / {{ units.length(pair.v) }}</td>
        <td class="num" :class="{ alarm: (lies.residuals[i] ?? 0) > 5 }">
          {{ lies.residuals[i] === undefined ? '' : `off ${units.length(lies.residuals[i]!)}` }}
        </td>
        <td>
          <button class="btn plain small-btn" :aria-label="`Drop point ${i + 1}`" @click="points.drop(i)">✕</button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
summary {
  min-height: 44px;
  display: flex;
  align-items: center;
  cursor: pointer;
}
</style>
