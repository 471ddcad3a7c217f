<script setup lang="ts">
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import { panelOf, pieceName, type BodyPlan } from '@aspecta/core/body';
import { setDone } from '../car/signOff.ts';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { useForm } from '../shell/useForm.ts';

/* Repairs of which every step is done: somebody looks once more, and signs them off. */
const props = defineProps<{ vehicle: string; plan: BodyPlan; repairs: readonly RepairView[]; canWork: boolean }>();
const emit = defineEmits<{ signed: [] }>();
const form = useForm();
const nameOf = ({ panel, layers }: RepairView) =>
  layers.length > 0 ? pieceName(panelOf(props.plan, panel), layers) : panelOf(props.plan, panel).name;
async function sign(repair: RepairView): Promise<void> {
  await form.submit(() => setDone(repair, true));
  emit('signed');
}
</script>

<template>
  <section v-if="repairs.length > 0" class="tile">
    <h2>Every step is done</h2>
    <p class="small soft">
      Look at it once more: welds, seams, drains, coats, gaps. What is signed off stands as finished in the record; on
      the Board it can be opened again.
    </p>
    <KitNotice v-if="form.rest()" bad>{{ form.rest() }}</KitNotice>
    <ul class="plain">
      <li v-for="repair in repairs" :key="repair.id" class="row spread">
        <span
          ><strong>{{ nameOf(repair) }}</strong
          >: {{ OPTION_WORDS[repair.choice].name.toLowerCase() }}</span
        >
        <span class="row">
          <KitButton small plain :to="`/vehicles/${vehicle}/record`">The record</KitButton>
          <KitButton
            v-if="canWork"
            small
            main
            :disabled="form.busy.value"
            :aria-label="`Sign off: ${nameOf(repair)}`"
            @click="sign(repair)"
            >Sign it off</KitButton
          >
        </span>
      </li>
    </ul>
  </section>
</template>
