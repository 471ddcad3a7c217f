import { In, IsNull, type DataSource } from 'typeorm';
import { type CloseView, type CoatInput, type Overrule, type Reminder } from '@aspecta/contract/close';
import { panelOf } from '@aspecta/core/body';
import { usualSystems } from '@aspecta/core/close';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { StepWordEntity } from '../job/entities.ts';
import { FastenerEntity } from '../repair/entities.ts';
import { ShopEntity } from '../shop/entities.ts';
import { FindEntity } from '../survey/entities.ts';
import { RepairEntity } from '../verdict/entities.ts';
import { weldProgress } from '../weld/progress.ts';
import { CoatEntity, OverruleEntity } from './entities.ts';
import type { ProductService } from './products.ts';
import { remindersOf } from './reminders.ts';
import { bareOf, closeView, type Closing } from './view.ts';

/** What is coated before it is shut: repairs → faces they lay bare → coats on them → what a weld may shut → what is still bare. */
export class CloseService {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  private readonly products: ProductService;

  constructor(db: DataSource, { garage, products }: { garage: GarageService; products: ProductService }) {
    this.db = db;
    this.garage = garage;
    this.products = products;
  }

  async view(caller: Caller, vehicleId: string): Promise<CloseView> {
    return this.viewOf(caller, await this.garage.own(caller, vehicleId));
  }

  /** All that is known of the faces of these cars, asked for at once. */
  async closings(vehicles: readonly OwnVehicle[]): Promise<ReadonlyMap<string, Closing>> {
    const vehicleId = In(vehicles.map(({ id }) => id));
    const [repairs, coats, finds, shops] = await Promise.all([
      this.db
        .getRepository(RepairEntity)
        .find({ where: { vehicleId, deletedAt: IsNull() }, order: { decidedAt: 'ASC' } }),
      this.db.getRepository(CoatEntity).find({ where: { vehicleId }, order: { at: 'ASC' } }),
      this.db.getRepository(FindEntity).findBy({ vehicleId, deletedAt: IsNull() }),
      this.db.getRepository(ShopEntity).findBy({ id: In(vehicles.map(({ shopId }) => shopId)) }),
    ]);
    const ids = repairs.map(({ id }) => id);
    const [welds, overruled] = await Promise.all([
      weldProgress(this.db, ids),
      this.db.getRepository(OverruleEntity).findBy({ repairId: In(ids) }),
    ]);
    return new Map(
      vehicles.map(({ id, plan, shopId }): [string, Closing] => {
        const of = <R extends { vehicleId: string }>(rows: readonly R[]) => rows.filter((row) => row.vehicleId === id);
        return [
          id,
          {
            plan,
            systems: shops.find((shop) => shop.id === shopId)?.systems ?? usualSystems,
            repairs: of(repairs),
            coats: of(coats),
            finds: of(finds).filter(({ closed }) => !closed),
            welds,
            // A reason holds for the decision for which it was given.
            overruled: overruled.filter((row) =>
              repairs.some((repair) => repair.id === row.repairId && row.at >= repair.decidedAt),
            ),
          },
        ];
      }),
    );
  }

  /** What will not wait on any car of the shop, soonest first. */
  async reminders(caller: Caller): Promise<Reminder[]> {
    const vehicles = await this.garage.all(caller);
    return this.remindersFor(vehicles, await this.closings(vehicles));
  }

  private async remindersFor(
    vehicles: readonly OwnVehicle[],
    closings: ReadonlyMap<string, Closing>,
  ): Promise<Reminder[]> {
    const bared = await this.bared(vehicles, closings);
    const now = new Date();
    const all = vehicles.flatMap((vehicle) => remindersOf(vehicle, closings.get(vehicle.id)!, bared, now));
    return all.sort((a, b) => (a.until ?? '9999').localeCompare(b.until ?? '9999'));
  }

  /** When the metal of each repair was laid bare: its first fastener that was opened, or the step that was called done. */
  private async bared(
    vehicles: readonly OwnVehicle[],
    closings: ReadonlyMap<string, Closing>,
  ): Promise<ReadonlyMap<string, Date>> {
    const repairs = [...closings.values()].flatMap((closing) => closing.repairs);
    const ids = repairs.map(({ id }) => id);
    const [opened, words] = await Promise.all([
      this.db.getRepository(FastenerEntity).findBy({ repairId: In(ids), state: 'opened' }),
      this.db.getRepository(StepWordEntity).findBy({ vehicleId: In(vehicles.map(({ id }) => id)), state: 'done' }),
    ]);
    const out = new Map<string, Date>();
    for (const { id, decidedAt } of repairs) {
      const times = [
        ...opened.filter(({ repairId }) => repairId === id),
        ...words.filter(({ step }) => step === `${id} strip` || step === `${id} open`),
      ]
        .map(({ at }) => at)
        // What was done for an earlier decision is history.
        .filter((at) => at >= decidedAt)
        .sort((a, b) => a.getTime() - b.getTime());
      if (times[0]) out.set(id, times[0]);
    }
    return out;
  }

  /** Records a coat on faces. The same one sent again, because its answer was lost, is taken as done. */
  async coat(
    caller: Caller,
    vehicleId: string,
    { faces, product: productId, ...input }: CoatInput,
  ): Promise<CloseView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const [view, known] = await Promise.all([
      this.viewOf(caller, vehicle),
      this.db.getRepository(CoatEntity).findOneBy({ id: input.id }),
    ]);
    if (known && known.vehicleId !== vehicleId) throw notFound('coat');
    if (known) return view;
    const product = view.products.find(({ id }) => id === productId);
    if (!product)
      throw new ServerProblem('invalid', 'This product is not there any more; choose one of the list.', 'product');
    const chosen = faces.map((id) => view.faces.find((face) => face.id === id));
    if (chosen.includes(undefined))
      throw new ServerProblem(
        'invalid',
        'A face is not there any more: a decision was changed. Look at the faces again.',
        'faces',
      );
    const shut = chosen.find((face) => face!.state === 'shut' || face!.state === 'shut-bare');
    if (shut && product.kind !== 'wax')
      throw new ServerProblem(
        'invalid',
        `${shut.name} is shut already: only wax through its holes reaches it now.`,
        'faces',
      );
    if (input.celsius < product.least)
      throw new ServerProblem(
        'invalid',
        `${product.name} does not dry below ${product.least} °C: warm the place, or wait.`,
        'celsius',
      );
    const {
      id: _id,
      usual: _usual,
      version: _version,
      coverage: _coverage,
      weldThrough: _through,
      ...figures
    } = product;
    await changeOf(this.db, vehicleId, async (manager) => {
      const row = { ...figures, ...input, faces, product: productId, vehicleId, by: caller.name, at: new Date() };
      await manager.createQueryBuilder().insert().into(CoatEntity).values(row).orIgnore().execute();
      const names = chosen.map((face) => face!.name).join('; ');
      await record(manager, caller, vehicleId, 'close', `${product.name} on ${names}`);
    });
    return this.viewOf(caller, vehicle);
  }

  async takeBack(caller: Caller, vehicleId: string, coatId: string): Promise<CloseView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const row = await this.db.getRepository(CoatEntity).findOneBy({ id: coatId, vehicleId });
    if (!row) throw notFound('coat');
    await changeOf(this.db, vehicleId, async (manager) => {
      await manager.delete(CoatEntity, { id: coatId });
      await record(manager, caller, vehicleId, 'close', `${row.name} taken back`);
    });
    return this.viewOf(caller, vehicle);
  }

  /** A repair may be shut although a face of it is bare, for a reason; without one it may not. */
  async overrule(caller: Caller, vehicleId: string, { repair, reason }: Overrule): Promise<CloseView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const row = await this.db.getRepository(RepairEntity).findOneBy({ id: repair, vehicleId, deletedAt: IsNull() });
    if (!row) throw notFound('repair');
    await changeOf(this.db, vehicleId, async (manager) => {
      if (reason === '') await manager.delete(OverruleEntity, { repairId: repair });
      else
        await manager.upsert(OverruleEntity, { repairId: repair, reason, by: caller.name, at: new Date() }, [
          'repairId',
        ]);
      const name = panelOf(vehicle.plan, row.panel).name;
      await record(
        manager,
        caller,
        vehicleId,
        'close',
        reason === '' ? `${name} is not shut bare after all` : `${name} may be shut bare: ${reason}`,
      );
    });
    return this.viewOf(caller, vehicle);
  }

  /** Refuses to shut a bare face. @throws ServerProblem naming the faces, where nobody has overruled it */
  async refuseBare(vehicle: OwnVehicle, repairId: string, field: string): Promise<void> {
    const closing = (await this.closings([vehicle])).get(vehicle.id)!;
    const bare = bareOf(closing, repairId);
    if (bare.length > 0)
      throw new ServerProblem(
        'invalid',
        `This would shut ${bare.join('; ')} with no coat on it. Record the coat under Close, or say there why it is shut bare.`,
        field,
        { station: 'close' },
      );
  }

  private async viewOf(caller: Caller, vehicle: OwnVehicle): Promise<CloseView> {
    const [closings, products, shop] = await Promise.all([
      this.closings([vehicle]),
      this.products.list(caller),
      this.db.getRepository(ShopEntity).findOneByOrFail({ id: caller.shopId }),
    ]);
    const closing = closings.get(vehicle.id)!;
    const reminders = await this.remindersFor([vehicle], closings);
    const systems = { systems: closing.systems, usual: !shop.systems, version: shop.version };
    return closeView(closing, { products, temperature: shop.temperature, reminders, systems });
  }
}
