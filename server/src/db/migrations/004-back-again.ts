import { steps } from '../step.ts';

/* When something that was taken out was brought back: open pages are told of it. */
export const backAgain = steps(4, [
  ['AddBackAtToReading', `ALTER TABLE reading ADD backAt datetime(3) NULL`],
  ['AddBackAtToFind', `ALTER TABLE find ADD backAt datetime(3) NULL`],
]);
