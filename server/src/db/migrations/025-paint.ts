import { steps } from '../step.ts';

/* Whether a shop paints what it repairs, panel by panel, or leaves paint for later. */
export const paint = steps(25, [
  ['AddPaintsToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS paints tinyint NOT NULL`],
]);
