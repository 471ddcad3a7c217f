import { randomUUID } from 'node:crypto';
import { IsNull, type DataSource } from 'typeorm';
import type { GarageVehicle, Vehicle, VehicleInput } from '@aspecta/contract/garage';
import { asOnCar, type BodyPlan } from '@aspecta/core/body';
import { GuestEntity } from '../account/entities.ts';
import type { PlanService } from '../body/plans.ts';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { notFound } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { VehicleEntity, type VehicleRow } from './entities.ts';

/** Days for which a deleted vehicle can be brought back. */
export const DAYS_TO_RESTORE = 30;

/** A vehicle with the body that it is mapped on. */
export type OwnVehicle = VehicleRow & { plan: BodyPlan };

export class GarageService {
  private readonly db: DataSource;
  private readonly plans: PlanService;

  constructor(db: DataSource, plans: PlanService) {
    this.db = db;
    this.plans = plans;
  }

  /** The vehicle of this id in the caller's shop; every other service comes through here. */
  async own(caller: Caller, id: string): Promise<OwnVehicle> {
    const vehicle = await this.db
      .getRepository(VehicleEntity)
      .findOneBy({ id, shopId: caller.shopId, deletedAt: IsNull() });
    if (!vehicle || !(await this.mayLook(caller, id))) throw notFound('vehicle');
    return { ...vehicle, plan: await this.bodyOf(vehicle) };
  }

  /** A customer sees the vehicles that he is shown, all others those of their shop. */
  private async mayLook(caller: Caller, vehicleId: string): Promise<boolean> {
    if (caller.role !== 'customer') return true;
    return this.db.getRepository(GuestEntity).existsBy({ vehicleId, personId: caller.personId });
  }

  private async shownTo(caller: Caller): Promise<Set<string>> {
    const rows = await this.db.getRepository(GuestEntity).findBy({ personId: caller.personId });
    return new Set(rows.map((row) => row.vehicleId));
  }

  /** The body of a vehicle whose shop has been checked before. */
  async planOf(id: string): Promise<BodyPlan> {
    return this.bodyOf(await this.db.getRepository(VehicleEntity).findOneByOrFail({ id }));
  }

  /** The plan with what this car is in truth. */
  private async bodyOf({ shopId, planId, facts }: VehicleRow): Promise<BodyPlan> {
    return asOnCar(await this.plans.of(shopId, planId), facts);
  }

  /** All vehicles of the shop that are not deleted. */
  async all(caller: Caller): Promise<OwnVehicle[]> {
    const rows = await this.db.getRepository(VehicleEntity).find({
      where: { shopId: caller.shopId, deletedAt: IsNull() },
      order: { createdAt: 'ASC' },
    });
    const shown = caller.role === 'customer' ? await this.shownTo(caller) : undefined;
    return Promise.all(
      rows.filter((row) => shown?.has(row.id) ?? true).map(async (row) => ({ ...row, plan: await this.bodyOf(row) })),
    );
  }

  async list(
    caller: Caller,
    describe: (vehicles: readonly OwnVehicle[]) => Promise<Map<string, Omit<GarageVehicle, keyof Vehicle>>>,
  ): Promise<GarageVehicle[]> {
    const rows = await this.all(caller);
    const lines = await describe(rows);
    return rows.map((row) => ({ ...viewOf(row), ...lines.get(row.id)! }));
  }

  async vehicle(caller: Caller, id: string): Promise<Vehicle> {
    return viewOf(await this.own(caller, id));
  }

  /** Rolls a vehicle in; the same one sent twice, by its id, is stored once. */
  async add(caller: Caller, { id = randomUUID(), ...input }: VehicleInput & { id?: string }): Promise<Vehicle> {
    await this.plans.of(caller.shopId, input.planId);
    const row: VehicleRow = {
      ...input,
      id,
      facts: null,
      revision: 0,
      shopId: caller.shopId,
      version: 1,
      createdAt: new Date(),
      deletedAt: null,
    };
    await this.db.transaction(async (manager) => {
      // Two senders of the same one may race: the second insert is ignored, not refused.
      const done = await manager.createQueryBuilder().insert().into(VehicleEntity).values(row).orIgnore().execute();
      if ((done.raw as { affectedRows: number }).affectedRows === 1)
        await record(manager, caller, row.id, 'garage', `${row.nickname} rolled in`);
    });
    return this.vehicle(caller, id);
  }

  async change(
    caller: Caller,
    id: string,
    { version, ...changes }: Omit<VehicleInput, 'planId'> & { version: number },
  ): Promise<Vehicle> {
    await this.own(caller, id);
    await changeOf(this.db, id, (manager) =>
      changeOnce(manager, {
        target: VehicleEntity,
        id,
        seen: version,
        changes,
        current: () => this.vehicle(caller, id),
      }),
    );
    return this.vehicle(caller, id);
  }

  async remove(caller: Caller, id: string): Promise<void> {
    needs('owner', caller);
    await this.own(caller, id);
    await changeOf(this.db, id, (manager) => manager.update(VehicleEntity, { id }, { deletedAt: new Date() }));
  }

  /** Brings a vehicle back that was deleted within the last 30 days. */
  async restore(caller: Caller, id: string): Promise<Vehicle> {
    needs('owner', caller);
    const row = await this.db.getRepository(VehicleEntity).findOneBy({ id, shopId: caller.shopId });
    const oldest = Date.now() - DAYS_TO_RESTORE * 86_400_000;
    if (!row || (row.deletedAt && row.deletedAt.getTime() < oldest)) throw notFound('vehicle');
    await changeOf(this.db, id, (manager) => manager.update(VehicleEntity, { id }, { deletedAt: null }));
    return this.vehicle(caller, id);
  }

  async removed(caller: Caller): Promise<Vehicle[]> {
    const rows = await this.db.getRepository(VehicleEntity).find({
      where: { shopId: caller.shopId },
      order: { createdAt: 'ASC' },
    });
    return rows
      .filter((row) => row.deletedAt && row.deletedAt.getTime() > Date.now() - DAYS_TO_RESTORE * 86_400_000)
      .map(viewOf);
  }
}

export function viewOf(row: VehicleRow): Vehicle {
  const { id, nickname, year, planId, goal, climate, past, notes, facts, version, createdAt } = row;
  return { id, nickname, year, planId, goal, climate, past, notes, facts, version, createdAt: createdAt.toISOString() };
}
