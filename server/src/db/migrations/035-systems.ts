import { steps } from '../step.ts';

/* Which coats a shop puts onto each side of the metal; null: as is usual. */
export const systems = steps(35, [
  ['AddSystemsToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS systems longtext NULL`],
]);
