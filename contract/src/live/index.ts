import type { Vehicle } from '../garage/index.ts';
import type { RepairView } from '../verdict/index.ts';
import type { FindView, ReadingView, ZoneView } from '../survey/index.ts';

/**
 * What somebody has changed on a vehicle, told to every open page of it within a second; all lists are empty where it
 * was something else than these.
 */
export interface LiveChange {
  vehicles: Vehicle[];
  readings: ReadingView[];
  zones: ZoneView[];
  zonesGone: string[];
  finds: FindView[];
  findsGone: string[];
  repairs: RepairView[];
}
