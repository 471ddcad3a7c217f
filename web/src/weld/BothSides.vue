<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import type { BothSidesView } from '@aspecta/contract/weld';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import { duration } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* Both sides of the car in turn: while one cools one goes on at the other. What it saves, and when one goes over. */
const props = defineProps<{ vehicle: string; repair: string }>();
const form = useForm();
const found = shallowRef<BothSidesView | null>(null);
const work = () =>
  form.submit(async () => {
    found.value = await get<BothSidesView>(`/repairs/${props.repair}/weld/both`);
  });
const turn = computed(() => found.value?.turn ?? null);
const other = computed(() => found.value?.other ?? null);
const saved = computed(() => (turn.value ? turn.value.oneAfterOther.total - turn.value.total : 0));
const names = computed(() => [found.value?.name ?? '', other.value?.name ?? '']);
const bench = (side: 0 | 1) =>
  `/vehicles/${props.vehicle}/repairs/${side === 0 ? props.repair : other.value!.repairId}/bench`;
const steps = (first: number, last: number) => (first === last ? `step ${first}` : `steps ${first} to ${last}`);
/** s. Less is saved by nobody. */
const MINUTE = 60;
</script>

<template>
  <KitButton :disabled="form.busy.value" @click="work">
    {{ form.busy.value ? 'Working it out …' : found ? 'Work it out again' : 'Work it out' }}
  </KitButton>
  <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
  <template v-if="found">
    <p v-if="!other" class="small">
      On the other side nothing is decided that is welded on the same sheet. <strong>Same on the other side</strong>
      above takes this repair over.
    </p>
    <p v-else-if="!turn" class="small">
      {{ other.planned ? found.name : other.name }} has no weld plan yet.
      <RouterLink v-if="!other.planned" :to="`/vehicles/${vehicle}/repairs/${other.repairId}/weld`"
        >Lay it out</RouterLink
      >
    </p>
    <p v-else-if="turn.turns.length === 0" class="small">On both sides all is welded.</p>
    <template v-else>
      <p>
        <strong>{{ duration(turn.total) }}</strong> for {{ names.join(' and ') }}, {{ duration(turn.waiting) }} of it
        waiting; one after the other {{ duration(turn.oneAfterOther.total) }} with
        {{ duration(turn.oneAfterOther.waiting) }} of waiting.
      </p>
      <p v-if="saved < MINUTE" class="small">Going over saves nothing here: finish one side, then weld the other.</p>
      <ol v-else class="small turns">
        <li v-for="(one, i) in turn.turns" :key="i">
          <RouterLink :to="bench(one.side)">{{ names[one.side] }}</RouterLink>, {{ steps(one.first, one.last) }}, from
          {{ duration(one.start) }} on
        </li>
      </ol>
      <p class="small soft">
        Each side keeps its own order; every start is hand-warm. A minute is reckoned for going over. Feel the metal
        before you go on.
      </p>
    </template>
  </template>
</template>

<style scoped>
.turns {
  padding-left: 1.6rem;
  max-height: 18rem;
  overflow: auto;
}
</style>
