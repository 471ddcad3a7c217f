import type { Board, BoardPanel } from '@aspecta/contract/board';
import type { Standing } from '@aspecta/contract/garage';
import { barePlaces } from '@aspecta/contract/survey';
import { sheetOf } from '@aspecta/core/body';
import { isAwaited } from '@aspecta/core/order';
import { panelState, rulesWith, withoutFormerCoating, type Limits, type Reading } from '@aspecta/core/survey';
import { KeptByRevision } from '../db/kept.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { OrderService } from '../order/service.ts';
import { isLate } from '../order/view.ts';
import { todayOf } from '../shop/clock.ts';
import { limitsOf } from '../shop/limits.ts';
import type { Workshop } from '../station.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { ZoneService } from '../survey/zones.ts';
import type { VerdictService } from '../verdict/service.ts';
import { standingsOf, type CarStanding, type GarageLine } from './standings.ts';

interface Services {
  garage: GarageService;
  readings: ReadingService;
  zones: ZoneService;
  verdicts: VerdictService;
  orders: OrderService;
}

/** The body at a glance: state of every panel, and the most useful next step. */
export class BoardService {
  private readonly house: Workshop;
  private readonly services: Services;
  private readonly kept = new KeptByRevision<OwnVehicle, CarStanding>();
  private readonly boards = new KeptByRevision<OwnVehicle, Board>();

  constructor(house: Workshop, services: Services) {
    this.house = house;
    this.services = services;
  }

  async board(caller: Caller, vehicleId: string): Promise<Board> {
    return this.of(await this.services.garage.own(caller, vehicleId));
  }

  private async of(vehicle: OwnVehicle): Promise<Board> {
    const today = await todayOf(this.house.db, vehicle.shopId);
    const limits = await limitsOf(this.house.db, vehicle.shopId);
    return this.boards.get(vehicle, `${today} ${JSON.stringify(limits)}`, () => this.make(vehicle, today, limits));
  }

  /** The line of stations of a vehicle: how each stands with it. */
  async line(caller: Caller, vehicleId: string): Promise<Standing[]> {
    const vehicle = await this.services.garage.own(caller, vehicleId);
    return (await this.standings([vehicle])).get(vehicle.id)!.line;
  }

  /** The lines of the Garage. */
  async garageLines(vehicles: readonly OwnVehicle[]): Promise<Map<string, GarageLine>> {
    const all = await this.standings(vehicles);
    return new Map([...all].map(([id, { figures, next }]) => [id, { ...figures, next }]));
  }

  /** How the stations stand with these vehicles; those that have not changed since are known, the others are asked for at once. */
  private async standings(vehicles: readonly OwnVehicle[]): Promise<Map<string, CarStanding>> {
    const shopId = vehicles[0]?.shopId;
    if (shopId === undefined) return new Map();
    const today = await todayOf(this.house.db, shopId);
    const changed: OwnVehicle[] = [];
    let asked: Promise<Map<string, CarStanding>> | undefined;
    const answers = await Promise.all(
      vehicles.map((vehicle) =>
        this.kept.get(vehicle, today, () => {
          changed.push(vehicle);
          // All that have to be asked for are known once this turn is over.
          asked ??= Promise.resolve().then(() => standingsOf(this.house, changed));
          return asked.then((all) => all.get(vehicle.id)!);
        }),
      ),
    );
    return new Map(vehicles.map((vehicle, i) => [vehicle.id, answers[i]!]));
  }

  private async make(vehicle: OwnVehicle, today: string, limits: Limits): Promise<Board> {
    const { plan } = vehicle;
    const [readings, zones, repairs, orders, standings] = await Promise.all([
      this.services.readings.counting(vehicle.id),
      this.services.zones.ofVehicle(vehicle.id),
      this.services.verdicts.ofVehicle(vehicle.id),
      this.services.orders.ofVehicle(vehicle.id),
      this.standings([vehicle]),
    ]);
    const readingsOf = new Map<string, Reading[]>(plan.panels.map((panel) => [panel.id, []]));
    for (const reading of readings) readingsOf.get(reading.panel)?.push(reading);
    const panels = plan.panels.map((panel): BoardPanel => {
      const own = zones.filter((zone) => zone.panel === panel.id);
      const state = panelState({
        sheet: sheetOf(panel),
        layers: panel.layers,
        readings: withoutFormerCoating(readingsOf.get(panel.id)!, barePlaces(own)),
        zones: own.map((zone) => zone.class),
        rules: rulesWith(limits),
      });
      const decisions = repairs.filter((repair) => repair.panel === panel.id);
      const undecided = own.some((zone) => !decisions.some((repair) => repair.zones.some(({ id }) => id === zone.id)));
      const done = decisions.length > 0 && !undecided && decisions.every((repair) => repair.done);
      const order = orders.find((row) => row.panel === panel.id && isAwaited(row.state));
      return {
        panel: panel.id,
        state: done ? 'done' : decisions.length > 0 && !undecided ? 'decided' : state.condition,
        ...state,
        zones: own.length,
        choice: decisions.at(-1)?.choice ?? null,
        awaited: order ? { state: order.state, due: order.due, late: isLate(order, today) } : null,
      };
    });
    return { panels, next: standings.get(vehicle.id)!.next };
  }
}
