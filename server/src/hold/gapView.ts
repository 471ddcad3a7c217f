import type { GapView } from '@aspecta/contract/hold';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { gapPlaces, gaps, shimsFor } from '@aspecta/core/hold';
import type { GapRow } from './entities.ts';

/** What the gaps of a hung part say: where it has gone, and what each of its mounts needs. */
export function gapView(
  { id, hung: hungId, readings, shims, by, at }: GapRow,
  { plan, rotten }: { plan: BodyPlan; rotten: ReadonlyMap<string, readonly string[]> },
): GapView {
  const hung = plan.frame!.hung.find((part) => part.id === hungId)!;
  const places = gapPlaces(panelOf(plan, hung.panel));
  const fit = gaps({
    readings: readings.map(({ place, gap, wanted }) => {
      const {
        at: [u, v],
        normal,
      } = places.find((one) => one.id === place)!;
      return { u, v, normal, gap, wanted };
    }),
    mounts: hung.mounts.map(({ id: mount, at: [x, y] }) => ({ id: mount, x, y })),
  });
  return {
    ...{ id, hung: hungId, readings, shims, by, fit },
    at: at.toISOString(),
    mounts: fit.mounts.map(({ id: mount, u, v }) => {
      // Shims only lift: the mount that has sunk is brought up to the one that has not.
      const lift = hung.shimmed === 'up' ? v - Math.min(...fit.mounts.map((one) => one.v)) : v;
      const thickness = hung.shimmed === 'up' ? lift : hung.shimmed === 'along' ? Math.abs(u) : 0;
      const { name, on } = hung.mounts.find((one) => one.id === mount)!;
      return {
        ...{ id: mount, name, rotten: on.flatMap((panel) => rotten.get(panel) ?? []) },
        lift,
        along: u,
        ...shimsFor(thickness, shims),
      };
    }),
  };
}
