import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { barePlaces, type FindView, type ReadingView, type ZoneView } from '@aspecta/contract/survey';
import { layerOf, sheetOf, type Panel } from '@aspecta/core/body';
import {
  FEWEST_READINGS,
  layerSamples,
  weldableLimit,
  withoutFormerCoating,
  type CoatingMap,
} from '@aspecta/core/survey';
import { compute } from '../workers/bridge.ts';
import type { Advice, SurveyMap } from '../workers/compute.ts';
import { asReading } from './asReading.ts';
import { useSurveyRules } from './useSurveyRules.ts';

export type MapKind = 'metal' | 'coating';

/** The maps of one layer and the advice where to read next; computed in the worker whenever readings, layer or limit change. */
export function useMaps(
  panel: () => Panel | null,
  layer: Ref<string>,
  readings: Ref<readonly ReadingView[]>,
  zones: Ref<readonly ZoneView[]>,
) {
  const kind = ref<MapKind>('metal');
  /** mm; null: the weldable limit of the house. */
  const chosenLimit = ref<number | null>(null);
  const rules = useSurveyRules();
  const usualLimit = computed(() => {
    const here = panel();
    return here && layer.value !== '' ? weldableLimit(layerOf(here, layer.value).thickness, rules.value) : 0;
  });
  const limit = computed(() => chosenLimit.value ?? usualLimit.value);
  const samples = computed(() => {
    const here = panel();
    return here && layer.value !== ''
      ? layerSamples(here, layer.value, withoutFormerCoating(readings.value.map(asReading), barePlaces(zones.value)))
      : { metal: [], coating: [], leftOut: 0 };
  });
  const surveyMap = shallowRef<SurveyMap | null>(null);
  const coatingMap = shallowRef<CoatingMap | null>(null);
  const advice = shallowRef<Advice | null>(null);
  /** Share of the layer that can be called: one figure for map, card, advice and next step. */
  const called = computed(() => surveyMap.value?.map.summary.called ?? 0);
  const mapping = ref(false);
  const distinct = (points: readonly { u: number; v: number }[]) =>
    new Set(points.map((p) => `${Math.round(p.u)} ${Math.round(p.v)}`)).size;

  let wanted = 0;
  watch([samples, limit, rules], async ([{ metal, coating }, under, by]) => {
    const mine = ++wanted;
    const here = panel();
    if (!here || under === 0) return;
    const sheet = sheetOf(here) as never;
    const asBuilt = layerOf(here, layer.value).thickness;
    mapping.value = true;
    const none = () => null;
    const maps = await Promise.all([
      distinct(metal) < FEWEST_READINGS
        ? null
        : compute().thickness(sheet, metal, { asBuilt, limit: under, rules: by }).catch(none),
      distinct(coating.filter((sample) => !sample.censored)) < FEWEST_READINGS
        ? null
        : compute().coating(sheet, coating, by).catch(none),
    ]);
    if (mine !== wanted) return;
    [surveyMap.value, coatingMap.value] = maps;
    mapping.value = false;
    // The advice comes after the map: it is wanted, but the map is what the person waits for.
    const told = await compute().next(sheet, metal, under, asBuilt).catch(none);
    if (mine === wanted) advice.value = told;
  });
  return { kind, limit, usualLimit, chosenLimit, samples, surveyMap, coatingMap, advice, called, mapping };
}

/** Finds that are worth a mark on the sheet. */
export const shownFinds = (finds: readonly FindView[], layer: string) =>
  finds.filter((find) => find.layer === layer && find.sign !== 'sound' && !find.closed);
