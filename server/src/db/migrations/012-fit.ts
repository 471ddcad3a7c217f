import { steps } from '../step.ts';

/* Trial fits of a repair, and why it is welded although the last one was not good. */
export const fit = steps(12, [
  [
    'CreateFitRound',
    `CREATE TABLE IF NOT EXISTS fit_round (
      id char(36) NOT NULL,
      repairId char(36) NOT NULL,
      readings longtext NOT NULL,
      neighbours longtext NOT NULL,
      note varchar(500) NOT NULL,
      good tinyint NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_26c2d48c11b8af706c9200aaff2 FOREIGN KEY (repairId) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateFitOverrule',
    `CREATE TABLE IF NOT EXISTS fit_overrule (
      repairId char(36) NOT NULL,
      reason varchar(300) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_96294183f36df2b26fadc87247b FOREIGN KEY (repairId) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (repairId)
    ) ENGINE=InnoDB`,
  ],
]);
