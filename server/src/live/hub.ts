import { In, MoreThan } from 'typeorm';
import type { LiveChange } from '@aspecta/contract/live';
import { VehicleEntity } from '../garage/entities.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import type { Workshop } from '../station.ts';

/** ms between looks into the database: others see a reading well within a second. */
const EVERY = 400;
/**
 * ms that a look reaches back: a write may commit a little after its time stamp, and that is by
 * the clock of the server that wrote it, which may be minutes away from ours.
 */
const OVERLAP = 10 * 60_000;
/**
 * Tells the open pages of a vehicle what has changed. It looks into the database, so that it
 * works with several server processes too; pages tell apart what they know already by id.
 */
export class LiveHub {
  private readonly house: Workshop;
  private readonly garage: GarageService;
  private readonly watched = new Map<string, Set<(change: LiveChange) => void>>();
  private timer: NodeJS.Timeout | undefined;
  private looking = false;
  private readonly seen = new Map<string, Map<string, string>>();
  /** The revision at which each watched vehicle was last looked at. */
  private readonly revisions = new Map<string, number>();

  constructor(house: Workshop, garage: GarageService) {
    this.house = house;
    this.garage = garage;
  }

  /** Watches a vehicle of the caller's shop; returns how to stop. */
  async watch(caller: Caller, vehicleId: string, tell: (change: LiveChange) => void): Promise<() => void> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const listeners = this.watched.get(vehicleId) ?? new Set();
    // Decisions carry prices, which a customer is not told.
    const told = caller.role === 'customer' ? (change: LiveChange) => tell({ ...change, repairs: [] }) : tell;
    listeners.add(told);
    this.watched.set(vehicleId, listeners);
    if (!this.seen.has(vehicleId)) {
      this.seen.set(vehicleId, new Map());
      // What is stored already is known to a page that has just loaded.
      await this.look(vehicle, true, vehicle.revision);
    }
    this.timer ??= setInterval(() => void this.lookAtAll().catch(() => undefined), EVERY);
    return () => {
      listeners.delete(told);
      if (listeners.size === 0) {
        this.watched.delete(vehicleId);
        this.seen.delete(vehicleId);
        this.revisions.delete(vehicleId);
      }
      if (this.watched.size === 0) this.close();
    };
  }

  close(): void {
    clearInterval(this.timer);
    this.timer = undefined;
  }

  private async lookAtAll(): Promise<void> {
    if (this.looking) return;
    this.looking = true;
    try {
      const rows = await this.house.db.getRepository(VehicleEntity).find({
        where: { id: In([...this.watched.keys()]) },
        select: { id: true, revision: true },
      });
      for (const { id, revision } of rows)
        if (this.revisions.get(id) !== revision)
          await this.look({ id, plan: await this.garage.planOf(id) }, false, revision);
    } finally {
      this.looking = false;
    }
  }

  private async look(vehicle: Pick<OwnVehicle, 'id' | 'plan'>, quietly: boolean, revision?: number): Promise<void> {
    const since = MoreThan(new Date(Date.now() - OVERLAP));
    const items = await Promise.all(
      this.house.stations.map((station) => station.live?.(this.house, vehicle, since) ?? []),
    );
    const seen = this.seen.get(vehicle.id);
    const listeners = this.watched.get(vehicle.id);
    if (!seen || !listeners) return;
    const change: Record<keyof LiveChange, unknown[]> = {
      vehicles: [],
      readings: [],
      zones: [],
      zonesGone: [],
      finds: [],
      findsGone: [],
      repairs: [],
    };
    for (const { into, id, state, view } of items.flat()) {
      if (seen.get(id) === state) continue;
      seen.set(id, state);
      change[into].push(view());
    }
    if (revision !== undefined) this.revisions.set(vehicle.id, revision);
    // What is in none of these lists has changed all the same: a tape, a tick, a step.
    if (quietly) return;
    for (const tell of listeners) tell(change as LiveChange & typeof change);
  }
}
