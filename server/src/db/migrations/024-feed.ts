import { steps } from '../step.ts';

/* Addresses by which calendars read the plan. */
export const feed = steps(24, [
  [
    'CreateCalendarFeed',
    `CREATE TABLE IF NOT EXISTS calendar_feed (
      personId char(36) NOT NULL,
      tokenHash char(64) NOT NULL,
      createdAt datetime(3) NOT NULL,
      INDEX feed_token (tokenHash),
      CONSTRAINT FK_207f84beb4c99d24d7678819abd FOREIGN KEY (personId) REFERENCES person (id) ON DELETE CASCADE ON UPDATE NO ACTION,
      PRIMARY KEY (personId)
    ) ENGINE=InnoDB`,
  ],
]);
