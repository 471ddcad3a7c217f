import type { Limits } from '@aspecta/core/survey';
import { shareOf } from '../shell/typedNumber.ts';
import type { useUnits } from '../shell/units.ts';

type Units = ReturnType<typeof useUnits>;
export type TypedLimits = Record<keyof Limits, string>;

/** What each limit is: a share, a length, or a coating. */
export const LIMIT_KINDS: Readonly<Record<keyof Limits, 'share' | 'length' | 'coating'>> = {
  weldableShare: 'share',
  weldableMm: 'length',
  mountRadius: 'length',
  soundShare: 'share',
  wornShare: 'share',
  thinShare: 'share',
  throughShare: 'share',
  bareUm: 'coating',
  originalUm: 'coating',
  repaintedUm: 'coating',
  heavyUm: 'coating',
  certainty: 'share',
};
export const LIMITS = Object.keys(LIMIT_KINDS) as (keyof Limits)[];
const each = <T>(of: (limit: keyof Limits) => T) =>
  Object.fromEntries(LIMITS.map((limit) => [limit, of(limit)])) as Record<keyof Limits, T>;

/** Before they are read. */
export const NO_LIMITS: TypedLimits = each(() => '');

/** The limits of a shop as they stand in their fields: shares in per cent, lengths and coatings in its units. */
export const typedLimits = (limits: Limits, units: Units): TypedLimits =>
  each((limit) => {
    const value = limits[limit];
    if (LIMIT_KINDS[limit] === 'share') return String(Math.round(value * 1000) / 10);
    return LIMIT_KINDS[limit] === 'coating' ? units.coating.typed(value) : units.typed(value);
  });

/** What the fields mean. One that nobody has touched stays exactly what is stored, in inches too; what is no number goes to the server as none. */
export function limitsOf(typed: TypedLimits, stored: Limits, units: Units) {
  const shown = typedLimits(stored, units);
  const read = { share: shareOf, length: units.read, coating: units.coating.read };
  return each((limit) => (typed[limit] === shown[limit] ? stored[limit] : read[LIMIT_KINDS[limit]](typed[limit])));
}
