import type { Router } from 'express';
import type { Workshop } from '../station.ts';

export interface Route {
  station: string;
  method: string;
  path: string;
}

interface Layer {
  route?: { path: string; methods: Record<string, boolean> };
  handle?: { stack?: Layer[] };
}

/** Every address of every station, as its routers say it. */
export function routesOf(house: Workshop): Route[] {
  return house.stations.flatMap((station) =>
    (station.addresses?.(house) ?? []).flatMap(({ at = '', router }) =>
      within(router).map(({ path, method }) => ({
        station: station.name,
        method,
        path: `${at}${path}`.replace(/(?<=.)\/$/, ''),
      })),
    ),
  );
}

const within = (router: Router | { stack?: Layer[] }): { path: string; method: string }[] =>
  ((router as { stack?: Layer[] }).stack ?? []).flatMap((layer) =>
    layer.route
      ? Object.keys(layer.route.methods).map((method) => ({ path: layer.route!.path, method }))
      : layer.handle?.stack
        ? within(layer.handle)
        : [],
  );
