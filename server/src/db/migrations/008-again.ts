import { steps } from '../step.ts';

/* A line can be laid by hand, its joints be chosen; a decision can be made again or taken back, and keeps what was decided before; what was ordered for it is told. */
export const again = steps(8, [
  ['AddEarlierToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS earlier longtext NULL`],
  ['AddWithdrawnToRepair', `ALTER TABLE repair ADD COLUMN IF NOT EXISTS withdrawn longtext NULL`],
  ['AddUnneededToOrderLine', `ALTER TABLE order_line ADD COLUMN IF NOT EXISTS unneeded varchar(200) NULL`],
  ['AddSchoolsToShop', `ALTER TABLE shop ADD COLUMN IF NOT EXISTS schools longtext NULL`],
  [
    'CreateJointChoice',
    `CREATE TABLE IF NOT EXISTS joint_choice (
      id char(36) NOT NULL,
      choices longtext NOT NULL,
      version int NOT NULL,
      CONSTRAINT FK_2f0a0d67f6bcd4c8ec2843732a4 FOREIGN KEY (id) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
  ['AddCornersToCut', `ALTER TABLE cut ADD COLUMN IF NOT EXISTS corners longtext NULL`],
  ['AddEarlierToWeld', `ALTER TABLE weld ADD COLUMN IF NOT EXISTS earlier longtext NULL`],
]);
