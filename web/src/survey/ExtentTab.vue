<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue';
import { EVIDENCE, type ExtentView, type LearntView, type ZoneView } from '@aspecta/contract/survey';
import { sheetOf, type Panel } from '@aspecta/core/body';
import type { Polygon } from '@aspecta/core/geometry';
import type { SpreadEvidence } from '@aspecta/core/survey';
import ChartView from '../charts/ChartView.vue';
import KitButton from '../kit/KitButton.vue';
import KitNotice from '../kit/KitNotice.vue';
import { get } from '../shell/api.ts';
import { dayOf } from '../shell/days.ts';
import { percent, useUnits } from '../shell/units.ts';
import { useForm } from '../shell/useForm.ts';
import { compute } from '../workers/bridge.ts';
import { extentChart } from './surveyCharts.ts';

/* What does not show yet: what is to be expected of each zone, and how earlier expectations came out. */
const props = defineProps<{ vehicle: string; panel: Panel; layer: string; zones: readonly ZoneView[] }>();
const expected = defineModel<{ p50: readonly Polygon[]; p90: readonly Polygon[] } | null>('expected', {
  required: true,
});
const units = useUnits();
const form = useForm();
const extents = shallowRef<readonly ExtentView[]>([]);
const learnt = shallowRef<readonly LearntView[]>([]);
/** The layer that lies behind the one shown. */
const behind = computed(
  () => props.panel.layers[props.panel.layers.findIndex(({ id }) => id === props.layer) + 1] ?? null,
);
const kindOf = (zone: ZoneView): SpreadEvidence => (zone.evidence === 'map' ? 'stripped' : zone.evidence);
const open = computed(() => props.zones.filter((zone) => zone.layer === props.layer && kindOf(zone) !== 'opened'));

watch(
  () => props.zones,
  () =>
    form.submit(async () => {
      const [all, known] = await Promise.all([
        get<ExtentView[]>(`/vehicles/${props.vehicle}/panels/${props.panel.id}/extents`),
        get<LearntView[]>('/learnt'),
      ]);
      // What has been opened up and not looked at deeper since has nothing left to compare.
      extents.value = all.filter((extent) => extent.found !== null || extent.evidence !== 'opened');
      learnt.value = known;
    }),
  { immediate: true },
);
watch(
  [open, learnt],
  async ([zones, known]) => {
    if (known.length === 0) return;
    const sheet = sheetOf(props.panel) as never;
    const all = await Promise.all(
      zones.map((zone) => {
        const kind = kindOf(zone);
        const history = known.find((entry) => entry.evidence === kind)?.cases ?? [];
        const cases = history.map(({ predicted, found }) => ({ predicted, found }));
        return compute().spread([zone.ring, ...zone.holes], kind, cases, sheet);
      }),
    );
    expected.value = {
      p50: all.flatMap((one) => one.polygon50),
      p90: all.flatMap((one) => one.polygon90),
    };
  },
  { immediate: true },
);
const ratioOf = (zone: ZoneView) => learnt.value.find((entry) => entry.evidence === kindOf(zone));
const chart = computed(() =>
  extentChart(
    extents.value.map((extent) => ({ ...extent, name: `${EVIDENCE[extent.evidence]}, ${dayOf(extent.at)}` })),
    units.unit.value,
  ),
);
</script>

<template>
  <div class="stack">
    <div>
      <p class="eyebrow">How far does it go where nothing shows?</p>
      <p class="soft small">
        What shows is never all of it. The full line is as likely too small as too large; of ten such, nine do not reach
        beyond the dashed one.
      </p>
    </div>
    <KitNotice bad v-if="form.rest()">{{ form.rest() }}</KitNotice>
    <p v-if="open.length === 0" class="soft">
      No zone of this layer waits to be opened further. Draw what shows, and its likely extent is drawn around it.
    </p>
    <dl v-for="zone in open" :key="zone.id">
      <dt>{{ EVIDENCE[zone.evidence] }}, {{ units.area(zone.area) }} seen</dt>
      <dd v-if="ratioOf(zone)" class="mono">
        {{ units.area(zone.area * Math.max(1, ratioOf(zone)!.ratio.p50)) }}
        <span class="soft small">to be expected, up to {{ units.area(zone.area * ratioOf(zone)!.ratio.p90) }}</span>
      </dd>
      <dd v-if="ratioOf(zone) && behind" class="small">
        {{ behind.name }} behind it has it too with a chance of
        <strong class="mono">{{ percent(ratioOf(zone)!.behind.chance) }}</strong>.
      </dd>
    </dl>
    <ChartView v-if="extents.length > 0" :chart="chart" />
    <KitButton small to="/learnt">What this shop has learnt from its openings</KitButton>
  </div>
</template>

<style scoped>
dl {
  margin: 0;
}
dd {
  margin: 0;
}
</style>
