import { steps } from '../step.ts';

/* The best that somebody has done with a made-up car. */
export const practice = steps(22, [
  [
    'CreatePracticeBest',
    `CREATE TABLE IF NOT EXISTS practice_best (
      personId char(36) NOT NULL,
      plan varchar(40) NOT NULL,
      level int NOT NULL,
      seed int NOT NULL,
      points int NOT NULL,
      \`at\` datetime(3) NOT NULL,
      CONSTRAINT FK_5387b665ce403987fb0a170a28d FOREIGN KEY (personId) REFERENCES person (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (personId, plan, level, seed)
    ) ENGINE=InnoDB`,
  ],
]);
