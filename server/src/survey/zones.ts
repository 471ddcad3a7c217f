import { randomUUID } from 'node:crypto';
import { In, IsNull, type DataSource, type EntityManager } from 'typeorm';
import { ZONE_CLASSES, type ZoneInput, type ZoneView } from '@aspecta/contract/survey';
import { bodyPlan, layerOf, panelOf, sheetOf, type Panel } from '@aspecta/core/body';
import { area, clip, simpleRing, type Ring } from '@aspecta/core/geometry';
import { refuse } from '@aspecta/core';
import { changeVersioned } from '../db/change.ts';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { ZoneEntity, ZoneVersionEntity, type ZoneRow } from './entities.ts';

export class ZoneService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  async list(caller: Caller, vehicleId: string, panelId: string): Promise<ZoneView[]> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const panel = panelOf(bodyPlan(vehicle.planId), panelId);
    return (
      await this.db.manager.find(ZoneEntity, {
        where: { vehicleId, panel: panelId, deletedAt: IsNull() },
        order: { changedAt: 'ASC' },
      })
    ).map((row) => zoneView(row, panel));
  }

  async ofVehicle(vehicleId: string): Promise<ZoneRow[]> {
    return this.db.manager.findBy(ZoneEntity, { vehicleId, deletedAt: IsNull() });
  }

  async byIds(vehicleId: string, ids: readonly string[], manager: EntityManager = this.db.manager): Promise<ZoneRow[]> {
    const rows = await manager.findBy(ZoneEntity, { vehicleId, id: In([...ids]), deletedAt: IsNull() });
    if (rows.length !== ids.length) throw notFound('zone');
    return rows;
  }

  /** Draws a zone; the same zone sent twice is stored once. */
  async add(caller: Caller, vehicleId: string, input: ZoneInput): Promise<ZoneView> {
    const panel = await this.checked(caller, vehicleId, input.panel, input);
    return this.db.transaction(async (manager) => {
      const known = await manager.findOneBy(ZoneEntity, { id: input.id });
      if (known) {
        if (known.vehicleId !== vehicleId) throw notFound('zone');
        return zoneView(known, panel);
      }
      const row: ZoneRow = {
        ...input,
        vehicleId,
        version: 1,
        changedAt: new Date(),
        changedBy: caller.name,
        deletedAt: null,
      };
      await manager.insert(ZoneEntity, row);
      await this.keepVersion(manager, row);
      await record(
        manager,
        caller,
        vehicleId,
        'survey',
        `Zone on ${panel.name}: ${ZONE_CLASSES[row.class].toLowerCase()}`,
      );
      return zoneView(row, panel);
    });
  }

  async change(
    caller: Caller,
    vehicleId: string,
    id: string,
    { version, ...changes }: Omit<ZoneInput, 'id' | 'panel'> & { version: number },
  ): Promise<ZoneView> {
    const before = await this.own(caller, vehicleId, id);
    const panel = await this.checked(caller, vehicleId, before.panel, changes);
    return this.db.transaction(async (manager) => {
      const stored = async () => {
        const row = await this.db.manager.findOneBy(ZoneEntity, { id, deletedAt: IsNull() });
        return row && zoneView(row, panel);
      };
      await changeVersioned(
        manager,
        ZoneEntity,
        id,
        version,
        { ...changes, changedAt: new Date(), changedBy: caller.name },
        stored,
      );
      const row = await manager.findOneByOrFail(ZoneEntity, { id });
      await this.keepVersion(manager, row);
      return zoneView(row, panel);
    });
  }

  async remove(caller: Caller, vehicleId: string, id: string): Promise<void> {
    await this.own(caller, vehicleId, id);
    await this.db.manager.update(ZoneEntity, { id }, { deletedAt: new Date() });
  }

  /** Undoes a removal. */
  async restore(caller: Caller, vehicleId: string, id: string): Promise<ZoneView> {
    const row = await this.own(caller, vehicleId, id, true);
    await this.db.manager.update(ZoneEntity, { id }, { deletedAt: null });
    const vehicle = await this.garage.own(caller, vehicleId);
    return zoneView({ ...row, deletedAt: null }, panelOf(bodyPlan(vehicle.planId), row.panel));
  }

  async history(caller: Caller, vehicleId: string, id: string) {
    await this.own(caller, vehicleId, id, true);
    return this.db.manager.find(ZoneVersionEntity, { where: { zoneId: id }, order: { version: 'ASC' } });
  }

  private async own(caller: Caller, vehicleId: string, id: string, removedToo = false): Promise<ZoneRow> {
    await this.garage.own(caller, vehicleId);
    const row = await this.db.manager.findOneBy(ZoneEntity, { id, vehicleId });
    if (!row || (row.deletedAt && !removedToo)) throw notFound('zone');
    return row;
  }

  private async checked(
    caller: Caller,
    vehicleId: string,
    panelId: string,
    zone: { layer: string; ring: ZoneInput['ring'] },
  ): Promise<Panel> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const panel = panelOf(bodyPlan(vehicle.planId), panelId);
    layerOf(panel, zone.layer);
    const ring: Ring = simpleRing('ring', zone.ring);
    if (clip('intersection', [ring], sheetOf(panel)).area === 0)
      refuse('outside-panel', 'ring', `The zone lies outside ${panel.name}; draw it on the sheet.`);
    return panel;
  }

  private async keepVersion(manager: EntityManager, row: ZoneRow): Promise<void> {
    const { version, layer, ring, evidence, note } = row;
    await manager.insert(ZoneVersionEntity, {
      id: randomUUID(),
      zoneId: row.id,
      version,
      layer,
      ring,
      class: row.class,
      evidence,
      note,
      at: row.changedAt,
      by: row.changedBy,
    });
  }
}

export function zoneView(row: ZoneRow, panel: Panel): ZoneView {
  const { deletedAt: _deleted, vehicleId: _vehicle, changedAt, ...rest } = row;
  const sheet = sheetOf(panel);
  const onSheet = clip('intersection', [row.ring], sheet).area;
  return { ...rest, area: onSheet, share: onSheet / area(sheet), changedAt: changedAt.toISOString() };
}
