import { randomUUID } from 'node:crypto';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { EVIDENCE, type Evidence, type ExtentView, type LearntView } from '@aspecta/contract/survey';
import { areaOnSheet, sheetOf, type Panel } from '@aspecta/core/body';
import { area, clip } from '@aspecta/core/geometry';
import {
  behindChance,
  openingOf,
  SPREAD_PRIOR,
  spreadRatio,
  type Opening,
  type SpreadEvidence,
} from '@aspecta/core/survey';
import { VehicleEntity } from '../garage/entities.ts';
import { note } from '../account/audit.ts';
import { changeOfShop } from '../db/changeOf.ts';
import { ShopEntity } from '../shop/entities.ts';
import { needs, type Caller } from '../http/session.ts';
import {
  ForecastEntity,
  ZoneEntity,
  ZoneVersionEntity,
  type ForecastRow,
  type ZoneRow,
  type ZoneVersionRow,
} from './entities.ts';

/** How much each kind of evidence shows, from the least to the most. */
const DEPTH: Readonly<Record<Evidence, number>> = {
  blister: 0,
  pinhole: 1,
  map: 2,
  stripped: 2,
  blasted: 3,
  opened: 4,
};
/** mm². An opening that found nothing at all still has to have a logarithm. */
const LEAST_FOUND = 1;

/** Openings that are learnt from at most: the latest. */
const MOST_OPENINGS = 2000;

/** The last version of a zone that somebody drew after having looked deeper than `shown`. */
const deepest = (versions: readonly ZoneVersionRow[], zoneId: string, shown: Evidence) =>
  versions.filter((row) => row.zoneId === zoneId && DEPTH[row.evidence] > DEPTH[shown]).at(-1);
const foundIn = (row: ZoneVersionRow) => Math.max(LEAST_FOUND, area([row.ring, ...row.holes]));
const kindOf = (evidence: Evidence): SpreadEvidence => (evidence === 'map' ? 'stripped' : evidence);

/** What showed, what was predicted, what was found: kept zone by zone, learnt shop by shop. */
export class ExtentService {
  private readonly db: DataSource;

  constructor(db: DataSource) {
    this.db = db;
  }

  /** Keeps what is to be expected of a zone by what shows of it now; once for each kind of evidence. `history` is looked up before. */
  async foretell(manager: EntityManager, zone: ZoneRow, panel: Panel, history: readonly Opening[]): Promise<void> {
    const known = await manager.findOneBy(ForecastEntity, { zoneId: zone.id, evidence: zone.evidence });
    const seen = areaOnSheet(panel, [zone.ring, ...zone.holes]);
    if (known || seen === 0) return;
    const { p50, p90 } = spreadRatio(kindOf(zone.evidence), history);
    const whole = area(sheetOf(panel));
    await manager.insert(ForecastEntity, {
      id: randomUUID(),
      zoneId: zone.id,
      evidence: zone.evidence,
      seen,
      predicted50: Math.min(whole, seen * Math.max(1, p50)),
      predicted90: Math.min(whole, seen * Math.max(1, p90)),
      at: new Date(),
    });
  }

  /** All forecasts of a vehicle or of one panel, with what was found where somebody has looked deeper since. */
  async list(vehicleId: string, panel?: string): Promise<ExtentView[]> {
    const zones = await this.db.getRepository(ZoneEntity).findBy({
      vehicleId,
      deletedAt: IsNull(),
      ...(panel ? { panel } : {}),
    });
    return this.extentsOf(zones);
  }

  private async extentsOf(zones: readonly ZoneRow[]): Promise<ExtentView[]> {
    if (zones.length === 0) return [];
    const ids = zones.map((zone) => zone.id);
    const [forecasts, versions] = await Promise.all([
      this.db.getRepository(ForecastEntity).find({ where: { zoneId: In(ids) }, order: { at: 'ASC' } }),
      this.db.getRepository(ZoneVersionEntity).find({ where: { zoneId: In(ids) }, order: { version: 'ASC' } }),
    ]);
    return forecasts.map((forecast: ForecastRow): ExtentView => {
      const zone = zones.find((candidate) => candidate.id === forecast.zoneId)!;
      const deeper = deepest(versions, zone.id, forecast.evidence);
      return {
        zoneId: zone.id,
        panel: zone.panel,
        layer: zone.layer,
        evidence: forecast.evidence,
        seen: forecast.seen,
        predicted50: forecast.predicted50,
        predicted90: forecast.predicted90,
        found: deeper ? foundIn(deeper) : null,
        foundBy: deeper?.evidence ?? null,
        at: forecast.at.toISOString(),
      };
    });
  }

  /** Openings of the whole shop for one kind of evidence: what its next prediction rests on. */
  async history(caller: Caller, evidence: Evidence): Promise<Opening[]> {
    const alike = (Object.keys(EVIDENCE) as Evidence[]).filter((other) => kindOf(other) === kindOf(evidence));
    // Only zones that were foretold by this evidence can teach anything about it.
    const foretold = await this.db.manager
      .createQueryBuilder(ForecastEntity, 'forecast')
      .innerJoin('zone', 'zone', 'zone.id = forecast.zoneId AND zone.deletedAt IS NULL')
      .innerJoin('vehicle', 'vehicle', 'vehicle.id = zone.vehicleId')
      .innerJoin('shop', 'shop', 'shop.id = vehicle.shopId')
      .where('vehicle.shopId = :shop AND forecast.evidence IN (:...alike)', { shop: caller.shopId, alike })
      .andWhere('(shop.spreadSince IS NULL OR forecast.at > shop.spreadSince)')
      .orderBy('forecast.at', 'DESC')
      .limit(MOST_OPENINGS)
      .getMany();
    if (foretold.length === 0) return [];
    const versions = await this.db.getRepository(ZoneVersionEntity).find({
      where: { zoneId: In(foretold.map((row) => row.zoneId)) },
      order: { version: 'ASC' },
    });
    return foretold.flatMap(({ zoneId, seen, evidence: shown }): Opening[] => {
      const deeper = deepest(versions, zoneId, shown);
      return deeper ? [openingOf(kindOf(shown), seen, foundIn(deeper))] : [];
    });
  }

  /** Of opened cases: over how many lies another layer that was looked at, and in how many it was damaged too. */
  private async behindOf(
    caller: Caller,
    cases: readonly ExtentView[],
  ): Promise<(own: readonly ExtentView[]) => { cases: number; found: number }> {
    const vehicles = await this.db.getRepository(VehicleEntity).findBy({ shopId: caller.shopId });
    const zones =
      vehicles.length === 0 || cases.length === 0
        ? []
        : await this.db.getRepository(ZoneEntity).findBy({
            vehicleId: In(vehicles.map(({ id }) => id)),
            deletedAt: IsNull(),
          });
    return (own) => {
      const opened = own.filter((extent) => extent.foundBy === 'opened');
      const found = opened.filter((extent) => {
        const zone = zones.find(({ id }) => id === extent.zoneId);
        return zones.some(
          (other) =>
            zone &&
            other.vehicleId === zone.vehicleId &&
            other.panel === zone.panel &&
            other.layer !== zone.layer &&
            clip('intersection', [zone.ring, ...zone.holes], [other.ring, ...other.holes]).area > 0,
        );
      });
      return { cases: opened.length, found: found.length };
    };
  }

  /** What this shop has learnt, by evidence: its cases, the factor, and the ratio it expects now. */
  async learnt(caller: Caller): Promise<LearntView[]> {
    const since = await this.since(caller);
    const cases = (await this.cases(caller)).filter(({ at }) => since === null || new Date(at) > since);
    const behind = await this.behindOf(caller, cases);
    return (Object.keys(SPREAD_PRIOR) as SpreadEvidence[])
      .filter((evidence) => evidence in EVIDENCE)
      .map((evidence) => {
        const own = cases.filter((extent) => kindOf(extent.evidence) === evidence);
        const history = own.map(({ seen, found }) => openingOf(evidence, seen, found!));
        const { p10, p50, p90, factor } = spreadRatio(evidence, history);
        return {
          evidence,
          since: since?.toISOString() ?? null,
          factor,
          ratio: { p10, p50, p90 },
          behind: { ...behind(own), chance: behindChance(evidence, behind(own)) },
          cases: own.map((extent) => ({
            predicted: extent.predicted50,
            found: extent.found!,
            vehicle: extent.vehicle,
            panel: extent.panel,
            at: extent.at,
          })),
        };
      });
  }

  /** From now on only what is foretold from now on teaches. */
  async forget(caller: Caller): Promise<LearntView[]> {
    needs('owner', caller);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.update(ShopEntity, { id: caller.shopId }, { spreadSince: new Date() });
      await note(manager, caller, 'What openings had taught of hidden rust forgotten');
    });
    return this.learnt(caller);
  }

  private async since({ shopId }: Caller): Promise<Date | null> {
    return (await this.db.getRepository(ShopEntity).findOneByOrFail({ id: shopId })).spreadSince ?? null;
  }

  private async cases(caller: Caller): Promise<(ExtentView & { vehicle: string })[]> {
    const vehicles = await this.db.getRepository(VehicleEntity).findBy({ shopId: caller.shopId });
    if (vehicles.length === 0) return [];
    const zones = await this.db.getRepository(ZoneEntity).findBy({
      vehicleId: In(vehicles.map((vehicle) => vehicle.id)),
      deletedAt: IsNull(),
    });
    const nameOf = new Map(
      zones.map((zone) => [zone.id, vehicles.find((vehicle) => vehicle.id === zone.vehicleId)!.nickname]),
    );
    return (await this.extentsOf(zones))
      .filter((extent) => extent.found !== null)
      .map((extent) => ({ ...extent, vehicle: nameOf.get(extent.zoneId)! }));
  }
}
