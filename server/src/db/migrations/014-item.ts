import { steps } from '../step.ts';

/* What is ordered need not be a panel: brackets, sheet, wire, paint. */
export const item = steps(14, [
  ['AddItemToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS item varchar(80) NULL`],
]);
