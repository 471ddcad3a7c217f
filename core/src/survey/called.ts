import { surveyRules, type SurveyRules } from './classes.ts';
import type { Sample } from './variogram.ts';

/**
 * When is a sheet called? The one definition for map, advice and calculation: a cell is called
 * where a reading reaches it and the side of the limit on which its metal lies is at least 90 %
 * certain; a cell that no reading reaches never is, and before a least number of readings on
 * different places nothing is. What is called is a share of the whole sheet.
 *
 * @param under probability of lying under the limit, for each cell that a reading reaches
 * @param cells cells of the whole sheet
 * @param samples readings on different places
 * @returns share of the whole sheet, 0 to 1
 */
export function calledShare(
  under: ArrayLike<number>,
  cells: number,
  samples: readonly Sample[],
  rules: SurveyRules = surveyRules,
): number {
  if (samples.length < rules.fewestToCall || cells === 0) return 0;
  let called = 0;
  for (let i = 0; i < under.length; i++) if (isCertain(under[i]!, rules)) called += 1;
  return called / cells;
}

const isCertain = (under: number, rules: SurveyRules) => Math.max(under, 1 - under) >= rules.certainty;
