import type { Station } from '../station.ts';
import { BoardService } from '../board/service.ts';
import { PlanService } from '../body/plans.ts';
import { EventEntity } from '../events/entities.ts';
import { VehicleEntity } from './entities.ts';
import { garageRoutes } from './routes.ts';
import { GarageService, viewOf } from './service.ts';

/** Which car, and what can be done tonight. */
export const garage: Station = {
  name: 'garage',
  entities: [VehicleEntity, EventEntity],
  serve: (house) => [new GarageService(house.db, house.the(PlanService))],
  live: async ({ db }, { id }) => {
    const row = await db.getRepository(VehicleEntity).findOneBy({ id });
    if (!row) return [];
    const state = `v${row.version} ${row.planId} ${JSON.stringify(row.facts)}`;
    return [{ into: 'vehicles', id, state, view: () => viewOf(row) }];
  },
  addresses: (house) => [{ at: '/vehicles', router: garageRoutes(house.the(GarageService), house.the(BoardService)) }],
};
