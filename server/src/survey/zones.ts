import { randomUUID } from 'node:crypto';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import {
  ZONE_CLASSES,
  type ZoneInput,
  type ZoneOperation,
  type ZoneOperationView,
  type ZoneVersionView,
  type ZoneView,
} from '@aspecta/contract/survey';
import { areaOnSheet, layerOf, panelOf, sheetOf, type Panel } from '@aspecta/core/body';
import { area, type Polygon } from '@aspecta/core/geometry';
import {
  mergeZones,
  splitZone,
  subtractZone,
  isWork,
  rulesWith,
  zoneClassFrom,
  zoneDistances,
  zonePolygon,
  showsMetal,
} from '@aspecta/core/survey';
import { refuse } from '@aspecta/core';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { limitsOf } from '../shop/limits.ts';
import { FindEntity, ZoneEntity, ZoneVersionEntity, type ZoneRow } from './entities.ts';
import type { ExtentService } from './extents.ts';
import { asReading } from './asReading.ts';
import type { ReadingService } from './readings.ts';

/** What a zone consists of, without who and when. */
type ZoneBody = Omit<ZoneInput, 'id' | 'panel'>;

interface Services {
  garage: GarageService;
  readings: ReadingService;
  extents: ExtentService;
}

/** Damage zones: drawn, changed, merged, split; every version is kept, and the class follows the evidence. */
export class ZoneService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async list(caller: Caller, vehicleId: string, panelId: string): Promise<ZoneView[]> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const panel = panelOf(vehicle.plan, panelId);
    return (
      await this.db.getRepository(ZoneEntity).find({
        where: { vehicleId, panel: panelId, deletedAt: IsNull() },
        order: { changedAt: 'ASC' },
      })
    ).map((row) => zoneView(row, panel));
  }

  async ofVehicle(vehicleId: string): Promise<ZoneRow[]> {
    return this.db.getRepository(ZoneEntity).findBy({ vehicleId, deletedAt: IsNull() });
  }

  async byIds(vehicleId: string, ids: readonly string[], manager: EntityManager = this.db.manager): Promise<ZoneRow[]> {
    const rows = await manager.findBy(ZoneEntity, { vehicleId, id: In([...ids]), deletedAt: IsNull() });
    if (rows.length !== ids.length) throw notFound('zone');
    return ids.map((id) => rows.find((row) => row.id === id)!);
  }

  /** Draws a zone; the same zone sent twice is stored once. */
  async add(caller: Caller, vehicleId: string, input: ZoneInput): Promise<ZoneView> {
    const panel = await this.checked(caller, vehicleId, input.panel, input);
    const history = await this.services.extents.history(caller, input.evidence);
    return changeOf(this.db, vehicleId, async (manager) => {
      const known = await manager.findOneBy(ZoneEntity, { id: input.id });
      if (known) {
        if (known.vehicleId !== vehicleId) throw notFound('zone');
        return zoneView(known, panel);
      }
      const row = await this.insert(manager, caller, vehicleId, input);
      const what = ZONE_CLASSES[row.class].toLowerCase();
      await record(manager, caller, vehicleId, 'survey', `Zone on ${panel.name}: ${what}`);
      await this.services.extents.foretell(manager, row, panel, history);
      return zoneView(row, panel);
    });
  }

  async change(
    caller: Caller,
    vehicleId: string,
    id: string,
    { version, ...changes }: ZoneBody & { version: number },
  ): Promise<ZoneView> {
    const before = await this.own(caller, vehicleId, id);
    const panel = await this.checked(caller, vehicleId, before.panel, changes);
    const history = await this.services.extents.history(caller, changes.evidence);
    return changeOf(this.db, vehicleId, async (manager) => {
      const row = await this.rewrite(manager, caller, id, version, changes, panel);
      await this.services.extents.foretell(manager, row, panel, history);
      return zoneView(row, panel);
    });
  }

  /** Merges, subtracts or splits: all zones that take part change together or not at all. */
  async operate(caller: Caller, vehicleId: string, operation: ZoneOperation): Promise<ZoneOperationView> {
    const first = await this.own(caller, vehicleId, operation.zone);
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const panel = panelOf(vehicle.plan, first.panel);
    const result: ZoneOperationView = { changed: [], added: [], removed: [] };
    const other = operation.op === 'split' ? undefined : await this.own(caller, vehicleId, operation.other);
    await changeOf(this.db, vehicleId, async (manager) => {
      const pieces = await this.piecesOf(manager, caller, first, other, operation, result);
      const [largest, ...others] = [...pieces].sort((a, b) => area(b) - area(a));
      const shaped = (polygon: Polygon): ZoneBody => ({
        layer: first.layer,
        class: first.class,
        evidence: first.evidence,
        note: first.note,
        overruled: first.overruled,
        ...ringsOf(polygon),
      });
      const changed = await this.rewrite(manager, caller, first.id, operation.version, shaped(largest!), panel);
      result.changed.push(zoneView(changed, panel));
      for (const polygon of others) {
        const row = await this.insert(manager, caller, vehicleId, {
          id: randomUUID(),
          panel: first.panel,
          ...shaped(polygon),
        });
        result.added.push(zoneView(row, panel));
      }
      const did = { merge: 'merged', subtract: 'taken out of each other', split: 'split' }[operation.op];
      await record(manager, caller, vehicleId, 'survey', `Zones on ${panel.name} ${did}`);
    });
    return result;
  }

  private async piecesOf(
    manager: EntityManager,
    caller: Caller,
    first: ZoneRow,
    other: ZoneRow | undefined,
    operation: ZoneOperation,
    result: ZoneOperationView,
  ): Promise<readonly Polygon[]> {
    if (operation.op === 'split') return splitZone(polygonOf(first), operation.line);
    if (!other) throw notFound('zone');
    if (other.id === first.id) refuse('same-zone', 'other', 'Choose another zone.');
    if (other.panel !== first.panel || other.layer !== first.layer)
      refuse('other-layer', 'other', 'These zones lie on different layers; only zones of one layer can be joined.');
    if (operation.op === 'subtract') return subtractZone(polygonOf(first), polygonOf(other));
    const merged = mergeZones(polygonOf(first), polygonOf(other));
    const stored = () => this.db.getRepository(ZoneEntity).findOneBy({ id: other.id, deletedAt: IsNull() });
    const gone = { deletedAt: new Date(), changedAt: new Date(), changedBy: caller.name };
    await changeVersioned(manager, {
      target: ZoneEntity,
      id: other.id,
      seen: operation.otherVersion,
      changes: gone,
      current: stored,
    });
    result.removed.push(other.id);
    return [merged];
  }

  async remove(caller: Caller, vehicleId: string, id: string): Promise<void> {
    const row = await this.own(caller, vehicleId, id);
    const name = await this.named(caller, row);
    await changeOf(this.db, vehicleId, async (manager) => {
      await manager.update(ZoneEntity, { id }, { deletedAt: new Date(), changedAt: new Date() });
      await record(manager, caller, vehicleId, 'survey', `${name} taken away`, { kind: 'zone', ids: [id] });
    });
  }

  /** A zone in words, as a timeline tells it. */
  private async named(caller: Caller, { vehicleId, panel, class: kind }: ZoneRow): Promise<string> {
    const { plan } = await this.services.garage.own(caller, vehicleId);
    return `Zone on ${panelOf(plan, panel).name} (${ZONE_CLASSES[kind].toLowerCase()})`;
  }

  /** Undoes a removal. */
  async restore(caller: Caller, vehicleId: string, id: string): Promise<ZoneView> {
    const row = await this.own(caller, vehicleId, id, true);
    const changedAt = new Date();
    const name = await this.named(caller, row);
    await changeOf(this.db, vehicleId, async (manager) => {
      await manager.update(ZoneEntity, { id }, { deletedAt: null, changedAt });
      if (row.deletedAt) await record(manager, caller, vehicleId, 'survey', `${name} is back`);
    });
    const vehicle = await this.services.garage.own(caller, vehicleId);
    return zoneView({ ...row, deletedAt: null, changedAt }, panelOf(vehicle.plan, row.panel));
  }

  /** Every version of a zone, also of one that was removed. */
  async history(caller: Caller, vehicleId: string, id: string): Promise<ZoneVersionView[]> {
    await this.own(caller, vehicleId, id, true);
    const rows = await this.db
      .getRepository(ZoneVersionEntity)
      .find({ where: { zoneId: id }, order: { version: 'ASC' } });
    return rows.map((row) => ({
      version: row.version,
      class: row.class,
      evidence: row.evidence,
      area: area(polygonOf(row)),
      overruled: row.overruled,
      at: row.at.toISOString(),
      by: row.by,
    }));
  }

  private async own(caller: Caller, vehicleId: string, id: string, removedToo = false): Promise<ZoneRow> {
    await this.services.garage.own(caller, vehicleId);
    const row = await this.db.getRepository(ZoneEntity).findOneBy({ id, vehicleId });
    if (!row || (row.deletedAt && !removedToo)) throw notFound('zone');
    return row;
  }

  /** On the sheet, sound in shape, and of the class that the evidence gives, or overruled with a reason. */
  private async checked(caller: Caller, vehicleId: string, panelId: string, zone: ZoneBody): Promise<Panel> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const panel = panelOf(vehicle.plan, panelId);
    const layer = layerOf(panel, zone.layer);
    const polygon = zonePolygon(zone.ring, zone.holes);
    if (areaOnSheet(panel, polygon) === 0)
      refuse('outside-panel', 'ring', `The zone lies outside ${panel.name}; draw it on the sheet.`);
    const [readings, finds, limits] = await Promise.all([
      this.services.readings.countingOn(vehicleId, panelId, layer.id),
      this.db.getRepository(FindEntity).findBy({ vehicleId, panel: panelId, layer: layer.id, deletedAt: IsNull() }),
      limitsOf(this.db, vehicle.shopId),
    ]);
    const told = zoneClassFrom({
      polygon,
      asBuilt: layer.thickness,
      readings: readings.map(asReading),
      finds: finds.filter((find) => !find.closed),
      rules: rulesWith(limits),
      bareSince: showsMetal(zone.evidence, zone.class) ? Date.now() : undefined,
    });
    // What is to be done there is said by the person; no reading says otherwise.
    if (told && !isWork(zone.class) && told.class !== zone.class && zone.overruled === '')
      refuse(
        'class-overruled',
        'overruled',
        `By its evidence this is “${ZONE_CLASSES[told.class].toLowerCase()}”: ${told.because}. Take that class, or say why it is “${ZONE_CLASSES[zone.class].toLowerCase()}”.`,
      );
    return panel;
  }

  private async insert(manager: EntityManager, caller: Caller, vehicleId: string, input: ZoneInput): Promise<ZoneRow> {
    const row: ZoneRow = {
      ...input,
      vehicleId,
      version: 1,
      changedAt: new Date(),
      changedBy: caller.name,
      deletedAt: null,
    };
    await manager.insert(ZoneEntity, row);
    await keepVersion(manager, row);
    return row;
  }

  private async rewrite(
    manager: EntityManager,
    caller: Caller,
    id: string,
    version: number,
    changes: ZoneBody,
    panel: Panel,
  ): Promise<ZoneRow> {
    const stored = async () => {
      const row = await this.db.getRepository(ZoneEntity).findOneBy({ id, deletedAt: IsNull() });
      return row && zoneView(row, panel);
    };
    const stamp = { changedAt: new Date(), changedBy: caller.name };
    await changeVersioned(manager, {
      target: ZoneEntity,
      id,
      seen: version,
      changes: { ...changes, ...stamp },
      current: stored,
    });
    const row = await manager.findOneByOrFail(ZoneEntity, { id });
    await keepVersion(manager, row);
    return row;
  }
}

async function keepVersion(manager: EntityManager, row: ZoneRow): Promise<void> {
  const { version, layer, ring, holes, evidence, note, overruled } = row;
  await manager.insert(ZoneVersionEntity, {
    id: randomUUID(),
    zoneId: row.id,
    version,
    layer,
    ring,
    holes,
    class: row.class,
    evidence,
    note,
    overruled,
    at: row.changedAt,
    by: row.changedBy,
  });
}

export const polygonOf = (row: Pick<ZoneRow, 'ring' | 'holes'>): Polygon => [row.ring, ...row.holes];

function ringsOf(polygon: Polygon): Pick<ZoneInput, 'ring' | 'holes'> {
  const rounded = (ring: Polygon[number]) =>
    ring.map(([u, v]): [number, number] => [Math.round(u * 10) / 10, Math.round(v * 10) / 10]);
  return { ring: rounded(polygon[0]!), holes: polygon.slice(1).map(rounded) };
}

export function zoneView(row: ZoneRow, panel: Panel): ZoneView {
  const { deletedAt: _deleted, vehicleId: _vehicle, changedAt, ...rest } = row;
  const onSheet = areaOnSheet(panel, polygonOf(row));
  return {
    ...rest,
    area: onSheet,
    share: onSheet / area(sheetOf(panel)),
    distances: zoneDistances(panel, polygonOf(row)),
    changedAt: changedAt.toISOString(),
  };
}
