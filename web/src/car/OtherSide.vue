<script setup lang="ts">
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import type { SideDone, SideView } from '@aspecta/contract/side';
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import KitButton from '../kit/KitButton.vue';
import KitDialog from '../kit/KitDialog.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get, post } from '../shell/api.ts';
import { newId } from '../shell/newId.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { useLoad } from '../shell/useLoad.ts';
import Waiting from '../shell/Waiting.vue';
import { useVehicle } from './useVehicle.ts';

/* The same work on the other side: what is there already, what can be taken over mirrored, what the first side took. */
const props = defineProps<{ vehicle: string; repair: RepairView }>();
const emit = defineEmits<{ close: [] }>();
const units = useUnits();
const form = useForm();
const router = useRouter();
const at = `/repairs/${props.repair.id}/side`;
const load = useLoad(async () => ({ side: await get<SideView | null>(at) }));
const there = computed(() => load.data.value?.side ?? null);
const car = useVehicle(props.vehicle);
const done = ref<SideDone | null>(null);
/** Made once, so that it is decided once however often it is sent. */
const id = newId();
const zoneIds = props.repair.zoneIds.map(() => newId());
const over = computed(() => {
  const side = there.value;
  if (!side) return [];
  return [
    side.line && 'the line that was laid by hand',
    side.joints > 0 && `how ${side.joints} ${side.joints === 1 ? 'joint is' : 'joints are'} closed`,
  ].filter((part) => part !== false);
});
async function same(into: string | null): Promise<void> {
  await form.submit(async () => {
    done.value = await post<SideDone>(at, { into, id, zoneIds });
    await car.ready(true);
  });
}
async function go(): Promise<void> {
  const target = `/vehicles/${props.vehicle}/repairs/${done.value!.repair.id}/joints`;
  emit('close');
  await router.push(target);
}
</script>

<template>
  <KitDialog title="The same on the other side" @close="emit('close')">
    <Waiting :of="load" what="The other side">
      <div v-if="done" class="stack">
        <p>
          <strong>{{ there?.panelName }}</strong>: {{ OPTION_WORDS[done.repair.choice].decided }}.
        </p>
        <p v-for="note in done.notes" :key="note">{{ units.said(note) }}</p>
        <KitNotice v-if="!there?.zones.length && !there?.repairs.length">
          Its damage was mirrored and not looked at: look at that side before anything is cut.
        </KitNotice>
        <p class="small soft">
          Figures of the first side are tried on the second before it is cut: no car is the same on both sides.
        </p>
        <div class="row">
          <KitButton main @click="go">Look at its joints</KitButton>
          <KitButton @click="emit('close')">Stay here</KitButton>
        </div>
      </div>
      <p v-else-if="!there">This panel lies in the middle of the car and has no other side.</p>
      <div v-else class="stack">
        <p v-if="there.took">
          This side took <strong class="mono">{{ hours(there.took.spent) }}</strong> for steps that were reckoned at
          {{ hours(there.took.reckoned) }}: the same steps there are planned with that.
        </p>
        <p v-else class="soft">No hours are noted here yet; what this side takes becomes the estimate of the other.</p>
        <p v-if="over.length > 0">Taken over, mirrored: {{ over.join(', ') }}.</p>
        <p v-else class="soft">
          Nothing of its line or joints was chosen by hand; the other side follows its own damage.
        </p>
        <KitNotice v-if="form.rest()" bad>
          {{ units.said(form.rest() ?? '') }}
          <RouterLink :to="`/vehicles/${props.vehicle}/panels/${there.panel}/verdict`" @click="emit('close')"
            >To the verdict of {{ there.panelName }}</RouterLink
          >
        </KitNotice>
        <template v-if="there.repairs.length > 0">
          <p>{{ there.panelName }} is decided the same way already:</p>
          <div class="row">
            <KitButton
              v-for="one in there.repairs"
              :key="one.id"
              :disabled="form.busy.value || over.length === 0"
              @click="same(one.id)"
              >Take over into that of {{ units.area(one.areaMm2) }}</KitButton
            >
          </div>
        </template>
        <KitButton
          v-if="there.repairs.length === 0 || there.zones.length > 0"
          main
          :disabled="form.busy.value"
          @click="same(null)"
          >{{
            there.zones.length > 0
              ? `Decide the damage that is mapped on ${there.panelName} the same way`
              : `Map the same damage on ${there.panelName} and decide it so`
          }}</KitButton
        >
      </div>
    </Waiting>
  </KitDialog>
</template>
