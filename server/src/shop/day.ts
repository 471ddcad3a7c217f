import { DateTime } from 'luxon';

/** The day on the calendar of a place at a moment, as 2026-05-31; by UTC where nobody has said where the shop is. */
export const dayIn = (timeZone: string | null | undefined, at = new Date()): string =>
  DateTime.fromJSDate(at, { zone: timeZone ?? 'utc' }).toISODate()!;

/** 2026-05-31 → 31 May 2026: as a person reads a day, on every paper. */
export const dayInWords = (day: string): string =>
  DateTime.fromISO(day, { zone: 'utc' }).toFormat('d MMM yyyy', { locale: 'en-GB' });

/** How the day of a moment is told in a shop, by its clock. */
export type TellsDay = (at: Date | string) => string;
export const tellsDay =
  (timeZone: string | null | undefined): TellsDay =>
  (at) =>
    dayInWords(dayIn(timeZone, new Date(at)));
