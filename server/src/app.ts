import { existsSync } from 'node:fs';
import express, { Router, type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { ownAccountRoutes, peopleRoutes } from './account/routes.ts';
import { AccountService } from './account/service.ts';
import { Throttle } from './account/throttle.ts';
import { PlanService } from './body/plans.ts';
import { bodyRoutes } from './body/routes.ts';
import { BoardService } from './board/service.ts';
import { calcRoutes } from './calc/routes.ts';
import { cutRoutes } from './cut/routes.ts';
import { CutService } from './cut/service.ts';
import type { DatabaseAddress } from './db/dataSource.ts';
import { garageRoutes } from './garage/routes.ts';
import { GarageService } from './garage/service.ts';
import { gaugeRoutes } from './gauge/routes.ts';
import { GaugeHolds } from './gauge/holds.ts';
import { GaugeService, type GaugeAddress } from './gauge/service.ts';
import { aliveRoute } from './http/alive.ts';
import { problemHandler, unknownRoute } from './http/errors.ts';
import { knownHosts } from './http/hosts.ts';
import { guard, sameSite } from './http/session.ts';
import { shed } from './http/shed.ts';
import { openSessions, type Sessions } from './http/sessions.ts';
import { LiveHub } from './live/hub.ts';
import { liveRoutes } from './live/routes.ts';
import { orderRoutes } from './order/routes.ts';
import { OrderService } from './order/service.ts';
import { PictureStore } from './photo/pictures.ts';
import { photoRoutes } from './photo/routes.ts';
import { PhotoService } from './photo/service.ts';
import { reportRoutes } from './report/routes.ts';
import { ReportService } from './report/service.ts';
import { shapeRoutes } from './shape/routes.ts';
import { doorRoutes, shopRoutes } from './shop/routes.ts';
import { ShopService } from './shop/service.ts';
import { ExtentService } from './survey/extents.ts';
import { FindService } from './survey/finds.ts';
import { PitService } from './survey/pits.ts';
import { ReadingService } from './survey/readings.ts';
import { surveyRoutes } from './survey/routes.ts';
import { WalkService } from './survey/walk.ts';
import { ZoneService } from './survey/zones.ts';
import { OfferService } from './verdict/offers.ts';
import { verdictRoutes } from './verdict/routes.ts';
import { VerdictService } from './verdict/service.ts';
import { weldRoutes } from './weld/routes.ts';
import { WeldService } from './weld/service.ts';
import { Workbench } from './work/bench.ts';

/** What somebody without an account may send at once; an outline of some thousand corners fits. */
const STRANGERS_BODY = '512kb';

export interface AppOptions {
  db: DataSource;
  address: DatabaseAddress;
  logger: Logger;
  /** Signs the session cookie; kept with the data. */
  secret: string;
  demo?: boolean;
  /** Folder of the pictures. */
  files: string;
  gauges?: readonly GaugeAddress[];
  /** Folder of the built page; left out in tests. */
  web?: string;
  triesPerQuarterHour?: number;
  /** Proxies in front that are believed about who asks: a number of hops or their addresses; none unless said. */
  proxy?: string | undefined;
  /** Names by which the shop is known besides this machine's own. */
  hosts?: readonly string[];
  /** How many requests may be under way at once, and how far behind the process may be (ms). */
  load?: { most?: number; latest?: number };
}

export interface App {
  http: Express;
  services: Services;
  close(): Promise<void>;
}

export type Services = ReturnType<typeof buildServices>;

/** All services of the house, each given what it stands on. */
export function buildServices(db: DataSource, files: string, gaugeList: readonly GaugeAddress[] = []) {
  const shops = new ShopService(db);
  const plans = new PlanService(db);
  const garage = new GarageService(db, plans);
  const accounts = new AccountService(db, garage);
  const bench = new Workbench();
  const readings = new ReadingService(db, garage, bench);
  const extents = new ExtentService(db);
  const zones = new ZoneService(db, { garage, readings, extents });
  const finds = new FindService(db, garage);
  const walks = new WalkService(db, garage, finds);
  const pits = new PitService(db, garage);
  const photos = new PhotoService(db, garage, new PictureStore(files));
  const gauges = new GaugeService(gaugeList, new GaugeHolds(db));
  const live = new LiveHub(db, garage);
  const offers = new OfferService(db, shops);
  const orders = new OrderService(db, garage, shops);
  const verdicts = new VerdictService(db, { garage, zones, shops, offers, orders, bench });
  const cuts = new CutService(db, { verdicts, zones, readings, shops, bench });
  const welds = new WeldService(db, { cuts, verdicts, shops, bench });
  const board = new BoardService(db, { garage, readings, zones, verdicts, orders });
  const reports = new ReportService(db, { garage, shops, readings, zones, finds, walks, pits, photos, board }, bench);
  return {
    ...{ shops, accounts, plans, garage, readings, extents, zones, finds, walks, pits, photos, gauges, live },
    ...{ offers, orders, verdicts, cuts, welds, board, reports, bench },
  };
}

export function createApp(options: AppOptions): App {
  const services = buildServices(options.db, options.files, options.gauges);
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
  http.use('/api', shedding.handler, apiRoutes(options, services, sessions));
  if (options.web && existsSync(options.web)) servePage(http, options.web);
  http.use(unknownRoute);
  http.use(problemHandler(options.logger));
  return {
    http,
    services,
    close: async () => {
      shedding.close();
      services.live.close();
      services.gauges.close();
      await services.bench.close();
      await sessions.close();
    },
  };
}

function apiRoutes(options: AppOptions, services: Services, sessions: Sessions): Router {
  const api = Router();
  api.use((_request, response, next) => {
    response.set('cache-control', 'no-store');
    next();
  });
  api.use(sameSite);
  api.get('/alive', aliveRoute(options.db));
  api.use(sessions.handler);
  // Open to strangers: little is read of what they send, and what is heavy waits its turn.
  api.use(
    ['/session', '/setup', '/door', '/invitations', '/account', '/shape'],
    express.json({ limit: STRANGERS_BODY }),
  );
  const throttle = new Throttle(options.db, options.triesPerQuarterHour ?? 20);
  api.use(doorRoutes({ shops: services.shops, accounts: services.accounts, throttle, demo: options.demo ?? false }));
  api.use('/account', ownAccountRoutes(services.accounts));
  api.use('/calc', calcRoutes(services.bench));
  api.use(shapeRoutes(services.bench));
  // All else is for people of a shop; what they send is read once that is sure.
  api.use(guard, express.json({ limit: '8mb' }));
  api.use(peopleRoutes(services.accounts));
  api.use('/shop', shopRoutes(services.shops));
  api.use('/orders', orderRoutes(services.orders));
  api.use('/vehicles', garageRoutes(services.garage, services.board));
  api.use(surveyRoutes(services));
  api.use(photoRoutes(services.photos));
  api.use(bodyRoutes(services));
  api.use(liveRoutes(services.live, options.db));
  api.use('/gauges', gaugeRoutes(services.gauges, options.db));
  api.use(reportRoutes(services.reports));
  api.use(verdictRoutes(services.verdicts, services.offers, services.garage));
  api.use(cutRoutes(services));
  api.use(weldRoutes(services.welds));
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
