import { IsNull, type DataSource } from 'typeorm';
import type { RepairView, VerdictView } from '@aspecta/contract/verdict';
import { panelOf } from '@aspecta/core/body';
import { isBought, type OptionId, type Verdict } from '@aspecta/core/verdict';
import { changeVersioned } from '../db/change.ts';
import { changeOf } from '../db/changeOf.ts';
import { record } from '../events/record.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound, ServerProblem } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import type { OrderService } from '../order/service.ts';
import type { ShopService } from '../shop/service.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { ZoneService } from '../survey/zones.ts';
import type { Workbench } from '../work/bench.ts';
import { RepairEntity, type RepairRow } from './entities.ts';
import type { OfferService } from './offers.ts';

/** What was decided, as a sentence goes on. */
export const DECIDED: Record<OptionId, string> = {
  treat: 'treat and keep',
  patch: 'let in a patch',
  part: 'let in part of a repair panel',
  whole: 'fit a whole panel',
  make: 'make the panel',
  overlay: 'lay a new sheet over it',
};

interface Services {
  garage: GarageService;
  zones: ZoneService;
  shops: ShopService;
  offers: OfferService;
  orders: OrderService;
  bench: Workbench;
}

/** The way of a decision: zones → counted repair → options side by side → a person decides → order line. */
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
    return this.compareFor(caller, vehicle, zones);
  }

  private async compareFor(caller: Caller, vehicle: OwnVehicle, zones: readonly ZoneRow[]): Promise<VerdictView> {
    const plan = vehicle.plan;
    const panelIds = new Set(zones.map((zone) => zone.panel));
    if (panelIds.size !== 1)
      throw new ServerProblem(
        'invalid',
        'A decision is made for zones of one panel; choose those of one panel.',
        'zoneIds',
      );
    const panel = panelOf(plan, zones[0]!.panel);
    const [{ offer, foreign }, shop] = await Promise.all([
      this.services.offers.best(caller, vehicle, panel.id),
      this.services.shops.shop(caller),
    ]);
    const verdict = await this.services.bench.run(
      'weighRepair',
      {
        plan,
        panelId: panel.id,
        zones: zones.map(({ class: kind, layer, ring, holes }) => ({ class: kind, layer, ring, holes })),
        offer: offer && { landed: offer.landed, leadDays: offer.leadDays },
        rates: shop.rates,
        house: { overlay: shop.overlay },
      },
      caller.personId,
    );
    return { verdict, offer, foreign };
  }

  async list(caller: Caller, vehicleId: string): Promise<RepairView[]> {
    await this.services.garage.own(caller, vehicleId);
    const [rows, zones] = await Promise.all([
      this.db.manager.find(RepairEntity, { where: { vehicleId, deletedAt: IsNull() }, order: { decidedAt: 'ASC' } }),
      this.services.zones.ofVehicle(vehicleId),
    ]);
    return rows.map((row) => viewOf(row, zones));
  }

  /** All repairs of a vehicle as they are shown, and those that were taken back: for its open pages. */
  async told(vehicleId: string): Promise<[there: RepairView[], gone: string[]]> {
    const [rows, zones] = await Promise.all([
      this.db.manager.findBy(RepairEntity, { vehicleId }),
      this.services.zones.ofVehicle(vehicleId),
    ]);
    return [
      rows.filter((row) => !row.deletedAt).map((row) => viewOf(row, zones)),
      rows.filter((row) => row.deletedAt).map(({ id }) => id),
    ];
  }

  async ofVehicle(vehicleId: string): Promise<RepairRow[]> {
    return this.db.manager.findBy(RepairEntity, { vehicleId, deletedAt: IsNull() });
  }

  /** A repair in the caller's shop, with its vehicle; cut and weld come through here. */
  async own(caller: Caller, id: string): Promise<{ repair: RepairRow; vehicle: OwnVehicle }> {
    const repair = await this.db.manager.findOneBy(RepairEntity, { id, deletedAt: IsNull() });
    if (!repair) throw notFound('repair');
    return { repair, vehicle: await this.services.garage.own(caller, repair.vehicleId) };
  }

  async repair(caller: Caller, id: string): Promise<RepairView> {
    const { repair } = await this.own(caller, id);
    return viewOf(repair, await this.services.zones.ofVehicle(repair.vehicleId));
  }

  /** Keeps the decision with its reason; a whole panel goes into the order book. */
  async decide(
    caller: Caller,
    vehicleId: string,
    input: { id: string; zoneIds: string[]; choice: OptionId; reason: string },
  ): Promise<RepairView> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const known = await this.db.manager.findOneBy(RepairEntity, { id: input.id });
    if (known) {
      if (known.vehicleId !== vehicleId) throw notFound('repair');
      return this.repair(caller, known.id);
    }
    const zones = await this.services.zones.byIds(vehicleId, input.zoneIds);
    const { verdict, offer } = await this.compareFor(caller, vehicle, zones);
    const option = chosen(verdict, input.choice);
    const panel = panelOf(vehicle.plan, zones[0]!.panel);
    const row: RepairRow = {
      id: input.id,
      vehicleId,
      panel: panel.id,
      zones: zones.map(({ id, version }) => ({ id, version })),
      choice: input.choice,
      proposed: verdict.proposed,
      reason: input.reason,
      hours: option.hours,
      cost: option.cost,
      currency: (await this.services.shops.shop(caller)).currency,
      done: false,
      version: 1,
      decidedBy: caller.name,
      decidedAt: new Date(),
      deletedAt: null,
    };
    await changeOf(this.db, vehicleId, async (manager) => {
      const others = await manager.findBy(RepairEntity, { vehicleId, deletedAt: IsNull() });
      // The same decision sent twice at once: the first has just been kept.
      if (others.some((repair) => repair.id === row.id)) return;
      const taken = others.find((repair) => repair.zones.some((zone) => input.zoneIds.includes(zone.id)));
      if (taken)
        throw new ServerProblem(
          'already-there',
          'One of these zones has been decided already; change that decision instead.',
          'zoneIds',
          { current: taken.id },
        );
      await manager.insert(RepairEntity, row);
      if (isBought(input.choice) && offer) await this.services.orders.wantPanel(manager, caller, row, offer);
      await record(manager, caller, vehicleId, 'verdict', `${panel.name}: ${DECIDED[input.choice]} – ${input.reason}`);
    });
    return this.repair(caller, row.id);
  }

  async change(
    caller: Caller,
    id: string,
    { version, ...changes }: { choice: OptionId; reason: string; done: boolean; version: number },
  ): Promise<RepairView> {
    const { repair, vehicle } = await this.own(caller, id);
    let figures: Pick<RepairRow, 'hours' | 'cost' | 'currency'> = {
      hours: repair.hours,
      cost: repair.cost,
      currency: repair.currency,
    };
    let offer: VerdictView['offer'] = null;
    if (changes.choice !== repair.choice) {
      const zones = await this.services.zones.byIds(
        vehicle.id,
        repair.zones.map((zone) => zone.id),
      );
      const view = await this.compareFor(caller, vehicle, zones);
      const option = chosen(view.verdict, changes.choice);
      const { currency } = await this.services.shops.shop(caller);
      figures = { hours: option.hours, cost: option.cost, currency };
      offer = view.offer;
    }
    await changeOf(this.db, vehicle.id, async (manager) => {
      await changeVersioned(manager, {
        target: RepairEntity,
        id,
        seen: version,
        changes: { ...changes, ...figures, decidedBy: caller.name, decidedAt: new Date() },
        current: () => this.repair(caller, id),
      });
      if (isBought(changes.choice) && offer) await this.services.orders.wantPanel(manager, caller, repair, offer);
      await record(
        manager,
        caller,
        vehicle.id,
        'verdict',
        changes.done && !repair.done
          ? `Repair on ${repair.panel} done`
          : `${repair.panel}: ${DECIDED[changes.choice]} – ${changes.reason}`,
      );
    });
    return this.repair(caller, id);
  }

  /** Takes a decision back; its zones can be decided again. */
  async remove(caller: Caller, id: string): Promise<void> {
    const { vehicle, repair } = await this.own(caller, id);
    await changeOf(this.db, vehicle.id, async (manager) => {
      await manager.update(RepairEntity, { id }, { deletedAt: new Date() });
      const name = panelOf(vehicle.plan, repair.panel).name;
      await record(manager, caller, vehicle.id, 'verdict', `${name}: decision taken back`);
    });
  }
}

function chosen(verdict: Verdict, choice: OptionId): Verdict['options'][number] {
  const option = verdict.options.find((candidate) => candidate.id === choice);
  if (!option)
    throw new ServerProblem(
      'invalid',
      `The house rules do not allow to ${DECIDED[choice]}; choose another option, or let the owner change them.`,
      'choice',
    );
  if (option.ruledOut) throw new ServerProblem('invalid', option.ruledOut, 'choice');
  return option;
}

function viewOf(row: RepairRow, zones: readonly ZoneRow[]): RepairView {
  const stale = row.zones.filter(({ id, version }) => zones.find((zone) => zone.id === id)?.version !== version);
  return {
    id: row.id,
    panel: row.panel,
    zoneIds: row.zones.map((zone) => zone.id),
    choice: row.choice,
    proposed: row.proposed,
    reason: row.reason,
    hours: row.hours,
    cost: row.cost,
    currency: row.currency,
    done: Boolean(row.done),
    version: row.version,
    decidedBy: row.decidedBy,
    decidedAt: row.decidedAt.toISOString(),
    staleZones: stale.map((zone) => zone.id),
  };
}
