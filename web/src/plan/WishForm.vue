<script setup lang="ts">
import { reactive, watch } from 'vue';
import type { PlanView, PlanWishInput } from '@aspecta/contract/plan';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitDate from '../kit/KitDate.vue';
import KitField from '../kit/KitField.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put } from '../shell/api.ts';
import { overTheirs } from '../shell/theirs.ts';
import { useForm } from '../shell/useForm.ts';

/* What is wanted of the plan: the day that was promised, and whether the car stands in the open. */
const props = defineProps<{ vehicle: string; wish: PlanWishInput }>();
const emit = defineEmits<{ saved: [view: PlanView] }>();
const form = useForm();
const draft = reactive({ promised: props.wish.promised ?? '', outdoors: props.wish.outdoors });
/** The version on which the changes rest. */
let seen = props.wish.version;
const isDraft = ({ promised, outdoors }: PlanWishInput) =>
  draft.promised === (promised ?? '') && draft.outdoors === outdoors;
watch(
  () => props.wish,
  (now, before) => {
    // What is being typed stays, on the version that it rests on: saving it then tells of the other change.
    if (!isDraft(before) && !isDraft(now)) return;
    Object.assign(draft, { promised: now.promised ?? '', outdoors: now.outdoors });
    seen = now.version;
  },
);
async function save(): Promise<void> {
  await form.submit(() =>
    overTheirs<PlanWishInput>(
      'what is wanted of this plan',
      ({ version }) => (seen = version),
      async () => {
        const wish = { promised: draft.promised || null, outdoors: draft.outdoors, version: seen };
        emit('saved', await put<PlanView>(`/vehicles/${props.vehicle}/plan/wish`, wish));
      },
    ),
  );
}
</script>

<template>
  <form class="row wish" @submit.prevent="save">
    <KitField v-slot="{ bind }" label="Promised, or inspected, on" :error="form.errors['promised']"
      ><KitDate v-bind="bind" v-model="draft.promised"
    /></KitField>
    <KitCheckbox v-model="draft.outdoors">It stands in the open: weld and coat in dry hours only</KitCheckbox>
    <KitButton submit :disabled="form.busy.value">Plan it so</KitButton>
    <KitNotice v-if="form.rest('promised')" bad>{{ form.rest('promised') }}</KitNotice>
  </form>
</template>

<style scoped>
.wish {
  align-items: end;
  gap: 1rem;
}
</style>
