import { steps } from '../step.ts';

/* A line can be laid by hand; a decision can be made again or taken back, and keeps what was decided before; what was ordered for it is told. */
export const again = steps(8, [
  ['AddEarlierToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS earlier longtext NULL`],
  ['AddWithdrawnToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS withdrawn longtext NULL`],
  ['AddUnneededToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS unneeded varchar(200) NULL`],
  ['AddCornersToCut', `ALTER TABLE cut ADD COLUMN IF NOT EXISTS corners longtext NULL`],
  ['AddEarlierToWeld', `ALTER TABLE weld ADD COLUMN IF NOT EXISTS earlier longtext NULL`],
]);
