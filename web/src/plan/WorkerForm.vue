<script setup lang="ts">
import { reactive } from 'vue';
import { WEEK_DAYS, type Worker } from '@aspecta/contract/plan';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post, put, remove } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useSession } from '../shell/session.ts';
import { useForm } from '../shell/useForm.ts';
import { hoursText, readHours } from './hoursText.ts';

/* Who works when: the hours of each day of the week, and days off. */
const props = defineProps<{ worker: Worker | null; usual: string }>();
const emit = defineEmits<{ close: []; saved: [] }>();
const form = useForm();
const id = props.worker?.id ?? newId();
const draft = reactive({
  name: props.worker?.name ?? props.usual,
  week: WEEK_DAYS.map((_, i) =>
    props.worker ? hoursText(props.worker.week[i]!) : i < 5 ? '19-21' : i === 5 ? '9-13' : '',
  ),
  off: (props.worker?.off ?? []).join('\n'),
});
/** That of the shop; of this device as long as nobody has said it. */
const timeZone = useSession().current?.shop.timeZone ?? (Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC');
async function save(): Promise<void> {
  const done = await form.submit(async () => {
    const body = {
      id,
      name: draft.name,
      week: draft.week.map((text, i) => readHours(text, `week[${i}]`)),
      off: draft.off.split(/[\s,;]+/).filter((day) => day !== ''),
      timeZone,
    };
    if (props.worker) await put(`/workers/${id}`, { ...body, version: props.worker.version });
    else await post('/workers', body);
  });
  if (done) close();
}
async function away(): Promise<void> {
  if (await form.submit(() => remove(`/workers/${id}`))) close();
}
function close(): void {
  emit('saved');
  emit('close');
}
const fields = ['name', 'off', ...WEEK_DAYS.map((_, i) => `week[${i}]`)];
const offError = () => Object.entries(form.errors).find(([field]) => field.startsWith('off'))?.[1] ?? null;
</script>

<template>
  <KitDialog :title="worker ? `When does ${worker.name} work?` : 'Who works when?'" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <KitField v-slot="{ bind }" label="Name" :error="form.errors['name']"
        ><KitInput v-bind="bind" v-model="draft.name"
      /></KitField>
      <p class="small soft">Hours of each day, as 19-21 or 9-12, 14-17:30. Empty for a day without work.</p>
      <div class="week">
        <KitField
          v-for="(day, i) in WEEK_DAYS"
          :key="day"
          v-slot="{ bind }"
          :label="day"
          :error="form.errors[`week[${i}]`]"
          ><KitInput mono v-bind="bind" v-model="draft.week[i]!"
        /></KitField>
      </div>
      <KitField v-slot="{ bind }" label="Days off" hint="As 2026-12-24, with spaces in between" :error="offError()"
        ><KitInput mono v-bind="bind" v-model="draft.off"
      /></KitField>
      <p class="small soft">By the clock of {{ timeZone }}.</p>
      <KitNotice v-if="form.rest(...fields) && !offError()" bad>{{ form.rest(...fields) }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
        <KitButton v-if="worker" :disabled="form.busy.value" @click="away">Works here no more</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.week {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(9.5rem, 1fr));
  gap: 0.5rem 0.8rem;
  align-items: start;
}
</style>
