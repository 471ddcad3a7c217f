import type { PacesView, SecondSideCase } from '@aspecta/contract/pace';
import { otherSideOf, panelOf } from '@aspecta/core/body';
import { calibrate } from '@aspecta/core/verdict';
import type { OwnVehicle } from '../garage/service.ts';
import type { RepairRow } from '../verdict/entities.ts';
import { layersOf, repairName } from '../verdict/named.ts';
import type { Case } from './service.ts';

/** How much quicker is the second side of a car? By the steps whose hours were noted on both sides of the same repair. */
export function secondSides(cases: readonly Case[], vehicles: readonly OwnVehicle[]): PacesView['second'] {
  const repairs = [...new Map(cases.map(({ repair }) => [repair.id, repair])).values()];
  const pairs = repairs.flatMap((repair): SecondSideCase[] => {
    const vehicle = vehicles.find(({ id }) => id === repair.vehicleId);
    const first =
      vehicle && repairs.find((one) => isLikeOf(one, repair, vehicle) && begun(cases, one) < begun(cases, repair));
    if (!first) return [];
    const both = cases.flatMap((second) => {
      const like =
        second.repair.id === repair.id && cases.find((one) => one.repair.id === first.id && one.kind === second.kind);
      return like ? [{ first: like.spent, second: second.spent, at: second.at }] : [];
    });
    if (both.length === 0) return [];
    return [
      {
        ...{ vehicle: vehicle.nickname, panel: repairName(vehicle.plan, repair) },
        first: both.reduce((sum, one) => sum + one.first, 0),
        second: both.reduce((sum, one) => sum + one.second, 0),
        at: both.at(-1)!.at.toISOString(),
      },
    ];
  });
  const { factor, low, high } = calibrate({
    element: 'second side',
    history: pairs.map(({ first, second }) => ({ estimated: first, actual: second })),
  });
  return { factor, low, high, cases: pairs };
}

/** The same choice on the same sheet of the panel on the other side of one car. */
const isLikeOf = (one: RepairRow, repair: RepairRow, { plan }: OwnVehicle): boolean =>
  one.vehicleId === repair.vehicleId &&
  one.choice === repair.choice &&
  one.panel === otherSideOf(plan, panelOf(plan, repair.panel))?.panel.id &&
  layersOf(one).join() === layersOf(repair).join();

/** ms. When the first of its steps was noted. */
const begun = (cases: readonly Case[], { id }: RepairRow): number =>
  Math.min(...cases.filter(({ repair }) => repair.id === id).map(({ at }) => at.getTime()));
