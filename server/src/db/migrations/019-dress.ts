import { steps } from '../step.ts';

/* What a straight edge showed over the welds of a repair. */
export const dress = steps(19, [
  [
    'CreateDressRound',
    `CREATE TABLE IF NOT EXISTS dress_round (
      id char(36) NOT NULL,
      repairId char(36) NOT NULL,
      readings longtext NOT NULL,
      note varchar(500) NOT NULL,
      good tinyint NOT NULL,
      \`by\` varchar(120) NOT NULL,
      \`at\` datetime(3) NOT NULL,
      CONSTRAINT FK_8bf81f098d76694b6826ecb4ab7 FOREIGN KEY (repairId) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
