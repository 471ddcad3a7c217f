import { steps } from '../step.ts';

/* Prices and lines of the order book say which sheet of a panel they are for. */
export const layers = steps(26, [
  ['AddLayerToOffer', `ALTER TABLE offer ADD COLUMN IF NOT EXISTS layer varchar(40) NULL`],
  ['AddLayerToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS layer varchar(40) NULL`],
]);
