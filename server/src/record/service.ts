import { randomBytes, randomUUID } from 'node:crypto';
import { IsNull, Like } from 'typeorm';
import type { NewShare, RecordView, ShareInput, ShareView, Timeline } from '@aspecta/contract/record';
import { personUnits } from '@aspecta/contract/shop';
import { DEFERENCE } from '@aspecta/core/safety';
import { inUnits } from '@aspecta/core/units';
import { changeOf } from '../db/changeOf.ts';
import { EventEntity } from '../events/entities.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import { hashOf } from '../http/secret.ts';
import type { Caller } from '../http/session.ts';
import { StepWordEntity } from '../job/entities.ts';
import type { OrderService } from '../order/service.ts';
import type { PhotoService } from '../photo/service.ts';
import { ShopEntity } from '../shop/entities.ts';
import { ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import type { ReportReader, Workshop } from '../station.ts';
import { VehicleEntity, type VehicleRow } from '../garage/entities.ts';
import { RepairEntity } from '../verdict/entities.ts';
import { costsCsv, costsXlsx } from './costs.ts';
import { ShareEntity, type ShareRow } from './entities.ts';
import { repairParts } from './repairParts.ts';
import { undoable } from './undoable.ts';

const DAY = 86_400_000;
/** Events that one page of the timeline shows. */
const PAGE = 200;

interface Services {
  garage: GarageService;
  orders: OrderService;
  photos: PhotoService;
}

/** What happened on a car, and its record: timeline, the repairs in words, links by which strangers read them. */
export class RecordService {
  private readonly house: Workshop;
  private readonly garage: GarageService;
  private readonly orders: OrderService;
  private readonly photos: PhotoService;

  constructor(house: Workshop, { garage, orders, photos }: Services) {
    this.house = house;
    this.garage = garage;
    this.orders = orders;
    this.photos = photos;
  }

  /** What happened, newest first; `before` gives older ones, `subject` and `search` fewer. */
  async timeline(
    caller: Caller,
    vehicleId: string,
    { before, subject, search }: { before?: Date | undefined; subject: string; search: string },
  ): Promise<Timeline> {
    await this.garage.own(caller, vehicleId);
    const events = this.house.db.getRepository(EventEntity);
    const found = events
      .createQueryBuilder('event')
      .where({ vehicleId, ...(subject ? { subject } : {}), ...(search ? { text: Like(`%${escaped(search)}%`) } : {}) })
      .orderBy('event.at', 'DESC')
      .addOrderBy('event.id', 'DESC')
      .take(PAGE + 1);
    if (before) found.andWhere('event.at < :before', { before });
    const [rows, subjects] = await Promise.all([
      found.getMany(),
      events
        .createQueryBuilder('event')
        .select('event.subject', 'subject')
        .addSelect('COUNT(*)', 'count')
        .where({ vehicleId })
        .groupBy('event.subject')
        .getRawMany<{ subject: string; count: number | string }>(),
    ]);
    const undoOf = await undoable(this.house.db, rows);
    return {
      events: rows.slice(0, PAGE).map((row) => {
        const { vehicleId: _vehicleId, at, ...event } = row;
        return { ...event, at: at.toISOString(), undo: undoOf(row) };
      }),
      more: rows.length > PAGE,
      subjects: subjects.map((one) => ({ subject: one.subject, count: Number(one.count) })),
    };
  }

  async view(caller: Caller, vehicleId: string): Promise<RecordView> {
    return this.recordOf(await this.garage.own(caller, vehicleId), caller.shopId, 'workshop');
  }

  /** What all stations say of a car for its record, in the units of the shop. */
  private async recordOf(vehicle: OwnVehicle, shopId: string, reader: ReportReader): Promise<RecordView> {
    const shop = await this.house.db.getRepository(ShopEntity).findOneByOrFail({ id: shopId });
    const units = personUnits(shop);
    // The repairs come first, with their reasons: who is given the link is to understand them.
    const [repairs, chapters, seen] = await Promise.all([
      repairParts(this.house.db, vehicle, { reasons: true, hours: reader === 'workshop' }),
      Promise.all(
        this.house.stations
          .filter(({ name }) => name !== 'record')
          .map((station) => station.report?.(this.house, vehicle, reader) ?? []),
      ),
      this.seen(vehicle.id),
    ]);
    return {
      car: vehicle.nickname,
      shop: shop.name,
      on: new Date().toISOString(),
      parts: [...repairs, ...chapters.flat()]
        .filter(({ lines, lasting }) => lasting && lines.length > 0)
        .map(({ title, lines, pictures }) => ({
          title,
          lines: lines.map((line) => inUnits(line, units)),
          ...(pictures && pictures.length > 0 ? { pictures } : {}),
        })),
      notInspected: vehicle.plan.panels.filter(({ id }) => !seen.has(id)).map(({ name }) => name),
      deference: DEFERENCE,
    };
  }

  /** Panels of which something was read or drawn. */
  private async seen(vehicleId: string): Promise<ReadonlySet<string>> {
    const panels = (entity: typeof ReadingEntity | typeof ZoneEntity) =>
      this.house.db
        .getRepository<{ panel: string }>(entity)
        .createQueryBuilder('row')
        .select('DISTINCT row.panel', 'panel')
        .where({ vehicleId })
        .getRawMany<{ panel: string }>();
    const rows = await Promise.all([panels(ReadingEntity), panels(ZoneEntity)]);
    return new Set(rows.flat().map(({ panel }) => panel));
  }

  /** Hours and money of each repair, as a table. */
  async costs(caller: Caller, vehicleId: string, format: 'csv' | 'xlsx'): Promise<Buffer> {
    const { plan } = await this.garage.own(caller, vehicleId);
    const [repairs, words, orders] = await Promise.all([
      this.house.db
        .getRepository(RepairEntity)
        .find({ where: { vehicleId, deletedAt: IsNull() }, order: { decidedAt: 'ASC' } }),
      this.house.db.getRepository(StepWordEntity).findBy({ vehicleId }),
      this.orders.list(caller),
    ]);
    const input = { plan, repairs, words, orders: orders.filter((line) => line.vehicleId === vehicleId) };
    return format === 'csv' ? costsCsv(input) : costsXlsx(input);
  }

  async shares(caller: Caller, vehicleId: string): Promise<ShareView[]> {
    await this.garage.own(caller, vehicleId);
    const rows = await this.house.db
      .getRepository(ShareEntity)
      .find({ where: { vehicleId }, order: { createdAt: 'DESC' } });
    return rows.map(shareView);
  }

  /** A link that is shown once; whoever has it reads the record of this car until it ends or is revoked. */
  async share(caller: Caller, vehicleId: string, { label, days }: ShareInput): Promise<NewShare> {
    await this.garage.own(caller, vehicleId);
    const token = randomBytes(24).toString('base64url');
    const now = new Date();
    await changeOf(this.house.db, vehicleId, async (manager) => {
      await manager.insert(ShareEntity, {
        id: randomUUID(),
        vehicleId,
        tokenHash: hashOf(token),
        label,
        by: caller.name,
        createdAt: now,
        expiresAt: new Date(now.getTime() + days * DAY),
        revokedAt: null,
        opened: 0,
      });
      await record(manager, caller, vehicleId, 'record', `Record shared with ${label} for ${days} days`);
    });
    return { shares: await this.shares(caller, vehicleId), token };
  }

  async revoke(caller: Caller, vehicleId: string, id: string): Promise<ShareView[]> {
    await this.garage.own(caller, vehicleId);
    const row = await this.house.db.getRepository(ShareEntity).findOneBy({ id, vehicleId });
    if (!row) throw notFound('link');
    if (!row.revokedAt)
      await changeOf(this.house.db, vehicleId, async (manager) => {
        await manager.update(ShareEntity, { id }, { revokedAt: new Date() });
        await record(manager, caller, vehicleId, 'record', `Link of ${row.label} revoked`);
      });
    return this.shares(caller, vehicleId);
  }

  /** What a stranger with a link reads: no prices, no hours. */
  async shared(token: string): Promise<RecordView> {
    const { row, vehicle, reader } = await this.linked(token);
    await this.house.db.getRepository(ShareEntity).increment({ id: row.id }, 'opened', 1);
    return this.recordOf(await this.garage.own(reader, row.vehicleId), vehicle.shopId, 'customer');
  }

  /** A picture that stands in a shared record; no other of the car is given out. */
  async sharedPicture(token: string, photo: string): Promise<{ root: string; name: string }> {
    const { row, reader } = await this.linked(token);
    const parts = await repairParts(this.house.db, await this.garage.own(reader, row.vehicleId), {
      reasons: false,
      hours: false,
    });
    if (!parts.some(({ pictures }) => pictures?.some(({ id }) => id === photo))) throw notFound('picture');
    return this.photos.fileOf(reader, row.vehicleId, photo, true);
  }

  /** A link that is guessed, over or revoked does not exist. */
  private async linked(token: string): Promise<{ row: ShareRow; vehicle: VehicleRow; reader: Caller }> {
    const row = await this.house.db.getRepository(ShareEntity).findOneBy({ tokenHash: hashOf(token) });
    if (!row || row.revokedAt || row.expiresAt <= new Date()) throw notFound('shared record');
    const vehicle = await this.house.db.getRepository(VehicleEntity).findOneBy({ id: row.vehicleId });
    if (!vehicle || vehicle.deletedAt) throw notFound('shared record');
    const reader: Caller = { personId: row.id, shopId: vehicle.shopId, name: row.label, role: 'viewer' };
    return { row, vehicle, reader };
  }
}

/** What stands for other letters in a search is looked for as it is. */
const escaped = (text: string) => text.replace(/[\\%_]/g, '\\$&');

const shareView = ({ id, label, by, createdAt, expiresAt, revokedAt, opened }: ShareRow): ShareView => ({
  ...{ id, label, by, opened },
  createdAt: createdAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
  revokedAt: revokedAt?.toISOString() ?? null,
});
