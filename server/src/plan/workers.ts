import type { DataSource } from 'typeorm';
import type { Worker, WorkerInput } from '@aspecta/contract/plan';
import { note } from '../account/audit.ts';
import { changeOnce } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { ShopEntity } from '../shop/entities.ts';
import { checkTimeZone } from '../shop/timeZone.ts';
import { WorkerEntity, type WorkerRow } from './entities.ts';

/** Who works in the shop, and when. */
export class WorkerService {
  private readonly db: DataSource;

  constructor(db: DataSource) {
    this.db = db;
  }

  async list(caller: Caller): Promise<Worker[]> {
    const rows = await this.db
      .getRepository(WorkerEntity)
      .find({ where: { shopId: caller.shopId }, order: { name: 'ASC' } });
    return rows.map(workerView);
  }

  async add(caller: Caller, { timeZone, ...input }: WorkerInput & { timeZone: string }): Promise<Worker[]> {
    needs('owner', caller);
    await this.check(caller, input, timeZone);
    const known = await this.db.getRepository(WorkerEntity).findOneBy({ id: input.id });
    if (known && known.shopId !== caller.shopId) throw notFound('person');
    if (!known)
      await changeOfShop(this.db, caller.shopId, async (manager) => {
        const row = { ...input, shopId: caller.shopId, version: 1 };
        await manager.createQueryBuilder().insert().into(WorkerEntity).values(row).orIgnore().execute();
        await manager.update(ShopEntity, { id: caller.shopId }, { timeZone });
        await note(manager, caller, `${input.name} works in the shop`);
      });
    return this.list(caller);
  }

  async change(
    caller: Caller,
    { version, timeZone, ...input }: WorkerInput & { timeZone: string; version: number },
  ): Promise<Worker[]> {
    needs('owner', caller);
    await this.own(caller, input.id);
    await this.check(caller, input, timeZone);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await changeOnce(manager, {
        target: WorkerEntity,
        id: input.id,
        seen: version,
        changes: { name: input.name, week: input.week, off: input.off },
        current: () => this.list(caller),
      });
      await manager.update(ShopEntity, { id: caller.shopId }, { timeZone });
      await note(manager, caller, `Hours of ${input.name} changed`);
    });
    return this.list(caller);
  }

  async remove(caller: Caller, id: string): Promise<Worker[]> {
    needs('owner', caller);
    const { name } = await this.own(caller, id);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.delete(WorkerEntity, { id });
      await note(manager, caller, `${name} does not work in the shop any more`);
    });
    return this.list(caller);
  }

  async timeZone(caller: Caller): Promise<string> {
    const shop = await this.db.getRepository(ShopEntity).findOneBy({ id: caller.shopId });
    return shop?.timeZone ?? 'UTC';
  }

  private async own(caller: Caller, id: string): Promise<WorkerRow> {
    const row = await this.db.getRepository(WorkerEntity).findOneBy({ id, shopId: caller.shopId });
    if (!row) throw notFound('person');
    return row;
  }

  /** Two of one name could not be told apart in a plan; an evening ends after it begins; a time zone exists. */
  private async check(caller: Caller, { id, name, week }: WorkerInput, timeZone: string): Promise<void> {
    checkTimeZone(timeZone);
    const others = (await this.list(caller)).filter((worker) => worker.id !== id);
    if (others.some((worker) => worker.name.toLowerCase() === name.toLowerCase()))
      throw new ServerProblem('invalid', `There is somebody called ${name} already; write another name.`, 'name');
    week.forEach((day, i) =>
      day.forEach(([from, to]) => {
        if (to <= from)
          throw new ServerProblem('invalid', 'Hours end after they begin; put the later one second.', `week[${i}]`);
      }),
    );
  }
}

const workerView = ({ id, name, week, off, version }: WorkerRow): Worker => ({ id, name, week, off, version });
