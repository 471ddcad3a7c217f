import { GarageService } from '../garage/service.ts';
import { clockOf } from '../shop/clock.ts';
import { tellsDay, type TellsDay } from '../shop/day.ts';
import type { Chapter, Station, StationStanding } from '../station.ts';
import { BraceEntity, GapEntity, OwnPointEntity, RoundEntity, TapeEntity } from './entities.ts';
import { holdRoutes } from './routes.ts';
import { HoldService } from './service.ts';
import { holdView, isChecked, type Held } from './view.ts';

/** Is it square, and has it moved? */
export const hold: Station = {
  name: 'hold',
  entities: [RoundEntity, TapeEntity, OwnPointEntity, BraceEntity, GapEntity],
  serve: (house) => [new HoldService(house.db, house.the(GarageService))],
  addresses: (house) => [{ router: holdRoutes(house.the(HoldService)) }],
  standing: async (house, vehicles) => {
    const all = await house.the(HoldService).heldOf(vehicles);
    return new Map(vehicles.map(({ id }) => [id, standingOf(all.get(id)!)]));
  },
  report: async (house, vehicle) => {
    const held = (await house.the(HoldService).heldOf([vehicle])).get(vehicle.id)!;
    return held.rounds.length === 0 ? [] : [chapterOf(held, tellsDay(await clockOf(house.db, vehicle.shopId)))];
  },
};

function standingOf(held: Held): StationStanding {
  const [first, ...checks] = held.rounds;
  const inside = held.braces.filter(({ outAt }) => outAt === null).length;
  const word = !first
    ? held.out.length > 0
      ? 'measure before the cut'
      : 'not measured'
    : inside > 0
      ? `${inside} ${inside === 1 ? 'brace' : 'braces'} in`
      : checks.length > 0
        ? `${checks.length} ${checks.length === 1 ? 'check' : 'checks'}`
        : 'measured once';
  const waits = (held.out.length > 0 && !first?.finished) || (inside > 0 && isChecked(held));
  return { word, waits, done: isChecked(held) && inside === 0, path: 'hold' };
}

function chapterOf(held: Held, day: TellsDay): Chapter {
  const { rounds, braces, points } = holdView(held);
  const name = (id: string) => points.find((point) => point.id === id)?.name ?? id;
  const lines = rounds.map(({ name: title, at, by, tapes, figures }) => {
    const moved = figures.flatMap(({ moved: all }) => (all ?? []).filter(({ beyond }) => beyond));
    const said = moved.map(({ id, by: [u, v] }) => `${name(id)} by ${Math.hypot(u, v).toFixed(1)} mm`);
    return `${title} (${day(at)}, ${by}): ${tapes.length} lengths${said.length > 0 ? `; moved: ${said.join(', ')}` : ''}.`;
  });
  const inside = braces.filter(({ outAt }) => outAt === null).length;
  return {
    title: 'Reference measurements',
    lasting: true,
    lines: inside > 0 ? [...lines, `${inside} of ${braces.length} braces are still in.`] : lines,
  };
}
