import { steps } from '../step.ts';

/* Since when openings teach how much more lies under what shows. */
export const spread = steps(34, [
  ['ShopSpreadSince', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS spreadSince datetime(3) NULL`],
]);
