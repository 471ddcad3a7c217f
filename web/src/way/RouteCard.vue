<script setup lang="ts">
import { computed } from 'vue';
import type { WayView } from '@aspecta/contract/way';
import { letterOf, edgeMark, type EdgeMark, type WayResult, type WayRoute } from '@aspecta/core/way';
import KitButton from '../kit/KitButton.vue';
import { hours, useUnits } from '../shell/units.ts';

/* One way in, reckoned: does the piece go through, in how many sections, and what it costs in all. */
const props = defineProps<{
  view: WayView;
  route: WayRoute;
  result: WayResult;
  /** The panel carries load. */
  structural: boolean;
  shown: boolean;
  canWork: boolean;
}>();
const emit = defineEmits<{ show: []; choose: [id: string | null]; edit: []; remove: [] }>();
const units = useUnits();
const chosen = computed(() => props.view.chosen === props.route.id);
const work = computed(
  () =>
    [
      props.result.hours.parts > 0 && `${hours(props.result.hours.parts)} off and on`,
      props.result.hours.seams > 0 && `${hours(props.result.hours.seams)} of seams`,
    ]
      .filter((part) => part !== false)
      .join(' + ') || 'no hours more',
);
const tight = computed(() => Math.min(...props.result.sections.map(({ passage }) => passage.margin)));
/** Where a line meets the edge: how far from both corners of that side of the piece, so that it can be mirrored. */
const marks = computed(() =>
  props.result.lines.map(({ line, crossings }) => ({
    name: letterOf(line),
    places: crossings.map((crossing) => edgeMark(props.view.piece, crossing)),
  })),
);
const CORNERS: Record<EdgeMark['side'], [string, string]> = {
  upper: ['left', 'right'],
  lower: ['left', 'right'],
  left: ['lower', 'upper'],
  right: ['lower', 'upper'],
};
</script>

<template>
  <li class="route" :class="{ chosen }" :data-route="route.name">
    <div class="row spread">
      <h3>{{ route.name }}</h3>
      <strong v-if="chosen" class="taken">Taken</strong>
      <strong v-else-if="view.cheapest === route.id">Least cost</strong>
      <strong v-else-if="view.best === route.id">As the house rules have it</strong>
    </div>
    <p class="small soft">
      {{ units.length(route.opening.a) }} × {{ units.length(route.opening.b)
      }}{{ route.room === null ? '' : `, ${units.length(route.room)} behind it` }}
    </p>
    <template v-if="result.passes">
      <p>
        <template v-if="result.sections.length === 1">Goes in whole, {{ units.length(tight) }} to spare.</template>
        <template v-else
          >In {{ result.sections.length }} sections, {{ units.length(tight) }} to spare;
          {{ units.length(result.seam) }} of seam between them.</template
        >
      </p>
      <p>
        <strong class="mono big">{{ units.roundMoney(result.total) }}</strong>
        <span class="small soft">
          = {{ work
          }}<template v-if="result.risk > 0"> + {{ units.roundMoney(result.risk) }} for what may break</template>
        </span>
      </p>
      <p v-for="mark in marks" :key="mark.name" class="small">
        Line {{ mark.name }}:
        <template v-for="(place, i) in mark.places" :key="i"
          >{{ i > 0 ? '; ' : '' }}on the {{ place.side }} side
          <span class="mono">{{ units.length(place.first) }}</span> from its {{ CORNERS[place.side][0] }} corner,
          <span class="mono">{{ units.length(place.second) }}</span> from its {{ CORNERS[place.side][1] }} one</template
        >. Along the edge, as the piece is drawn.
      </p>
      <p v-if="marks.length > 0" class="small soft">
        On the other side of the car the two distances change places: try the first side on before the second is cut.
      </p>
    </template>
    <p v-if="structural && result.sections.length > 1" class="small alarm">
      This panel carries load: where and how it may be parted is for the car’s own repair instructions and a qualified
      person to say.
    </p>
    <p v-if="!result.passes" class="alarm">{{ units.said(result.problem ?? '') }}</p>
    <p v-for="part in route.parts" :key="part.what" class="small">
      {{ part.what }}: {{ hours(part.off) }} off, {{ hours(part.on) }} back<template v-if="part.risk"
        >; {{ part.risk }} breaks in {{ Math.round(part.chance * 100) }} of 100,
        {{ units.roundMoney(part.price) }}</template
      >
    </p>
    <div class="row">
      <KitButton v-if="!shown" small @click="emit('show')">Show it</KitButton>
      <template v-if="canWork">
        <KitButton v-if="!chosen && result.passes" small main @click="emit('choose', route.id)"
          >Take this way</KitButton
        >
        <KitButton v-if="chosen" small @click="emit('choose', null)">Not this way after all</KitButton>
        <KitButton small plain @click="emit('edit')">Change</KitButton>
        <KitButton small plain @click="emit('remove')">Remove</KitButton>
      </template>
    </div>
  </li>
</template>

<style scoped>
.route {
  border: 1px solid var(--line);
  border-radius: 8px;
  padding: 0.7rem 0.9rem;
}
.route.chosen {
  border-color: var(--mark);
  border-width: 2px;
}
.route h3,
.route p {
  margin: 0 0 0.25rem;
}
.route h3 {
  font-size: 1.05rem;
}
.big {
  font-size: 1.3rem;
}
.taken {
  color: var(--mark);
}
</style>
