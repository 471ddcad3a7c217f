import { finite } from '../check.ts';
import { uniforms } from '../random.ts';
import type { Watch } from '../watch.ts';
import { problemOf, type Problemset } from './calendarInput.ts';
import { answerOf, layingOf, type Plan, type Wish } from './calendarLaying.ts';
import type { Calendar, CalendarInput } from './calendarTypes.ts';
import { NO_TIME, soonest } from './windows.ts';

/** Placings of one task a second on a machine with two cores. */
const PACE = 120_000;
const SEED = 17;
/** Tries after which a plan that cannot be done sooner is good enough. */
const ENOUGH = 60;

/**
 * When is each step done, by whom, with the evenings people have, what dries and comes in calendar
 * time, dry weather and money? Serial generation from priorities, then a seeded search over them.
 *
 * @param input up to 1,000 tasks; hours from the beginning, money in minor units
 * @returns pieces of each task, when all is done, a bound below which no plan can be, links stretched too far
 * @throws Problem naming the field; `cycle`, `nobody`, `no-time`, `no-money`, `too-much`
 * Source: Kolisch & Hartmann 2006 (serial generation, random keys); calendars as in Franck, Neumann & Schwindt 2001.
 * @example calendar({ tasks: [{ id: 'weld', hours: 3 }], people: { Ada: [[18, 20], [42, 44]] } }).tasks.weld.pieces // → [[18, 20], [42, 43]]
 */
export function calendar(input: CalendarInput, watch?: Watch): Calendar {
  const problem = problemOf(input);
  const seconds = finite('seconds', input.seconds ?? 1, { min: 0, max: 60, unit: 's' });
  const lowerBound = boundOf(problem);
  const best = search(problem, lowerBound, seconds, watch);
  const answer = answerOf(problem, best.placed);
  return { ...answer, lowerBound: Math.min(lowerBound, answer.finish) };
}

const better = (a: Plan, b: Plan) => {
  if (Math.abs(a.late - b.late) > NO_TIME) return a.late < b.late;
  if (Math.abs(a.finish - b.finish) > NO_TIME) return a.finish < b.finish;
  return a.starts < b.starts - NO_TIME;
};

function search(problem: Problemset, bound: number, seconds: number, watch?: Watch): Plan {
  const { work, names } = problem;
  const { planOf, tried, mended } = layingOf(problem);
  const free = { releases: work.map(() => 0), who: work.map(() => null) };
  let best = rules(problem)
    .map((keys) => mended(planOf({ ...free, keys })))
    .reduce((a, b) => (better(b, a) ? b : a));
  let current = best;
  const tries = Math.floor((seconds * PACE) / (work.length * (1 + work.length / 600) * (1 + names.length / 2)));
  const random = uniforms(SEED);
  for (let k = 0; k < tries; k++) {
    // Nothing is sooner than the bound: from there on only what begins sooner is looked for, and not for long.
    if (best.late <= NO_TIME && best.finish <= bound + NO_TIME && k > ENOUGH) break;
    if (k % 10 === 0) watch?.(k / tries);
    const found = tried(shaken(problem, current.wish, random));
    if (!found) continue;
    const whole = found.late > best.late + NO_TIME ? mended(found) : found;
    const slack = 0.01 * current.finish * (1 - k / tries) * random();
    if (whole.late <= current.late + NO_TIME && whole.finish <= current.finish + slack) current = whole;
    if (better(whole, best)) best = whole;
    if (k % 120 === 119) current = best;
  }
  return best;
}

/** Priorities, least first: most calendar time behind it; the same with its own hours; in the order in which they were given. */
function rules({ work, network, windows }: Problemset): number[][] {
  const there = windows.flat().reduce((sum, [from, to]) => sum + to - from, 0);
  const until = Math.max(1, ...windows.flat().map(([, to]) => to));
  // An hour of work takes so many hours of the calendar.
  const stretch = there > 0 ? Math.max(1, (until * Math.max(1, windows.length)) / there) : 1;
  const spans = work.map(({ hours, people }) => (people.length === 0 ? hours : hours * stretch));
  const tail = [...spans];
  const lagOf = (to: number, from: number) => work[to]!.after.find((link) => link.from === from)?.lag ?? 0;
  for (const i of [...network.order].reverse())
    tail[i] = network.behind[i]!.reduce(
      (most, { to }) => Math.max(most, spans[i]! + lagOf(to, i) + tail[to]!),
      tail[i]!,
    );
  const scale = Math.max(1, ...tail);
  return [
    tail.map((time) => -time / scale),
    tail.map((time, i) => (spans[i]! - time) / scale),
    work.map((_, i) => i / work.length),
  ];
}

function shaken({ work }: Problemset, { keys, releases, who }: Wish, random: () => number): Wish {
  const out = [...keys];
  const people = [...who];
  const moves = 1 + Math.floor(random() * 4);
  for (let m = 0; m < moves; m++) {
    const i = Math.floor(random() * out.length);
    const able = work[i]!.people;
    if (able.length > 1 && random() < 0.4)
      people[i] = random() < 0.3 ? null : able[Math.floor(random() * able.length)]!;
    else if (random() < 0.5) {
      const k = Math.floor(random() * out.length);
      [out[i], out[k]] = [out[k]!, out[i]!];
    } else out[i] = out[i]! + (random() - 0.5) * 0.5;
  }
  return { keys: out, releases, who: people };
}

/** No plan is done sooner than each task alone in its order, nor than all work takes with everybody at it. */
function boundOf({ work, network, windows, dryWindows, dry }: Problemset): number {
  const ends = new Array<number>(work.length).fill(0);
  let bound = 0;
  for (const i of network.order) {
    const { after, release, hours, unbroken, people, dry: inDry } = work[i]!;
    const from = after.reduce((latest, link) => Math.max(latest, ends[link.from]! + link.lag), release);
    const alone =
      people.length === 0
        ? inDry && dry
          ? (soonest(dry, [], { from, hours, unbroken: true })?.end ?? from + hours)
          : from + hours
        : Math.min(
            ...people.map(
              (person) =>
                soonest(inDry ? dryWindows[person]! : windows[person]!, [], { from, hours, unbroken })?.end ?? Infinity,
            ),
          );
    ends[i] = Number.isFinite(alone) ? alone : from + hours;
    bound = Math.max(bound, ends[i]!);
  }
  // By groups of people: all work that only they may do, with all of their hours.
  const groups = new Map<string, { people: readonly number[]; hours: number }>();
  const everybody = { people: windows.map((_, i) => i), hours: 0 };
  for (const { people, hours } of work) {
    if (people.length === 0) continue;
    everybody.hours += hours;
    const key = [...people].sort((a, b) => a - b).join(' ');
    const known = groups.get(key) ?? { people, hours: 0 };
    known.hours += hours;
    groups.set(key, known);
  }
  for (const { people, hours } of [...groups.values(), everybody])
    bound = Math.max(
      bound,
      workedBy(
        people.map((person) => windows[person]!),
        hours,
      ),
    );
  return bound;
}

/** The hour by which so many hours are worked, if all of them are always at it. */
function workedBy(windows: readonly Problemset['windows'][number][], hours: number): number {
  if (hours <= NO_TIME) return 0;
  const edges = windows
    .flat()
    .flatMap(([from, to]) => [
      { at: from, more: 1 },
      { at: to, more: -1 },
    ])
    .sort((a, b) => a.at - b.at);
  let [done, there, last] = [0, 0, 0];
  for (const { at, more } of edges) {
    if (there > 0 && done + there * (at - last) >= hours - NO_TIME) return last + (hours - done) / there;
    done += there * (at - last);
    there += more;
    last = at;
  }
  return last;
}
