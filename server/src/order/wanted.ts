import { randomUUID } from 'node:crypto';
import type { Caller } from '../http/session.ts';
import type { OrderRow } from './entities.ts';
import { step } from './view.ts';

type Wanted = Pick<OrderRow, 'vehicleId' | 'panel' | 'item' | 'maker' | 'price' | 'carriage'> & Partial<OrderRow>;

/** A line at the beginning of its way, from this day on. */
export const wantedLine = (caller: Caller, on: string, what: Wanted): OrderRow => ({
  id: randomUUID(),
  repairId: null,
  layer: null,
  quantity: 1,
  currency: null,
  taxRate: null,
  unneeded: null,
  state: 'wanted',
  due: null,
  note: '',
  history: [step('wanted', on, caller)],
  parcel: null,
  tracking: null,
  arrival: null,
  credit: null,
  version: 1,
  createdAt: new Date(),
  ...what,
});
