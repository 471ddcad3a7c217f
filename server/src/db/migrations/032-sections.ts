import { steps } from '../step.ts';

/* Along which of its lines a piece is parted on the way that was taken. */
export const sections = steps(32, [
  ['AddUsedLinesToWay', 'ALTER TABLE way_in ADD COLUMN IF NOT EXISTS used longtext NULL'],
]);
