<script setup lang="ts">
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import { isBought, isCutIn, keepsPanel } from '@aspecta/core/verdict';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { setDone } from '../car/signOff.ts';
import { useSession } from '../shell/session.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

const props = defineProps<{
  repairs: readonly RepairView[];
  nameOf: (repair: Pick<RepairView, 'panel' | 'layers'>) => string;
  vehicle: string;
}>();
const emit = defineEmits<{ changed: [] }>();
const session = useSession();
const units = useUnits();
const form = useForm();
async function say(repair: RepairView, done: boolean): Promise<void> {
  await form.submit(() => setDone(repair, done));
  emit('changed');
}
</script>

<template>
  <div>
    <div class="row spread">
      <p class="eyebrow">Decisions</p>
      <KitButton v-if="repairs.length > 0" small plain :to="`/vehicles/${vehicle}/whole`"
        >All weighed together</KitButton
      >
    </div>
    <p v-if="props.repairs.length === 0" class="soft small">
      None yet. Measure a panel, mark what is damaged, and weigh it.
    </p>
    <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
    <ul>
      <li v-for="repair in repairs" :key="repair.id">
        <div class="row spread">
          <strong>{{ nameOf(repair) }}</strong><span class="mono small"
            >{{ hours(repair.hours.p50) }} · {{ units.roundMoney(repair.cost.p50, repair.currency) }}</span
          >
        </div>
        <p class="small soft">
          {{ OPTION_WORDS[repair.choice].name }} – {{ repair.reason
          }}<template v-if="repair.staleZones.length > 0">
            · <span class="alarm">the damage has changed since</span></template
          >
        </p>
        <div class="row">
          <KitButton small v-if="isCutIn(repair.choice)" :to="`/vehicles/${vehicle}/repairs/${repair.id}/cut`"
            >Cut</KitButton
          >
          <KitButton small v-if="!keepsPanel(repair.choice)" :to="`/vehicles/${vehicle}/repairs/${repair.id}/weld`"
            >Weld</KitButton
          >
          <KitButton small v-if="!keepsPanel(repair.choice)" :to="`/vehicles/${vehicle}/repairs/${repair.id}/joints`"
            >Joints</KitButton
          >
          <KitButton small v-if="isBought(repair.choice)" to="/orders">Order</KitButton>
          <KitButton small v-if="session.canWork" :disabled="form.busy.value" @click="say(repair, !repair.done)">
            {{ repair.done ? '✓ Done' : 'Mark as done' }}
          </KitButton>
          <KitButton
            small
            plain
            v-if="session.canWork"
            :to="`/vehicles/${vehicle}/panels/${repair.panel}/verdict?repair=${repair.id}`"
            >{{ repair.staleZones.length > 0 ? 'Decide again' : 'Change the decision' }}</KitButton
          >
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  gap: 0.9rem;
}
p {
  margin-bottom: 0.25rem;
}
</style>
