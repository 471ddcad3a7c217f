<script setup lang="ts">
import { ref } from 'vue';
import type { RepairView } from '@aspecta/contract/verdict';
import { isBought, isCutIn } from '@aspecta/core/verdict';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { put, remove } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

const props = defineProps<{ repairs: readonly RepairView[]; nameOf: (panel: string) => string; vehicle: string }>();
const emit = defineEmits<{ changed: [] }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const WORDS = {
  treat: 'Treat',
  patch: 'Patch',
  part: 'Part of a repair panel',
  whole: 'Whole panel',
  make: 'Make it',
  overlay: 'Sheet laid over',
} as const;

async function setDone(repair: RepairView, done: boolean): Promise<void> {
  const { choice, reason, version } = repair;
  await form.submit(async () => {
    await put(`/repairs/${repair.id}`, { choice, reason, done, version });
  });
  emit('changed');
}
/** The decision that a second tap takes back. */
const asked = ref<string | null>(null);
async function takeBack({ id }: RepairView): Promise<void> {
  if (asked.value !== id) {
    asked.value = id;
    return;
  }
  asked.value = null;
  await form.submit(() => remove(`/repairs/${id}`));
  emit('changed');
}
</script>

<template>
  <div>
    <p class="eyebrow">Decisions</p>
    <p v-if="props.repairs.length === 0" class="soft small">
      None yet. Measure a panel, mark what is damaged, and weigh it.
    </p>
    <KitNotice bad v-if="form.general.value">{{ form.general.value }}</KitNotice>
    <ul>
      <li v-for="repair in repairs" :key="repair.id">
        <div class="row spread">
          <strong>{{ nameOf(repair.panel) }}</strong><span class="mono small"
            >{{ hours(repair.hours.p50) }} · {{ units.roundMoney(repair.cost.p50, repair.currency) }}</span
          >
        </div>
        <p class="small soft">
          {{ WORDS[repair.choice] }} – {{ repair.reason
          }}<template v-if="repair.staleZones.length > 0">
            · <span class="alarm">the damage has changed since</span></template
          >
        </p>
        <div class="row">
          <KitButton small v-if="isCutIn(repair.choice)" :to="`/vehicles/${vehicle}/repairs/${repair.id}/cut`"
            >Cut</KitButton
          >
          <KitButton small v-if="isCutIn(repair.choice)" :to="`/vehicles/${vehicle}/repairs/${repair.id}/weld`"
            >Weld</KitButton
          >
          <KitButton small v-if="isBought(repair.choice)" to="/orders">Order</KitButton>
          <KitButton small v-if="session.canWork" :disabled="form.busy.value" @click="setDone(repair, !repair.done)">
            {{ repair.done ? '✓ Done' : 'Mark as done' }}
          </KitButton>
          <KitButton
            small
            plain
            v-if="session.canWork && !repair.done"
            :disabled="form.busy.value"
            @click="takeBack(repair)"
          >
            {{ asked === repair.id ? 'Really take it back' : 'Take it back' }}
          </KitButton>
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
