import { EntitySchema } from 'typeorm';
import type { ArrivalCheck, OrderStep } from '@aspecta/contract/order';
import type { OrderState } from '@aspecta/core/order';
import { belongsTo, day, decimal, json, key, maybe, moment, ref, text, version, whole } from '../db/columns.ts';

export interface OrderRow {
  id: string;
  vehicleId: string;
  repairId: string | null;
  /** Empty where it is no panel. */
  panel: string;
  /** Which sheet of the panel; null: the outermost, or the panel as it is sold. */
  layer: string | null;
  /** What it is where it is no panel: a bracket, sheet, wire, paint. */
  item: string | null;
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  /** Of the day on which it was ordered; null as long as it is only wanted. */
  currency: string | null;
  taxRate: number | null;
  state: OrderState;
  due: string | null;
  note: string;
  /** Why what was wanted is not needed any more; null as long as it is. */
  unneeded: string | null;
  history: OrderStep[];
  /** Shared by lines that were ordered together. */
  parcel: string | null;
  /** Number of its parcel, and since when it is known; null where it is not followed. */
  tracking: { number: string; since: string } | null;
  arrival: ArrivalCheck | null;
  credit: number | null;
  version: number;
  createdAt: Date;
}
export const OrderEntity = new EntitySchema<OrderRow>({
  name: 'order_line',
  columns: {
    id: key(),
    vehicleId: ref(),
    repairId: maybe(ref()),
    panel: text(60),
    layer: maybe(text(40)),
    item: maybe(text(80)),
    maker: text(80),
    price: whole(),
    quantity: whole(),
    carriage: whole(),
    currency: maybe(text(3)),
    taxRate: maybe(decimal()),
    state: text(12),
    due: maybe(day()),
    note: text(500),
    unneeded: maybe(text(200)),
    history: json(),
    parcel: maybe(ref()),
    tracking: maybe(json()),
    arrival: maybe(json()),
    credit: maybe(whole()),
    version: version(),
    createdAt: moment(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
