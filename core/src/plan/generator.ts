import type { Network } from './tasks.ts';
import { ROUNDING } from '../tolerances.ts';

export interface Job {
  duration: number;
  release: number;
  needs: number[];
}

/** Units left over by rounding count as free. */
const FREE = ROUNDING;

/** Serial schedule generation: each task in turn at the first hour at which its links and its resources allow it. */
export class Generator {
  private readonly jobs: readonly Job[];
  private readonly capacity: readonly number[];
  private readonly network: Network;

  constructor({ jobs, capacity }: { jobs: readonly Job[]; capacity: readonly number[] }, network: Network) {
    this.jobs = jobs;
    this.capacity = capacity;
    this.network = network;
  }

  makespanOf(starts: Float64Array): number {
    let end = 0;
    for (let i = 0; i < starts.length; i++) end = Math.max(end, starts[i]! + this.jobs[i]!.duration);
    return end;
  }

  /** Starts for an order that keeps every link. */
  forward(order: readonly number[]): Float64Array {
    const starts = new Float64Array(this.jobs.length);
    const profile = new Profile(this.capacity);
    for (const i of order) {
      const job = this.jobs[i]!;
      let earliest = job.release;
      for (const { from, gap } of this.network.before[i]!) earliest = Math.max(earliest, starts[from]! + gap);
      starts[i] = profile.place(earliest, job);
    }
    return starts;
  }

  /** Starts as late as possible before `end`, for tasks by falling finish; releases are left to the next forward pass. */
  backward(order: readonly number[], end: number): Float64Array {
    const { jobs, network } = this;
    // The same work with time running backwards: a task starts, seen from the end, where it finishes.
    const mirrored = new Float64Array(jobs.length);
    const placed = new Uint8Array(jobs.length);
    const profile = new Profile(this.capacity);
    const put = (i: number): void => {
      if (placed[i]) return;
      placed[i] = 1;
      let earliest = 0;
      for (const { to, gap } of network.behind[i]!) {
        put(to);
        earliest = Math.max(earliest, mirrored[to]! + gap + jobs[to]!.duration - jobs[i]!.duration);
      }
      mirrored[i] = profile.place(earliest, jobs[i]!);
    };
    for (const i of order) put(i);
    return mirrored.map((start, i) => end - start - jobs[i]!.duration);
  }
}

/** What is in use over time: from times[k] to times[k + 1] the amounts used[k]. */
class Profile {
  private readonly capacity: readonly number[];
  private readonly times: number[] = [0];
  private readonly used: number[][];

  constructor(capacity: readonly number[]) {
    this.capacity = capacity;
    this.used = [capacity.map(() => 0)];
  }

  /** Takes what a job needs at the first time from `earliest` on, and returns that time. */
  place(earliest: number, { duration, needs }: Job): number {
    if (duration === 0 || needs.every((need) => need === 0)) return earliest;
    const { times } = this;
    let start = earliest;
    let first = this.indexAt(start);
    for (let k = first; k < times.length && times[k]! < start + duration - FREE; k++) {
      if (this.fits(k, needs)) continue;
      // Blocked here: begin again where this stretch ends. The last stretch is always free.
      start = times[k + 1]!;
      first = k + 1;
    }
    const from = this.split(start, first);
    const to = this.split(start + duration, from);
    for (let k = from; k < to; k++) for (let r = 0; r < needs.length; r++) this.used[k]![r]! += needs[r]!;
    return start;
  }

  private fits(k: number, needs: readonly number[]): boolean {
    const used = this.used[k]!;
    for (let r = 0; r < needs.length; r++)
      if (needs[r]! > 0 && used[r]! + needs[r]! > this.capacity[r]! + FREE) return false;
    return true;
  }

  /** The stretch that holds a time. */
  private indexAt(time: number): number {
    let [low, high] = [0, this.times.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.times[middle]! <= time + FREE) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  private split(time: number, hint: number): number {
    let k = hint;
    while (k + 1 < this.times.length && this.times[k + 1]! <= time + FREE) k++;
    if (Math.abs(this.times[k]! - time) <= FREE) return k;
    this.times.splice(k + 1, 0, time);
    this.used.splice(k + 1, 0, [...this.used[k]!]);
    return k + 1;
  }
}
