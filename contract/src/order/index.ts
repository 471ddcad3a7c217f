import { type OrderState } from '@aspecta/core/order';

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
  history: { state: OrderState; on: string; by: string }[];
  version: number;
}
