import { In, IsNull, type DataSource } from 'typeorm';
import type { MovedEstimate, TriedRules } from '@aspecta/contract/verdict';
import type { GarageService } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { PaceService } from '../pace/service.ts';
import type { ShopService } from '../shop/service.ts';
import { ZoneEntity } from '../survey/entities.ts';
import type { Workbench } from '../work/bench.ts';
import { RepairEntity } from './entities.ts';
import type { OfferService } from './offers.ts';
import { weigh } from './weigh.ts';
import { repairName } from './named.ts';

interface Services {
  garage: GarageService;
  shops: ShopService;
  offers: OfferService;
  paces: PaceService;
  bench: Workbench;
}
/** Each is weighed twice: more would keep a person waiting. */
const MOST = 12;

/** How other house rules would move what is decided and not done, the latest decisions first: each is weighed by both. */
export async function movedBy(
  db: DataSource,
  services: Services,
  caller: Caller,
  tried: TriedRules,
): Promise<MovedEstimate[]> {
  const vehicles = await services.garage.all(caller);
  const repairs = await db.getRepository(RepairEntity).find({
    where: { vehicleId: In(vehicles.map(({ id }) => id)), deletedAt: IsNull(), done: false },
    order: { decidedAt: 'DESC' },
    take: MOST,
  });
  const out: MovedEstimate[] = [];
  for (const repair of repairs) {
    const vehicle = vehicles.find(({ id }) => id === repair.vehicleId)!;
    const zones = await db
      .getRepository(ZoneEntity)
      .findBy({ id: In(repair.zones.map(({ id }) => id)), deletedAt: IsNull() });
    if (zones.length === 0) continue;
    const told = async (rules?: TriedRules) => {
      const { verdict } = await weigh(services, caller, vehicle, zones, rules);
      const option = verdict.options.find(({ id }) => id === repair.choice);
      return option && { hours: option.hours.p50, cost: option.cost.p50, proposed: verdict.proposed };
    };
    const [before, after] = [await told(), await told(tried)];
    if (before && after)
      out.push({
        ...{ repair: repair.id, vehicle: vehicle.id, car: vehicle.nickname, choice: repair.choice, before, after },
        panel: repairName(vehicle.plan, repair),
      });
  }
  return out;
}
