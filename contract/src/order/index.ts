import { type OrderState } from '@aspecta/core/order';

export const ORDER_WORDS: Readonly<Record<OrderState, string>> = {
  wanted: 'Wanted',
  ordered: 'Ordered',
  confirmed: 'Confirmed',
  'back-order': 'Back order',
  arrived: 'Arrived',
  checked: 'Checked',
  fitted: 'Fitted',
  returned: 'Returned',
  withdrawn: 'Withdrawn',
};

/** One move of a line: where it went, on which day, who said so, and what he noted. */
export interface OrderStep {
  state: OrderState;
  on: string;
  by: string;
  note?: string;
  /** Due day that this step replaced; taking the step back brings it back. */
  dueBefore?: string | null;
}

export interface OrderLine {
  id: string;
  vehicleId: string;
  vehicle: string;
  repairId: string | null;
  panel: string;
  panelName: string;
  maker: string;
  /** Each before tax, minor units. */
  price: number;
  quantity: number;
  carriage: number;
  /** With carriage and tax, minor units. */
  landed: number;
  /** ISO 4217: of the day on which it was ordered, of the house rules as long as it is only wanted. */
  currency: string;
  /** 0.2 = 20 %; from then on as it was then. */
  taxRate: number;
  state: OrderState;
  next: OrderState[];
  /** Day on which it should arrive, YYYY-MM-DD. */
  due: string | null;
  late: boolean;
  note: string;
  /** Why it is not needed any more: the repair that it was for has been decided otherwise; null as long as it is. */
  unneeded: string | null;
  history: OrderStep[];
  version: number;
}

/** A move of a line to its next state. */
export interface OrderMove {
  state: OrderState;
  on: string;
  due: string | null;
  note: string;
  version: number;
}
