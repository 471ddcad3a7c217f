import type { Limits } from '@aspecta/core/survey';
import { shareOf } from '../shell/typedNumber.ts';
import type { useUnits } from '../shell/units.ts';

type Units = ReturnType<typeof useUnits>;
export type TypedLimits = Record<keyof Limits, string>;

/** The limits of a shop as they stand in their fields: a share in per cent, lengths in its units. */
export const typedLimits = (limits: Limits, units: Units): TypedLimits => ({
  weldableShare: String(Math.round(limits.weldableShare * 1000) / 10),
  weldableMm: units.typed(limits.weldableMm),
  mountRadius: units.typed(limits.mountRadius),
});

/** What the fields mean. One that nobody has touched stays exactly what is stored, in inches too; what is no number goes to the server as none. */
export function limitsOf(typed: TypedLimits, stored: Limits, units: Units) {
  const shown = typedLimits(stored, units);
  const meant = (key: keyof Limits) => (key === 'weldableShare' ? shareOf(typed[key]) : units.read(typed[key]));
  const one = (key: keyof Limits) => (typed[key] === shown[key] ? stored[key] : meant(key));
  return { weldableShare: one('weldableShare'), weldableMm: one('weldableMm'), mountRadius: one('mountRadius') };
}
