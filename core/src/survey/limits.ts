import type { Panel } from '../body/index.ts';
import { inRing, toRing, type Point, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { surveyRules, type SurveyRules } from './classes.ts';

/** Limits by which a shop judges metal; each a house rule. */
export interface Limits {
  /** Metal can be welded to where it is at least this share of as built… */
  weldableShare: number;
  /** …and at least this thick, mm. */
  weldableMm: number;
  /** mm around a mount in which only welded metal of equal thickness counts. */
  mountRadius: number;
  /** Share of as built down to which metal is sound, worn, thin, and failing; below the last it is as good as a hole. */
  soundShare: number;
  wornShare: number;
  thinShare: number;
  throughShare: number;
  /** µm of coating up to which metal counts as bare, its paint as original, repainted, and heavy; over the last it is filler. */
  bareUm: number;
  originalUm: number;
  repaintedUm: number;
  heavyUm: number;
  /** A class is called where it is at least so probable. */
  certainty: number;
}

const { metalShare, coatingUm } = surveyRules;
/** As is usual: common practice, no published source; the radius as several inspection manuals have it (from memory). */
export const usualLimits: Limits = {
  weldableShare: surveyRules.weldableShare,
  weldableMm: surveyRules.weldableMm,
  mountRadius: 300,
  soundShare: metalShare.sound,
  wornShare: metalShare.worn,
  thinShare: metalShare.thin,
  throughShare: metalShare.through,
  bareUm: coatingUm.bare,
  originalUm: coatingUm.original,
  repaintedUm: coatingUm.repainted,
  heavyUm: coatingUm.heavy,
  certainty: surveyRules.certainty,
};

/** Classes in the order in which their limits fall, or rise. */
const FALLING = ['soundShare', 'wornShare', 'thinShare', 'throughShare'] as const;
const RISING = ['bareUm', 'originalUm', 'repaintedUm', 'heavyUm'] as const;

/**
 * Do the limits of the classes follow one another?
 *
 * @param limits shares of as built, coatings in µm
 * @throws Problem naming the first that would leave a class empty
 * Source: by definition of the classes.
 * @example checkLimits(usualLimits) // → undefined
 */
export function checkLimits(limits: Limits): void {
  for (let i = 1; i < FALLING.length; i++)
    if (limits[FALLING[i]!] >= limits[FALLING[i - 1]!])
      refuse(
        'limits-contradict',
        `limits.${FALLING[i]}`,
        'Each class of metal begins below the one before it: make this share smaller, or the one above larger.',
      );
  for (let i = 1; i < RISING.length; i++)
    if (limits[RISING[i]!] <= limits[RISING[i - 1]!])
      refuse(
        'limits-contradict',
        `limits.${RISING[i]}`,
        'Each class of coating ends above the one before it: make this one larger, or the one above smaller.',
      );
}

/** Does a place of a panel carry load, or lie so near to a mount that it counts as if it did? */
export const carriesLoad = (
  panel: Pick<Panel, 'structural' | 'mounts'>,
  [u, v]: Point,
  { mountRadius }: Pick<Limits, 'mountRadius'> = usualLimits,
): boolean =>
  panel.structural || panel.mounts.some((mount) => Math.hypot(mount.at[0] - u, mount.at[1] - v) <= mountRadius);

/**
 * Does an area reach so near to a mount of its panel that only welded metal counts there?
 *
 * @param ring mm on the panel
 * @example isNearMount({ mounts: [{ at: [0, 0] }] }, [[100, 0], [200, 0], [200, 50]], { mountRadius: 150 }) // → true
 */
export const isNearMount = (
  { mounts }: { mounts: readonly { at: Point }[] },
  ring: Ring,
  { mountRadius }: Pick<Limits, 'mountRadius'> = usualLimits,
): boolean => mounts.some(({ at }) => inRing(at, ring) || toRing(at, ring) < mountRadius);

/**
 * The rules of the survey with the limits of a shop; one that was kept before there were more of them has the usual ones.
 *
 * @example rulesWith({ weldableMm: 0.8 }).weldableMm // → 0.8
 */
export function rulesWith(own: Partial<Limits>): SurveyRules {
  const limits = { ...usualLimits, ...own };
  return {
    ...surveyRules,
    weldableShare: limits.weldableShare,
    weldableMm: limits.weldableMm,
    certainty: limits.certainty,
    metalShare: {
      sound: limits.soundShare,
      worn: limits.wornShare,
      thin: limits.thinShare,
      through: limits.throughShare,
    },
    coatingUm: {
      bare: limits.bareUm,
      original: limits.originalUm,
      repainted: limits.repaintedUm,
      heavy: limits.heavyUm,
    },
  };
}
