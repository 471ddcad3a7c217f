import { steps } from '../step.ts';

/* Whether a shop paints what it repairs, panel by panel, or leaves paint for later; how much of a step is done, as somebody said. */
export const paint = steps(25, [
  ['AddPaintsToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS paints tinyint NOT NULL`],
  ['AddShareToStepWord', `ALTER TABLE step_word ADD COLUMN IF NOT EXISTS share double NULL`],
]);
