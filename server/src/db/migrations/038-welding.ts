import { steps } from '../step.ts';

/* How a shop welds as a rule, and who changed which of its rules last. */
export const welding = steps(38, [
  ['AddWeldingToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS welding longtext NULL`],
  ['AddChangedToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS changed longtext NULL`],
]);
