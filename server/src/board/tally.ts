import { In, IsNull, type DataSource } from 'typeorm';
import type { GarageVehicle, Vehicle } from '@aspecta/contract/garage';
import { isAwaited } from '@aspecta/core/order';
import type { OwnVehicle } from '../garage/service.ts';
import { OrderEntity } from '../order/entities.ts';
import { isLate } from '../order/service.ts';
import { ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import { RepairEntity } from '../verdict/entities.ts';
import { nextStep } from './nextStep.ts';

/** What the Garage says of a vehicle beside its papers. */
export type GarageLine = Omit<GarageVehicle, keyof Vehicle>;

/** Counts several vehicles at once, in as many questions to the database as for one: no board is made for a line of the Garage. */
export async function tally(db: DataSource, vehicles: readonly OwnVehicle[]): Promise<Map<string, GarageLine>> {
  if (vehicles.length === 0) return new Map();
  const { manager } = db;
  const ids = In(vehicles.map(({ id }) => id));
  const [counts, zones, repairs, orders] = await Promise.all([
    manager
      .createQueryBuilder(ReadingEntity, 'r')
      .select('r.vehicleId', 'vehicleId')
      .addSelect('r.panel', 'panel')
      .addSelect('COUNT(*)', 'readings')
      .where({ vehicleId: ids, withdrawnAt: IsNull() })
      .groupBy('r.vehicleId')
      .addGroupBy('r.panel')
      .getRawMany<{ vehicleId: string; panel: string; readings: string }>(),
    manager.find(ZoneEntity, {
      where: { vehicleId: ids, deletedAt: IsNull() },
      select: { id: true, vehicleId: true, panel: true },
    }),
    manager.find(RepairEntity, {
      where: { vehicleId: ids, deletedAt: IsNull() },
      select: { id: true, vehicleId: true, panel: true, zones: true, choice: true, done: true },
    }),
    manager.findBy(OrderEntity, { vehicleId: ids }),
  ]);
  return new Map(
    vehicles.map((vehicle): [string, GarageLine] => {
      const own = <T extends { vehicleId: string }>(rows: readonly T[]) =>
        rows.filter((row) => row.vehicleId === vehicle.id);
      const readingsOn = new Map(own(counts).map((row) => [row.panel, Number(row.readings)]));
      const panels = vehicle.plan.panels.map(({ id }) => ({ panel: id, readings: readingsOn.get(id) ?? 0 }));
      const onItsWay = own(orders).filter((order) => isAwaited(order.state));
      const here = (ids: readonly string[]) =>
        new Set(ids.filter((id) => panels.some(({ panel }) => panel === id))).size;
      return [
        vehicle.id,
        {
          readings: panels.reduce((sum, panel) => sum + panel.readings, 0),
          panels: panels.length,
          panelsMeasured: panels.filter((panel) => panel.readings > 0).length,
          decided: here(own(repairs).map((repair) => repair.panel)),
          awaited: here(onItsWay.map((order) => order.panel)),
          late: here(onItsWay.filter(isLate).map((order) => order.panel)),
          next: nextStep({
            plan: vehicle.plan,
            panels,
            zones: own(zones),
            repairs: own(repairs),
            orders: own(orders),
          }),
        },
      ];
    }),
  );
}
