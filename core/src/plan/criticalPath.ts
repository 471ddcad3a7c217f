import { networkOf, type Task } from './tasks.ts';
import { ROUNDING } from '../tolerances.ts';

export interface TaskTimes {
  id: string;
  earlyStart: number;
  earlyFinish: number;
  lateStart: number;
  lateFinish: number;
  /** By how much it may slip without making the whole longer. */
  totalFloat: number;
  /** By how much it may slip without touching any other task. */
  freeFloat: number;
  critical: boolean;
}

/** Hours. Floats under this are none. */
const NO_FLOAT = ROUNDING;

/**
 * How long does the job take when nothing is short, and which tasks must not slip? Forward and
 * backward pass over the links.
 *
 * @param tasks durations and lags in hours; links FS, SS, FF, SF
 * @returns times from the beginning, h; the longest way through is the length
 * @throws Problem naming the field; `cycle` where tasks wait for each other
 * Source: Kelley & Walker 1959; links after Fondahl's precedence diagram.
 */
export function criticalPath({ tasks }: { tasks: readonly Task[] }): {
  length: number;
  tasks: TaskTimes[];
  critical: string[];
} {
  const { ids, durations, before, behind, order } = networkOf(tasks);
  const early = new Array<number>(ids.length).fill(0);
  for (const i of order)
    early[i] = before[i]!.reduce((latest, { from, gap }) => Math.max(latest, early[from]! + gap), 0);
  const length = Math.max(...early.map((start, i) => start + durations[i]!));
  const late = durations.map((duration) => length - duration);
  for (const i of [...order].reverse())
    late[i] = behind[i]!.reduce((soonest, { to, gap }) => Math.min(soonest, late[to]! - gap), late[i]!);
  const times = ids.map((id, i): TaskTimes => {
    const room = behind[i]!.reduce((least, { to, gap }) => Math.min(least, early[to]! - gap), length - durations[i]!);
    const totalFloat = Math.max(0, late[i]! - early[i]!);
    return {
      id,
      earlyStart: early[i]!,
      earlyFinish: early[i]! + durations[i]!,
      lateStart: late[i]!,
      lateFinish: late[i]! + durations[i]!,
      totalFloat,
      freeFloat: Math.max(0, room - early[i]!),
      critical: totalFloat <= NO_FLOAT * Math.max(1, length),
    };
  });
  return { length, tasks: times, critical: times.filter((task) => task.critical).map((task) => task.id) };
}
