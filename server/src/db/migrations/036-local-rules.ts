import { steps } from '../step.ts';

/* What the law and the testers of the place ask for, in the words of the shop. */
export const localRules = steps(36, [
  ['AddLocalRulesToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS localRules longtext NULL`],
]);
