import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

/** FS: starts after the other has finished; SS: after it has started; FF: finishes after it has finished; SF: finishes after it has started. */
export type LinkKind = 'FS' | 'SS' | 'FF' | 'SF';
export interface Link {
  id: string;
  kind?: LinkKind;
  /** Hours in between; negative overlaps. */
  lag?: number;
}
export interface Task {
  id: string;
  /** Hours. */
  duration: number;
  after?: readonly (Link | string)[];
}

/** Tasks with their links as numbers: start of `to` ≥ start of `from` + `gap`. */
export interface Network {
  ids: string[];
  durations: number[];
  /** By the later task. */
  before: { from: number; gap: number; kind: LinkKind; lag: number }[][];
  /** By the earlier task. */
  behind: { to: number; gap: number }[][];
  /** Every task after all that it waits for. */
  order: number[];
}

const MOST_TASKS = 2000;

/**
 * Reads tasks and their links and puts them in an order in which they can be done.
 *
 * @throws Problem naming the field; `cycle` names the tasks that wait for each other
 */
export function networkOf(tasks: readonly Task[]): Network {
  list<Task>('tasks', tasks, 1, MOST_TASKS);
  const ids = tasks.map((task, i) => {
    if (typeof task?.id !== 'string' || task.id === '')
      refuse('no-name', `tasks[${i}].id`, `tasks[${i}].id must be a name.`);
    return task.id;
  });
  const at = new Map(ids.map((id, i) => [id, i]));
  const twice = ids.findIndex((id, i) => ids.indexOf(id) < i);
  if (twice >= 0)
    refuse('twice', `tasks[${twice}].id`, `Two tasks are called ${ids[twice]}; each needs a name of its own.`);
  const durations = tasks.map((task, i) =>
    finite(`tasks[${i}].duration`, task.duration, { min: 0, max: 1e6, unit: 'h' }),
  );
  const before = tasks.map((task, i) =>
    list<Link | string>(`tasks[${i}].after`, task.after ?? [], 0, MOST_TASKS).map((entry, k) => {
      const field = `tasks[${i}].after[${k}]`;
      const link: Link = typeof entry === 'string' ? { id: entry } : entry;
      const from = at.get(link?.id);
      if (from === undefined)
        return refuse('unknown-task', `${field}.id`, `${field} names ${String(link?.id)}, which is no task.`);
      const kind = link.kind ?? 'FS';
      const lag = finite(`${field}.lag`, link.lag ?? 0, { min: -1e6, max: 1e6, unit: 'h' });
      return { from, kind, lag, gap: gapOf(field, kind, lag, durations[from]!, durations[i]!) };
    }),
  );
  const behind: Network['behind'] = tasks.map(() => []);
  before.forEach((links, to) => links.forEach(({ from, gap }) => behind[from]!.push({ to, gap })));
  return { ids, durations, before, behind, order: inOrder(ids, before, behind) };
}

function gapOf(field: string, kind: LinkKind, lag: number, first: number, second: number): number {
  switch (kind) {
    case 'FS':
      return first + lag;
    case 'SS':
      return lag;
    case 'FF':
      return first + lag - second;
    case 'SF':
      return lag - second;
    default:
      return refuse('unknown-kind', `${field}.kind`, `${field}.kind must be FS, SS, FF or SF.`);
  }
}

function inOrder(ids: readonly string[], before: Network['before'], behind: Network['behind']): number[] {
  const waits = before.map((links) => links.length);
  const ready = waits.flatMap((count, i) => (count === 0 ? [i] : []));
  const order: number[] = [];
  for (let k = 0; k < ready.length; k++) {
    const task = ready[k]!;
    order.push(task);
    for (const { to } of behind[task]!) if (--waits[to]! === 0) ready.push(to);
  }
  if (order.length < ids.length) {
    // Walk back from any task that is left until one comes again.
    let task = waits.findIndex((count) => count > 0);
    const seen: number[] = [];
    while (!seen.includes(task)) {
      seen.push(task);
      task = before[task]!.find(({ from }) => waits[from]! > 0)!.from;
    }
    const circle = seen.slice(seen.indexOf(task)).reverse();
    refuse(
      'cycle',
      'tasks',
      `These tasks wait for each other in a circle: ${circle.map((i) => ids[i]).join(' → ')} → ${ids[circle[0]!]}. Take one link out.`,
    );
  }
  return order;
}
