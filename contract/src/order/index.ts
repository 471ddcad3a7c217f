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
  state: OrderState;
  next: OrderState[];
  /** Day on which it should arrive, YYYY-MM-DD. */
  due: string | null;
  late: boolean;
  note: string;
  history: { state: OrderState; on: string; by: string }[];
  version: number;
}
