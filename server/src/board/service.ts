import type { DataSource } from 'typeorm';
import type { Board, BoardPanel } from '@aspecta/contract/board';
import type { NextStep } from '@aspecta/contract/garage';
import { barePlaces } from '@aspecta/contract/survey';
import { sheetOf } from '@aspecta/core/body';
import { isAwaited } from '@aspecta/core/order';
import { panelState, withoutFormerCoating, type Reading } from '@aspecta/core/survey';
import { KeptByRevision } from '../db/kept.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { isLate, type OrderService } from '../order/service.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { ZoneService } from '../survey/zones.ts';
import type { VerdictService } from '../verdict/service.ts';
import { nextStep } from './nextStep.ts';
import { tally, type GarageLine } from './tally.ts';

interface Services {
  garage: GarageService;
  readings: ReadingService;
  zones: ZoneService;
  verdicts: VerdictService;
  orders: OrderService;
}

/** The body at a glance: state of every panel, and the most useful next step. */
export class BoardService {
  private readonly db: DataSource;
  private readonly services: Services;
  private readonly lines = new KeptByRevision<OwnVehicle, GarageLine>();
  private readonly boards = new KeptByRevision<OwnVehicle, Board>();

  constructor(db: DataSource, services: Services) {
    this.db = db;
    this.services = services;
  }

  async board(caller: Caller, vehicleId: string): Promise<Board> {
    return this.of(await this.services.garage.own(caller, vehicleId));
  }

  private of(vehicle: OwnVehicle): Promise<Board> {
    return this.boards.get(vehicle, new Date().toISOString().slice(0, 10), () => this.make(vehicle));
  }

  /** The lines of the Garage; those whose vehicle has not changed since are known, the others are counted at once. */
  async garageLines(vehicles: readonly OwnVehicle[]): Promise<Map<string, GarageLine>> {
    const today = new Date().toISOString().slice(0, 10);
    const changed: OwnVehicle[] = [];
    let counted: Promise<Map<string, GarageLine>> | undefined;
    const lines = vehicles.map((vehicle) =>
      this.lines.get(vehicle, today, () => {
        changed.push(vehicle);
        // All that have to be counted are known once this turn is over.
        counted ??= Promise.resolve().then(() => tally(this.db, changed));
        return counted.then((all) => all.get(vehicle.id)!);
      }),
    );
    const answers = await Promise.all(lines);
    return new Map(vehicles.map((vehicle, i) => [vehicle.id, answers[i]!]));
  }

  private async make(vehicle: OwnVehicle): Promise<Board> {
    const { plan } = vehicle;
    const [readings, zones, repairs, orders] = await Promise.all([
      this.services.readings.counting(vehicle.id),
      this.services.zones.ofVehicle(vehicle.id),
      this.services.verdicts.ofVehicle(vehicle.id),
      this.services.orders.ofVehicle(vehicle.id),
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
        awaited: order ? { state: order.state, due: order.due, late: isLate(order) } : null,
      };
    });
    const next: NextStep = nextStep({ plan, panels, zones, repairs, orders });
    return { panels, next };
  }
}
