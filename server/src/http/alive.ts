import type { RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import { ServerProblem } from './problems.ts';

/** ms that the database is given to say that it is there. */
const LONGEST = 3000;

/** Is the shop there, with its database? Asked by pages that wait, by the launcher, and by a proxy in front. */
export function aliveRoute(db: DataSource): RequestHandler {
  return async (_request, response) => {
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<never>((_done, fail) => {
      timer = setTimeout(() => fail(new Error('no answer')), LONGEST);
    });
    const asked = db.query('SELECT 1');
    asked.catch(() => undefined);
    try {
      await Promise.race([asked, late]);
    } catch {
      throw databaseAway();
    } finally {
      clearTimeout(timer);
    }
    response.json({ alive: true });
  };
}

export const databaseAway = () =>
  new ServerProblem('database-away', 'The database does not answer at present. Nothing is lost: it is tried again.');
