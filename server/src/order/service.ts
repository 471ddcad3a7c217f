import { randomUUID } from 'node:crypto';
import { In, type DataSource, type EntityManager } from 'typeorm';
import type { OrderLine, OrderMove, TrackInput } from '@aspecta/contract/order';
import type { Offer } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import { isAwaited, isGone, isOver, nextStates } from '@aspecta/core/order';
import { changeOnce, changeVersioned } from '../db/change.ts';
import { changeOf, changeOfAll } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { todayOf } from '../shop/clock.ts';
import type { ShopService } from '../shop/service.ts';
import { OrderEntity, type OrderRow } from './entities.ts';
import { partOf, putRest, takeRestBack } from './parts.ts';
import { carsInParcel, reshare } from './parcels.ts';
import { nameOf, step, viewOf, word } from './view.ts';
import { wantedLine } from './wanted.ts';

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
    const rows = await this.db.getRepository(OrderEntity).find({
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
    return this.db.getRepository(OrderEntity).findBy({ vehicleId });
  }

  /** Notes what is wanted; the same line sent twice, by its id, is stored once. */
  async add(
    caller: Caller,
    { id = randomUUID(), ...input }: Details & { id?: string; vehicleId: string; panel: string; item: string | null },
  ): Promise<OrderLine> {
    const vehicle = await this.garage.own(caller, input.vehicleId);
    if (input.item === null) panelOf(vehicle.plan, input.panel);
    const row = wantedLine(caller, await todayOf(this.db, caller.shopId), { ...input, id });
    await changeOf(this.db, vehicle.id, async (manager) => {
      if (await manager.existsBy(OrderEntity, { id })) return;
      await manager.insert(OrderEntity, row);
      await record(manager, caller, vehicle.id, 'order', `${nameOf(row, vehicle.plan)} wanted from ${row.maker}`);
    });
    return this.line(caller, row.id);
  }

  /** Is anything of this repair in the book that was not withdrawn, kept as sheet or sent back? */
  async isInBook({ id }: { id: string }): Promise<boolean> {
    const known = await this.db.getRepository(OrderEntity).findBy({ repairId: id });
    return known.some(({ state }) => !isGone(state));
  }

  /** Puts the panel of a decision into the book, in the transaction of the decision; once for each repair. */
  async wantPanel(
    manager: EntityManager,
    caller: Caller,
    repair: { id: string; vehicleId: string; panel: string },
    offer: Offer,
  ): Promise<void> {
    const known = await manager.findBy(OrderEntity, { repairId: repair.id });
    // What was withdrawn, kept as sheet or sent back is ordered anew where it is wanted again.
    const open = known.find(({ state }) => !isGone(state));
    if (open) {
      await manager.update(OrderEntity, { id: open.id }, { unneeded: null, version: open.version + 1 });
      return;
    }
    const { id: repairId, vehicleId, panel } = repair;
    const { layer, maker, price, carriage } = offer;
    await manager.insert(
      OrderEntity,
      wantedLine(caller, await todayOf(manager, caller.shopId), {
        vehicleId,
        repairId,
        panel,
        layer,
        item: null,
        maker,
        price,
        carriage,
      }),
    );
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
  async move(
    caller: Caller,
    id: string,
    { state, on, due, note, version, part: asked }: OrderMove,
  ): Promise<OrderLine> {
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
    const part = partOf(line, asked);
    // What is put off without a new date has none.
    const dueNow = due ?? (state === 'back-order' ? null : line.due);
    await changeOfAll(this.db, await carsInParcel(this.db, line.parcel, line.vehicleId), async (manager) => {
      const changes = {
        state,
        due: dueNow,
        history: [
          ...line.history,
          {
            ...step(state, on, caller, note),
            ...(dueNow === line.due ? {} : { dueBefore: line.due }),
            ...(due ? { promised: due } : {}),
            ...(part ? { part: { of: line.quantity, rest: part.rest } } : {}),
          },
        ],
        ...(part ? { quantity: part.pieces } : {}),
        // What has been ordered keeps the price of its day, whatever the house rules say later.
        ...(state === 'ordered' ? { currency: shop.currency, taxRate: shop.taxRate } : {}),
        // What is wanted anew stands in no parcel any more.
        ...(state === 'wanted' ? { parcel: null } : {}),
      };
      await changeVersioned(manager, {
        target: OrderEntity,
        id,
        seen: version,
        changes,
        current: () => this.line(caller, id),
      });
      if (part) await putRest(manager, line, part);
      if (line.parcel && isGone(state) && isAwaited(line.state)) await reshare(manager, line.parcel);
      await record(
        manager,
        caller,
        line.vehicleId,
        'order',
        `${line.panelName}: ${part ? `${part.pieces} of ${line.quantity} ` : ''}${word(state)}${note ? `, ${note}` : ''}`,
        { kind: 'order', ids: [id], version: version + 1 },
      );
    });
    return this.line(caller, id);
  }

  /** Follows the parcel of a line by its number, with all that lies in it; without a number not any more. */
  async track(caller: Caller, id: string, { number, version }: TrackInput): Promise<OrderLine> {
    const line = await this.line(caller, id);
    if (number !== '' && !isAwaited(line.state))
      throw new ServerProblem(
        'invalid',
        `What is ${word(line.state)} is not on its way: nothing is followed.`,
        'number',
      );
    const tracking = number === '' ? null : { number, since: new Date().toISOString() };
    await changeOfAll(this.db, await carsInParcel(this.db, line.parcel, line.vehicleId), async (manager) => {
      await changeVersioned(manager, {
        ...{ target: OrderEntity, id, seen: version, changes: { tracking }, current: () => this.line(caller, id) },
      });
      if (line.parcel)
        for (const other of await manager.findBy(OrderEntity, { parcel: line.parcel }))
          if (other.id !== id)
            await manager.update(OrderEntity, { id: other.id }, { tracking, version: other.version + 1 });
      const said = number === '' ? 'is not followed any more' : `followed by its number ${number}`;
      await record(manager, caller, line.vehicleId, 'order', `${line.panelName}: ${said}`);
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
    await changeOfAll(this.db, await carsInParcel(this.db, line.parcel, line.vehicleId), async (manager) => {
      const history = line.history.slice(0, -1);
      const slip = line.history.at(-1);
      const unordered = !history.some(({ state }) => state === 'ordered');
      const together = line.parcel ? await manager.findBy(OrderEntity, { parcel: line.parcel }) : [];
      await changeVersioned(manager, {
        target: OrderEntity,
        id,
        seen: version,
        changes: {
          state: before?.state ?? line.state,
          history,
          ...(slip?.dueBefore === undefined ? {} : { due: slip.dueBefore }),
          ...slip?.was,
          quantity: await takeRestBack(manager, line, slip),
          // What was seen and credited belongs to the step that is taken back.
          ...(['checked', 'kept', 'returned'].includes(line.state) ? { arrival: null, credit: null } : {}),
          // What is not ordered any more follows the house rules again, and stands in no parcel.
          ...(unordered ? { currency: null, taxRate: null, parcel: null } : {}),
        },
        current: () => this.line(caller, id),
      });
      if (line.parcel)
        await reshare(
          manager,
          line.parcel,
          together.reduce((sum, { carriage }) => sum + carriage, 0),
        );
      await record(manager, caller, line.vehicleId, 'order', `${line.panelName}: ${word(line.state)} taken back`);
    });
    return this.line(caller, id);
  }

  /** A line of the book, as far as it is the caller's. */
  async line(caller: Caller, id: string): Promise<OrderLine> {
    const row = await this.db.getRepository(OrderEntity).findOneBy({ id });
    if (!row) throw notFound('order line');
    const [vehicle, shop] = await Promise.all([this.garage.own(caller, row.vehicleId), this.shops.shop(caller)]);
    return viewOf(row, vehicle, shop);
  }
}
