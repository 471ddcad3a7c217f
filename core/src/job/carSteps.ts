import { holdsBody, type Panel } from '../body/index.ts';
import type { HeldShares, JobHouse, JobRepair, JobStep, StepKind } from './types.ts';

/** Steps that concern the car as a whole, once for all of its repairs. */
export const SAFE = 'car safe';
export const BASELINE = 'car baseline';
export const BRACE = 'car brace';
export const MEASURE = 'car measure';
export const UNBRACE = 'car unbrace';

/** What is done once for all repairs: made safe before heat, measured before it is braced, braced before it is cut, checked before the braces come out. */
export function carSteps(
  panels: readonly Panel[],
  repairs: readonly JobRepair[],
  { house, held = {} }: { house: JobHouse; held?: Partial<HeldShares> | undefined },
): JobStep[] {
  if (panels.length === 0) return [];
  const allDone = repairs.every(({ done }) => done);
  const step = (
    id: string,
    kind: StepKind,
    title: string,
    hours: number,
    { after = [], share = 0, path = 'hold' }: Partial<Pick<JobStep, 'after' | 'share' | 'path'>> = {},
  ): JobStep => ({
    id,
    kind,
    repair: null,
    panel: null,
    title,
    hours,
    waits: false,
    after,
    dry: false,
    needs: [],
    share: allDone ? 1 : share,
    closes: [],
    path,
  });
  const safe = step(
    SAFE,
    'safe',
    'Make the car safe for heat: battery off, fuel and its lines out or away, what burns out of the way; extinguisher at hand, car on stands',
    house.safe,
    { path: 'job' },
  );
  const structural = repairs.filter((_, i) => panels[i]!.structural);
  if (structural.length === 0) return [safe];
  const welded = repairs
    .filter((_, i) => holdsBody(panels[i]!))
    .map(({ id }) => ({
      id: `${id} weld`,
      why: 'The body is only closed again when the last panel that is welded to it is in.',
    }));
  return [
    safe,
    step(
      BASELINE,
      'baseline',
      'Take the reference measurements: heights, widths, diagonals between fixed points',
      house.baseline,
      { share: held.baseline ?? 0 },
    ),
    step(BRACE, 'brace', 'Brace the openings that lose a side, near the seams and not on them', house.brace, {
      share: held.braced ?? 0,
      after: [
        {
          id: BASELINE,
          why: 'What it measured before is the only proof that it has not moved; take it before anything is braced.',
        },
      ],
    }),
    step(MEASURE, 'measure', 'Measure the same points again, and compare', house.measure, {
      share: held.measured ?? 0,
      after: welded,
    }),
    step(UNBRACE, 'unbrace', 'Take the braces out', house.unbrace, {
      share: held.unbraced ?? 0,
      after: [
        {
          id: MEASURE,
          why: 'Braces come out last, after the check: the same figures as before mean that it has held.',
        },
      ],
    }),
  ];
}
