import { steps } from '../step.ts';

/* A decision can be made again or taken back, and keeps what was decided before; what was ordered for it is told. */
export const again = steps(8, [
  ['AddEarlierToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS earlier longtext NULL`],
  ['AddWithdrawnToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS withdrawn longtext NULL`],
  ['AddUnneededToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS unneeded varchar(200) NULL`],
  ['AddEarlierToWeld', `ALTER TABLE weld ADD COLUMN IF NOT EXISTS earlier longtext NULL`],
]);
