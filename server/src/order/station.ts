import { In } from 'typeorm';
import { isAwaited, isGone, isOver, isToCome } from '@aspecta/core/order';
import type { NextStep } from '@aspecta/contract/garage';
import type { Chapter, Station, StationStanding } from '../station.ts';
import { URGENCY } from '../board/urgency.ts';
import { GarageService, type OwnVehicle } from '../garage/service.ts';
import { AllCarsService } from '../plan/allCars.ts';
import { ShopService } from '../shop/service.ts';
import { OrderEntity, type OrderRow } from './entities.ts';
import { orderRoutes } from './routes.ts';
import { OrderService } from './service.ts';
import { todayOf } from '../shop/clock.ts';
import { dayInWords } from '../shop/day.ts';
import { isLate, nameOf } from './view.ts';

/** What is awaited, from whom, and what it costs. */
export const order: Station = {
  name: 'order',
  entities: [OrderEntity],
  serve: (house) => [new OrderService(house.db, house.the(GarageService), house.the(ShopService))],
  addresses: (house) => [
    {
      at: '/orders',
      router: orderRoutes({
        db: house.db,
        orders: house.the(OrderService),
        allCars: house.the(AllCarsService),
        shops: house.the(ShopService),
      }),
    },
  ],
  standing: async ({ db }, vehicles) => {
    const shopId = vehicles[0]?.shopId;
    if (shopId === undefined) return new Map();
    const [rows, today] = await Promise.all([
      db.getRepository(OrderEntity).findBy({ vehicleId: In(vehicles.map(({ id }) => id)) }),
      todayOf(db, shopId),
    ]);
    return new Map(
      vehicles.map((vehicle) => [
        vehicle.id,
        standingOf(
          vehicle,
          rows.filter((row) => row.vehicleId === vehicle.id),
          today,
        ),
      ]),
    );
  },
  report: async (house, vehicle, reader): Promise<Chapter[]> => {
    const rows = (await house.the(OrderService).ofVehicle(vehicle.id)).filter(({ state }) => isToCome(state));
    if (rows.length === 0 || reader === 'customer') return [];
    const today = await todayOf(house.db, vehicle.shopId);
    const lines = rows.map(
      (row) =>
        `${nameOf(row, vehicle.plan)}, ${row.maker}: ${row.state.replace('-', ' ')}${row.due ? `, due ${dayInWords(row.due)}` : ''}${isLate(row, today) ? ', late' : ''}`,
    );
    return [{ title: 'What is ordered and awaited', lines }];
  },
};

function standingOf(vehicle: OwnVehicle, rows: readonly OrderRow[], today: string): StationStanding {
  const kept = rows.filter(({ state }) => !isGone(state));
  const needless = rows.filter((row) => row.unneeded !== null && !isOver(row.state));
  const awaited = rows.filter((row) => isAwaited(row.state));
  const late = awaited.filter((row) => isLate(row, today));
  const wanted = rows.filter((row) => row.state === 'wanted' && row.unneeded === null);
  const arrived = rows.filter((row) => row.state === 'arrived');
  const panels = (list: readonly OrderRow[]) =>
    new Set(list.map((row) => row.panel).filter((id) => vehicle.plan.panels.some((panel) => panel.id === id))).size;
  const parts = [
    needless.length > 0 && `${needless.length} not needed`,
    arrived.length > 0 && `${arrived.length} to check`,
    wanted.length > 0 && `${wanted.length} to order`,
    late.length > 0 && `${late.length} late`,
    awaited.length > late.length && `${awaited.length - late.length} awaited`,
  ].filter((part) => part !== false);
  return {
    word: parts.slice(0, 2).join(', ') || (kept.length > 0 ? 'all here' : 'none'),
    waits: needless.length + arrived.length + wanted.length + late.length > 0,
    done: kept.length > 0 && needless.length + awaited.length + wanted.length + arrived.length === 0,
    path: '../../orders',
    figures: { awaited: panels(awaited), late: panels(late) },
    next: nextOf(vehicle, { needless: needless[0], arrived: arrived[0], wanted: wanted[0], late: late[0] }),
  };
}

function nextOf(
  { plan }: OwnVehicle,
  {
    needless,
    arrived,
    wanted,
    late,
  }: Readonly<Record<'needless' | 'arrived' | 'wanted' | 'late', OrderRow | undefined>>,
): (NextStep & { urgency: number }) | undefined {
  const name = (row: OrderRow) => nameOf(row, plan);
  const path = '../../orders';
  if (needless)
    return {
      text: `Withdraw ${name(needless)} from ${needless.maker}, or keep it: the repair was decided otherwise`,
      path,
      urgency: URGENCY.withdraw,
    };
  if (arrived)
    return {
      text: `Check ${name(arrived)} that has arrived, before anything is cut`,
      path,
      urgency: URGENCY.checkArrived,
    };
  if (wanted) return { text: `Order ${name(wanted)}: the rest can go on meanwhile`, path, urgency: URGENCY.order };
  if (late) return { text: `Ask ${late.maker} about ${name(late)}: it is late`, path, urgency: URGENCY.ask };
  return undefined;
}
