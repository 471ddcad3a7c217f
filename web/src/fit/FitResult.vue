<script setup lang="ts">
import { computed } from 'vue';
import { FIT_CURE_WORDS, type FitRoundView, type FitView } from '@aspecta/contract/fit';
import { edgeName, type Panel } from '@aspecta/core/body';
import { lineLength } from '@aspecta/core/geometry';
import { buildUp } from '@aspecta/core/weld';
import { dayOf } from '../shell/days.ts';
import { duration, useUnits } from '../shell/units.ts';

/* What one trial fit says: move it first, then trim, build up, or let it be. */
const props = defineProps<{ view: FitView; round: FitRoundView; panel: Panel; n: number }>();
const units = useUnits();
/** mm between which an edge can be reckoned. */
const [SHORTEST_EDGE, LONGEST_EDGE] = [5, 3000];
const number = (place: string) => props.view.places.findIndex(({ id }) => id === place) + 1;
/** A move along each direction of the drawing, in words. */
const move = computed(() => {
  const found = props.round.result.move;
  if (!found) return '';
  const parts = [
    ...(Math.abs(found.u) >= 0.2
      ? [`${units.fine(Math.abs(found.u))} towards its ${edgeName(props.panel, [Math.sign(found.u), 0])}`]
      : []),
    ...(Math.abs(found.v) >= 0.2
      ? [`${units.fine(Math.abs(found.v))} towards its ${edgeName(props.panel, [0, Math.sign(found.v)])}`]
      : []),
    ...(Math.abs(found.turn) >= 0.02
      ? [`turned by ${Math.abs(found.turn).toFixed(2)}° ${found.turn > 0 ? 'anticlockwise' : 'clockwise'}`]
      : []),
  ];
  return parts.join(', ');
});
/** How an edge is built up over the length of its joint, and what a strip would take. */
function beadText({ joint, wide }: { joint: number; wide: number }): string {
  const length = Math.min(LONGEST_EDGE, Math.max(SHORTEST_EDGE, lineLength(props.view.joints[joint]!.line)));
  const { passes, each, pauses, minutes, strip } = buildUp({ length, low: wide, thickness: props.view.thickness });
  const pause = pauses.length > 0 ? ` with ${Math.ceil(Math.max(...pauses) / 60)} min to cool between them` : '';
  return (
    `${passes} ${passes === 1 ? 'pass' : 'passes'} of ${units.fine(each)} along the edge${pause}, ` +
    `at most ${hoursText(minutes)} if all of it is low; a strip takes ${hoursText(strip)}`
  );
}
const hoursText = (minutes: number) => duration(minutes * 60);
const joints = computed(() => props.round.result.joints.filter(({ cure }) => cure !== 'good'));
</script>

<template>
  <section class="round" :class="{ good: round.result.good }">
    <h3>Trial fit {{ n }}: {{ round.result.good ? 'it fits' : 'not yet' }}</h3>
    <p class="small soft">
      {{ dayOf(round.at) }}, {{ round.by }}<template v-if="round.note"> – {{ round.note }}</template>
    </p>
    <p v-if="move">
      <strong>Move it first: {{ move }}.</strong>
      <span class="small">
        Gaps are off by {{ units.fine(round.result.before) }} now, and by {{ units.fine(round.result.after) }} after
        it.</span
      >
    </p>
    <ul class="plain">
      <li v-for="joint in joints" :key="joint.joint">
        <strong>{{ view.joints[joint.joint]!.name }}: {{ FIT_CURE_WORDS[joint.cure].toLowerCase() }}.</strong>
        <template v-if="joint.cure === 'trim'">
          Mark
          {{ joint.trim.map(({ place, mm }) => `${units.fine(mm)} at ${number(place)}`).join(', ') }}, join the marks,
          and take off {{ units.fine(joint.rounds[0] ?? 0) }} at the widest place this time.
        </template>
        <template v-else>
          It stands {{ units.fine(joint.wide) }} too wide<template v-if="joint.cure === 'bead'"
            >: {{ beadText(joint) }}</template
          >.
        </template>
      </li>
      <li v-for="one in round.result.flush" :key="one.place">
        At {{ number(one.place) }} it stands {{ units.fine(Math.abs(one.mm)) }} {{ one.mm > 0 ? 'proud' : 'low' }}:
        clamp it level, or raise the lower sheet.
      </li>
      <li v-for="one in round.result.neighbours" :key="one.name">
        {{ one.name }}: {{ units.fine(Math.abs(one.over)) }} too {{ one.over > 0 ? 'wide' : 'tight' }}.
      </li>
    </ul>
  </section>
</template>

<style scoped>
.round {
  border-left: 5px solid var(--mark);
  padding-left: 0.8rem;
}
.round.good {
  border-left-color: var(--good);
}
h3 {
  margin: 0;
  font-size: 1.05rem;
}
p {
  margin: 0.2rem 0;
}
</style>
