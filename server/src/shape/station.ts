import type { Station } from '../station.ts';
import { shapeRoutes } from './routes.ts';

/** Outlines as files, for what is cut from flat sheet; no account is needed. */
export const shape: Station = {
  name: 'shape',
  addresses: (house) => [{ router: shapeRoutes(house.bench), open: ['/shape'] }],
};
