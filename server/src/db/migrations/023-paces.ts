import { steps } from '../step.ts';

/* What a shop's own hours have taught of its paces, and with which ones a decision was reckoned. */
export const paces = steps(23, [
  ['ShopPacesSince', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS pacesSince datetime(3) NULL`],
  ['RepairPaces', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS paces longtext NULL`],
]);
