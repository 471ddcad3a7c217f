import { type DataSource, type EntityManager } from 'typeorm';
import type { OrderLine, ParcelInput } from '@aspecta/contract/order';
import { isGone, landed } from '@aspecta/core/order';
import { changeVersioned } from '../db/change.ts';
import { changeOfAll } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import { OrderEntity, type OrderRow } from './entities.ts';
import type { OrderService } from './service.ts';
import { step } from './view.ts';

type Priced = Pick<OrderRow, 'price' | 'quantity'>;

/** The carriage of a parcel by the value of what is in it, to the cent. */
const sharesOf = (lines: readonly Priced[], carriage: number): number[] =>
  landed({ lines, carriage, taxRate: 0, taxOnCarriage: false }).lines.map((line) => line.carriage);

/** Orders lines of one maker, for any cars of the shop, together: one carriage, shared by value; the price of that day. */
export async function orderTogether(
  { db, orders, shops }: { db: DataSource; orders: OrderService; shops: ShopService },
  caller: Caller,
  { id, maker, lines, carriage, on, due, note }: ParcelInput,
): Promise<OrderLine[]> {
  const ids = lines.map((line) => line.id);
  const all = () => Promise.all(ids.map((line) => orders.line(caller, line)));
  const [known, shop] = await Promise.all([all(), shops.shop(caller)]);
  // Sent again, because its answer was lost.
  if (known.every(({ parcel }) => parcel === id)) return known;
  const shares = sharesOf(
    known.map(({ quantity }, i) => ({ quantity, price: lines[i]!.price })),
    carriage,
  );
  await changeOfAll(
    db,
    known.map(({ vehicleId }) => vehicleId),
    async (manager) => {
      for (const [i, line] of known.entries()) {
        const { version, price } = lines[i]!;
        if (line.version === version && line.state !== 'wanted')
          throw new ServerProblem(
            'invalid',
            `${line.panelName} is ordered already; take it out of this parcel.`,
            'lines',
          );
        await changeVersioned(manager, {
          target: OrderEntity,
          id: line.id,
          seen: version,
          changes: {
            ...{ maker, price, carriage: shares[i]!, parcel: id, state: 'ordered', due: due ?? line.due },
            ...{ currency: shop.currency, taxRate: shop.taxRate },
            history: [
              ...line.history,
              {
                ...step('ordered', on, caller, note),
                ...(due ? { dueBefore: line.due, promised: due } : {}),
                was: { maker: line.maker, price: line.price, carriage: line.carriage },
              },
            ],
          },
          current: () => orders.line(caller, line.id),
        });
        const text = `${line.panelName}: ordered from ${maker}${ids.length > 1 ? `, in a parcel of ${ids.length}` : ''}`;
        await record(manager, caller, line.vehicleId, 'order', text);
      }
    },
  );
  return all();
}

/** The carriage of a parcel is borne by what is left in it; a line that has left it bears none. */
export async function reshare(manager: EntityManager, parcel: string, carriage?: number): Promise<void> {
  const rows = await manager.findBy(OrderEntity, { parcel });
  const left = rows.filter(({ state }) => !isGone(state));
  if (left.length === 0) return;
  const shares = sharesOf(left, carriage ?? rows.reduce((sum, row) => sum + row.carriage, 0));
  const share = new Map(left.map(({ id }, i) => [id, shares[i]!]));
  for (const row of rows) {
    const now = share.get(row.id) ?? 0;
    if (now !== row.carriage)
      await manager.update(OrderEntity, { id: row.id }, { carriage: now, version: row.version + 1 });
  }
}

/** Cars whose lines are in a parcel with this one. */
export async function carsInParcel(db: DataSource, parcel: string | null, own: string): Promise<string[]> {
  if (parcel === null) return [own];
  const rows = await db.getRepository(OrderEntity).findBy({ parcel });
  return [...new Set([own, ...rows.map(({ vehicleId }) => vehicleId)])];
}
