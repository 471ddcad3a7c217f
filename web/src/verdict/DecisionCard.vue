<script setup lang="ts">
import { computed, ref } from 'vue';
import { ORDER_WORDS } from '@aspecta/contract/order';
import { OPTION_WORDS, type RepairView } from '@aspecta/contract/verdict';
import type { Panel } from '@aspecta/core/body';
import { isBought, isCutIn } from '@aspecta/core/verdict';
import { onSheet } from '../car/onSheet.ts';
import KitButton from '../kit/KitButton.vue';
import KitCollapse from '../kit/KitCollapse.vue';
import KitField from '../kit/KitField.vue';
import KitInput from '../kit/KitInput.vue';
import KitNotice from '../kit/KitNotice.vue';
import { post } from '../shell/api.ts';
import { useSession } from '../shell/session.ts';
import { dayOf } from '../shell/days.ts';
import { hours, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';

/* One decision of a panel: what stands, what has changed since, what was decided before, and the ways on and back. */
const props = defineProps<{ repair: RepairView; vehicle: string; panel: Panel; deciding: boolean }>();
const emit = defineEmits<{ again: []; changed: [] }>();
const session = useSession();
const units = useUnits();
const form = useForm();
const leaving = ref(false);
const why = ref('');
const base = computed(() => `/vehicles/${props.vehicle}/repairs/${props.repair.id}`);
/** What is not any more as it was decided on, in a sentence. */
const since = computed(() => {
  const { staleZones, area, areaNow } = props.repair;
  if (staleZones.length === 0) return null;
  if (areaNow === 0) return 'The damage that it was decided for is not drawn any more.';
  if (area === null || Math.abs(area - areaNow) < 1) return 'The damage was changed since.';
  return `Found ${units.area(areaNow)}, decided on ${units.area(area)}.`;
});
async function send(verb: 'withdraw' | 'restore', body: object): Promise<void> {
  const { id, version } = props.repair;
  const done = await form.submit(() => post(`/repairs/${id}/${verb}`, { ...body, version }));
  if (!done) return;
  leaving.value = false;
  why.value = '';
  emit('changed');
}
</script>

<template>
  <article class="tile decision" :class="{ off: repair.withdrawn }" :data-repair="repair.id">
    <div class="row spread">
      <strong
        >{{ OPTION_WORDS[repair.choice].name }}{{ repair.layers.map((layer) => onSheet(panel, layer)).join(' and')
        }}{{ repair.done ? ' ✓ done' : '' }}</strong
      >
      <span class="mono small"
        >{{ hours(repair.hours.p50) }} · {{ units.roundMoney(repair.cost.p50, repair.currency) }}</span
      >
    </div>
    <p class="small soft">
      {{ repair.decidedBy }}, {{ dayOf(repair.decidedAt) }}: {{ repair.reason
      }}<template v-if="repair.area !== null"> · {{ units.area(repair.area) }} of damage</template>
    </p>
    <p v-if="repair.withdrawn" class="small">
      Taken back by {{ repair.withdrawn.by }}, {{ dayOf(repair.withdrawn.at) }}: {{ repair.withdrawn.reason }}
    </p>
    <p v-else-if="since" class="small alarm">{{ since }} Weigh it again.</p>
    <p v-if="repair.order?.unneeded" class="small alarm">
      {{ ORDER_WORDS[repair.order.state] }} in the order book, and not needed for this any more:
      <RouterLink to="/orders">withdraw it or keep it</RouterLink>.
    </p>
    <KitNotice v-if="form.rest('reason')" bad>
      {{ form.rest('reason') }}
    </KitNotice>
    <div v-if="session.canWork && !leaving" class="row">
      <template v-if="repair.withdrawn">
        <KitButton small :disabled="form.busy.value" @click="send('restore', {})">Let it stand again</KitButton>
      </template>
      <template v-else>
        <KitButton v-if="!deciding" small :main="since !== null" @click="emit('again')">Decide again</KitButton>
        <KitButton v-if="isCutIn(repair.choice)" small :to="`${base}/cut`">Cut</KitButton>
        <KitButton v-if="isBought(repair.choice)" small to="/orders">Order</KitButton>
        <KitButton small plain @click="leaving = true">Take it back …</KitButton>
      </template>
    </div>
    <form v-if="leaving" class="stack" @submit.prevent="send('withdraw', { reason: why })">
      <KitField
        v-slot="{ bind }"
        label="Why is it taken back?"
        hint="Its zones are open again; the decision is kept and can stand again"
        :error="form.errors['reason']"
      >
        <KitInput v-bind="bind" v-model="why" />
      </KitField>
      <div class="row">
        <KitButton submit small main :disabled="form.busy.value">Take the decision back</KitButton>
        <KitButton small plain @click="leaving = false">Leave it</KitButton>
      </div>
    </form>
    <KitCollapse v-if="repair.earlier.length > 0" :title="`Decided otherwise before (${repair.earlier.length})`">
      <ol class="before small">
        <li v-for="step in repair.earlier" :key="step.at">
          {{ dayOf(step.at) }}, {{ step.by }}: <strong>{{ OPTION_WORDS[step.choice].decided }}</strong> –
          {{ step.reason }}
          <span class="soft mono"
            >{{ hours(step.hours.p50) }} · {{ units.roundMoney(step.cost.p50, step.currency)
            }}<template v-if="step.area !== null"> · {{ units.area(step.area) }}</template></span
          >
        </li>
      </ol>
    </KitCollapse>
  </article>
</template>

<style scoped>
.decision {
  display: grid;
  gap: 0.35rem;
}
.decision p {
  margin: 0;
}
.off > .row strong {
  text-decoration: line-through;
}
.before {
  margin: 0;
  padding-left: 1.1rem;
  display: grid;
  gap: 0.35rem;
}
</style>
