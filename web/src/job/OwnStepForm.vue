<script setup lang="ts">
import { reactive } from 'vue';
import type { OwnStepInput, StepView } from '@aspecta/contract/job';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitChips from '../kit/KitChips.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import KitSelect from '../kit/KitSelect.vue';
import { newId } from '../shell/newId.ts';
import { decimal } from '../shell/typedNumber.ts';
import type { useJob } from './useJob.ts';

/* A step that the house does not know: what it is, how long, after which others it comes and which wait for it. */
const props = defineProps<{ job: ReturnType<typeof useJob>; step: StepView | null }>();
const emit = defineEmits<{ close: [] }>();
const { form, steps } = props.job;
const id = props.step?.id ?? newId();
const draft = reactive({
  title: props.step?.title ?? '',
  hours: props.step ? String(props.step.reckoned) : '',
  after: [...(props.step?.own?.after ?? [])],
  before: [...(props.step?.own?.before ?? [])],
  waits: props.step?.waits ? 'clock' : 'work',
  dry: props.step?.dry ?? false,
});
const SIDES = [
  { side: 'after', label: 'After which step', hint: 'It waits for these' },
  { side: 'before', label: 'Before which step', hint: 'These wait for it' },
] as const;
type Side = (typeof SIDES)[number]['side'];
const titleOf = (of: string) => steps.value.find((step) => step.id === of)?.title ?? 'a step that is gone';
const others = () =>
  steps.value.filter((step) => step.id !== id && ![...draft.after, ...draft.before].includes(step.id));
function add(side: Side, of: string): void {
  if (of) draft[side].push(of);
}
async function save(): Promise<void> {
  const input: OwnStepInput = {
    id,
    title: draft.title,
    hours: decimal(draft.hours) as number,
    after: draft.after,
    before: draft.before,
    waits: draft.waits === 'clock',
    dry: draft.dry,
  };
  if (await props.job.keep(input, props.step?.own?.version ?? null)) emit('close');
}
</script>

<template>
  <KitDialog :title="step ? 'Change this step' : 'A step of your own'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="What is to be done" :error="form.errors['title']"
        ><KitInput v-bind="bind" v-model="draft.title"
      /></KitField>
      <KitField v-slot="{ bind }" label="Hours" :error="form.errors['hours']"
        ><KitInput mono v-bind="bind" v-model="draft.hours" inputmode="decimal"
      /></KitField>
      <KitChips
        v-model="draft.waits"
        legend="Who does it"
        :options="[
          { value: 'work', label: 'Somebody works on it' },
          { value: 'clock', label: 'It passes by the clock' },
        ]"
      />
      <KitCheckbox v-model="draft.dry">Only in the dry</KitCheckbox>
      <div v-for="{ side, label, hint } in SIDES" :key="side">
        <KitField v-slot="{ bind }" :label="label" :hint="hint" :error="form.errors[side]">
          <KitSelect v-bind="bind" model-value="" @update:model-value="(of: string) => add(side, of)">
            <option value="">Choose one …</option>
            <option v-for="other in others()" :key="other.id" :value="other.id">{{ other.title }}</option>
          </KitSelect>
        </KitField>
        <ul v-if="draft[side].length > 0" class="plain">
          <li v-for="of in draft[side]" :key="of" class="row spread">
            <span>{{ titleOf(of) }}</span>
            <KitButton
              small
              plain
              :aria-label="`Not ${side}: ${titleOf(of)}`"
              @click="draft[side] = draft[side].filter((one) => one !== of)"
              >Take off</KitButton
            >
          </li>
        </ul>
      </div>
      <KitNotice v-if="form.rest('title', 'hours', 'after', 'before')" bad>{{
        form.rest('title', 'hours', 'after', 'before')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">{{ step ? 'Save' : 'Add it' }}</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.plain {
  list-style: none;
  padding: 0;
  margin: 0;
}
</style>
