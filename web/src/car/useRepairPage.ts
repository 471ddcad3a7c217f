import { computed, shallowRef } from 'vue';
import { panelOf } from '@aspecta/core/body';
import { keepsPanel } from '@aspecta/core/verdict';
import { get } from '../shell/api.ts';
import { useLoad } from '../shell/useLoad.ts';
import { useVehicle } from './useVehicle.ts';

/**
 * What a page of a repair stands on: the car with its decisions, what the station says of this repair,
 * its panel, and the other repairs that one can go on to.
 *
 * @param at address of what the station says, now
 */
export function useRepairPage<V extends { panel: string }>(
  { id, repair }: { id: string; repair: string },
  at: string | (() => string),
) {
  const car = useVehicle(id);
  const view = shallowRef<V | null>(null);
  const load = useLoad(async (again) => {
    const [{ vehicle, plan, repairs }, said] = await Promise.all([
      car.ready(again),
      get<V>(typeof at === 'string' ? at : at()),
    ]);
    view.value = said;
    return { vehicle, plan, panel: panelOf(plan, said.panel), repairs };
  });
  return {
    load,
    view,
    decision: computed(() => load.data.value?.repairs.find((one) => one.id === repair) ?? null),
    others: computed(() => (load.data.value?.repairs ?? []).filter(({ choice }) => !keepsPanel(choice))),
  };
}
