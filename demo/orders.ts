import type { OrderState } from '@aspecta/core/order';
import { OrderService } from '@aspecta/server/order/service';
import { dayAt, type Chapter } from './chapter.ts';

interface Order {
  panel: string;
  item?: string | null;
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  note: string;
  moves: [OrderState, number, number?][];
}

/** What was ordered, and what became of it. */
export const order: Chapter = async ({ house, owner, id: vehicleId, story }) => {
  const orders = house.the(OrderService);
  for (const { moves, item = null, ...wanted } of story.orders as Order[]) {
    let line = await orders.add(owner, { ...wanted, item, vehicleId, due: null });
    for (const [state, on, due] of moves)
      line = await orders.move(owner, line.id, {
        state,
        on: dayAt(on),
        due: due === undefined ? null : dayAt(due),
        note: '',
        version: line.version,
      });
  }
};
