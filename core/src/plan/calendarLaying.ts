import { Problem } from '../problem.ts';
import { SAME_LENGTH } from '../tolerances.ts';
import type { Problemset } from './calendarInput.ts';
import { Placer, type Placing, type Wishes } from './calendarPlacer.ts';
import type { Calendar } from './calendarTypes.ts';
import { NO_TIME } from './windows.ts';

/* From priorities and wishes to a plan that keeps every rule. */

/** How often links that are too long are mended by beginning the earlier task later. */
const MENDINGS = 12;

export interface Plan {
  placed: Placing[];
  finish: number;
  /** Hours by which links are too long, all together. */
  late: number;
  /** Starts added up: of two plans alike the one that begins things sooner. */
  starts: number;
  wish: Wish;
}
/** What the search turns: priorities, least first, and what it asks of each task. */
export interface Wish extends Wishes {
  keys: readonly number[];
}

/** Lays plans for one problem: as wished, the same or nothing, and with links that are too long mended. */
export function layingOf(problem: Problemset) {
  const placer = new Placer(problem);
  const planOf = (wish: Wish): Plan => {
    const placed = placer.lay(inOrder(wish.keys, problem.network), wish);
    const late = brokenIn(problem, placed).reduce((sum, one) => sum + one.late, 0);
    const starts = placed.reduce((sum, { start }) => sum + start, 0);
    return { placed, finish: finishOf(placed), late, starts, wish };
  };
  /** A wish may leave no time for something: then it is none. */
  const tried = (wish: Wish): Plan | null => {
    try {
      return planOf(wish);
    } catch (error) {
      if (error instanceof Problem) return null;
      throw error;
    }
  };
  return { planOf, tried, mended: (plan: Plan): Plan => mend(problem, plan, tried) };
}

/** What was laid down, by the names of the tasks; no plan is known to be done sooner than it. */
export function answerOf(problem: Problemset, placed: readonly Placing[]): Calendar {
  const { work, names } = problem;
  const finish = finishOf(placed);
  return {
    tasks: Object.fromEntries(
      work.map(({ id }, i) => {
        const { pieces, person } = placed[i]!;
        return [id, { pieces, by: person === null ? null : names[person]! }];
      }),
    ),
    finish,
    lowerBound: finish,
    broken: brokenIn(problem, placed).map(({ task, from, late }) => ({
      task: work[task]!.id,
      after: work[from]!.id,
      late,
    })),
  };
}

const finishOf = (placed: readonly Placing[]) => placed.reduce((latest, { end }) => Math.max(latest, end), 0);
function brokenIn({ work }: Problemset, placed: readonly Placing[]): { task: number; from: number; late: number }[] {
  return work.flatMap(({ after }, task) =>
    after.flatMap(({ from, within }) => {
      const late = within === null ? 0 : placed[task]!.start - placed[from]!.end - within;
      return late > SAME_LENGTH ? [{ task, from, late }] : [];
    }),
  );
}

/** Where a link is too long, the earlier task begins later, so that the later one follows in time. */
function mend(problem: Problemset, plan: Plan, tried: (wish: Wish) => Plan | null): Plan {
  let best = plan;
  for (let round = 0; round < MENDINGS && best.late > NO_TIME; round++) {
    const releases = [...best.wish.releases];
    for (const { from, late } of brokenIn(problem, best.placed))
      releases[from] = Math.max(releases[from]!, best.placed[from]!.start + late);
    const later = tried({ ...best.wish, releases });
    if (!later || later.late >= best.late - NO_TIME) break;
    best = later;
  }
  return best;
}

/** An order that keeps every link, by priority where it is free, least first. */
function inOrder(keys: readonly number[], { before, behind }: Problemset['network']): number[] {
  const waits = before.map((links) => links.length);
  const ready = waits.flatMap((count, i) => (count === 0 ? [i] : []));
  const order: number[] = [];
  while (ready.length > 0) {
    let least = 0;
    for (let i = 1; i < ready.length; i++) if (keys[ready[i]!]! < keys[ready[least]!]!) least = i;
    const [task] = ready.splice(least, 1) as [number];
    order.push(task);
    for (const { to } of behind[task]!) if (--waits[to]! === 0) ready.push(to);
  }
  return order;
}
