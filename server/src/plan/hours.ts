import { DateTime } from 'luxon';
import type { WorkerInput } from '@aspecta/contract/plan';
import type { Window } from '@aspecta/core/plan';

const DAYS = 366;

/** ms at which a day begins by the clock of the shop. */
export const startOfDay = (day: string, timeZone: string): number =>
  DateTime.fromISO(day, { zone: timeZone }).startOf('day').toMillis();

/** ms at which a day is over by the clock of the shop. */
export const endOfDay = (day: string, timeZone: string): number =>
  DateTime.fromISO(day, { zone: timeZone }).endOf('day').toMillis();

/** When somebody is there in the year from now on, in hours from now: by the clock of the shop, summer time and all. */
export function windowsOf({ week, off }: Pick<WorkerInput, 'week' | 'off'>, from: Date, timeZone: string): Window[] {
  const first = DateTime.fromJSDate(from, { zone: timeZone }).startOf('day');
  const free = new Set(off);
  return Array.from({ length: DAYS }, (_, i) => first.plus({ days: i })).flatMap((day) => {
    if (free.has(day.toISODate()!)) return [];
    return week[day.weekday - 1]!.flatMap(([begins, ends]): Window[] => {
      const [a, b] = [begins, ends].map((hour) => {
        const at = day.set({ hour: Math.floor(hour), minute: Math.round((hour % 1) * 60) });
        // Midnight at the end of the day is the beginning of the next one.
        const moment = hour === 24 ? day.plus({ days: 1 }) : at;
        return (moment.toMillis() - from.getTime()) / 3_600_000;
      }) as [number, number];
      return b > Math.max(0, a) ? [[Math.max(0, a), b]] : [];
    });
  });
}
