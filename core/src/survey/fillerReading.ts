import { finite } from '../check.ts';
import { coatingClass, surveyRules, type CoatingClass, type SurveyRules } from './classes.ts';

export interface FillerReading {
  class: CoatingClass;
  /** Filler under the paint, mm. */
  depth: number;
  /** The gauge was over its range: the depth is at least this. */
  atLeast: boolean;
  /** Which filler such a depth asks for when it is built up again, or why not. */
  product: string;
}

/** mm. Usual limits of filler (T-17). */
const GOOD_WORK = 1.5;
const ORDINARY = 6;
const METAL_FILLED = 12;

/**
 * How deep is the filler under this coating reading, and would anybody put so much there? Depth is
 * the reading less the paint over it.
 *
 * @param coating reading, µm, 0 to 100,000
 * @param paintBuild paint over the filler, µm; one repaint when left out
 * @param over true where the gauge was over its range
 * @throws Problem naming the field
 * Source: reading principle ISO 2808, ISO 2178; classes and limits common practice (T-17), no published source.
 */
export function fillerReading({
  coating,
  over = false,
  rules = surveyRules,
  paintBuild = rules.coatingUm.repainted,
}: {
  coating: number;
  paintBuild?: number;
  over?: boolean;
  rules?: SurveyRules;
}): FillerReading {
  finite('coating', coating, { min: 0, max: 100_000, unit: 'µm' });
  finite('paintBuild', paintBuild, { min: 0, max: 5000, unit: 'µm' });
  const what = coatingClass(coating, rules);
  const filled = over || what === 'filler';
  const depth = filled ? Math.max(0, coating - paintBuild) / 1000 : 0;
  return { class: over ? 'filler' : what, depth, atLeast: over, product: productFor(depth, filled) };
}

function productFor(depth: number, filled: boolean): string {
  if (!filled) return 'No filler by this reading.';
  if (depth <= GOOD_WORK) return 'A skim: good work.';
  if (depth <= ORDINARY) return 'Ordinary filler; beating the dent out further would need less.';
  if (depth <= METAL_FILLED)
    return 'More than ordinary filler holds: metal-filled at best. Look at the back for what it hides.';
  return 'Deeper than any filler should be: a dent or a hole was filled up. Take it out.';
}
