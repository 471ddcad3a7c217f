import type { WholeOption, WholeRepair, WholeView } from '@aspecta/contract/whole';
import { panelOf, sheetOf } from '@aspecta/core/body';
import { area } from '@aspecta/core/geometry';
import { isBought, isCutIn, keepsPanel, type CarPlan, type OptionId, type Verdict } from '@aspecta/core/verdict';
import type { Shop } from '@aspecta/contract/shop';
import { KeptByRevision } from '../db/kept.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { PaceService } from '../pace/service.ts';
import type { ShopService } from '../shop/service.ts';
import type { ZoneRow } from '../survey/entities.ts';
import type { ZoneService } from '../survey/zones.ts';
import type { OfferService } from '../verdict/offers.ts';
import type { VerdictService } from '../verdict/service.ts';
import { weigh } from '../verdict/weigh.ts';
import type { Workbench } from '../work/bench.ts';

interface Services {
  garage: GarageService;
  zones: ZoneService;
  verdicts: VerdictService;
  offers: OfferService;
  shops: ShopService;
  paces: PaceService;
  bench: Workbench;
}
type Carriage = Map<string, number>;

/** Plans for the whole car: every repair weighed by itself → carriage shared → what no other plan beats. */
export class WholeService {
  private readonly services: Services;
  private readonly kept = new KeptByRevision<OwnVehicle, WholeView>();

  constructor(services: Services) {
    this.services = services;
  }

  async view(caller: Caller, vehicleId: string): Promise<WholeView> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    const shop = await this.services.shops.shop(caller);
    // What a customer is told of rates is not what the shop reckons with.
    const paces = JSON.stringify(await this.services.paces.of(caller));
    return this.kept.get(vehicle, `${shop.version} ${caller.role === 'customer'} ${paces}`, () =>
      this.make(caller, vehicle, shop),
    );
  }

  private async make(caller: Caller, vehicle: OwnVehicle, shop: Shop): Promise<WholeView> {
    const [zones, repairs] = await Promise.all([
      this.services.zones.ofVehicle(vehicle.id),
      this.services.verdicts.ofVehicle(vehicle.id),
    ]);
    const open = repairs.filter(({ done }) => !done);
    const decided = new Set(repairs.flatMap((row) => row.zones.map(({ id }) => id)));
    const groups: { zones: ZoneRow[]; decided: WholeRepair['decided']; id: string }[] = open.map((row) => ({
      id: row.id,
      zones: zones.filter(({ id }) => row.zones.some((zone) => zone.id === id)),
      decided: { choice: row.choice, version: row.version },
    }));
    for (const zone of zones.filter(({ id }) => !decided.has(id))) {
      const known = groups.find((group) => isOpenWith(group, zone));
      if (known) known.zones.push(zone);
      else groups.push({ id: zone.id, zones: [zone], decided: null });
    }
    const carriage: Carriage = new Map();
    const weighed = await Promise.all(
      groups
        .filter((group) => group.zones.length > 0 && vehicle.plan.panels.some(({ id }) => id === group.zones[0]!.panel))
        .map((group) => this.weighed(caller, vehicle, group, { taxRate: shop.taxRate, carriage })),
    );
    const all = weighed.filter(({ options }) => options.length > 0);
    const empty = { plans: [], cheapest: null, quickest: null, mostOriginal: null, now: null };
    const hourRate = shop.rates.hour;
    const told = all.map(({ proposed: _proposed, ...repair }) => repair);
    if (all.length === 0) return { repairs: [], ...empty, hourRate };
    const input = {
      repairs: all,
      suppliers: [...carriage].map(([id, price]) => ({ id, carriage: price })),
      hourRate,
    };
    const found = await this.services.bench.run('portfolio', input, caller.personId);
    return { repairs: told, ...found, now: nowOf(all, carriage), hourRate };
  }

  /** One repair with all of its options; what a panel costs goes apart from its carriage. */
  private async weighed(
    caller: Caller,
    vehicle: OwnVehicle,
    group: { id: string; zones: ZoneRow[]; decided: WholeRepair['decided'] },
    { taxRate, carriage }: { taxRate: number; carriage: Carriage },
  ): Promise<WholeRepair & { proposed: OptionId | null }> {
    const { verdict, offer } = await weigh(this.services, caller, vehicle, group.zones);
    const panel = panelOf(vehicle.plan, group.zones[0]!.panel);
    const withTax = (price: number) => Math.round(price * (1 + taxRate));
    if (offer) carriage.set(offer.maker, Math.max(carriage.get(offer.maker) ?? 0, withTax(offer.carriage)));
    const size = area(sheetOf(panel));
    return {
      id: group.id,
      panel: panel.id,
      layers: [...new Set(group.zones.map(({ layer }) => layer))],
      zoneIds: group.zones.map(({ id }) => id),
      decided: group.decided,
      proposed: verdict.proposed,
      options: weighable(verdict, group.decided?.choice ?? null).map((option): WholeOption => ({
        id: option.id,
        hours: option.hours.p50,
        money: Math.max(0, option.outlay - (isBought(option.id) ? (offer?.landed ?? 0) : 0)),
        keeps: kept(option.id, verdict, size),
        buys: isBought(option.id) && offer ? [{ supplier: offer.maker, price: withTax(offer.price) }] : [],
      })),
    };
  }
}

/** Options that can be done and end the damage, or, where none does, that can be done; what is decided is among them. */
function weighable({ options }: Verdict, decided: OptionId | null): Verdict['options'] {
  const possible = options.filter(({ ruledOut, id }) => !ruledOut || id === decided);
  const lasting = possible.filter(({ lasts, id }) => lasts || id === decided);
  return lasting.length > 0 ? lasting : possible;
}

/** Sheet that stays in the car, mm². */
function kept(choice: OptionId, { damageShare }: Verdict, size: number): number {
  if (keepsPanel(choice)) return size;
  return isCutIn(choice) ? size * (1 - Math.min(1, damageShare)) : 0;
}

/** As it is decided, by the proposal where nothing is; what can be neither is left by its first option. */
function nowOf(repairs: readonly (WholeRepair & { proposed: OptionId | null })[], carriage: Carriage): CarPlan {
  const picked = repairs.map(({ decided, proposed, options }) => {
    const wanted = decided?.choice ?? proposed;
    return options.find(({ id }) => id === wanted) ?? options[0]!;
  });
  const suppliers = new Set(picked.flatMap(({ buys }) => buys.map(({ supplier }) => supplier)));
  const sum = (of: (option: WholeOption) => number) => picked.reduce((all, option) => all + of(option), 0);
  return {
    choice: Object.fromEntries(repairs.map(({ id }, i) => [id, picked[i]!.id])),
    hours: sum(({ hours }) => hours),
    money:
      sum(({ money, buys }) => money + buys.reduce((paid, { price }) => paid + price, 0)) +
      [...suppliers].reduce((paid, supplier) => paid + (carriage.get(supplier) ?? 0), 0),
    keeps: sum(({ keeps }) => keeps),
  };
}

/** Is nothing decided of these zones, and does this one lie on the same sheet? */
const isOpenWith = (
  { decided, zones: [first] }: { decided: unknown; zones: readonly ZoneRow[] },
  zone: ZoneRow,
): boolean => decided === null && first!.panel === zone.panel && first!.layer === zone.layer;
