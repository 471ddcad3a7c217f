import { steps } from '../step.ts';

/* Finds are changed, closed and opened again; pictures keep what was stroked on them. */
export const closed = steps(7, [
  ['AddRegionToPhoto', `ALTER TABLE photo ADD COLUMN IF NOT EXISTS region longtext NULL`],
  ['AddClosedToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS closed longtext NULL`],
  ['AddChangedAtToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS changedAt datetime(3) NULL`],
  ['AddVersionToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS version int NOT NULL`],
  ['FillVersionOfFind', `UPDATE find SET version = 1 WHERE version = 0`],
]);
