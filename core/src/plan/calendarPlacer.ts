import { refuse } from '../problem.ts';
import type { Problemset, Work } from './calendarInput.ts';
import { NO_TIME, soonest, type Placed } from './windows.ts';

export interface Placing extends Placed {
  /** Who works on it; null where nobody does. */
  person: number | null;
}

/** What the search asks of each task beside its place in the order. */
export interface Wishes {
  /** None begins before its hour. */
  releases: readonly number[];
  /** Who does it; null for who is done first. */
  who: readonly (number | null)[];
}

/** No search for a free place goes on for longer than this many moves: something is impossible then. */
const MOST_MOVES = 20_000;

/** Puts tasks down one after the other, each as soon as everything allows. */
export class Placer {
  private readonly problem: Problemset;
  private busy: [number, number][][] = [];
  private held: { start: number; end: number; amount: number }[][] = [];
  private paid: { at: number; amount: number }[] = [];

  constructor(problem: Problemset) {
    this.problem = problem;
  }

  /**
   * All tasks in this order.
   * @param wish by task: not before this hour, and done by this person
   * @throws Problem where a task has no place at all
   */
  lay(order: readonly number[], { releases, who }: Wishes): Placing[] {
    const { work } = this.problem;
    this.busy = this.problem.names.map(() => []);
    this.held = this.problem.capacity.map(() => []);
    this.paid = [];
    const placed = new Array<Placing>(work.length);
    for (const i of order) {
      const task = work[i]!;
      const from = task.after.reduce(
        (latest, { from: before, lag }) => Math.max(latest, placed[before]!.end + lag),
        Math.max(task.release, releases[i]!),
      );
      const wanted = who[i];
      placed[i] = this.place(wanted === null || wanted === undefined ? task : { ...task, people: [wanted] }, from);
    }
    return placed;
  }

  private place(task: Work, from: number): Placing {
    let hour = Math.max(from, this.paidFrom(task));
    for (let move = 0; move < MOST_MOVES; move++) {
      const found = this.soonestOf(task, hour);
      if (!found) break;
      const until = this.heldUntil(task, found);
      if (until === null) {
        this.keep(task, found);
        return found;
      }
      hour = until;
    }
    return refuse(
      'no-time',
      'people',
      `${task.id} fits into no window${task.unbroken ? ` in one piece of ${task.hours} h` : ''}${task.dry ? ', in the dry' : ''}: give it more time, or let it be broken.`,
    );
  }

  /** Soonest for anybody who may do it; who is done first takes it. */
  private soonestOf({ people, hours, unbroken, dry }: Work, from: number): Placing | null {
    if (people.length === 0) {
      const whole = { from, hours, unbroken: true };
      const always = { pieces: [[from, from + hours]] as [number, number][], start: from, end: from + hours };
      const placed = dry && this.problem.dry ? soonest(this.problem.dry, [], whole) : always;
      return placed && { ...placed, person: null };
    }
    let best: Placing | null = null;
    for (const person of people) {
      const windows = dry ? this.problem.dryWindows[person]! : this.problem.windows[person]!;
      const placed = soonest(windows, this.busy[person]!, { from, hours, unbroken });
      if (placed && (!best || placed.end < best.end - NO_TIME)) best = { ...placed, person };
    }
    return best;
  }

  /** The hour at which something that is held is given back; null where all that it needs is free. */
  private heldUntil({ needs }: Work, { start, end }: Placing): number | null {
    for (const [k, need] of needs.entries()) {
      if (need === 0) continue;
      const over = this.held[k]!.filter((one) => one.start < end - NO_TIME && one.end > start + NO_TIME);
      const moments = [start, ...over.map((one) => one.start).filter((at) => at > start)];
      const short = moments.some(
        (at) =>
          over.reduce(
            (sum, one) => (one.start <= at + NO_TIME && one.end > at + NO_TIME ? sum + one.amount : sum),
            need,
          ) >
          this.problem.capacity[k]! + NO_TIME,
      );
      if (short) return Math.min(...over.map((one) => one.end));
    }
    return null;
  }

  /** From which hour on is there enough money for it, with all that is promised already? */
  private paidFrom({ outlay, id }: Work): number {
    const { cash } = this.problem;
    if (!cash || outlay === 0) return 0;
    const moments = [0, ...cash.map(({ at }) => at), ...this.paid.map(({ at }) => at)].sort((a, b) => a - b);
    const upTo = (entries: readonly { at: number; amount: number }[], hour: number) =>
      entries.reduce((sum, { at, amount }) => (at <= hour + NO_TIME ? sum + amount : sum), 0);
    let from: number | null = null;
    for (const hour of [...moments].reverse()) {
      if (upTo(cash, hour) - upTo(this.paid, hour) < outlay - NO_TIME) break;
      from = hour;
    }
    return (
      from ??
      refuse('no-money', 'cash', `There is never enough money for ${id} beside all that is paid before it; add to it.`)
    );
  }

  private keep({ needs, outlay }: Work, { start, end, person }: Placing): void {
    if (person !== null && end > start) {
      const own = this.busy[person]!;
      const at = own.findIndex(([from]) => from > start);
      own.splice(at < 0 ? own.length : at, 0, [start, end]);
    }
    needs.forEach((amount, k) => {
      if (amount > 0) this.held[k]!.push({ start, end, amount });
    });
    if (outlay > 0) this.paid.push({ at: start, amount: outlay });
  }
}
