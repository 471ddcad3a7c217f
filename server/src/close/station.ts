import { COAT_WORDS } from '@aspecta/contract/close';
import { GarageService } from '../garage/service.ts';
import { clockOf } from '../shop/clock.ts';
import { tellsDay, type TellsDay } from '../shop/day.ts';
import type { Chapter, Station, StationStanding } from '../station.ts';
import { CoatEntity, OverruleEntity, ProductEntity } from './entities.ts';
import { ProductService } from './products.ts';
import { closeRoutes } from './routes.ts';
import { CloseService } from './service.ts';
import { closeView, type Closing } from './view.ts';

/** What must be coated before it is shut? */
export const close: Station = {
  name: 'close',
  entities: [ProductEntity, CoatEntity, OverruleEntity],
  serve: (house) => {
    const products = new ProductService(house.db);
    return [products, new CloseService(house.db, { garage: house.the(GarageService), products })];
  },
  addresses: (house) => [{ router: closeRoutes(house.the(CloseService), house.the(ProductService)) }],
  standing: async (house, vehicles) => {
    const all = await house.the(CloseService).closings(vehicles);
    return new Map(vehicles.map(({ id }) => [id, standingOf(all.get(id)!)]));
  },
  report: async (house, vehicle) => {
    const closing = (await house.the(CloseService).closings([vehicle])).get(vehicle.id)!;
    return closing.coats.length === 0 ? [] : [chapterOf(closing, tellsDay(await clockOf(house.db, vehicle.shopId)))];
  },
};

/** Nothing of the shop is needed to say how faces stand. */
const facesIn = (closing: Closing) =>
  closeView(closing, {
    ...{ products: [], temperature: 20, reminders: [] },
    systems: { systems: closing.systems, usual: true, version: 0 },
  }).faces;

function standingOf(closing: Closing): StationStanding {
  const faces = facesIn(closing);
  const bare = faces.filter(({ state }) => state === 'bare').length;
  const begun = closing.repairs.some(({ id }) => (closing.welds.get(id)?.share ?? 0) > 0);
  return {
    word: faces.length === 0 ? 'nothing bare' : bare > 0 ? `${bare} bare` : 'all coated',
    waits: bare > 0 && begun,
    done: faces.length > 0 && bare === 0,
    path: 'close',
  };
}

function chapterOf(closing: Closing, day: TellsDay): Chapter {
  const faces = facesIn(closing);
  const coated = faces.filter(({ coats }) => coats.length > 0);
  const bare = faces.filter(({ state }) => state === 'shut-bare');
  return {
    title: 'Coats',
    lasting: true,
    lines: [
      ...coated.map(
        ({ name, cavityName, coats }) =>
          `${cavityName ? `${cavityName}: ` : ''}${name}: ${coats.map(({ name: product, kind, at, by }) => `${product} (${COAT_WORDS[kind].toLowerCase()}, ${day(at)}, ${by})`).join(', ')}.`,
      ),
      ...bare.map(({ name, cavityName }) => `${cavityName ?? ''}: ${name} was shut with no coat recorded.`),
    ],
  };
}
