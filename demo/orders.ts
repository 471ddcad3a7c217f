import type { ArrivalOutcome, OrderState } from '@aspecta/core/order';
import { checkArrival } from '@aspecta/server/order/arrivals';
import { OrderService } from '@aspecta/server/order/service';
import { dayAt, type Chapter } from './chapter.ts';

type Move = [OrderState, number, number?];
interface Order {
  panel: string;
  item?: string | null;
  maker: string;
  price: number;
  quantity: number;
  carriage: number;
  note: string;
  moves: Move[];
  /** What was seen when it arrived, and what became of it. */
  check?: {
    on: number;
    points: string[];
    wrong?: string[];
    thickness?: number;
    outcome: ArrivalOutcome;
    hours?: number;
    credit?: number;
  };
  after?: Move[];
  /** Number of its parcel, where it is followed. */
  parcel?: string;
}

/** What was ordered, and what became of it. */
export const order: Chapter = async ({ house, owner, id: vehicleId, story }) => {
  const orders = house.the(OrderService);
  for (const { moves, check, after = [], item = null, parcel, ...wanted } of story.orders as Order[]) {
    let line = await orders.add(owner, { ...wanted, item, vehicleId, due: null });
    const go = async (steps: readonly Move[]) => {
      for (const [state, on, due] of steps)
        line = await orders.move(owner, line.id, {
          state,
          on: dayAt(on),
          due: due === undefined ? null : dayAt(due),
          note: '',
          part: null,
          version: line.version,
        });
    };
    await go(moves);
    if (parcel) line = await orders.track(owner, line.id, { number: parcel, version: line.version });
    if (check)
      line = await checkArrival({ db: house.db, orders }, owner, line.id, {
        points: Object.fromEntries([
          ...check.points.map((point) => [point, true]),
          ...(check.wrong ?? []).map((point) => [point, false]),
        ]) as Record<string, boolean>,
        thickness: check.thickness ?? null,
        short: 0,
        outcome: check.outcome,
        hours: check.hours ?? 0,
        on: dayAt(check.on),
        note: '',
        credit: check.credit ?? null,
        again: null,
        version: line.version,
      });
    await go(after);
  }
};
