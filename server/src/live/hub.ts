import { In, IsNull, MoreThan, type DataSource } from 'typeorm';
import type { LiveChange } from '@aspecta/contract/live';
import { panelOf } from '@aspecta/core/body';
import { VehicleEntity } from '../garage/entities.ts';
import type { GarageService } from '../garage/service.ts';
import type { Caller } from '../http/session.ts';
import { FindEntity, ReadingEntity, ZoneEntity } from '../survey/entities.ts';
import { findView } from '../survey/finds.ts';
import { readingView } from '../survey/readings.ts';
import { zoneView } from '../survey/zones.ts';

/** ms between looks into the database: others see a reading well within a second. */
const EVERY = 400;
/**
 * ms that a look reaches back: a write may commit a little after its time stamp, and that is by
 * the clock of the server that wrote it, which may be minutes away from ours.
 */
const OVERLAP = 10 * 60_000;
/** Changes of one look; a large import is seen on reload. */
const MOST = 500;

/**
 * Tells the open pages of a vehicle what has changed. It looks into the database, so that it
 * works with several server processes too; pages tell apart what they know already by id.
 */
export class LiveHub {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  private readonly watched = new Map<string, Set<(change: LiveChange) => void>>();
  private timer: NodeJS.Timeout | undefined;
  private looking = false;
  private readonly seen = new Map<string, Map<string, string>>();
  /** The revision at which each watched vehicle was last looked at. */
  private readonly revisions = new Map<string, number>();

  constructor(db: DataSource, garage: GarageService) {
    this.db = db;
    this.garage = garage;
  }

  /** Watches a vehicle of the caller's shop; returns how to stop. */
  async watch(caller: Caller, vehicleId: string, tell: (change: LiveChange) => void): Promise<() => void> {
    await this.garage.own(caller, vehicleId);
    const listeners = this.watched.get(vehicleId) ?? new Set();
    listeners.add(tell);
    this.watched.set(vehicleId, listeners);
    if (!this.seen.has(vehicleId)) {
      this.seen.set(vehicleId, new Map());
      // What is stored already is known to a page that has just loaded.
      await this.look(vehicleId, true);
    }
    this.timer ??= setInterval(() => void this.lookAtAll().catch(() => undefined), EVERY);
    return () => {
      listeners.delete(tell);
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
      const rows = await this.db.manager.find(VehicleEntity, {
        where: { id: In([...this.watched.keys()]) },
        select: { id: true, revision: true },
      });
      for (const { id, revision } of rows)
        if (this.revisions.get(id) !== revision) await this.look(id, false, revision);
    } finally {
      this.looking = false;
    }
  }

  private async look(vehicleId: string, quietly: boolean, revision?: number): Promise<void> {
    const since = MoreThan(new Date(Date.now() - OVERLAP));
    const manager = this.db.manager;
    const [readings, counted, zones, gone, finds, findsGone] = await Promise.all([
      manager.find(ReadingEntity, { where: { vehicleId, at: since }, order: { at: 'DESC' }, take: MOST }),
      manager.find(ReadingEntity, {
        where: [
          { vehicleId, withdrawnAt: since },
          { vehicleId, backAt: since },
        ],
        take: MOST,
      }),
      manager.find(ZoneEntity, { where: { vehicleId, changedAt: since, deletedAt: IsNull() }, take: MOST }),
      manager.find(ZoneEntity, { where: { vehicleId, deletedAt: since }, take: MOST }),
      manager.find(FindEntity, {
        where: [
          { vehicleId, at: since, deletedAt: IsNull() },
          { vehicleId, backAt: since, deletedAt: IsNull() },
        ],
        take: MOST,
      }),
      manager.find(FindEntity, { where: { vehicleId, deletedAt: since }, take: MOST }),
    ]);
    const seen = this.seen.get(vehicleId);
    const listeners = this.watched.get(vehicleId);
    if (!seen || !listeners) return;
    const fresh = (id: string, state: string) => {
      if (seen.get(id) === state) return false;
      seen.set(id, state);
      return true;
    };
    const plan = zones.length > 0 ? await this.garage.planOf(vehicleId) : undefined;
    const change: LiveChange = {
      readings: [...readings, ...counted]
        .filter((row) => fresh(row.id, `w${row.withdrawnAt !== null}`))
        .map(readingView),
      zones: zones
        .filter((row) => fresh(row.id, `v${row.version} ${row.changedAt.getTime()}`))
        .map((row) => zoneView(row, panelOf(plan!, row.panel))),
      zonesGone: gone.filter((row) => fresh(row.id, 'gone')).map((row) => row.id),
      finds: finds.filter((row) => fresh(row.id, 'there')).map(findView),
      findsGone: findsGone.filter((row) => fresh(row.id, 'gone')).map((row) => row.id),
    };
    if (revision !== undefined) this.revisions.set(vehicleId, revision);
    if (quietly || Object.values(change).every((list) => list.length === 0)) return;
    for (const tell of listeners) tell(change);
  }
}
