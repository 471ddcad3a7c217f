import { bodyPlan, panelOf } from '@aspecta/core/body';
import type { Ring } from '@aspecta/core/geometry';
import { schoolDefaults } from '@aspecta/core/repair';
import type { Workbench } from './bench.ts';

/** How often each thread does it: a computation runs several times as fast when it has run some times. */
const ROUNDS = 5;
const THREADS = 2;

/** Weighs damage that nobody has, so that the first decision that somebody opens is as quick as all later ones. */
export async function warmUp(bench: Pick<Workbench, 'run'>): Promise<void> {
  const plan = bodyPlan('saloon');
  const panel = panelOf(plan, 'floor-front-l');
  const weigh = (i: number) => {
    // Never the same question twice: its answer would be known.
    const [u, v] = [150 + 40 * i, 160 + 10 * i];
    const ring: Ring = [
      [u, v],
      [u + 200, v],
      [u + 200, v + 150],
      [u, v + 150],
    ];
    return bench.run(
      'weighRepair',
      {
        plan,
        panelId: panel.id,
        zones: [{ class: 'through', layer: panel.layers[0]!.id, ring, holes: [] }],
        offer: { landed: 20_000, leadDays: 5 },
        rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
        schools: schoolDefaults,
        house: {},
      },
      'the house',
    );
  };
  for (let round = 0; round < ROUNDS; round++)
    await Promise.all(Array.from({ length: THREADS }, (_, i) => weigh(THREADS * round + i)));
}
