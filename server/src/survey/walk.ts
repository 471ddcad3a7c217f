import type { DataSource } from 'typeorm';
import type { WalkView } from '@aspecta/contract/survey';
import { walkCoverage, walkRound, type WalkPlace } from '@aspecta/core/survey';
import { changeOf } from '../db/changeOf.ts';
import type { GarageService, OwnVehicle } from '../garage/service.ts';
import { notFound } from '../http/problems.ts';
import type { Caller } from '../http/session.ts';
import { limitsOf } from '../shop/limits.ts';
import { LookEntity } from './entities.ts';
import type { FindService } from './finds.ts';

/** The guided first pass over a vehicle: what has been looked at, skipped, and found. */
export class WalkService {
  private readonly db: DataSource;
  private readonly garage: GarageService;
  private readonly finds: FindService;

  constructor(db: DataSource, garage: GarageService, finds: FindService) {
    this.db = db;
    this.garage = garage;
    this.finds = finds;
  }

  async walk(caller: Caller, vehicleId: string): Promise<WalkView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    const [looks, finds] = await Promise.all([
      this.db.getRepository(LookEntity).findBy({ vehicleId }),
      this.finds.list(caller, vehicleId),
    ]);
    const places = (await this.placesOf(vehicle)).map((place) => {
      const look = looks.find((row) => row.place === place.id);
      return {
        ...place,
        state: look?.state ?? ('open' as const),
        by: look?.by ?? null,
        finds: finds.filter((find) => find.place === place.id).length,
      };
    });
    const looked = new Set(places.filter((place) => place.state === 'looked').map((place) => place.id));
    return { places, coverage: walkCoverage(places, looked), finds };
  }

  /** Notes that a place was looked at, skipped, or is open again; the last word counts. */
  async look(
    caller: Caller,
    vehicleId: string,
    place: string,
    state: 'looked' | 'skipped' | 'open',
  ): Promise<WalkView> {
    const vehicle = await this.garage.own(caller, vehicleId);
    if (!(await this.placesOf(vehicle)).some((candidate) => candidate.id === place)) throw notFound('place');
    const row = { vehicleId, place, at: new Date(), by: caller.name };
    await changeOf(this.db, vehicleId, async (manager) => {
      if (state === 'open') await manager.delete(LookEntity, { vehicleId, place });
      else await manager.upsert(LookEntity, { ...row, state }, ['vehicleId', 'place']);
    });
    return this.walk(caller, vehicleId);
  }

  private async placesOf({ shopId, plan, climate, year, past }: OwnVehicle): Promise<WalkPlace[]> {
    const limits = await limitsOf(this.db, shopId);
    return walkRound({ plan, climate, past, limits, age: new Date().getUTCFullYear() - year });
  }
}
