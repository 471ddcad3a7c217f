<script setup lang="ts">
import { computed, ref } from 'vue';
import type { HeatReplay } from '@aspecta/core/weld';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { decimal } from '../shell/typedNumber.ts';
import { clock } from '../shell/units.ts';

/* What copper or a pause would change about the heat of a plan: then and now. */
const props = defineProps<{
  /** How many pauses are tried. */
  pauses: number;
  /** What a pause would come before; null where no weld is left. */
  before: string | null;
  now: HeatReplay;
  /** It is laid out with copper. */
  planned: boolean;
  /** As it is laid out. */
  plain: HeatReplay | null;
  /** A temperature in words. */
  text: (celsius: number) => string;
}>();
const emit = defineEmits<{ pause: [seconds: number]; without: [] }>();
const copper = defineModel<boolean>('copper', { required: true });
/** Minutes. */
const LONGEST = 120;
const minutes = ref('2');
const wrong = ref<string | null>(null);
function pause(): void {
  const typed = decimal(minutes.value);
  const bad = typeof typed !== 'number' || typed <= 0 || typed > LONGEST;
  wrong.value = bad ? `Type minutes from 0.1 to ${LONGEST}.` : null;
  if (!bad) emit('pause', typed * 60);
}
const tried = computed(() =>
  [
    ...(copper.value === props.planned ? [] : [copper.value ? 'copper' : 'no copper']),
    ...(props.pauses > 0 ? [props.pauses === 1 ? 'a pause' : `${props.pauses} pauses`] : []),
  ].join(' and '),
);
const warmest = ({ starts }: HeatReplay) => Math.max(...starts.map(({ celsius }) => celsius));
const ends = ({ starts }: HeatReplay) => clock(starts.at(-1)!.time);
const warm = ({ warmStarts }: HeatReplay) =>
  `${warmStarts.length} warm ${warmStarts.length === 1 ? 'start' : 'starts'}`;
</script>

<template>
  <h3>What would change it</h3>
  <KitCheckbox v-model="copper">Copper behind every joint</KitCheckbox>
  <form v-if="before" class="stack" @submit.prevent="pause">
    <KitField v-slot="{ bind }" :label="`Pause before ${before}, minutes`" :error="wrong ?? undefined"
      ><KitInput v-bind="bind" v-model="minutes" mono inputmode="decimal"
    /></KitField>
    <KitButton submit>Try this pause</KitButton>
  </form>
  <KitNotice v-if="tried !== '' && plain" quiet>
    <p>
      With {{ tried }}: the warmest weld starts at <strong class="mono">{{ text(warmest(now)) }}</strong> instead of
      <span class="mono">{{ text(warmest(plain)) }}</span>; {{ warm(now) }} instead of {{ plain.warmStarts.length }};
      the last weld after <span class="mono">{{ ends(now) }}</span> instead of
      <span class="mono">{{ ends(plain) }}</span>.
    </p>
    <KitButton small @click="emit('without')">As it is laid out again</KitButton>
  </KitNotice>
</template>

<style scoped>
h3 {
  font-size: 1.1rem;
  margin: 0;
}
</style>
