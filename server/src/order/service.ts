import { randomUUID } from 'node:crypto';
import { In, type DataSource, type EntityManager } from 'typeorm';
import { ORDER_WORDS, type OrderLine, type OrderMove, type OrderStep } from '@aspecta/contract/order';
import type { Shop } from '@aspecta/contract/shop';
import type { Offer } from '@aspecta/contract/verdict';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { isAwaited, isOver, landed, nextStates, type OrderState } from '@aspecta/core/order';
import { changeOnce, changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { ShopService } from '../shop/service.ts';
import { OrderEntity, type OrderRow } from './entities.ts';

type Details = Pick<OrderRow, 'maker' | 'price' | 'quantity' | 'carriage' | 'due' | 'note'>;

export class OrderService {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  private readonly shops: ShopService;

  constructor(db: DataSource, garage: GarageService, shops: ShopService) {
    this.db = db;
    this.garage = garage;
    this.shops = shops;
  }

  /** The order book of the shop. */
  async list(caller: Caller): Promise<OrderLine[]> {
    const [open, shop] = await Promise.all([this.garage.all(caller), this.shops.shop(caller)]);
    const rows = await this.db.manager.find(OrderEntity, {
      where: { vehicleId: In(open.map((vehicle) => vehicle.id)) },
      order: { createdAt: 'ASC' },
    });
    return rows.map((row) =>
      viewOf(
        row,
        open.find((vehicle) => vehicle.id === row.vehicleId)!,
        shop,
      ),
    );
  }

  async ofVehicle(vehicleId: string): Promise<OrderRow[]> {
    return this.db.manager.findBy(OrderEntity, { vehicleId });
  }

  /** Notes what is wanted; the same line sent twice, by its id, is stored once. */
  async add(
    caller: Caller,
    { id = randomUUID(), ...input }: Details & { id?: string; vehicleId: string; panel: string; item: string | null },
  ): Promise<OrderLine> {
    const vehicle = await this.garage.own(caller, input.vehicleId);
    if (input.item === null) panelOf(vehicle.plan, input.panel);
    const row: OrderRow = {
      ...input,
      id,
      repairId: null,
      currency: null,
      taxRate: null,
      unneeded: null,
      state: 'wanted',
      history: [step('wanted', today(), caller)],
      version: 1,
      createdAt: new Date(),
    };
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (await manager.existsBy(OrderEntity, { id })) return;
      await manager.insert(OrderEntity, row);
      await record(manager, caller, vehicle.id, 'order', `${nameOf(row, vehicle.plan)} wanted from ${row.maker}`);
    });
    return this.line(caller, row.id);
  }

  /** Puts the panel of a decision into the book, in the transaction of the decision; once for each repair. */
  async wantPanel(
    manager: EntityManager,
    caller: Caller,
    repair: { id: string; vehicleId: string; panel: string },
    offer: Offer,
  ): Promise<void> {
    const known = await manager.findBy(OrderEntity, { repairId: repair.id });
    // What was withdrawn or sent back is ordered anew where it is wanted again.
    const open = known.find(({ state }) => !['withdrawn', 'returned'].includes(state));
    if (open) {
      await manager.update(OrderEntity, { id: open.id }, { unneeded: null, version: open.version + 1 });
      return;
    }
    await manager.insert(OrderEntity, {
      id: randomUUID(),
      vehicleId: repair.vehicleId,
      repairId: repair.id,
      panel: repair.panel,
      item: null,
      maker: offer.maker,
      price: offer.price,
      quantity: 1,
      carriage: offer.carriage,
      currency: null,
      taxRate: null,
      unneeded: null,
      state: 'wanted',
      due: null,
      note: '',
      history: [step('wanted', today(), caller)],
      version: 1,
      createdAt: new Date(),
    });
  }

  /** The repair was decided otherwise: what stands in the book for it is offered for withdrawal, never withdrawn by itself. */
  async unwant(manager: EntityManager, repairId: string, why: string): Promise<void> {
    const known = await manager.findBy(OrderEntity, { repairId });
    for (const { id, state, version } of known)
      if (!isOver(state))
        await manager.update(OrderEntity, { id }, { unneeded: why.slice(0, 200), version: version + 1 });
  }

  /** Kept although the repair was decided otherwise: for another use, or for the shelf. */
  async keep(caller: Caller, id: string, version: number): Promise<OrderLine> {
    const line = await this.line(caller, id);
    await changeOf(this.db, line.vehicleId, async (manager) => {
      await changeOnce(manager, {
        target: OrderEntity,
        id,
        seen: version,
        changes: { unneeded: null },
        current: () => this.line(caller, id),
      });
      await record(manager, caller, line.vehicleId, 'order', `${line.panelName}: kept all the same`);
    });
    return this.line(caller, id);
  }

  async change(caller: Caller, id: string, { version, ...changes }: Details & { version: number }): Promise<OrderLine> {
    const { vehicleId } = await this.line(caller, id);
    await changeOf(this.db, vehicleId, (manager) =>
      changeOnce(manager, { target: OrderEntity, id, seen: version, changes, current: () => this.line(caller, id) }),
    );
    return this.line(caller, id);
  }

  /** Moves a line one state on, with its day. */
  async move(caller: Caller, id: string, { state, on, due, note, version }: OrderMove): Promise<OrderLine> {
    const [line, shop] = await Promise.all([this.line(caller, id), this.shops.shop(caller)]);
    const last = line.history.at(-1);
    // The same move sent again, because its answer was lost.
    if (line.version === version + 1 && line.state === state && last?.on === on && last.by === caller.name) return line;
    if (line.version === version && !nextStates(line.state).includes(state)) {
      throw new ServerProblem(
        'invalid',
        `What is ${word(line.state)} cannot become ${word(state)}; next can be: ${nextStates(line.state).map(word).join(', ') || 'nothing'}.`,
        'state',
      );
    }
    await changeOf(this.db, line.vehicleId, async (manager) => {
      const changes = {
        state,
        due: due ?? line.due,
        history: [...line.history, { ...step(state, on, caller, note), ...(due ? { dueBefore: line.due } : {}) }],
        // What has been ordered keeps the price of its day, whatever the house rules say later.
        ...(state === 'ordered' ? { currency: shop.currency, taxRate: shop.taxRate } : {}),
      };
      await changeVersioned(manager, {
        target: OrderEntity,
        id,
        seen: version,
        changes,
        current: () => this.line(caller, id),
      });
      await record(
        manager,
        caller,
        line.vehicleId,
        'order',
        `${line.panelName}: ${word(state)}${note ? `, ${note}` : ''}`,
      );
    });
    return this.line(caller, id);
  }

  /** Takes the last move of a line back: it was a slip. */
  async takeBack(caller: Caller, id: string, version: number): Promise<OrderLine> {
    const line = await this.line(caller, id);
    const before = line.history.at(-2);
    // Sent again, because its answer was lost.
    if (line.version === version + 1) return line;
    if (line.version === version && !before)
      throw new ServerProblem('invalid', 'This line has not moved yet; there is nothing to take back.', 'state');
    await changeOf(this.db, line.vehicleId, async (manager) => {
      const history = line.history.slice(0, -1);
      const slip = line.history.at(-1);
      await changeVersioned(manager, {
        target: OrderEntity,
        id,
        seen: version,
        changes: {
          state: before?.state ?? line.state,
          history,
          ...(slip?.dueBefore === undefined ? {} : { due: slip.dueBefore }),
          // What is not ordered any more follows the house rules again.
          ...(history.some(({ state }) => state === 'ordered') ? {} : { currency: null, taxRate: null }),
        },
        current: () => this.line(caller, id),
      });
      await record(manager, caller, line.vehicleId, 'order', `${line.panelName}: ${word(line.state)} taken back`);
    });
    return this.line(caller, id);
  }

  private async line(caller: Caller, id: string): Promise<OrderLine> {
    const row = await this.db.manager.findOneBy(OrderEntity, { id });
    if (!row) throw notFound('order line');
    const [vehicle, shop] = await Promise.all([this.garage.own(caller, row.vehicleId), this.shops.shop(caller)]);
    return viewOf(row, vehicle, shop);
  }
}

const today = () => new Date().toISOString().slice(0, 10);
const step = (state: OrderState, on: string, caller: Caller, note = ''): OrderStep => ({
  state,
  on,
  by: caller.name,
  ...(note ? { note } : {}),
});
const word = (state: OrderState) => ORDER_WORDS[state].toLowerCase();

/** What a line is for: a panel of the body, or what somebody has called it. */
export const nameOf = ({ item, panel }: Pick<OrderRow, 'item' | 'panel'>, plan: BodyPlan): string =>
  item ?? panelOf(plan, panel).name;

/** Is a panel on its way and past its day? */
export const isLate = (row: Pick<OrderRow, 'state' | 'due'>): boolean =>
  isAwaited(row.state) && row.due !== null && row.due < today();

function viewOf(row: OrderRow, vehicle: OwnVehicle, shop: Shop): OrderLine {
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
    late: isLate(row),
    note: row.note,
    unneeded: isOver(row.state) ? null : row.unneeded,
    history: row.history,
    version: row.version,
  };
}
