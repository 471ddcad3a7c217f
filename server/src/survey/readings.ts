import { randomUUID } from 'node:crypto';
import { In, IsNull, type DataSource, type FindOptionsWhere } from 'typeorm';
import type { ImportView, ReadingInput, ReadingView } from '@aspecta/contract/survey';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { readingSchema } from '@aspecta/contract/survey/schemas';
import { checkReading, type LineError, type Reading } from '@aspecta/core/survey';
import { Problem, refuse } from '@aspecta/core';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { parse } from '../http/validate.ts';
import { ReadingEntity, type ReadingRow } from './entities.ts';
import { asReading } from './asReading.ts';
import type { Workbench } from '../work/bench.ts';
import type { ReadingsFormat } from './files.ts';

/** Rows in one INSERT: far under the packet limit. */
const CHUNK = 500;
/** ms by which a device's clock may be ahead of ours. */
const CLOCK_SLACK = 10 * 60_000;
/** ms. A reading older than a year was not kept on a phone: its clock is wrong. */
const OLDEST = 366 * 86_400_000;

/** What a reading says about its sheet. */
const COUNTING = [
  'panel',
  'layer',
  'u',
  'v',
  'coatingUm',
  'coatingOver',
  'metalMm',
  'metalUnder',
  'probe',
  'at',
  'takenAt',
] as const;
/** What a person is shown of it. */
const SHOWN = [...COUNTING, 'id', 'note', 'instrument', 'by', 'withdrawnAt'] as const;

/** The way of a reading on the server: parse → check against the body → store once → view. */
export class ReadingService {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  private readonly bench: Workbench;

  constructor(db: DataSource, garage: GarageService, bench: Workbench) {
    this.db = db;
    this.garage = garage;
    this.bench = bench;
  }

  async list(caller: Caller, vehicleId: string, panel: string): Promise<ReadingView[]> {
    const vehicle = await this.garage.own(caller, vehicleId);
    panelOf(vehicle.plan, panel);
    return (await this.rows({ vehicleId, panel }, SHOWN)).map(readingView);
  }

  /** All readings of a vehicle that count. */
  async counting(vehicleId: string): Promise<Reading[]> {
    return (await this.rows({ vehicleId, withdrawnAt: IsNull() }, COUNTING)).map(asReading);
  }

  /** Plain rows, oldest first: ten thousand whole entities take half a second. */
  private rows<K extends keyof ReadingRow>(
    where: FindOptionsWhere<ReadingRow>,
    columns: readonly K[],
  ): Promise<Pick<ReadingRow, K>[]> {
    const query = this.db
      .getRepository(ReadingEntity)
      .createQueryBuilder('r')
      .where(where)
      .orderBy('r.at', 'ASC')
      .select([]);
    for (const column of columns) query.addSelect(`r.${column}`, column);
    return query.getRawMany();
  }

  /** Readings of one sheet that count. */
  async countingOn(vehicleId: string, panel: string, layer: string): Promise<ReadingRow[]> {
    return this.db.getRepository(ReadingEntity).findBy({ vehicleId, panel, layer, withdrawnAt: IsNull() });
  }

  /** Stores readings; one that has come before, by its id, is not stored again. */
  async add(caller: Caller, vehicleId: string, inputs: readonly ReadingInput[]): Promise<ReadingView[]> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const { plan } = vehicle;
    const now = Date.now();
    inputs.forEach((input, i) => {
      try {
        checkReading(plan, asReading(input));
        checkClock(input, now);
      } catch (error) {
        if (error instanceof Problem && inputs.length > 1)
          throw new Problem(error.code, `readings[${i}].${error.field}`, error.message);
        throw error;
      }
    });
    const ids = inputs.map((input) => input.id);
    return changeOf(this.db, vehicleId, async (manager) => {
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
      return (await manager.find(ReadingEntity, { where: { id: In(ids) }, order: { at: 'ASC' } })).map(readingView);
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
    return changeOf(this.db, vehicleId, async (manager) => {
      await manager.update(
        ReadingEntity,
        { id: In([...ids]), vehicleId },
        withdrawn ? { withdrawnAt: new Date() } : { withdrawnAt: null, backAt: new Date() },
      );
      const rows = await manager.findBy(ReadingEntity, { id: In([...ids]), vehicleId });
      if (rows.length !== ids.length) throw notFound('reading');
      await record(
        manager,
        caller,
        vehicleId,
        'survey',
        `${rows.length} ${rows.length === 1 ? 'reading' : 'readings'} ${withdrawn ? 'withdrawn' : 'counted again'}`,
        withdrawn ? { kind: 'readings', ids: [...ids] } : null,
      );
      return rows.map(readingView);
    });
  }

  /** Looks through a file; stores it only when asked to and when no line is wrong: all or nothing. */
  async importFile(caller: Caller, vehicleId: string, bytes: Buffer, store: boolean): Promise<ImportView> {
    const { plan } = await this.garage.own(caller, vehicleId);
    const { readings, errors, kept } = await this.bench.run('readReadings', { bytes, plan }, caller.personId);
    const inputs = kept ?? readings.map((reading): ReadingInput => ({ ...reading, id: randomUUID() }));
    const wrong = kept ? keptErrors(kept, plan) : errors;
    const panels: Record<string, number> = {};
    for (const { panel } of inputs) panels[panel] = (panels[panel] ?? 0) + 1;
    const stored = store && wrong.length === 0;
    if (stored) await this.storeAll(caller, vehicleId, inputs);
    return { count: inputs.length, panels, errors: wrong.slice(0, 200), stored };
  }

  /** Everything that counts, as a file. */
  async exportFile(caller: Caller, vehicleId: string, format: ReadingsFormat): Promise<Uint8Array> {
    await this.garage.own(caller, vehicleId);
    const rows = await this.db.getRepository(ReadingEntity).find({
      where: { vehicleId, withdrawnAt: IsNull() },
      order: { panel: 'ASC', layer: 'ASC', at: 'ASC', id: 'ASC' },
    });
    return this.bench.run('readingsFile', { readings: rows.map(readingView), format }, caller.personId);
  }

  private async storeAll(caller: Caller, vehicleId: string, inputs: readonly ReadingInput[]): Promise<void> {
    const rows = inputs.map((input) => rowOf(vehicleId, caller, input));
    await changeOf(this.db, vehicleId, async (manager) => {
      for (let i = 0; i < rows.length; i += CHUNK)
        await manager
          .createQueryBuilder()
          .insert()
          .into(ReadingEntity)
          .values(rows.slice(i, i + CHUNK))
          .orIgnore()
          .execute();
      await record(manager, caller, vehicleId, 'survey', `${rows.length} readings imported`);
    });
  }
}

/** What is wrong with readings of an own JSON file, by their number in it. */
function keptErrors(kept: readonly ReadingInput[], plan: BodyPlan): LineError[] {
  return kept.flatMap((input, i): LineError[] => {
    try {
      parse(readingSchema, input);
      checkReading(plan, asReading(input));
      return [];
    } catch (error) {
      if (!(error instanceof Problem || error instanceof ServerProblem)) throw error;
      return [{ line: i + 1, column: error.field ?? '', message: error.message }];
    }
  });
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
    metalUnder: input.metalUnder ?? false,
    probe: input.probe ?? null,
    note: input.note ?? '',
    instrument: input.instrument ?? '',
    takenAt: input.takenAt ? new Date(input.takenAt) : null,
    at: new Date(),
    by: caller.name,
    withdrawnAt: null,
    backAt: null,
  };
}

export function readingView(row: Omit<ReadingRow, 'vehicleId' | 'backAt'>): ReadingView {
  const { withdrawnAt, at, takenAt } = row;
  const { id, panel, layer, u, v, coatingUm, metalMm, probe, note, instrument, by } = row;
  return {
    ...{ id, panel, layer, u, v, coatingUm, metalMm, probe, note, instrument, by },
    coatingOver: Boolean(row.coatingOver),
    metalUnder: Boolean(row.metalUnder),
    at: at.toISOString(),
    takenAt: takenAt?.toISOString() ?? null,
    withdrawn: withdrawnAt !== null,
  };
}

/** A device whose clock is wrong would put its readings out of order: they are refused, not stored wrongly. */
function checkClock(input: ReadingInput, now: number): void {
  if (!input.takenAt) return;
  const taken = new Date(input.takenAt).getTime();
  if (taken > now + CLOCK_SLACK)
    refuse(
      'clock-ahead',
      'takenAt',
      `This reading says it was taken at ${input.takenAt}, which has not come yet; set the clock of the device and send it again.`,
    );
  if (taken < now - OLDEST)
    refuse(
      'clock-behind',
      'takenAt',
      `This reading says it was taken at ${input.takenAt}; set the clock of the device and send it again.`,
    );
}
