<script setup lang="ts">
import { reactive } from 'vue';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitTable from '../kit/KitTable.vue';
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
  <KitCollapse held title="A taped rectangle" :open="corners !== null" @toggle="points.startRectangle($event)">
    <div v-if="corners" class="stack">
      <p class="small">
        Tap its corners on the picture from the lower left one, anticlockwise: {{ corners.length }} of 4. Then write
        where it is.
      </p>
      <div class="pair">
        <KitField v-for="[key, label] in FIELDS" v-slot="{ bind }" :key="key" :label="`${label}, ${units.word.value}`"
          ><KitInput mono v-bind="bind" v-model="rectangle[key]" inputmode="decimal"
        /></KitField>
      </div>
      <KitButton :disabled="corners.length < 4" @click="points.keepRectangle(rectangle)"> Use the rectangle </KitButton>
    </div>
  </KitCollapse>
  <div v-if="waiting" class="stack">
    <p class="small">Where is this point on the panel?</p>
    <div class="pair">
      <KitField v-slot="{ bind }" :label="`From the left, ${units.word.value}`"
        ><KitInput mono v-bind="bind" v-model="known.u" inputmode="decimal" @keydown.enter="keep"
      /></KitField>
      <KitField v-slot="{ bind }" :label="`Up, ${units.word.value}`"
        ><KitInput mono v-bind="bind" v-model="known.v" inputmode="decimal" @keydown.enter="keep"
      /></KitField>
    </div>
    <KitButton @click="keep">Keep the point</KitButton>
  </div>
  <p v-else-if="corners === null" class="soft small">Tap a point on the picture whose place on the panel you know.</p>
  <KitNotice bad v-if="problem">{{ problem }}</KitNotice>
  <KitTable v-if="pairs.length > 0">
    <tbody>
      <tr v-for="(pair, i) in pairs" :key="i">
        <td>{{ i + 1 }}</td>
        <td class="num">{{ units.length(pair.u) }} / {{ units.length(pair.v) }}</td>
        <td class="num" :class="{ alarm: (lies.residuals[i] ?? 0) > 5 }">
          {{ lies.residuals[i] === undefined ? '' : `off ${units.length(lies.residuals[i]!)}` }}
        </td>
        <td>
          <KitButton small plain :aria-label="`Drop point ${i + 1}`" @click="points.drop(i)">✕</KitButton>
        </td>
      </tr>
    </tbody>
  </KitTable>
</template>
