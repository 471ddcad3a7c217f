import { steps } from '../step.ts';

/* Clocks that run on steps of a job: started on a phone, stopped there or elsewhere. */
export const clock = steps(15, [
  [
    'CreateStepClock',
    `CREATE TABLE IF NOT EXISTS step_clock (
      vehicleId char(36) NOT NULL,
      step varchar(120) NOT NULL,
      personId char(36) NOT NULL,
      \`by\` varchar(120) NOT NULL,
      since datetime(3) NOT NULL,
      CONSTRAINT FK_5cdcbe844d274bc734a3d1b36bc FOREIGN KEY (vehicleId) REFERENCES vehicle (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (vehicleId, step, personId)
    ) ENGINE=InnoDB`,
  ],
]);
