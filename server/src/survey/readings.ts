import { randomUUID } from 'node:crypto';
import { In, IsNull, type DataSource } from 'typeorm';
import type { ImportView, ReadingInput, ReadingView } from '@aspecta/contract/survey';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { checkReading, importReadings, type Reading } from '@aspecta/core/survey';
import { Problem } from '@aspecta/core';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { ReadingEntity, type ReadingRow } from './entities.ts';

/** Rows in one INSERT: far under the packet limit. */
const CHUNK = 500;

/** The way of a reading on the server: parse → check against the body → store once → view. */
export class ReadingService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  async list(caller: Caller, vehicleId: string, panel: string): Promise<ReadingView[]> {
    const vehicle = await this.garage.own(caller, vehicleId);
    panelOf(bodyPlan(vehicle.planId), panel);
    return (await this.db.manager.find(ReadingEntity, { where: { vehicleId, panel }, order: { at: 'ASC' } })).map(
      viewOf,
    );
  }

  /** All readings of a vehicle that count. */
  async counting(vehicleId: string): Promise<ReadingRow[]> {
    return this.db.manager.findBy(ReadingEntity, { vehicleId, withdrawnAt: IsNull() });
  }

  /** Readings of one sheet that count. */
  async countingOn(vehicleId: string, panel: string, layer: string): Promise<ReadingRow[]> {
    return this.db.manager.findBy(ReadingEntity, { vehicleId, panel, layer, withdrawnAt: IsNull() });
  }

  /** Stores readings; one that has come before, by its id, is not stored again. */
  async add(caller: Caller, vehicleId: string, inputs: readonly ReadingInput[]): Promise<ReadingView[]> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const plan = bodyPlan(vehicle.planId);
    inputs.forEach((input, i) => {
      try {
        checkReading(plan, asReading(input));
      } catch (error) {
        if (error instanceof Problem && inputs.length > 1)
          throw new Problem(error.code, `readings[${i}].${error.field}`, error.message);
        throw error;
      }
    });
    const ids = inputs.map((input) => input.id);
    return this.db.transaction(async (manager) => {
      const known = await manager.findBy(ReadingEntity, { id: In(ids) });
      if (known.some((row) => row.vehicleId !== vehicleId)) throw notFound('reading');
      const fresh = inputs.filter((input) => !known.some((row) => row.id === input.id));
      const rows = fresh.map((input) => rowOf(vehicleId, caller, input));
      if (rows.length > 0) {
        // Two senders of the same reading may race: the second insert is ignored, not refused.
        await manager.createQueryBuilder().insert().into(ReadingEntity).values(rows).orIgnore().execute();
        await record(
          manager,
          caller,
          vehicleId,
          'survey',
          rows.length === 1 ? `Reading on ${rows[0]!.panel}` : `${rows.length} readings`,
        );
      }
      return (await manager.find(ReadingEntity, { where: { id: In(ids) }, order: { at: 'ASC' } })).map(viewOf);
    });
  }

  /** Withdraws readings that were a slip, or lets them count again. */
  async withdraw(
    caller: Caller,
    vehicleId: string,
    ids: readonly string[],
    withdrawn: boolean,
  ): Promise<ReadingView[]> {
    await this.garage.own(caller, vehicleId);
    return this.db.transaction(async (manager) => {
      await manager.update(
        ReadingEntity,
        { id: In([...ids]), vehicleId },
        { withdrawnAt: withdrawn ? new Date() : null },
      );
      const rows = await manager.findBy(ReadingEntity, { id: In([...ids]), vehicleId });
      if (rows.length !== ids.length) throw notFound('reading');
      await record(
        manager,
        caller,
        vehicleId,
        'survey',
        `${rows.length} ${rows.length === 1 ? 'reading' : 'readings'} ${withdrawn ? 'withdrawn' : 'counted again'}`,
      );
      return rows.map(viewOf);
    });
  }

  /** Looks through a CSV; stores it only when asked to and when no line is wrong: all or nothing. */
  async importCsv(caller: Caller, vehicleId: string, text: string, store: boolean): Promise<ImportView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const { readings, errors } = importReadings(text, bodyPlan(vehicle.planId));
    const panels: Record<string, number> = {};
    for (const reading of readings) panels[reading.panel] = (panels[reading.panel] ?? 0) + 1;
    const stored = store && errors.length === 0;
    if (stored) await this.storeAll(caller, vehicleId, readings);
    return { count: readings.length, panels, errors: errors.slice(0, 200), stored };
  }

  private async storeAll(caller: Caller, vehicleId: string, readings: readonly Reading[]): Promise<void> {
    const rows = readings.map((reading) => rowOf(vehicleId, caller, { ...reading, id: randomUUID() } as ReadingInput));
    await this.db.transaction(async (manager) => {
      for (let i = 0; i < rows.length; i += CHUNK) await manager.insert(ReadingEntity, rows.slice(i, i + CHUNK));
      await record(manager, caller, vehicleId, 'survey', `${rows.length} readings imported`);
    });
  }
}

export function asReading(input: ReadingInput | ReadingRow): Reading {
  return {
    panel: input.panel,
    layer: input.layer,
    u: input.u,
    v: input.v,
    coatingUm: input.coatingUm ?? undefined,
    coatingOver: input.coatingOver ?? undefined,
    metalMm: input.metalMm ?? undefined,
    probe: input.probe ?? undefined,
    note: input.note ?? undefined,
  };
}

function rowOf(vehicleId: string, caller: Caller, input: ReadingInput): ReadingRow {
  return {
    id: input.id,
    vehicleId,
    panel: input.panel,
    layer: input.layer,
    u: input.u,
    v: input.v,
    coatingUm: input.coatingUm ?? null,
    coatingOver: input.coatingOver ?? false,
    metalMm: input.metalMm ?? null,
    probe: input.probe ?? null,
    note: input.note ?? '',
    at: new Date(),
    by: caller.name,
    withdrawnAt: null,
  };
}

function viewOf(row: ReadingRow): ReadingView {
  const { withdrawnAt, vehicleId: _vehicle, at, ...rest } = row;
  return { ...rest, coatingOver: Boolean(row.coatingOver), at: at.toISOString(), withdrawn: withdrawnAt !== null };
}
