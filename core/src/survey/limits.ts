import type { Panel } from '../body/index.ts';
import type { Point } from '../geometry/index.ts';
import { surveyRules, type SurveyRules } from './classes.ts';

/** Limits by which a shop judges metal; each a house rule. */
export interface Limits {
  /** Metal can be welded to where it is at least this share of as built… */
  weldableShare: number;
  /** …and at least this thick, mm. */
  weldableMm: number;
  /** mm around a mount in which only welded metal of equal thickness counts. */
  mountRadius: number;
}

/** As is usual: common practice, no published source; the radius as several inspection manuals have it (from memory). */
export const usualLimits: Limits = {
  weldableShare: surveyRules.weldableShare,
  weldableMm: surveyRules.weldableMm,
  mountRadius: 300,
};

/** Does a place of a panel carry load, or lie so near to a mount that it counts as if it did? */
export const carriesLoad = (
  panel: Pick<Panel, 'structural' | 'mounts'>,
  [u, v]: Point,
  { mountRadius }: Pick<Limits, 'mountRadius'> = usualLimits,
): boolean =>
  panel.structural || panel.mounts.some((mount) => Math.hypot(mount.at[0] - u, mount.at[1] - v) <= mountRadius);

/**
 * The rules of the survey with the limits of a shop.
 *
 * @example rulesWith({ ...usualLimits, weldableMm: 0.8 }).weldableMm // → 0.8
 */
export const rulesWith = ({ weldableShare, weldableMm }: Limits): SurveyRules => ({
  ...surveyRules,
  weldableShare,
  weldableMm,
});
