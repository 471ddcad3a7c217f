import { finite } from '../check.ts';
import { uniforms } from '../random.ts';
import type { Watch } from '../watch.ts';
import { calendar } from './calendar.ts';
import type { CalendarInput } from './calendarTypes.ts';
import { holdingUp, type OutsideHold } from './holdingUp.ts';

export interface Outlook {
  /** Hour by which all is done, in half and in nine of ten runs. */
  p50: number;
  p90: number;
  /** Share of the runs that end by the hour that was asked about; null where none was. */
  inTime: number | null;
  /** Share of the runs in which a task held the end up. */
  critical: Record<string, number>;
  /** By task, share of the runs in which something that is no task kept it waiting, and the end with it. */
  outside: Record<string, Partial<Record<OutsideHold, number>>>;
}

const SEED = 5;

/**
 * How sure is the end of a plan? Hours of work and of deliveries are drawn anew in each run, and the plan
 * is made again; what held its end up is found by walking back from it.
 *
 * @param input as for calendar
 * @param how runs 1 to 1,000; sigma of the log of hours; by: the hour that was promised
 * @throws Problem naming the field
 * Source: Monte Carlo simulation; hours lognormal around the plan's (common practice).
 */
export function outlook(
  input: CalendarInput,
  { runs = 100, sigma = 0.3, by }: { runs?: number; sigma?: number; by?: number | undefined } = {},
  watch?: Watch,
): Outlook {
  finite('runs', runs, { min: 1, max: 1000 });
  finite('sigma', sigma, { min: 0, max: 2 });
  const random = uniforms(SEED);
  const ends: number[] = [];
  const held = new Map<string, number>();
  const outside: Outlook['outside'] = {};
  for (let run = 0; run < runs; run++) {
    watch?.(run / runs);
    const tasks = input.tasks.map((task) => ({
      ...task,
      // What is unbroken keeps its window: only its hours inside of it may shrink.
      hours: task.hours * Math.min(task.unbroken ? 1 : Infinity, Math.exp(sigma * normal(random))),
    }));
    const plan = calendar({ ...input, tasks, seconds: 0 });
    ends.push(plan.finish);
    const { way, by: hold } = holdingUp({ ...input, tasks }, plan);
    for (const id of way) held.set(id, (held.get(id) ?? 0) + 1);
    const first = way.at(-1);
    if (hold && first) {
      const holds = (outside[first] ??= {});
      holds[hold] = (holds[hold] ?? 0) + 1 / runs;
    }
  }
  ends.sort((a, b) => a - b);
  const at = (share: number) => ends[Math.min(ends.length - 1, Math.ceil(share * ends.length) - 1)]!;
  return {
    p50: at(0.5),
    p90: at(0.9),
    inTime: by === undefined ? null : ends.filter((end) => end <= by).length / ends.length,
    critical: Object.fromEntries(input.tasks.map(({ id }) => [id, (held.get(id) ?? 0) / runs])),
    outside,
  };
}

/** Standard normal by Box and Muller. */
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
