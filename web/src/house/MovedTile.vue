<script setup lang="ts">
import { computed, shallowRef } from 'vue';
import { OPTION_WORDS, type MovedEstimate } from '@aspecta/contract/verdict';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* What rules that are written but not saved would move: every open estimate, as it is and as it would be. */
const props = defineProps<{ rules: () => object }>();
const units = useUnits();
const form = useForm();
const moved = shallowRef<readonly MovedEstimate[] | null>(null);
const look = () =>
  form.submit(async () => {
    moved.value = await post<MovedEstimate[]>('/estimates/moved', props.rules());
  });
/** Less than a minute or a unit of money is none. */
const changes = ({ before, after }: MovedEstimate) =>
  Math.abs(after.hours - before.hours) > 1 / 60 ||
  Math.abs(after.cost - before.cost) >= 100 ||
  after.proposed !== before.proposed;
const shown = computed(() => (moved.value ?? []).filter(changes));
const sum = (of: (one: MovedEstimate) => number) => (moved.value ?? []).reduce((all, one) => all + of(one), 0);
const signed = (value: number, text: (size: number) => string) => `${value < 0 ? '−' : '+'}${text(Math.abs(value))}`;
const sentence = computed(() => {
  if (!moved.value) return '';
  if (moved.value.length === 0) return 'Nothing is decided and open that these rules could move.';
  if (shown.value.length === 0) return 'They move none of the open estimates.';
  const [more, dearer] = [
    sum(({ before, after }) => after.hours - before.hours),
    sum(({ before, after }) => after.cost - before.cost),
  ];
  return `Together ${signed(more, hours)} and ${signed(dearer, units.roundMoney)}, at half of the cases.`;
});
</script>

<template>
  <div class="moved" aria-live="polite">
    <KitButton :disabled="form.busy.value" @click="look">{{
      form.busy.value ? 'Weighing the open repairs …' : 'What would these rules move?'
    }}</KitButton>
    <KitNotice v-if="form.rest()" bad>{{ units.said(form.rest()!) }}</KitNotice>
    <p v-if="moved">{{ sentence }}</p>
    <ul v-if="shown.length > 0">
      <li v-for="one in shown" :key="one.repair">
        {{ one.panel }}, {{ one.car }} ({{ OPTION_WORDS[one.choice].name.toLowerCase() }}):
        <span class="mono">{{ hours(one.before.hours) }} → {{ hours(one.after.hours) }}</span
        >, <span class="mono">{{ units.roundMoney(one.before.cost) }} → {{ units.roundMoney(one.after.cost) }}</span
        ><template v-if="one.after.proposed !== one.before.proposed && one.after.proposed"
          >; then <strong>{{ OPTION_WORDS[one.after.proposed].name.toLowerCase() }}</strong> is proposed</template
        >.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.moved {
  display: grid;
  gap: 0.5rem;
}
ul {
  margin: 0;
  padding-left: 1.1rem;
}
</style>
