import type { Board, BoardPanel } from '@aspecta/contract/board';
import type { GarageVehicle, NextStep, Vehicle } from '@aspecta/contract/garage';
import { sheetOf } from '@aspecta/core/body';
import { isAwaited } from '@aspecta/core/order';
import { panelState, type Reading } from '@aspecta/core/survey';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { isLate, type OrderService } from '../order/service.ts';
import type { ReadingService } from '../survey/readings.ts';
import type { ZoneService } from '../survey/zones.ts';
import type { VerdictService } from '../verdict/service.ts';
import { nextStep } from './nextStep.ts';

interface Services {
  garage: GarageService;
  readings: ReadingService;
  zones: ZoneService;
  verdicts: VerdictService;
  orders: OrderService;
}

/** The body at a glance: state of every panel, and the most useful next step. */
export class BoardService {
  private readonly services: Services;

  constructor(services: Services) {
    this.services = services;
  }

  async board(caller: Caller, vehicleId: string): Promise<Board> {
    return this.of(await this.services.garage.own(caller, vehicleId));
  }

  async garageLine(vehicle: OwnVehicle): Promise<Omit<GarageVehicle, keyof Vehicle>> {
    const { panels, next } = await this.of(vehicle);
    return {
      readings: panels.reduce((sum, panel) => sum + panel.readings, 0),
      panels: panels.length,
      panelsMeasured: panels.filter((panel) => panel.readings > 0).length,
      decided: panels.filter((panel) => panel.choice !== null).length,
      awaited: panels.filter((panel) => panel.awaited).length,
      late: panels.filter((panel) => panel.awaited?.late).length,
      next,
    };
  }

  private async of(vehicle: OwnVehicle): Promise<Board> {
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
        readings: readingsOf.get(panel.id)!,
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
