import { performance } from 'node:perf_hooks';
import { uniforms } from '@aspecta/core';
import { bodyPlans } from '@aspecta/core/body';
import { jobSteps } from '@aspecta/core/job';
import { calendar, replanned, type CalendarInput, type Window } from '@aspecta/core/plan';
import type { OptionId } from '@aspecta/core/verdict';
// What tests of the job make a repair of, out of the joints of its panel.
import { repairOn } from '../core/src/job/testing.ts';

type Row = (work: string, took: number, goal: number, peer?: string) => void;

const CARS = 50;
const DAY = 24;
const OPTIONS: readonly OptionId[] = ['treat', 'patch', 'part', 'whole', 'make'];
const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Evenings of two hours on weekdays and six hours on Saturdays, for a year. */
const evenings = (begins: number): Window[] =>
  Array.from({ length: 365 }, (_, day): Window | null =>
    day % 7 === 6
      ? null
      : day % 7 === 5
        ? [day * DAY + 9, day * DAY + 15]
        : [day * DAY + begins, day * DAY + begins + 2],
  ).filter((window) => window !== null);

/** The job of a car with so many repairs, made up from a seed, on one of the four bodies. */
function jobOf(seed: number, repairs: number, people: number): CalendarInput {
  const random = uniforms(seed);
  const body = bodyPlans()[seed % bodyPlans().length]!;
  const panels = [...body.panels].sort(() => random() - 0.5).slice(0, repairs);
  const steps = jobSteps({
    body,
    repairs: panels.map((panel) => repairOn(body, panel, OPTIONS[Math.floor(random() * OPTIONS.length)]!)),
    finds: [],
    undecided: [],
  });
  return {
    tasks: steps.map(({ id, hours, waits, needs, after }) => ({
      ...{ id, hours, after },
      ...(waits ? { by: [] } : {}),
      needs: Object.fromEntries(needs.map((name) => [name, 1])),
    })),
    people: Object.fromEntries(Array.from({ length: people }, (_, i) => [`Person ${i + 1}`, evenings(18 + i)])),
    resources: { welder: 1 },
  };
}

/** Plans of whole cars: how near they come to the bound below which there is none, and how long a dragged bar waits. */
export function jobs(row: Row): void {
  const begun = performance.now();
  const over = Array.from({ length: CARS }, (_, seed) => {
    const { finish, lowerBound } = calendar({ ...jobOf(seed, 2 + (seed % 5), 1 + (seed % 2)), seconds: 0.3 });
    return finish / lowerBound - 1;
  });
  row(
    `plan of a car, 2 to 6 repairs, 1 or 2 people (${CARS} seeded cars)`,
    (performance.now() - begun) / CARS,
    3000,
    `longer than the bound that no plan can be under: median ${(100 * median(over)).toFixed(1)} %, worst ${(100 * Math.max(...over)).toFixed(1)} %`,
  );
  const large = jobOf(4, 24, 3);
  const started = performance.now();
  const plan = calendar(large);
  row(
    `plan.calendar, ${large.tasks.length} tasks, 3 people, a year`,
    performance.now() - started,
    3000,
    `${(100 * (plan.finish / plan.lowerBound - 1)).toFixed(1)} % longer than its bound`,
  );
  const movable = large.tasks.filter(({ by }) => by?.length !== 0);
  const waits = Array.from({ length: 60 }, (_, i) => {
    const task = movable[(i * 7) % movable.length]!.id;
    const at = performance.now();
    replanned(large, plan, { task, from: plan.tasks[task]!.pieces[0]![0] + DAY * (1 + (i % 20)) });
    return performance.now() - at;
  });
  row(`a bar of that plan dragged: the rest moved (worst of ${waits.length})`, Math.max(...waits), 100);
}
