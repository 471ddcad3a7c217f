import type { Panel } from '../body/index.ts';
import type { Element } from './joint.ts';
import { PACES, type Minutes } from './paces.ts';

/** Both faces of every new piece, whatever it replaces. */
export const COATED_FACES = 2;
/** Around the damage so much is stripped and treated as well. */
export const STRIPPED_AROUND = 1.5;
/** dm² that are shaped in one go. */
const SHAPED_AT_ONCE = 6;

/** Minutes for shaping one piece, by how the face is curved (T-27). */
export const SHAPE_PACES: Readonly<Record<Panel['curvature'], Minutes>> = {
  flat: PACES.shapeFlat,
  single: PACES.shapeSingle,
  double: PACES.shapeDouble,
};

/** Shaping hand-made pieces, the smallest as much as one of a square decimetre. @param areas dm² of each */
export const shaping = (areas: readonly number[], curvature: Panel['curvature']): Element => ({
  name: `Shape the patch (${curvature} curvature)`,
  count: areas.reduce((sum, area) => sum + Math.max(1, area / SHAPED_AT_ONCE), 0),
  unit: `pieces of ${SHAPED_AT_ONCE} dm²`,
  minutes: SHAPE_PACES[curvature],
  rule: 'T-27',
});

/**
 * What does a piece take that is larger by one square decimetre, in usual minutes? Stripped, shaped by its
 * curvature, coated on both faces: what its size costs beside its joints.
 *
 * Source: common practice, no published source (T-19, T-21, T-27).
 * @example minutesPerDm2('double') > minutesPerDm2('flat') // → true
 */
export const minutesPerDm2 = (curvature: Panel['curvature']): number =>
  SHAPE_PACES[curvature][1] / SHAPED_AT_ONCE + STRIPPED_AROUND * PACES.stripDm2[1] + COATED_FACES * PACES.coatDm2[1];
