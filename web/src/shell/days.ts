import { getActivePinia } from 'pinia';
import { useSession } from './session.ts';

/* Days and moments as a person reads them: by the clock of the shop, whatever clock the device has. */

/** By whose clock: that of the shop; of the device as long as nobody has said where the shop is. */
const clockOf = (): string | undefined =>
  (getActivePinia() ? useSession().current?.shop.timeZone : undefined) ?? undefined;

/** A day of the calendar has no clock: it is the same everywhere. */
const IS_DAY = /^\d{4}-\d{2}-\d{2}$/;

/** `2026-05-31`, or the day of a moment → "31 May 2026". */
export const dayOf = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: IS_DAY.test(iso) ? 'UTC' : clockOf(),
  });

/** Writes moments in a form, by the clock of the shop or by the one that a plan was made by. */
export const written =
  (options: Intl.DateTimeFormatOptions, clock: () => string | undefined = clockOf) =>
  (iso: string): string =>
    new Date(iso).toLocaleString('en-GB', { ...options, timeZone: clock() });

/** Hour and minute. */
export const CLOCK: Intl.DateTimeFormatOptions = { hour: '2-digit', minute: '2-digit' };

/** A moment → "31 May, 14:05". */
export const timeOf = written({ day: 'numeric', month: 'short', ...CLOCK });

/** A moment → "14:05". */
export const hourOf = written(CLOCK);

/** 1 → "1 day". */
export const daysText = (days: number): string => `${Math.round(days)} ${Math.round(days) === 1 ? 'day' : 'days'}`;

/** How long ago a moment (ms) was: `at 14:05, 2 h ago`. */
export function since(at: number, now = Date.now()): string {
  const minutes = Math.max(0, Math.round((now - at) / 60_000));
  if (minutes < 2) return 'a moment ago';
  const ago =
    minutes < 60
      ? `${minutes} min ago`
      : minutes < 2880
        ? `${Math.round(minutes / 60)} h ago`
        : `${Math.round(minutes / 1440)} days ago`;
  return `${ago} (${timeOf(new Date(at).toISOString())})`;
}

/** The day that it is in the shop, as 2026-05-31. */
export const today = (now = new Date()): string =>
  // Sweden writes its days as the calendar standard does.
  now.toLocaleDateString('sv-SE', { timeZone: clockOf() });

/** ms at which the day of a moment began by the clock of the shop; an hour off on the night on which clocks are put forward or back. */
export function dayBegan(at: number): number {
  const [hour, minute] = hourOf(new Date(at).toISOString()).split(':').map(Number) as [number, number];
  return Math.floor(at / 60_000) * 60_000 - ((hour % 24) * 60 + minute) * 60_000;
}
