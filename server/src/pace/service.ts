import { In, MoreThan, type DataSource } from 'typeorm';
import type { PacesView } from '@aspecta/contract/pace';
import { hoursByKind } from '@aspecta/core/job';
import { WORK_KINDS, type Paces, type WorkKind } from '@aspecta/core/repair';
import { calibrate } from '@aspecta/core/verdict';
import { note } from '../account/audit.ts';
import { changeOfShop } from '../db/changeOf.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { needs, type Caller } from '../http/session.ts';
import { StepWordEntity } from '../job/entities.ts';
import { ShopEntity } from '../shop/entities.ts';
import { RepairEntity, type RepairRow } from '../verdict/entities.ts';
import { repairName } from '../verdict/named.ts';
import { secondSides } from './secondSides.ts';

/** So many steps of a kind before estimates follow them: one that went badly is no pace. */
const FEWEST = 3;
/** Coats and seals stand in several steps, so that the hours of one say little. */
const TAUGHT: readonly WorkKind[] = WORK_KINDS.filter((kind) => kind !== 'seal' && kind !== 'prime');

/** A step that is done, with what was counted for it and what it took. */
export interface Case {
  kind: WorkKind;
  repair: RepairRow;
  counted: number;
  spent: number;
  at: Date;
}

/** What a shop's own hours say of its paces: hours noted on steps → against what was counted for them → a factor by kind of work. */
export class PaceService {
  private readonly db: DataSource;
  private readonly garage: GarageService;

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  /** By what counted hours are multiplied; a kind of which too little is known is left out. */
  async of(caller: Caller): Promise<Paces> {
    const cases = await this.cases(caller, await this.garage.all(caller));
    return Object.fromEntries(
      TAUGHT.flatMap((kind) => {
        const own = cases.filter((one) => one.kind === kind);
        return own.length < FEWEST ? [] : [[kind, factorOf(kind, own).factor]];
      }),
    );
  }

  async view(caller: Caller): Promise<PacesView> {
    const vehicles = await this.garage.all(caller);
    const cases = await this.cases(caller, vehicles);
    const since = await this.since(caller);
    return {
      since: since?.toISOString() ?? null,
      second: secondSides(cases, vehicles),
      paces: TAUGHT.map((kind) => {
        const own = cases.filter((one) => one.kind === kind);
        const { factor, low, high } = factorOf(kind, own);
        return {
          ...{ kind, factor, low, high, used: own.length >= FEWEST },
          cases: own.map(({ repair, counted, spent, at }) => {
            const vehicle = vehicles.find(({ id }) => id === repair.vehicleId)!;
            return {
              ...{ vehicle: vehicle.nickname, panel: repairName(vehicle.plan, repair) },
              ...{ counted, spent, at: at.toISOString() },
            };
          }),
        };
      }),
    };
  }

  /** From now on only what is done from now on teaches. */
  async reset(caller: Caller): Promise<PacesView> {
    needs('owner', caller);
    await changeOfShop(this.db, caller.shopId, async (manager) => {
      await manager.update(ShopEntity, { id: caller.shopId }, { pacesSince: new Date() });
      await note(manager, caller, 'Own paces of work forgotten');
    });
    return this.view(caller);
  }

  private async since({ shopId }: Caller): Promise<Date | null> {
    return (await this.db.getRepository(ShopEntity).findOneByOrFail({ id: shopId })).pacesSince ?? null;
  }

  /** Steps that are done with their hours noted, each with what was counted for it, before any pace of the shop's own. */
  private async cases(caller: Caller, vehicles: readonly OwnVehicle[]): Promise<Case[]> {
    const vehicleId = In(vehicles.map(({ id }) => id));
    const since = await this.since(caller);
    const [words, repairs] = await Promise.all([
      this.db.getRepository(StepWordEntity).find({
        where: { vehicleId, state: 'done', spent: MoreThan(0), ...(since ? { at: MoreThan(since) } : {}) },
        order: { at: 'ASC' },
      }),
      this.db.getRepository(RepairEntity).findBy({ vehicleId }),
    ]);
    const byId = new Map(repairs.map((repair) => [repair.id, repair]));
    return words.flatMap(({ step, spent, at }): Case[] => {
      const [id, kind] = step.split(' ') as [string, WorkKind];
      const repair = byId.get(id);
      if (!repair?.work || !TAUGHT.includes(kind)) return [];
      const reckoned = hoursByKind({ work: repair.work, hours: repair.hours.p50 })(kind);
      const counted = reckoned / (repair.paces?.[kind] ?? 1);
      return counted > 0 ? [{ kind, repair, counted, spent: spent!, at }] : [];
    });
  }
}

const factorOf = (kind: WorkKind, cases: readonly Case[]) =>
  calibrate({
    element: kind,
    history: cases.map(({ counted, spent }) => ({ estimated: counted, actual: spent })),
  });
