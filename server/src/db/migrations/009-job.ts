import { steps } from '../step.ts';

/* What a decision consists of is kept, so that its hours can be shared out; what is said of the steps of a job, steps of one's own, and who works when. */
export const job = steps(9, [
  ['AddWorkToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS work longtext NULL`],
  ['AddTimeZoneToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS timeZone varchar(60) NULL`],
  [
    'CreateStepWord',
    `CREATE TABLE IF NOT EXISTS step_word (
      vehicleId char(36) NOT NULL,
      step varchar(120) NOT NULL,
      state varchar(8) NULL,
      reason varchar(300) NOT NULL,
      until date NULL,
      notBefore date NULL,
      hours double NULL,
      spent double NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_e47e631415edf1ef058896405d6 FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (vehicleId, step)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateOwnStep',
    `CREATE TABLE IF NOT EXISTS own_step (
      id char(36) NOT NULL,
      vehicleId char(36) NOT NULL,
      title varchar(200) NOT NULL,
      hours double NOT NULL,
      after longtext NOT NULL,
      version int NOT NULL,
      \`by\` varchar(120) NOT NULL,
      at datetime(3) NOT NULL,
      CONSTRAINT FK_d6d6c8b1dccdb4d409557a6c429 FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  [
    'CreateWorker',
    `CREATE TABLE IF NOT EXISTS worker (
      id char(36) NOT NULL,
      shopId char(36) NOT NULL,
      name varchar(60) NOT NULL,
      week longtext NOT NULL,
      off longtext NOT NULL,
      version int NOT NULL,
      CONSTRAINT FK_056301759ae7a7414c8708af647 FOREIGN KEY (shopId) REFERENCES shop (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
