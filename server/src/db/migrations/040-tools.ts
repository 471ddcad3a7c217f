import { steps } from '../step.ts';

/* What stands in the workshop of a shop. */
export const tools = steps(40, [['AddToolsToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS tools longtext NULL`]]);
