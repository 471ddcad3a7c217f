import { steps } from '../step.ts';

/* By which metal a shop judges: what can be welded to, and how far around a mount. */
export const limits = steps(37, [
  ['AddLimitsToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS limits longtext NULL`],
]);
