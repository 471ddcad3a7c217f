import { In, IsNull, type FindOperator } from 'typeorm';
import { panelOf } from '@aspecta/core/body';
import { walkRound } from '@aspecta/core/survey';
import type { LiveItem, Station, StationStanding, Workshop } from '../station.ts';
import { GarageService, type OwnVehicle } from '../garage/service.ts';
import { URGENCY } from '../board/urgency.ts';
import {
  FindEntity,
  ForecastEntity,
  LookEntity,
  PitEntity,
  ReadingEntity,
  ZoneEntity,
  ZoneVersionEntity,
} from './entities.ts';
import { ExtentService } from './extents.ts';
import { FindService } from './finds.ts';
import { findView } from './finds.ts';
import { PitService } from './pits.ts';
import { ReadingService, readingView } from './readings.ts';
import { surveyRoutes } from './routes.ts';
import { WalkService } from './walk.ts';
import { ZoneService, zoneView } from './zones.ts';

/** Changes of one look; a large import is seen on reload. */
const MOST = 500;

/** How thick, how sure, where next; what was found, and where it was looked. */
export const survey: Station = {
  name: 'survey',
  entities: [ReadingEntity, ZoneEntity, ZoneVersionEntity, ForecastEntity, FindEntity, LookEntity, PitEntity],
  serve: (house) => {
    const { db, bench } = house;
    const garage = house.the(GarageService);
    const readings = new ReadingService(db, garage, bench);
    const extents = new ExtentService(db);
    const finds = new FindService(db, garage);
    return [
      readings,
      extents,
      new ZoneService(db, { garage, readings, extents }),
      finds,
      new WalkService(db, garage, finds),
      new PitService(db, garage),
    ];
  },
  addresses: (house) => [
    {
      router: surveyRoutes({
        garage: house.the(GarageService),
        readings: house.the(ReadingService),
        zones: house.the(ZoneService),
        finds: house.the(FindService),
        walks: house.the(WalkService),
        pits: house.the(PitService),
        extents: house.the(ExtentService),
      }),
    },
  ],
  standing,
  live,
};

/** Where the sheet was read, and where the worst place is that nobody has read yet. */
async function standing({ db }: Workshop, vehicles: readonly OwnVehicle[]): Promise<Map<string, StationStanding>> {
  const ids = In(vehicles.map(({ id }) => id));
  const [counts, zones] = await Promise.all([
    db.manager
      .createQueryBuilder(ReadingEntity, 'r')
      .select('r.vehicleId', 'vehicleId')
      .addSelect('r.panel', 'panel')
      .addSelect('COUNT(*)', 'readings')
      .where({ vehicleId: ids, withdrawnAt: IsNull() })
      .groupBy('r.vehicleId')
      .addGroupBy('r.panel')
      .getRawMany<{ vehicleId: string; panel: string; readings: string }>(),
    db.getRepository(ZoneEntity).find({
      where: { vehicleId: ids, deletedAt: IsNull() },
      select: { id: true, vehicleId: true, panel: true },
    }),
  ]);
  return new Map(
    vehicles.map((vehicle): [string, StationStanding] => {
      const own = counts.filter((row) => row.vehicleId === vehicle.id);
      const on = (panel: string) => Number(own.find((row) => row.panel === panel)?.readings ?? 0);
      const readings = own.reduce((sum, row) => sum + Number(row.readings), 0);
      const { panels } = vehicle.plan;
      const measured = panels.filter(({ id }) => on(id) > 0).length;
      const drawn = new Set(zones.filter((zone) => zone.vehicleId === vehicle.id).map((zone) => zone.panel));
      // By eye is known too: a panel whose damage is drawn does not ask for a reading.
      const unknown = worstFirst(vehicle).find((id) => on(id) === 0 && !drawn.has(id));
      const name = unknown && panelOf(vehicle.plan, unknown).name;
      const first = readings === 0 && drawn.size === 0;
      return [
        vehicle.id,
        {
          word: `${measured} of ${panels.length} read`,
          waits: unknown !== undefined,
          done: unknown === undefined,
          path: unknown && `panels/${unknown}`,
          figures: { readings, panels: panels.length, panelsMeasured: measured },
          next:
            unknown === undefined
              ? undefined
              : {
                  text: first
                    ? `Take the first readings on ${name}: it rusts first`
                    : `Measure ${name}: nothing is known of it yet`,
                  path: `panels/${unknown}`,
                  urgency: URGENCY.measure,
                },
        },
      ];
    }),
  );
}

/** Panels by their worst place for such a life in such a climate, then all others. */
function worstFirst(vehicle: OwnVehicle): string[] {
  const places = walkRound({
    plan: vehicle.plan,
    climate: vehicle.climate,
    age: new Date().getUTCFullYear() - vehicle.year,
    past: vehicle.past,
  });
  const risky = [...places].sort((a, b) => b.risk - a.risk).map((place) => place.panel);
  return [...new Set([...risky, ...vehicle.plan.panels.map(({ id }) => id)])];
}

async function live(
  { db }: Workshop,
  vehicle: Pick<OwnVehicle, 'id' | 'plan'>,
  since: FindOperator<Date>,
): Promise<LiveItem[]> {
  const { manager } = db;
  const vehicleId = vehicle.id;
  const [readings, counted, zones, gone, finds, findsGone] = await Promise.all([
    manager.find(ReadingEntity, { where: { vehicleId, at: since }, order: { at: 'DESC' }, take: MOST }),
    manager.find(ReadingEntity, {
      where: [
        { vehicleId, withdrawnAt: since },
        { vehicleId, backAt: since },
      ],
      take: MOST,
    }),
    manager.find(ZoneEntity, { where: { vehicleId, changedAt: since, deletedAt: IsNull() }, take: MOST }),
    manager.find(ZoneEntity, { where: { vehicleId, deletedAt: since }, take: MOST }),
    manager.find(FindEntity, {
      where: [
        { vehicleId, at: since, deletedAt: IsNull() },
        { vehicleId, backAt: since, deletedAt: IsNull() },
        { vehicleId, changedAt: since, deletedAt: IsNull() },
      ],
      take: MOST,
    }),
    manager.find(FindEntity, { where: { vehicleId, deletedAt: since }, take: MOST }),
  ]);
  return [
    ...[...readings, ...counted].map((row): LiveItem => ({
      into: 'readings',
      id: row.id,
      state: `w${row.withdrawnAt !== null}`,
      view: () => readingView(row),
    })),
    ...zones.map((row): LiveItem => ({
      into: 'zones',
      id: row.id,
      state: `v${row.version} ${row.changedAt.getTime()}`,
      view: () => zoneView(row, panelOf(vehicle.plan, row.panel)),
    })),
    ...gone.map((row): LiveItem => ({ into: 'zonesGone', id: row.id, state: 'gone', view: () => row.id })),
    ...finds.map((row): LiveItem => ({
      into: 'finds',
      id: row.id,
      state: `v${row.version}`,
      view: () => findView(row),
    })),
    ...findsGone.map((row): LiveItem => ({ into: 'findsGone', id: row.id, state: 'gone', view: () => row.id })),
  ];
}
