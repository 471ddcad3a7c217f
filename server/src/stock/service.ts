import { randomUUID } from 'node:crypto';
import { IsNull, type DataSource } from 'typeorm';
import type {
  CutRequest,
  LaidOutView,
  LayOutRequest,
  SheetInput,
  StockSheet,
  StockView,
} from '@aspecta/contract/stock';
import { sectionName } from '@aspecta/contract/pattern';
import { Problem } from '@aspecta/core';
import { panelOf } from '@aspecta/core/body';
import { isMade } from '@aspecta/core/verdict';
import { changeOnce, changeVersioned } from '../db/change.ts';
import { changeOfShop } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import { VehicleEntity } from '../garage/entities.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import { cutsOf, PatternEntity } from '../pattern/entities.ts';
import type { PatternService } from '../pattern/service.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import type { VerdictService } from '../verdict/service.ts';
import type { Workbench } from '../work/bench.ts';
import { StockSheetEntity, type StockSheetRow } from './entities.ts';

interface Services {
  patterns: PatternService;
  verdicts: VerdictService;
  bench: Workbench;
}

/** The rack: sheets and leftovers → patterns that wait → which is cut from which → what is left goes back. */
export class StockService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async view(caller: Caller): Promise<StockView> {
    const [sheets, open] = await Promise.all([this.sheets(caller), this.openRepairs(caller)]);
    const blanks: StockView['blanks'] = [];
    const failing: StockView['failing'] = [];
    for (const { repair, car, panel } of open) {
      const at = { repair: repair.id, vehicle: repair.vehicleId, car, panel };
      try {
        for (const one of await this.services.patterns.sections(caller, repair.id)) {
          const { thickness, material, blank, cutFrom } = one;
          blanks.push({
            ...{ ...at, thickness, material, least: blank.least, cutFrom },
            id: blankId(repair.id, one),
            panel: [panel, sectionName(one.section, one.sections)].filter((word) => word !== '').join(', '),
            blank: blank.blank,
            bends: blank.bends.map(({ line }) => line),
          });
        }
      } catch (error) {
        // One that cannot be made as it is says why; the others are cut all the same.
        if (!(error instanceof Problem) && !(error instanceof ServerProblem)) throw error;
        failing.push({ ...at, why: error.message });
      }
    }
    return { sheets: sheets.map(sheetView), blanks, failing };
  }

  async add(caller: Caller, input: SheetInput): Promise<StockView> {
    needs('worker', caller);
    const known = await this.db.getRepository(StockSheetEntity).findOneBy({ id: input.id });
    if (known && known.shopId !== caller.shopId) throw notFound('sheet');
    if (!known) {
      const row = { ...input, shopId: caller.shopId, leftover: false, addedAt: new Date(), usedAt: null, version: 1 };
      await this.db.createQueryBuilder().insert().into(StockSheetEntity).values(row).orIgnore().execute();
    }
    return this.view(caller);
  }

  async change(caller: Caller, { id, version, ...changes }: SheetInput & { version: number }): Promise<StockView> {
    needs('worker', caller);
    await this.own(caller, id);
    await changeOfShop(this.db, caller.shopId, (manager) =>
      changeOnce(manager, {
        ...{ target: StockSheetEntity, id, seen: version, changes },
        current: () => this.view(caller),
      }),
    );
    return this.view(caller);
  }

  async remove(caller: Caller, id: string): Promise<StockView> {
    needs('worker', caller);
    await this.own(caller, id);
    await this.db.getRepository(StockSheetEntity).delete({ id });
    return this.view(caller);
  }

  /** Which of these patterns is cut from which sheet; nothing is kept. */
  async layOut(caller: Caller, { blanks: ids, gap, turn }: LayOutRequest): Promise<LaidOutView> {
    const { sheets, blanks } = await this.view(caller);
    const wanted = ids.map((id, i) => {
      const blank = blanks.find((one) => one.id === id);
      if (!blank)
        throw new ServerProblem(
          'invalid',
          'This pattern is not waiting any more: its repair was changed or taken back.',
          `blanks[${i}]`,
        );
      if (blank.cutFrom)
        throw new ServerProblem(
          'invalid',
          `The piece for ${blank.panel} has been cut from ${blank.cutFrom.sheet} already.`,
          `blanks[${i}]`,
        );
      return { id, blank: blank.blank, thickness: blank.thickness, material: blank.material };
    });
    return this.services.bench.run('layOut', { sheets, blanks: wanted, gap, turn }, caller.personId);
  }

  /** A sheet is cut as it was laid out: its pieces are done, what stays whole goes back into the rack. */
  async cut(caller: Caller, { sheet: id, version, ...asked }: CutRequest): Promise<StockView> {
    needs('worker', caller);
    const row = await this.own(caller, id);
    const laid = (await this.layOut(caller, asked)).sheets.find(({ sheet }) => sheet === id);
    if (!laid)
      throw new ServerProblem('invalid', 'Nothing is cut from this sheet any more: lay the pieces out again.', 'sheet');
    const { blanks } = await this.view(caller);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      const at = new Date();
      await changeVersioned(manager, {
        ...{ target: StockSheetEntity, id, seen: version, changes: { usedAt: at } },
        current: () => this.view(caller),
      });
      const leftoverId = laid.left ? randomUUID() : null;
      if (laid.left)
        await manager.insert(StockSheetEntity, {
          ...{ shopId: caller.shopId, thickness: row.thickness, material: row.material },
          ...{ id: leftoverId!, width: laid.left.width, height: laid.left.height },
          ...{ name: leftoverName(row.name), leftover: true, addedAt: at, usedAt: null, version: 1 },
        });
      for (const { blank } of laid.placed) {
        const { repair, vehicle, panel } = blanks.find((one) => one.id === blank)!;
        await this.services.patterns.cut(manager, repair, {
          ...sectionOf(blank, blanks),
          ...{ sheet: row.name, sheetId: id, leftoverId, by: caller.name, at: at.toISOString() },
        });
        await record(manager, caller, vehicle, 'cut', `Blank for ${panel} cut from ${row.name}`);
      }
    });
    return this.view(caller);
  }

  /** A sheet was not cut after all: it stands in the rack again, and its pieces wait. */
  async takeBack(caller: Caller, repairId: string, section: number): Promise<StockView> {
    needs('worker', caller);
    await this.services.verdicts.own(caller, repairId);
    const row = await this.db.getRepository(PatternEntity).findOneBy({ id: repairId });
    const cut = cutsOf(row).find((one) => one.section === section);
    if (!cut) throw notFound('cut');
    const { sheetId, leftoverId } = cut;
    const leftover = leftoverId && (await this.db.getRepository(StockSheetEntity).findOneBy({ id: leftoverId }));
    if (leftover && leftover.usedAt)
      throw new ServerProblem(
        'invalid',
        'What was left of this sheet has been cut up since; take that back first.',
        'sheet',
      );
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      if (leftoverId) await manager.delete(StockSheetEntity, { id: leftoverId });
      await manager.update(StockSheetEntity, { id: sheetId, shopId: caller.shopId }, { usedAt: null });
      for (const { repair } of await this.openRepairs(caller))
        await this.services.patterns.uncut(manager, repair.id, sheetId);
    });
    return this.view(caller);
  }

  private async sheets(caller: Caller): Promise<StockSheetRow[]> {
    return this.db.getRepository(StockSheetEntity).find({
      where: { shopId: caller.shopId, usedAt: IsNull() },
      order: { material: 'DESC', thickness: 'ASC', addedAt: 'ASC' },
    });
  }

  private async own(caller: Caller, id: string): Promise<StockSheetRow> {
    const row = await this.db.getRepository(StockSheetEntity).findOneBy({ id, shopId: caller.shopId });
    if (!row) throw notFound('sheet');
    return row;
  }

  /** Repairs of all cars of the shop whose piece is made from sheet and that are not done. */
  private async openRepairs(caller: Caller): Promise<{ repair: RepairRow; car: string; panel: string }[]> {
    const vehicles = await this.db.getRepository(VehicleEntity).findBy({ shopId: caller.shopId, deletedAt: IsNull() });
    const repairs = await Promise.all(
      vehicles.map(({ id }) =>
        this.db.getRepository(RepairEntity).find({
          where: { vehicleId: id, deletedAt: IsNull(), done: false },
          order: { decidedAt: 'ASC' },
        }),
      ),
    );
    const own = await Promise.all(
      repairs
        .flat()
        .filter(({ choice }) => isMade(choice))
        .slice(0, MOST_OPEN)
        .map(async (repair) => {
          const { vehicle } = await this.services.verdicts.own(caller, repair.id);
          return { repair, car: vehicle.nickname, panel: panelOf(vehicle.plan, repair.panel).name };
        }),
    );
    return own;
  }
}

/** A blank is known by its repair, and by its section where there are several. */
const blankId = (repair: string, { section, sections }: { section: number; sections: number }): string =>
  sections > 1 ? `${repair}.${section}` : repair;
function sectionOf(id: string, blanks: StockView['blanks']): { section: number; of: number } {
  const [repair, section = '0'] = id.split('.');
  return { section: Number(section), of: blanks.filter((one) => one.repair === repair).length };
}

/** More patterns at once are no list that a person reads. */
const MOST_OPEN = 60;
const leftoverName = (name: string) => (name.startsWith('Left of ') ? name : `Left of ${name}`.slice(0, 80));
const sheetView = ({ shopId: _shop, addedAt: _added, usedAt: _used, leftover, ...row }: StockSheetRow): StockSheet => ({
  ...row,
  leftover: Boolean(leftover),
});
