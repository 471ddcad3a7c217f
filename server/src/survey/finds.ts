import { IsNull, type DataSource } from 'typeorm';
import type { FindChange, FindInput, FindView } from '@aspecta/contract/survey';
import { panelOf, type BodyPlan } from '@aspecta/core/body';
import { carriesLoad, checkReading, signOf } from '@aspecta/core/survey';
import { changeOnce } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { limitsOf } from '../shop/limits.ts';
import { FindEntity, type FindRow } from './entities.ts';

/** What inspectors have found, by sign and place; those on load-bearing metal first, those that are cured last. */
export class FindService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  async list(caller: Caller, vehicleId: string, panel?: string): Promise<FindView[]> {
    await this.garage.own(caller, vehicleId);
    const rows = await this.db.getRepository(FindEntity).find({
      where: { vehicleId, deletedAt: IsNull(), ...(panel ? { panel } : {}) },
      order: { at: 'ASC' },
    });
    return rows.map(findView).sort(worstFirst);
  }

  /** Notes a find; the same one sent twice is stored once. */
  async add(caller: Caller, vehicleId: string, input: FindInput): Promise<FindView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    checkPlace(vehicle.plan, input);
    const panel = panelOf(vehicle.plan, input.panel);
    const row: FindRow = {
      ...input,
      place: input.place ?? null,
      photoId: input.photoId ?? null,
      vehicleId,
      structural: carriesLoad(panel, [input.u, input.v], await limitsOf(this.db, vehicle.shopId)),
      closed: null,
      version: 1,
      changedAt: null,
      at: new Date(),
      by: caller.name,
      deletedAt: null,
      backAt: null,
    };
    await changeOf(this.db, vehicleId, async (manager) => {
      const known = await manager.findOneBy(FindEntity, { id: input.id });
      if (known && known.vehicleId !== vehicleId) throw notFound('find');
      if (known) return;
      await manager.createQueryBuilder().insert().into(FindEntity).values(row).orIgnore().execute();
      await record(
        manager,
        caller,
        vehicleId,
        'survey',
        `Found on ${panel.name}: ${signOf(input.sign).title.toLowerCase()}`,
      );
    });
    return findView(await this.db.getRepository(FindEntity).findOneByOrFail({ id: input.id }));
  }

  /** Changes what is said of a find, closes it with how it was cured, or opens it again. */
  async change(
    caller: Caller,
    vehicleId: string,
    id: string,
    { version, closed, ...changes }: FindChange,
  ): Promise<FindView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const stored = await this.own(vehicleId, id);
    // Whoever closed it stays the one who did, as long as nothing is said anew.
    const same = closed && stored.closed?.note === closed.note && stored.closed.photoId === closed.photoId;
    const closing = same ? stored.closed : closed && { ...closed, at: new Date().toISOString(), by: caller.name };
    await changeOf(this.db, vehicleId, async (manager) => {
      await changeOnce(manager, {
        target: FindEntity,
        id,
        seen: version,
        changes: { ...changes, closed: closing, changedAt: new Date() },
        current: async () => findView(await this.own(vehicleId, id)),
      });
      const title = signOf(changes.sign).title.toLowerCase();
      const what = closed && !stored.closed ? 'Cured' : !closed && stored.closed ? 'Open again' : 'Changed';
      await record(
        manager,
        caller,
        vehicleId,
        'survey',
        `${what} on ${panelOf(vehicle.plan, stored.panel).name}: ${title}`,
      );
    });
    return findView(await this.own(vehicleId, id));
  }

  private async own(vehicleId: string, id: string): Promise<FindRow> {
    const row = await this.db.getRepository(FindEntity).findOneBy({ id, vehicleId, deletedAt: IsNull() });
    if (!row) throw notFound('find');
    return row;
  }

  async setRemoved(caller: Caller, vehicleId: string, id: string, removed: boolean): Promise<void> {
    const { plan } = await this.garage.own(caller, vehicleId);
    await changeOf(this.db, vehicleId, async (manager) => {
      const change = removed ? { deletedAt: new Date() } : { deletedAt: null, backAt: new Date() };
      const { affected } = await manager.update(FindEntity, { id, vehicleId }, change);
      const row = affected === 1 ? await manager.findOneBy(FindEntity, { id, vehicleId }) : null;
      if (!row) throw notFound('find');
      const what = `Find on ${panelOf(plan, row.panel).name} (${signOf(row.sign).title.toLowerCase()})`;
      const said = removed ? `${what} taken away` : `${what} is back`;
      await record(manager, caller, vehicleId, 'survey', said, removed ? { kind: 'find', ids: [id] } : null);
    });
  }
}

/** The place must be on the sheet, exactly as for a reading. */
export function checkPlace(plan: BodyPlan, place: { panel: string; layer: string; u: number; v: number }): void {
  checkReading(plan, { panel: place.panel, layer: place.layer, u: place.u, v: place.v, probe: 'sound' });
}

export function findView(row: FindRow): FindView {
  const { vehicleId: _vehicle, deletedAt: _deleted, backAt: _back, changedAt: _changed, at, ...rest } = row;
  return { ...rest, structural: Boolean(row.structural), at: at.toISOString() };
}

function worstFirst(a: FindView, b: FindView): number {
  const rank = (find: FindView) => (find.closed ? -2 : 0) + signOf(find.sign).weight + (find.structural ? 1 : 0);
  return rank(b) - rank(a) || (a.at < b.at ? -1 : 1);
}
