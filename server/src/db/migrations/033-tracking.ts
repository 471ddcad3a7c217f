import { steps } from '../step.ts';

/* The number by which an ordered parcel is followed. */
export const tracking = steps(33, [
  ['AddTrackingToOrder', 'ALTER TABLE order_line ADD COLUMN IF NOT EXISTS tracking longtext NULL'],
]);
