import { existsSync } from 'node:fs';
import express, { Router, type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { DatabaseAddress } from './db/address.ts';
import { aliveRoute } from './http/alive.ts';
import { problemHandler, unknownRoute } from './http/errors.ts';
import { knownHosts } from './http/hosts.ts';
import { guard, sameSite } from './http/session.ts';
import { openSessions, type Sessions } from './http/sessions.ts';
import { shed } from './http/shed.ts';
import { Workshop, type Means } from './station.ts';
import { stations } from './stations.ts';

/** What somebody without an account may send at once; an outline of some thousand corners fits. */
const STRANGERS_BODY = '512kb';

export interface AppOptions extends Means {
  address: DatabaseAddress;
  logger: Logger;
  /** Signs the session cookie; kept with the data. */
  secret: string;
  /** Folder of the built page; left out in tests. */
  web?: string;
  /** Proxies in front that are believed about who asks: a number of hops or their addresses; none unless said. */
  proxy?: string | undefined;
  /** Names by which the shop is known besides this machine's own. */
  hosts?: readonly string[];
  /** How many requests may be under way at once, and how far behind the process may be (ms). */
  load?: { most?: number; latest?: number };
}

export interface App {
  http: Express;
  house: Workshop;
  close(): Promise<void>;
}

export function createApp(options: AppOptions): App {
  const house = new Workshop(options, stations);
  const sessions = openSessions(options.address, options.secret);
  const http = express();
  http.disable('x-powered-by');
  http.set('trust proxy', trusted(options.proxy));
  http.use(knownHosts(options.hosts ?? []));
  http.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          'default-src': ["'self'"],
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'worker-src': ["'self'", 'blob:'],
          'connect-src': ["'self'"],
          'font-src': ["'self'", 'data:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  const shedding = shed(options.load);
  http.use('/api', shedding.handler, apiRoutes(house, sessions));
  if (options.web && existsSync(options.web)) servePage(http, options.web);
  http.use(unknownRoute);
  http.use(problemHandler(options.logger));
  return {
    http,
    house,
    close: async () => {
      shedding.close();
      await house.close();
      await sessions.close();
    },
  };
}

/** Open addresses first, then the check who is asking, then all others: in the order of the stations. */
function apiRoutes(house: Workshop, sessions: Sessions): Router {
  const api = Router();
  api.use((_request, response, next) => {
    response.set('cache-control', 'no-store');
    next();
  });
  api.use(sameSite);
  api.get('/alive', aliveRoute(house.db));
  api.use(sessions.handler);
  const addresses = house.stations.flatMap((station) => station.addresses?.(house) ?? []);
  const open = addresses.filter((entry) => entry.open);
  // Open to strangers: little is read of what they send, and what is heavy waits its turn.
  api.use(
    open.flatMap((entry) => entry.open!),
    express.json({ limit: STRANGERS_BODY }),
  );
  for (const { at = '/', router } of open) api.use(at, router);
  // All else is for people of a shop; what they send is read once that is sure.
  api.use(guard, express.json({ limit: '8mb' }));
  for (const { at = '/', router } of addresses.filter((entry) => !entry.open)) api.use(at, router);
  api.use(unknownRoute);
  return api;
}

/** Hashed assets for a year, the page itself never; every other address is the page's own routing. */
function servePage(http: Express, web: string): void {
  http.use(
    express.static(web, {
      index: false,
      setHeaders: (response, path) =>
        response.set('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
    }),
  );
  http.get('/{*path}', (request, response, next) => {
    if (request.path.startsWith('/assets/')) return next();
    // By its root: a folder above whose name begins with a dot is none of the page's business.
    response.set('cache-control', 'no-cache').sendFile('index.html', { root: web });
  });
}

/** What express understands: a number of hops, or addresses and networks. */
const trusted = (proxy: string | undefined) =>
  proxy === undefined || proxy === '' ? false : /^\d+$/.test(proxy) ? Number(proxy) : proxy;
