import { ORDER_WORDS, type OrderLine, type OrderStep } from '@aspecta/contract/order';
import type { Shop } from '@aspecta/contract/shop';
import { panelOf, pieceName, type BodyPlan, type Panel } from '@aspecta/core/body';
import { isAwaited, isOver, landed, nextStates, type OrderState } from '@aspecta/core/order';
import type { OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { dayIn } from '../shop/day.ts';
import type { OrderRow } from './entities.ts';
import { expectedOn, trackingOf } from './tracking.ts';

export const step = (state: OrderState, on: string, caller: Caller, note = ''): OrderStep => ({
  state,
  on,
  by: caller.name,
  ...(note ? { note } : {}),
});
export const word = (state: OrderState) => ORDER_WORDS[state].toLowerCase();

/** What a line is for: a panel of the body, or what somebody has called it. */
export const nameOf = ({ item, panel, layer }: Pick<OrderRow, 'item' | 'panel' | 'layer'>, plan: BodyPlan): string =>
  item ?? pieceName(panelOf(plan, panel), layer ? [layer] : []);

/** Thickness of the sheet that is bought, mm. */
const sheetOf = ({ layers }: Panel, layer: string | null): number | null =>
  (layers.find(({ id }) => id === layer) ?? layers[0])?.thickness ?? null;

/** Is a panel on its way and past its day, or does its carrier say that it comes after it? */
export const isLate = (row: Pick<OrderRow, 'state' | 'due' | 'tracking'>, today: string): boolean =>
  isAwaited(row.state) && row.due !== null && (row.due < today || expectedOn(row, null)! > row.due);

export function viewOf(row: OrderRow, vehicle: OwnVehicle, shop: Shop): OrderLine {
  const taxRate = row.taxRate ?? shop.taxRate;
  const price = landed({
    lines: [{ price: row.price, quantity: row.quantity }],
    carriage: row.carriage,
    taxRate,
    taxOnCarriage: true,
  });
  return {
    id: row.id,
    vehicleId: row.vehicleId,
    vehicle: vehicle.nickname,
    repairId: row.repairId,
    panel: row.panel,
    panelName: nameOf(row, vehicle.plan),
    maker: row.maker,
    price: row.price,
    quantity: row.quantity,
    carriage: row.carriage,
    landed: price.total,
    currency: row.currency ?? shop.currency,
    taxRate,
    state: row.state,
    next: [...nextStates(row.state)],
    due: row.due,
    late: isLate(row, dayIn(shop.timeZone)),
    note: row.note,
    unneeded: isOver(row.state) ? null : row.unneeded,
    history: row.history,
    parcel: row.parcel,
    tracking: trackingOf(row, shop.timeZone),
    arrival: row.arrival,
    credit: row.credit,
    sheet: row.item === null ? sheetOf(panelOf(vehicle.plan, row.panel), row.layer) : null,
    version: row.version,
  };
}
