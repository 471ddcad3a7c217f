import { steps } from '../step.ts';

/* When something that was taken out was brought back: open pages are told of it. */
export const backAgain = steps(4, [
  ['AddBackAtToReading', `ALTER TABLE reading ADD COLUMN IF NOT EXISTS backAt datetime(3) NULL`],
  ['AddBackAtToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS backAt datetime(3) NULL`],
]);
