import { randomUUID } from 'node:crypto';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import {
  OPTION_WORDS,
  type MovedEstimate,
  type Redecision,
  type RepairView,
  type TriedRules,
  type VerdictView,
} from '@aspecta/contract/verdict';
import {
  SCHOOL_WORDS,
  type SchoolCost,
  type SchoolQuestion,
  METALWORK_WORDS,
  type MetalworkCost,
  type MetalworkQuestion,
} from '@aspecta/contract/shop';
import { meet, panelOf } from '@aspecta/core/body';
import { isBought, isCutIn, type OptionId, type Spread } from '@aspecta/core/verdict';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import { needs, type Caller } from '../http/session.ts';
import type { OrderService } from '../order/service.ts';
import type { PaceService } from '../pace/service.ts';
import type { ShopService } from '../shop/service.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { ZoneService } from '../survey/zones.ts';
import type { Workbench } from '../work/bench.ts';
import { RepairEntity, type RepairRow } from './entities.ts';
import { movedBy } from './moved.ts';
import { metalworkCosts } from './metalworkCosts.ts';
import { schoolCosts } from './schoolCosts.ts';
import type { OfferService } from './offers.ts';
import { repairsOf } from './weighing.ts';
import { asDecided, repairView, staleOf, stepOf } from './view.ts';
import { chosen, weigh } from './weigh.ts';
import { layersOf, repairName } from './named.ts';

interface Services {
  garage: GarageService;
  zones: ZoneService;
  shops: ShopService;
  offers: OfferService;
  orders: OrderService;
  paces: PaceService;
  bench: Workbench;
}

/** What one decision says, without who and when. */
type Figures = Pick<RepairRow, 'zones' | 'choice' | 'proposed' | 'hours' | 'cost' | 'currency' | 'work' | 'paces'>;

/** The way of a decision: zones → options side by side → a person decides → order line; made again or taken back whenever he changes his mind. */
export class VerdictService {
  private readonly db: DataSource;
  private readonly services: Services;

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  /** Weighs the options for zones of one panel. */
  async weigh(caller: Caller, vehicleId: string, zoneIds: readonly string[]): Promise<VerdictView> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const zones = await this.services.zones.byIds(vehicleId, zoneIds);
    const [{ paces: _paces, ...view }, beside] = await Promise.all([
      weigh(this.services, caller, vehicle, zones),
      this.damagedBeside(vehicle, zones[0]!.panel),
    ]);
    return { ...view, beside };
  }

  /** Panels at this one whose damage nobody has decided on: one piece may take the place of all of them. */
  private async damagedBeside({ id, plan }: OwnVehicle, panelId: string): Promise<string[]> {
    const [zones, repairs] = await Promise.all([this.services.zones.ofVehicle(id), this.ofVehicle(id)]);
    const decided = new Set(repairs.flatMap((repair) => repair.zones.map((zone) => zone.id)));
    const open = new Set(zones.filter((zone) => !decided.has(zone.id)).map(({ panel }) => panel));
    const { view } = panelOf(plan, panelId);
    return plan.panels
      .filter((panel) => panel.view === view && open.has(panel.id) && panel.id !== panelId)
      .filter((panel) => meet(plan, panel.id, panelId))
      .map((panel) => panel.id);
  }

  /** How other house rules would move what is decided and not done. */
  async moved(caller: Caller, tried: TriedRules): Promise<MovedEstimate[]> {
    needs('owner', caller);
    return movedBy(this.db, this.services, caller, tried);
  }

  /** What each school of joints, or of working on metal, comes to on a typical repair, by the rules of the shop. */
  async schools(caller: Caller, question: string): Promise<(SchoolCost | MetalworkCost)[]> {
    needs('worker', caller);
    if (Object.hasOwn(METALWORK_WORDS, question)) {
      const { shops, paces, bench } = this.services;
      const [shop, own] = await Promise.all([shops.shop(caller), paces.of(caller)]);
      return metalworkCosts({ shop, paces: own, bench, caller }, question as MetalworkQuestion);
    }
    if (!Object.hasOwn(SCHOOL_WORDS, question)) throw notFound('question');
    return schoolCosts(this.services, caller, question as SchoolQuestion);
  }

  /** Decisions of a car, those that were taken back among them: a person may want them again. */
  async list(caller: Caller, vehicleId: string): Promise<RepairView[]> {
    return this.told(await this.services.garage.own(caller, vehicleId));
  }

  /** All of them as they are shown: for its open pages. */
  async told({ id: vehicleId, plan }: Pick<OwnVehicle, 'id' | 'plan'>): Promise<RepairView[]> {
    const [rows, zones, orders] = await Promise.all([
      this.db.getRepository(RepairEntity).find({ where: { vehicleId }, order: { decidedAt: 'ASC' } }),
      this.services.zones.ofVehicle(vehicleId),
      this.services.orders.ofVehicle(vehicleId),
    ]);
    return rows.filter((row) => !row.deletedAt || row.withdrawn).map((row) => repairView(row, plan, zones, orders));
  }

  /** Those that stand. */
  async ofVehicle(vehicleId: string): Promise<RepairRow[]> {
    return this.db.getRepository(RepairEntity).findBy({ vehicleId, deletedAt: IsNull() });
  }

  /** A repair in the caller's shop, with its vehicle; cut and weld come through here. */
  async own(caller: Caller, id: string): Promise<{ repair: RepairRow; vehicle: OwnVehicle }> {
    const { repair, vehicle } = await this.any(caller, id);
    if (repair.deletedAt) throw notFound('repair');
    return { repair, vehicle };
  }

  /** The damage of a repair that is still drawn. @throws ServerProblem where all of it was taken away */
  async damageOf(repair: RepairRow): Promise<ZoneRow[]> {
    const zones = await this.services.zones.ofVehicle(repair.vehicleId);
    const own = zones.filter(({ id }) => repair.zones.some((zone) => zone.id === id));
    if (own.length === 0)
      throw new ServerProblem(
        'invalid',
        'The damage that this repair was decided for is not drawn any more: decide again, or withdraw the decision.',
        'zoneIds',
      );
    return own;
  }

  async repair(caller: Caller, id: string): Promise<RepairView> {
    const { repair, vehicle } = await this.any(caller, id);
    const [zones, orders] = await Promise.all([
      this.services.zones.ofVehicle(repair.vehicleId),
      this.services.orders.ofVehicle(repair.vehicleId),
    ]);
    return repairView(repair, vehicle.plan, zones, orders);
  }

  /** Keeps the decision with its reason: one repair for each patch, the first of them is answered. A panel that is bought goes into the order book. */
  async decide(
    caller: Caller,
    vehicleId: string,
    input: { id: string; zoneIds: string[]; choice: OptionId; reason: string },
  ): Promise<RepairView> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const known = await this.db.getRepository(RepairEntity).findOneBy({ id: input.id });
    if (known) {
      if (known.vehicleId !== vehicleId) throw notFound('repair');
      return this.repair(caller, known.id);
    }
    const zones = await this.services.zones.byIds(vehicleId, input.zoneIds);
    // Each patch has its own line and its own state, unless a person joins them afterwards.
    const shop = await this.services.shops.shop(caller);
    const panel = panelOf(vehicle.plan, zones[0]!.panel);
    const groups = isCutIn(input.choice) ? repairsOf(zones, { panel, ...shop }) : [zones];
    const decided = await Promise.all(groups.map((group) => this.figures(caller, vehicle, group, input.choice)));
    const rows = decided.map(({ figures, offer: bought }, i): RepairRow => ({
      ...figures,
      // One panel that is bought gives the parts for all of them: it is paid once, with the first.
      cost: i > 0 && isBought(input.choice) ? less(figures.cost, bought?.landed ?? 0) : figures.cost,
      id: i === 0 ? input.id : randomUUID(),
      vehicleId,
      panel: zones[0]!.panel,
      reason: input.reason,
      done: false,
      version: 1,
      decidedBy: caller.name,
      decidedAt: new Date(),
      earlier: null,
      withdrawn: null,
      deletedAt: null,
    }));
    const [row] = rows as [RepairRow];
    const { offer } = decided[0]!;
    await changeOf(this.db, vehicleId, async (manager) => {
      // The same decision sent twice at once: the first has just been kept.
      if (await manager.existsBy(RepairEntity, { id: row.id })) return;
      await this.refuseDecided(manager, vehicleId, input.zoneIds);
      await manager.insert(RepairEntity, rows);
      if (isBought(input.choice) && offer) await this.services.orders.wantPanel(manager, caller, row, offer);
      await record(manager, caller, vehicleId, 'verdict', said(vehicle, row, input));
    });
    return this.repair(caller, row.id);
  }

  /**
   * Decides again: otherwise, for damage that has changed, or for other zones than before. What was
   * decided is kept; zones of other repairs may be taken over, and what is left out is open again.
   */
  async change(caller: Caller, id: string, { version, zoneIds, ...changes }: Redecision): Promise<RepairView> {
    const { repair, vehicle } = await this.own(caller, id);
    const before = repair.zones.map((zone) => zone.id);
    const drawn = await this.services.zones.ofVehicle(vehicle.id);
    const again =
      changes.choice !== repair.choice ||
      (zoneIds !== undefined && !sameSet(zoneIds, before)) ||
      (zoneIds !== undefined && staleOf(repair, drawn).length > 0) ||
      // Nothing is ordered for it any more: it is wanted anew.
      (zoneIds !== undefined && isBought(changes.choice) && !(await this.services.orders.isInBook(repair)));
    if (!again) return this.amend(caller, vehicle, repair, { version, ...changes });
    const zones = zoneIds
      ? await this.services.zones.byIds(vehicle.id, zoneIds)
      : drawn.filter((zone) => before.includes(zone.id));
    if (zones.length === 0 || zones.some(({ panel }) => panel !== repair.panel))
      throw new ServerProblem(
        'invalid',
        `Choose at least one zone, all on ${repairName(vehicle.plan, repair)}.`,
        'zoneIds',
      );
    const { figures, offer } = await this.figures(caller, vehicle, zones, changes.choice);
    await changeOf(this.db, vehicle.id, async (manager) => {
      await changeVersioned(manager, {
        target: RepairEntity,
        id,
        seen: version,
        changes: {
          ...figures,
          ...changes,
          earlier: [...(repair.earlier ?? []), stepOf(repair)],
          decidedBy: caller.name,
          decidedAt: new Date(),
        },
        current: () => this.repair(caller, id),
      });
      await this.takeOver(manager, caller, vehicle, id, figures.zones);
      if (isBought(changes.choice) && offer) await this.services.orders.wantPanel(manager, caller, repair, offer);
      if (!isBought(changes.choice))
        await this.services.orders.unwant(
          manager,
          id,
          `Decided otherwise: ${OPTION_WORDS[changes.choice].decided} – ${changes.reason}`,
        );
      await record(manager, caller, vehicle.id, 'verdict', `Again: ${said(vehicle, repair, changes)}`);
    });
    return this.repair(caller, id);
  }

  /** Takes a decision back, with the reason: its zones can be decided anew, and it can be restored. */
  async withdraw(
    caller: Caller,
    id: string,
    { reason, version }: { reason: string; version: number },
  ): Promise<RepairView> {
    const { vehicle, repair } = await this.any(caller, id);
    // Sent again, because its answer was lost.
    if (repair.withdrawn && repair.version === version + 1) return this.repair(caller, id);
    if (repair.deletedAt) throw notFound('repair');
    await changeOf(this.db, vehicle.id, async (manager) => {
      await this.takeAway(manager, caller, repair, version, reason);
      const name = repairName(vehicle.plan, repair);
      const undo = { kind: 'repair' as const, ids: [id], version: version + 1 };
      await record(manager, caller, vehicle.id, 'verdict', `${name}: decision taken back – ${reason}`, undo);
    });
    return this.repair(caller, id);
  }

  /** Lets a decision that was taken back stand again, where its zones have not been decided otherwise since. */
  async restore(caller: Caller, id: string, version: number): Promise<RepairView> {
    const { vehicle, repair } = await this.any(caller, id);
    if (!repair.withdrawn) return this.repair(caller, id);
    const { offer } = isBought(repair.choice)
      ? await this.services.offers.best(caller, vehicle, { panel: repair.panel, layers: layersOf(repair) })
      : { offer: null };
    await changeOf(this.db, vehicle.id, async (manager) => {
      await this.refuseDecided(
        manager,
        vehicle.id,
        repair.zones.map((zone) => zone.id),
      );
      await changeVersioned(manager, {
        target: RepairEntity,
        id,
        seen: version,
        changes: { withdrawn: null, deletedAt: null },
        current: () => this.repair(caller, id),
      });
      if (offer) await this.services.orders.wantPanel(manager, caller, repair, offer);
      await record(manager, caller, vehicle.id, 'verdict', `Stands again: ${said(vehicle, repair, repair)}`);
    });
    return this.repair(caller, id);
  }

  /** Reason or state alone: the decision itself stays. */
  private async amend(
    caller: Caller,
    vehicle: OwnVehicle,
    repair: RepairRow,
    { version, reason, done }: Pick<Redecision, 'version' | 'reason' | 'done'>,
  ): Promise<RepairView> {
    await changeOf(this.db, vehicle.id, async (manager) => {
      await changeVersioned(manager, {
        target: RepairEntity,
        id: repair.id,
        seen: version,
        changes: { reason, done },
        current: () => this.repair(caller, repair.id),
      });
      const name = repairName(vehicle.plan, repair);
      const what = done && !repair.done ? `Repair on ${name} done` : said(vehicle, repair, { ...repair, reason });
      await record(manager, caller, vehicle.id, 'verdict', what);
    });
    return this.repair(caller, repair.id);
  }

  private async figures(caller: Caller, vehicle: OwnVehicle, zones: readonly ZoneRow[], choice: OptionId) {
    const { verdict, offer, paces } = await weigh(this.services, caller, vehicle, zones);
    const option = chosen(verdict, choice);
    const { currency } = await this.services.shops.shop(caller);
    const figures: Figures = {
      zones: zones.map((zone) => asDecided(vehicle.plan, zone)),
      choice,
      proposed: verdict.proposed,
      hours: option.hours,
      cost: option.cost,
      currency,
      work: option.elements.map(({ name, count, hours }) => ({ name, count, hours })),
      paces: Object.keys(paces).length > 0 ? paces : null,
    };
    return { figures, offer };
  }

  /** Zones that stood in other repairs now belong to this one; a repair that has none left is taken back. */
  private async takeOver(
    manager: EntityManager,
    caller: Caller,
    vehicle: OwnVehicle,
    id: string,
    zones: RepairRow['zones'],
  ): Promise<void> {
    const others = await manager.findBy(RepairEntity, { vehicleId: vehicle.id, deletedAt: IsNull() });
    for (const other of others.filter((repair) => repair.id !== id)) {
      const left = other.zones.filter((zone) => !zones.some((taken) => taken.id === zone.id));
      if (left.length === other.zones.length) continue;
      if (left.length === 0)
        await this.takeAway(manager, caller, other, other.version, 'Taken into another repair of this panel');
      else
        await manager.update(
          RepairEntity,
          { id: other.id },
          // It was decided on together with what has left it: to be looked at again.
          { zones: left.map((zone) => ({ ...zone, version: PARTED })), version: other.version + 1 },
        );
    }
  }

  private async takeAway(
    manager: EntityManager,
    caller: Caller,
    repair: RepairRow,
    seen: number,
    reason: string,
  ): Promise<void> {
    const at = new Date();
    await changeVersioned(manager, {
      target: RepairEntity,
      id: repair.id,
      seen,
      changes: { withdrawn: { by: caller.name, at: at.toISOString(), reason }, deletedAt: at },
      current: () => this.repair(caller, repair.id),
    });
    await this.services.orders.unwant(manager, repair.id, `The decision was taken back: ${reason}`);
  }

  private async refuseDecided(manager: EntityManager, vehicleId: string, zoneIds: readonly string[]): Promise<void> {
    const others = await manager.findBy(RepairEntity, { vehicleId, deletedAt: IsNull() });
    const taken = others.find((repair) => repair.zones.some((zone) => zoneIds.includes(zone.id)));
    if (taken)
      throw new ServerProblem(
        'already-there',
        'One of these zones has been decided already; change that decision instead.',
        'zoneIds',
        { current: taken.id },
      );
  }

  /** Also where it was taken back. */
  private async any(caller: Caller, id: string): Promise<{ repair: RepairRow; vehicle: OwnVehicle }> {
    const repair = await this.db.getRepository(RepairEntity).findOneBy({ id });
    if (!repair || (repair.deletedAt && !repair.withdrawn)) throw notFound('repair');
    return { repair, vehicle: await this.services.garage.own(caller, repair.vehicleId) };
  }
}

const less = (cost: Spread, by: number): Spread => ({
  mean: cost.mean - by,
  p10: cost.p10 - by,
  p50: cost.p50 - by,
  p90: cost.p90 - by,
});
/** No zone ever has this version. */
const PARTED = 0;
const sameSet = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((one) => b.includes(one));
const said = (
  vehicle: OwnVehicle,
  repair: Pick<RepairRow, 'panel' | 'zones'>,
  { choice, reason }: Pick<RepairRow, 'choice' | 'reason'>,
): string => `${repairName(vehicle.plan, repair)}: ${OPTION_WORDS[choice].decided} – ${reason}`;
