import { lineLength, pointAt, type Point } from '../geometry/index.ts';
import { surveyRules, thicknessAt, type CensoredSample } from '../survey/index.ts';
import { makesMap } from './thinMetal.ts';

/** mm. The line is looked at this often: a probe every centimetre. */
const STEP = 10;

/**
 * Does the line run over metal that can be welded to?
 *
 * @param joints lines along which is cut and welded, mm; a closed one without its closing point
 * @param readings places (mm) and metal left (mm) of that layer
 * @returns shares of the line, 0 to 1: not measured, and possibly too thin
 */
export function lineOnMap({
  joints,
  asBuilt,
  readings,
  certainty = surveyRules.certainty,
}: {
  joints: readonly { points: readonly Point[]; closed: boolean }[];
  asBuilt: number;
  readings: readonly CensoredSample[];
  /** How sure one has to be that metal can be welded to, 0 to 1. */
  certainty?: number;
}): { unmeasured: number; doubtful: number } {
  const places = joints.flatMap(({ points, closed }) => {
    const line = closed ? [...points, points[0]!] : points;
    const length = lineLength(line);
    return Array.from({ length: Math.max(1, Math.round(length / STEP)) }, (_, i) => pointAt(line, (i + 0.5) * STEP));
  });
  if (!makesMap(readings)) return { unmeasured: 1, doubtful: 0 };
  const metal = thicknessAt({ asBuilt, readings, at: places });
  const share = (count: number) => count / places.length;
  return {
    unmeasured: share(metal.filter((place) => !place.measured).length),
    doubtful: share(metal.filter((place) => place.measured && place.under > 1 - certainty).length),
  };
}
