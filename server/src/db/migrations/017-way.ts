import { steps } from '../step.ts';

/* How the piece of a repair gets to its place. */
export const way = steps(17, [
  [
    'CreateWayIn',
    `CREATE TABLE IF NOT EXISTS way_in (
      id char(36) NOT NULL,
      depth double NOT NULL,
      clearance double NOT NULL,
      \`lines\` longtext NOT NULL,
      routes longtext NOT NULL,
      chosen char(36) NULL,
      version int NOT NULL,
      CONSTRAINT FK_b98da4d41a2d5c472343df78454 FOREIGN KEY (id) REFERENCES repair (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (id)
    ) ENGINE=InnoDB`,
  ],
]);
