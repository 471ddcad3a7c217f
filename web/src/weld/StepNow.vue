<script setup lang="ts">
import { computed } from 'vue';
import type { WeldPlanView } from '@aspecta/contract/weld';
import type { Panel } from '@aspecta/core/body';
import { isHot, weldId, type WeldStep } from '@aspecta/core/weld';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { clock, useUnits } from '../shell/units.ts';
import { placeWords } from './placeWords.ts';

/* One step of the plan in words, with what a person may say of it: that it comes first, or is left out. */
const props = defineProps<{ view: WeldPlanView; panel: Panel; step: WeldStep; change: boolean; busy: boolean }>();
const emit = defineEmits<{ first: [id: string]; barred: [id: string] }>();
const units = useUnits();
const place = computed(() => placeWords(props.view, props.panel, props.step, units.length));
const id = computed(() => (isHot(props.step) ? weldId(props.step.kind, props.step.from!, props.step.to!) : null));
</script>

<template>
  <KitNotice quiet>
    <p>
      <strong class="mono">{{ step.n }}</strong> {{ units.said(step.text)
      }}<template v-if="place">{{ ' ' }}– {{ place }}</template
      ><template v-if="step.temperature !== null"
        >{{ ' ' }}<span class="soft">at about {{ units.heat.text(step.temperature) }}</span></template
      ><template v-if="step.wait > 0"
        >{{ ' ' }}<span class="soft">after {{ clock(step.wait) }} of cooling</span></template
      >
    </p>
    <div v-if="id && change" class="row">
      <KitButton small :disabled="busy" @click="emit('first', id)">Weld this first</KitButton>
      <KitButton small :disabled="busy" @click="emit('barred', id)">Leave it out</KitButton>
    </div>
  </KitNotice>
</template>
