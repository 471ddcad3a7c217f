import type { RequestHandler } from 'express';
import session from 'express-session';
import MySQLStoreFactory from 'express-mysql-session';
import type { DatabaseAddress } from '../db/address.ts';

const DAY = 86_400_000;
/** How long a session lasts without use. */
const SESSION_LIFE = 14 * DAY;
/** A session in use is prolonged once a day: cookie and row, not at every request. */
const RENEWED_EVERY = DAY;

declare module 'express-session' {
  interface SessionData {
    renewedAt?: number;
  }
}

export interface Sessions {
  handler: RequestHandler;
  close(): Promise<void>;
}

/**
 * Sessions, kept in the database. Over https the cookie has another name and never leaves
 * https: a browser would not let the plain one of the same host replace it.
 */
export function openSessions(address: DatabaseAddress, secret: string): Sessions {
  const Store = MySQLStoreFactory(session as never);
  // One store for each kind of cookie: the library hangs the settings of its cookie on the store.
  const newStore = () =>
    new Store({
      ...address,
      createDatabaseTable: false,
      clearExpired: true,
      disableTouch: true,
      checkExpirationInterval: 900_000,
      expiration: SESSION_LIFE,
      connectionLimit: 4,
      schema: { tableName: 'session', columnNames: { session_id: 'session_id', expires: 'expires', data: 'data' } },
    });
  const stores = { plain: newStore(), secure: newStore() };
  const common = { secret, resave: false, saveUninitialized: false };
  const cookie = { httpOnly: true, sameSite: 'lax', path: '/', maxAge: SESSION_LIFE } as const;
  const plain = session({ ...common, store: stores.plain, name: 'aspecta', cookie: { ...cookie, secure: false } });
  const secure = session({
    ...common,
    store: stores.secure,
    name: '__Host-aspecta',
    cookie: { ...cookie, secure: true },
  });
  return {
    handler: (request, response, next) =>
      (request.secure ? secure : plain)(request, response, (error?: unknown) => {
        if (error) return next(error);
        const { personId, renewedAt } = request.session;
        if (personId && Date.now() - (renewedAt ?? 0) > RENEWED_EVERY) {
          request.session.renewedAt = Date.now();
          request.session.touch();
          // At once: kept until the answer is over, it could bring back a session that was ended meanwhile.
          return request.session.save(next);
        }
        next();
      }),
    close: async () => {
      await Promise.all([stores.plain.close(), stores.secure.close()]);
    },
  };
}
