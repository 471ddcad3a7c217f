import { steps } from '../step.ts';

/* What is wanted of the plan of a car: the day that was promised, and whether it stands in the open. */
export const wish = steps(18, [
  [
    'CreatePlanWish',
    `CREATE TABLE IF NOT EXISTS plan_wish (
      id char(36) NOT NULL,
      promised date NULL,
      outdoors tinyint NOT NULL,
      version int NOT NULL,
      CONSTRAINT FK_69189453db040bbacceb0669902 FOREIGN KEY (id) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
