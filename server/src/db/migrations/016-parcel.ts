import { steps } from '../step.ts';

/* Lines are ordered together, checked when they are here, and credited when they went back. */
export const parcel = steps(16, [
  ['AddParcelToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS parcel char(36) NULL`],
  ['AddArrivalToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS arrival longtext NULL`],
  ['AddCreditToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS credit int NULL`],
]);
