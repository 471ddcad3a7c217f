import { steps } from '../step.ts';

/* What money there is for parts, and when more comes in. */
export const purse = steps(27, [
  [
    'CreatePurse',
    `CREATE TABLE IF NOT EXISTS purse (
      id char(36) NOT NULL,
      there int NULL,
      since datetime(3) NOT NULL,
      paid longtext NOT NULL,
      comes longtext NOT NULL,
      version int NOT NULL,
      CONSTRAINT FK_64d0b0e71c1213684fe6e99d877 FOREIGN KEY (id) REFERENCES shop (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
