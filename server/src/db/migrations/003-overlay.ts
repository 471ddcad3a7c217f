import { steps } from '../step.ts';

/* House rules say whether a new sheet may be laid over the old one. */
export const overlay = steps(3, [
  ['AddOverlayToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS overlay tinyint NOT NULL`],
]);
