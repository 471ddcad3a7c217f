import { finite } from '../check.ts';
import { refuse } from '../problem.ts';
import { uniforms } from '../random.ts';
import type { Watch } from '../watch.ts';
import { Generator, type Job } from './generator.ts';
import { networkOf, type Network, type Task } from './tasks.ts';
import { ROUNDING } from '../tolerances.ts';

export interface ScheduleTask extends Task {
  /** Units of each resource while it runs. */
  needs?: Readonly<Record<string, number>>;
  /** Not before this hour. */
  release?: number;
}
export interface ScheduleInput {
  tasks: readonly ScheduleTask[];
  /** Units that are there. */
  resources: Readonly<Record<string, number>>;
  /** How much search: about so many seconds on a machine with two cores; 1.5 when left out. The result does not depend on the machine. */
  seconds?: number;
}
export interface Schedule {
  /** Hours from the beginning until all is done. */
  makespan: number;
  starts: Record<string, number>;
  /** No schedule can be shorter, h. */
  lowerBound: number;
}

/** Elementary steps a second on such a machine. */
const PACE = 5e7;
const SEED = 41;

/**
 * When does each task start, so that no resource is overdrawn and the whole is short? Serial
 * schedule generation from several priority rules, forward–backward improvement, then a seeded
 * local search that shifts and swaps tasks in the order.
 *
 * @param tasks up to 2,000; hours; links as in criticalPath, lags are least ones
 * @throws Problem naming the field; `cycle`; `too-much` where a task needs more than there is
 * Source: Kolisch & Hartmann 2006 (serial generation, justification); Tormos & Lova 2001 (forward–backward).
 */
export function schedule({ tasks, resources, seconds = 1.5 }: ScheduleInput, watch?: Watch): Schedule {
  const network = networkOf(tasks);
  finite('seconds', seconds, { min: 0, max: 60, unit: 's' });
  const jobs = jobsOf(tasks, resources, network);
  const generator = new Generator(jobs, network);
  const lowerBound = boundOf(jobs, network);
  const best = search(generator, jobs, network, lowerBound, seconds, watch);
  return {
    makespan: best.makespan,
    starts: Object.fromEntries(network.ids.map((id, i) => [id, best.starts[i]!])),
    lowerBound: Math.min(lowerBound, best.makespan),
  };
}

function jobsOf(
  tasks: readonly ScheduleTask[],
  resources: ScheduleInput['resources'],
  network: Network,
): { jobs: Job[]; capacity: number[] } {
  if (typeof resources !== 'object' || resources === null || Array.isArray(resources))
    refuse('not-a-table', 'resources', 'resources must name each resource with its units.');
  const names = Object.keys(resources);
  if (names.length > 50) refuse('too-many', 'resources', 'At most 50 resources can be planned at once.');
  const capacity = names.map((name) => finite(`resources.${name}`, resources[name], { min: 0, max: 1e6 }));
  const jobs = tasks.map((task, i): Job => {
    const needs = task.needs ?? {};
    for (const [name, amount] of Object.entries(needs)) {
      finite(`tasks[${i}].needs.${name}`, amount, { min: 0, max: 1e6 });
      const k = names.indexOf(name);
      if (k < 0)
        refuse(
          'unknown-resource',
          `tasks[${i}].needs.${name}`,
          `tasks[${i}] needs ${name}, which is not among the resources.`,
        );
      if (amount > capacity[k]! + ROUNDING)
        refuse(
          'too-much',
          `tasks[${i}].needs.${name}`,
          `tasks[${i}] needs ${amount} of ${name}, but there are ${capacity[k]}: it can never be done.`,
        );
    }
    return {
      duration: network.durations[i]!,
      release: finite(`tasks[${i}].release`, task.release ?? 0, { min: 0, max: 1e6, unit: 'h' }),
      needs: names.map((name) => needs[name] ?? 0),
    };
  });
  return { jobs, capacity };
}

/** The longest way through, and for each resource the work that it has to do between the soonest head and the shortest tail. */
function boundOf(
  { jobs, capacity }: { jobs: readonly Job[]; capacity: readonly number[] },
  { order, before, behind }: Network,
): number {
  const head = jobs.map((job) => job.release);
  for (const i of order)
    head[i] = before[i]!.reduce((latest, { from, gap }) => Math.max(latest, head[from]! + gap), Math.max(head[i]!, 0));
  const tail = jobs.map((job) => job.duration);
  for (const i of [...order].reverse())
    tail[i] = behind[i]!.reduce((most, { to, gap }) => Math.max(most, gap + tail[to]!), tail[i]!);
  const path = Math.max(0, ...jobs.map((_, i) => head[i]! + tail[i]!));
  const busy = capacity.map((units, k) => {
    const users = jobs.map((_, i) => i).filter((i) => jobs[i]!.needs[k]! > 0 && jobs[i]!.duration > 0);
    if (users.length === 0 || units === 0) return 0;
    const work = users.reduce((sum, i) => sum + jobs[i]!.needs[k]! * jobs[i]!.duration, 0) / units;
    return Math.min(...users.map((i) => head[i]!)) + work + Math.min(...users.map((i) => tail[i]! - jobs[i]!.duration));
  });
  return Math.max(path, ...busy);
}

interface Found {
  starts: Float64Array;
  makespan: number;
  order: number[];
}

function search(
  generator: Generator,
  { jobs, capacity }: { jobs: readonly Job[]; capacity: readonly number[] },
  network: Network,
  bound: number,
  seconds: number,
  watch?: Watch,
): Found {
  const n = jobs.length;
  const attempt = (order: readonly number[]): Found => {
    let starts = generator.forward(order);
    let makespan = generator.makespanOf(starts);
    for (let round = 0; round < 3; round++) {
      const late = generator.backward(byFinish(starts, jobs), makespan);
      const again = generator.forward(byStart(late, network));
      const shorter = generator.makespanOf(again);
      if (shorter > makespan + ROUNDING) break;
      const done = shorter > makespan - ROUNDING;
      [starts, makespan] = [again, shorter];
      if (done) break;
    }
    return { starts, makespan, order: byStart(starts, network) };
  };
  const rules = priorities(jobs, network);
  let current = rules
    .map((priority) => attempt(orderBy(priority, network)))
    .reduce((a, b) => (b.makespan < a.makespan ? b : a));
  let best = current;
  const tries = Math.floor((seconds * PACE) / (n * (40 + n / 4) * (1 + capacity.length)));
  const random = uniforms(SEED);
  for (let k = 0; k < tries && best.makespan > bound + ROUNDING; k++) {
    if (k % 20 === 0) watch?.(k / tries);
    const found = attempt(shaken(current.order, network, random, 1 + Math.floor(random() * 4)));
    // A little worse is taken at first, hardly ever towards the end.
    const slack = 0.02 * current.makespan * (1 - k / tries) * random();
    if (found.makespan <= current.makespan + slack) current = found;
    if (found.makespan < best.makespan - ROUNDING) best = found;
    if (k % 150 === 149) current = best;
  }
  return best;
}

/** Priorities, least first: latest start, latest finish, most work behind (negative). */
function priorities(jobs: readonly Job[], { order, behind }: Network): number[][] {
  const tail = jobs.map((job) => job.duration);
  const after = jobs.map(() => 0);
  for (const i of [...order].reverse()) {
    tail[i] = behind[i]!.reduce((most, { to, gap }) => Math.max(most, gap + tail[to]!), tail[i]!);
    after[i] = behind[i]!.reduce((sum, { to }) => sum + jobs[to]!.duration + 0.5 * after[to]!, 0);
  }
  return [
    tail.map((t) => -t),
    tail.map((t, i) => jobs[i]!.duration - t),
    tail.map((_, i) => -after[i]! - jobs[i]!.duration),
  ];
}

/** An order that keeps every link, by priority where it is free. */
function orderBy(priority: readonly number[], { before, behind }: Network): number[] {
  const waits = before.map((links) => links.length);
  const ready = waits.flatMap((count, i) => (count === 0 ? [i] : []));
  const order: number[] = [];
  while (ready.length > 0) {
    const k = ready.reduce((least, task, i) => (priority[task]! < priority[ready[least]!]! ? i : least), 0);
    const [task] = ready.splice(k, 1) as [number];
    order.push(task);
    for (const { to } of behind[task]!) if (--waits[to]! === 0) ready.push(to);
  }
  return order;
}

const byStart = (starts: Float64Array, network: Network) => orderBy(Array.from(starts), network);
const byFinish = (starts: Float64Array, jobs: readonly Job[]) =>
  jobs.map((_, i) => i).sort((a, b) => starts[b]! + jobs[b]!.duration - starts[a]! - jobs[a]!.duration || b - a);

/** Moves some tasks to another place in the order, between what they wait for and what waits for them. */
function shaken(order: readonly number[], { before, behind }: Network, random: () => number, moves: number): number[] {
  const shaken = [...order];
  for (let m = 0; m < moves; m++) {
    const at = Math.floor(random() * shaken.length);
    const task = shaken[at]!;
    let [low, high] = [at, at];
    while (low > 0 && !before[task]!.some(({ from }) => from === shaken[low - 1])) low--;
    while (high + 1 < shaken.length && !behind[task]!.some(({ to }) => to === shaken[high + 1])) high++;
    const to = low + Math.floor(random() * (high - low + 1));
    shaken.splice(at, 1);
    shaken.splice(to, 0, task);
  }
  return shaken;
}
