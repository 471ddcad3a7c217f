import type { Calendar, CalendarInput, CalendarTask } from './calendarTypes.ts';
import { NO_TIME, soonest, windowsOf } from './windows.ts';
import { SAME_LENGTH } from '../tolerances.ts';

/** What keeps a task waiting that is no other task: a day before which it may not begin, rain, money that is not there yet. */
export type OutsideHold = 'date' | 'weather' | 'money';

/** The way from what ends last back to where nothing holds any more. */
export interface HoldingUp {
  /** Tasks, what ends last first. */
  way: string[];
  /** Why the last of them did not begin sooner, where that was no task; null where it begins as soon as anybody is there. */
  by: OutsideHold | null;
}

/** h. Two that lie so close follow one another. */
const SAME = SAME_LENGTH;

interface Span {
  id: string;
  start: number;
  end: number;
  by: string | null;
}

/**
 * What holds the end of a plan up? Back from what ends last, over what each has waited for, or who or what was busy
 * before it; as far as a day, the weather or the money kept one waiting, what was done before that day holds nothing up.
 *
 * @param input what was planned; plan as calendar has laid it
 * Source: the critical chain of a plan under calendars and resources (common practice).
 * @example
 * const input = { tasks: [{ id: 'a', hours: 1 }, { id: 'b', hours: 1, release: 20 }], people: { Ada: [[0, 40]] } };
 * holdingUp(input, calendar(input)) // → { way: ["b"], by: "date" }
 */
export function holdingUp(input: CalendarInput, plan: Calendar): HoldingUp {
  const tasks = new Map(input.tasks.map((task) => [task.id, task]));
  const spans = input.tasks.map(({ id }): Span => {
    const { pieces, by } = plan.tasks[id]!;
    return { id, start: pieces[0]![0], end: pieces.at(-1)![1], by };
  });
  const spanOf = new Map(spans.map((span) => [span.id, span]));
  const way: string[] = [];
  let at = spans.reduce((a, b) => (b.end > a.end ? b : a));
  for (;;) {
    way.push(at.id);
    const task = tasks.get(at.id)!;
    const last = [...waitedFor(task, spanOf), ...busyBefore(at, task, { tasks, spans })].reduce<{
      id: string;
      until: number;
    } | null>((a, b) => (a && a.until >= b.until - NO_TIME ? a : b), null);
    const by = outsideOf(at, task, { input, spans, until: last?.until ?? 0 });
    if (by || !last || way.includes(last.id)) return { way, by };
    at = spanOf.get(last.id)!;
  }
}

const waitedFor = ({ after = [] }: CalendarTask, spanOf: ReadonlyMap<string, Span>) =>
  after.map(({ id, lag = 0 }) => ({ id, until: spanOf.get(id)!.end + lag }));

/** What the same person did, or what had the one welder, until it could begin. */
function busyBefore(
  at: Span,
  { needs = {} }: CalendarTask,
  { tasks, spans }: { tasks: ReadonlyMap<string, CalendarTask>; spans: readonly Span[] },
) {
  const shares = ({ id, by }: Span) =>
    (at.by !== null && by === at.by) || Object.keys(tasks.get(id)!.needs ?? {}).some((name) => (needs[name] ?? 0) > 0);
  return spans
    .filter((other) => other.id !== at.id && other.end <= at.start + SAME && shares(other))
    .map(({ id, end }) => ({ id, until: end }));
}

/** What that is no task kept this one waiting beyond the hour at which every other task had let it go. */
function outsideOf(
  at: Span,
  task: CalendarTask,
  { input, spans, until }: { input: CalendarInput; spans: readonly Span[]; until: number },
): OutsideHold | null {
  const release = task.release ?? 0;
  const from = Math.max(until, release);
  const asked = task.dry && input.dry ? 'weather' : (task.outlay ?? 0) > 0 && input.cash ? 'money' : null;
  if (asked && startsSooner(at, task, { input, spans, from })) return asked;
  // Where the day alone, without any other task, decides.
  return release > until + SAME ? 'date' : null;
}

/** Could it have begun sooner in the hours of who works on it, had neither rain nor money been asked about? */
function startsSooner(
  at: Span,
  { hours, unbroken = false }: CalendarTask,
  { input, spans, from }: { input: CalendarInput; spans: readonly Span[]; from: number },
): boolean {
  if (at.by === null) return from < at.start - SAME;
  const busy = spans
    .filter((other) => other.id !== at.id && other.by === at.by)
    .map(({ start, end }): [number, number] => [start, end])
    .sort((a, b) => a[0] - b[0]);
  const there = windowsOf('people', [...input.people[at.by]!]);
  const placed = soonest(there, busy, { from, hours, unbroken });
  return placed !== null && placed.start < at.start - SAME;
}
