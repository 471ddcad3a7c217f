import type { Caller } from '@aspecta/server/http/session';
import type { Workshop } from '@aspecta/server/station';
import type scenario from './scenario.json';

/** One invented car while its story is told, chapter by chapter, through the services of the house. */
export interface DemoCar {
  house: Workshop;
  owner: Caller;
  id: string;
  planId: string;
  story: (typeof scenario)['vehicles'][number];
  /** The first one is the car that everything happens to. */
  isMain: boolean;
  /** Zones by their keys in the story, once they are drawn. */
  zones: Map<string, string>;
}

/** What one station brings into the demo. */
export type Chapter = (car: DemoCar) => Promise<void>;

const DAY = 86_400_000;
/** The day so many days from now. */
export const dayAt = (offset: number): string => new Date(Date.now() + offset * DAY).toISOString().slice(0, 10);
