import type { Station } from '../station.ts';
import { calcRoutes } from './routes.ts';

/** One calculation by itself; no account is needed. */
export const calc: Station = {
  name: 'calc',
  addresses: (house) => [{ at: '/calc', router: calcRoutes(house.bench), open: [] }],
};
