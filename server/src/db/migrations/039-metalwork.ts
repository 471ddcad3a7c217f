import { steps } from '../step.ts';

/* How a shop works on metal, beside how it joins and welds it. */
export const metalwork = steps(39, [
  ['AddMetalworkToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS metalwork longtext NULL`],
]);
