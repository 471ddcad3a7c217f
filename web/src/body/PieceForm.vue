<script setup lang="ts">
import { computed, ref } from 'vue';
import type { BodyPlan, Panel } from '@aspecta/core/body';
import KitButton from '../kit/KitButton.vue';
import KitCheckbox from '../kit/KitCheckbox.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { useForm } from '../shell/useForm.ts';

/* A part in one piece that takes the place of this panel and of neighbours of it. */
const props = defineProps<{ vehicle: string; plan: BodyPlan; panel: Panel; others?: readonly string[] }>();
const emit = defineEmits<{ close: []; saved: [piece: string] }>();
const form = useForm();
const id = newId();
const name = ref('');
const chosen = ref<readonly string[]>([...new Set([props.panel.id, ...(props.others ?? [])])]);
const wrong = ref<string | null>(null);
const beside = computed(() =>
  props.plan.panels.filter(
    ({ id: own, view, members }) => view === props.panel.view && own !== props.panel.id && !members,
  ),
);
const take = (panel: string, on: boolean) =>
  (chosen.value = on ? [...chosen.value, panel] : chosen.value.filter((one) => one !== panel));
async function save(): Promise<void> {
  wrong.value = chosen.value.length < 2 ? 'Choose one more panel at least.' : null;
  if (wrong.value) return;
  const body = { name: name.value, panels: chosen.value };
  if (await form.submit(() => put(`/vehicles/${props.vehicle}/pieces/${id}`, body))) emit('saved', id);
}
</script>

<template>
  <KitDialog title="One piece over several panels" @close="emit('close')">
    <form class="stack" @submit.prevent="save">
      <p class="small soft">
        A floor or a side that is bought or made in one piece: the seams between its panels are not made any more.
        Damage that is drawn on them goes over to it, and is decided there.
      </p>
      <KitField v-slot="{ bind }" label="What it is" :error="form.errors['name'] ?? null"
        ><KitInput v-bind="bind" v-model="name" placeholder="Floor pan in one piece"
      /></KitField>
      <fieldset class="panels">
        <legend>{{ panel.name }}, and</legend>
        <KitCheckbox
          v-for="one in beside"
          :key="one.id"
          :model-value="chosen.includes(one.id)"
          @update:model-value="take(one.id, $event)"
          >{{ one.name }}</KitCheckbox
        >
      </fieldset>
      <KitNotice v-if="wrong ?? form.errors['panels'] ?? form.rest('name', 'panels')" bad>{{
        wrong ?? form.errors['panels'] ?? form.rest('name', 'panels')
      }}</KitNotice>
      <div class="row">
        <KitButton submit main :disabled="form.busy.value">Keep</KitButton>
        <KitButton @click="emit('close')">Cancel</KitButton>
      </div>
    </form>
  </KitDialog>
</template>

<style scoped>
.panels {
  border: 0;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
}
.panels legend {
  font-weight: 600;
}
</style>
