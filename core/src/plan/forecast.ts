import { finite, list } from '../check.ts';

export interface Forecast {
  planned: number;
  /** Planned hours of what is done. */
  earned: number;
  spent: number;
  /** earned / spent: under 1 takes longer than planned; null where nothing was spent. */
  efficiency: number | null;
  /** Hours when all is done, at this pace; as planned where nothing was spent; null where nothing came of it. */
  expected: number | null;
}

/**
 * How many hours will it take in the end, by what has been done so far?
 *
 * @param tasks planned hours, share done (0 to 1), hours spent
 * @throws Problem naming the field
 * Source: earned value, PMI Practice Standard for Earned Value Management: EAC = AC + (BAC − EV)/CPI.
 * @example forecast({ tasks: [{ planned: 10, done: 0.5, spent: 8 }] }).expected // → 16
 */
export function forecast({ tasks }: { tasks: readonly { planned: number; done: number; spent: number }[] }): Forecast {
  const sums = { planned: 0, earned: 0, spent: 0 };
  list<{ planned: number; done: number; spent: number }>('tasks', tasks, 1, 10_000).forEach((task, i) => {
    const planned = finite(`tasks[${i}].planned`, task?.planned, { min: 0, max: 1e6, unit: 'h' });
    sums.planned += planned;
    sums.earned += planned * finite(`tasks[${i}].done`, task.done, { min: 0, max: 1 });
    sums.spent += finite(`tasks[${i}].spent`, task.spent, { min: 0, max: 1e6, unit: 'h' });
  });
  const efficiency = sums.spent === 0 ? null : sums.earned / sums.spent;
  const left = sums.planned - sums.earned;
  return {
    ...sums,
    efficiency,
    expected:
      efficiency === null || left === 0 ? sums.spent + left : efficiency === 0 ? null : sums.spent + left / efficiency,
  };
}
