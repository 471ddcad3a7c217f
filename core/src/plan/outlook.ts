import { finite } from '../check.ts';
import { uniforms } from '../random.ts';
import type { Watch } from '../watch.ts';
import { calendar } from './calendar.ts';
import type { Calendar, CalendarInput } from './calendarTypes.ts';
import { NO_TIME } from './windows.ts';
import { SAME_LENGTH } from '../tolerances.ts';

export interface Outlook {
  /** Hour by which all is done, in half and in nine of ten runs. */
  p50: number;
  p90: number;
  /** Share of the runs that end by the hour that was asked about; null where none was. */
  inTime: number | null;
  /** Share of the runs in which a task held the end up. */
  critical: Record<string, number>;
}

const SEED = 5;
/** h. Two that lie so close follow one another. */
const SAME = SAME_LENGTH;

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
  for (let run = 0; run < runs; run++) {
    watch?.(run / runs);
    const tasks = input.tasks.map((task) => ({
      ...task,
      // What is unbroken keeps its window: only its hours inside of it may shrink.
      hours: task.hours * Math.min(task.unbroken ? 1 : Infinity, Math.exp(sigma * normal(random))),
    }));
    const plan = calendar({ ...input, tasks, seconds: 0 });
    ends.push(plan.finish);
    for (const id of holdingUp({ ...input, tasks }, plan)) held.set(id, (held.get(id) ?? 0) + 1);
  }
  ends.sort((a, b) => a - b);
  const at = (share: number) => ends[Math.min(ends.length - 1, Math.ceil(share * ends.length) - 1)]!;
  return {
    p50: at(0.5),
    p90: at(0.9),
    inTime: by === undefined ? null : ends.filter((end) => end <= by).length / ends.length,
    critical: Object.fromEntries(input.tasks.map(({ id }) => [id, (held.get(id) ?? 0) / runs])),
  };
}

/** What holds the end of a plan up: back from what ends last, over what each has waited for or who was busy before it. */
export function holdingUp({ tasks }: CalendarInput, plan: Calendar): string[] {
  const spans = new Map(
    tasks.map(({ id }) => {
      const { pieces, by } = plan.tasks[id]!;
      return [id, { start: pieces[0]![0], end: pieces.at(-1)![1], by }] as const;
    }),
  );
  const afterOf = new Map(tasks.map(({ id, after = [] }) => [id, after]));
  const way: string[] = [];
  let at = tasks.reduce((a, b) => (spans.get(b.id)!.end > spans.get(a.id)!.end ? b : a)).id;
  while (!way.includes(at)) {
    way.push(at);
    const own = spans.get(at)!;
    const before = afterOf.get(at)!.map(({ id, lag = 0 }) => ({ id, until: spans.get(id)!.end + lag }));
    const busy = [...spans]
      .filter(([id, other]) => id !== at && own.by !== null && other.by === own.by && other.end <= own.start + SAME)
      .map(([id, other]) => ({ id, until: other.end }));
    const last = [...before, ...busy].reduce<{ id: string; until: number } | null>(
      (a, b) => (a && a.until >= b.until - NO_TIME ? a : b),
      null,
    );
    if (!last) break;
    at = last.id;
  }
  return way;
}

/** Standard normal by Box and Muller. */
const normal = (random: () => number) => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
