import { steps } from '../step.ts';

/* Finds are changed, closed and opened again; pictures keep what was stroked on them; fasteners are marked as loose or opened. */
export const marked = steps(7, [
  ['AddRegionToPhoto', `ALTER TABLE photo ADD COLUMN IF NOT EXISTS region longtext NULL`],
  ['AddClosedToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS closed longtext NULL`],
  ['AddChangedAtToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS changedAt datetime(3) NULL`],
  ['AddVersionToFind', `ALTER TABLE find ADD COLUMN IF NOT EXISTS version int NOT NULL`],
  ['FillVersionOfFind', `UPDATE find SET version = 1 WHERE version = 0`],
  [
    'CreateFastener',
    `CREATE TABLE IF NOT EXISTS fastener (
      repairId char(36) NOT NULL,
      place varchar(24) NOT NULL,
      state varchar(8) NOT NULL,
      at datetime(3) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      CONSTRAINT FK_166d03012cf91cc3a131dcf8cde FOREIGN KEY (repairId) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (repairId, place)
    ) ENGINE=InnoDB`,
  ],
]);
