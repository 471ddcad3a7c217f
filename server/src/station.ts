import type { Router } from 'express';
import type { DataSource, EntitySchema, FindOperator, MigrationInterface } from 'typeorm';
import type { GarageFigures, NextStep, Standing } from '@aspecta/contract/garage';
import type { RecordPicture } from '@aspecta/contract/record';
import type { LiveChange } from '@aspecta/contract/live';
import type { OwnVehicle } from './garage/service.ts';
import type { GaugeAddress } from './gauge/service.ts';
import { Workbench } from './work/bench.ts';

/** What the house is given when it is opened. */
export interface Means {
  db: DataSource;
  /** Folder of the pictures. */
  files: string;
  gauges?: readonly GaugeAddress[] | undefined;
  demo?: boolean | undefined;
  triesPerQuarterHour?: number | undefined;
}

/** Addresses of a station: open to strangers, who may send little, or for people of a shop. */
export interface Addresses {
  router: Router;
  /** Where it begins; left out where the router says it whole. */
  at?: string;
  /** First parts of the addresses that are open to strangers; left out where all is for people of a shop. */
  open?: readonly string[];
}

/** How far a station has come with a car, what waits there, and what could be done there next. */
export interface StationStanding extends Omit<Standing, 'station' | 'path'> {
  path?: string | undefined;
  next?: (NextStep & { urgency: number }) | undefined;
  figures?: Partial<GarageFigures>;
}

/** Something that was changed on a vehicle lately, for the open pages of it. */
export interface LiveItem {
  into: keyof LiveChange;
  id: string;
  /** A page that has heard of this state of it need not hear again. */
  state: string;
  view: () => unknown;
}

/** A part of the report in words, from one station. */
export interface Chapter {
  title: string;
  lines: string[];
  /** It tells what was done, and belongs to the record of the car. */
  lasting?: true;
  pictures?: RecordPicture[];
}

/** Who reads a report. */
export type ReportReader = 'workshop' | 'customer';

/**
 * One station of the house: all that the rest must know of it. `stations.ts` lists them, those that
 * others stand on first; whoever needs all of them goes through that list and names none.
 */
export interface Station {
  name: string;
  // Schemas of rows of many kinds.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  entities?: readonly EntitySchema<any>[];
  /** Steps of the database's layout that this station brought with it; their numbers fix the order for ever. */
  migrations?: readonly (new () => MigrationInterface)[];
  /** Its services, each the one of its kind. */
  serve?(house: Workshop): readonly object[];
  addresses?(house: Workshop): readonly Addresses[];
  /** How it stands with each of these cars, asked for many at once. */
  standing?(house: Workshop, vehicles: readonly OwnVehicle[]): Promise<ReadonlyMap<string, StationStanding>>;
  live?(
    house: Workshop,
    vehicle: Pick<OwnVehicle, 'id' | 'plan'>,
    since: FindOperator<Date>,
  ): Promise<readonly LiveItem[]>;
  report?(house: Workshop, vehicle: OwnVehicle, reader: ReportReader): Promise<readonly Chapter[]>;
  close?(house: Workshop): void | Promise<void>;
}

/** What all stations stand on: database, threads, folders, and the one service of each kind. */
export class Workshop {
  readonly db: DataSource;
  readonly means: Means;
  readonly stations: readonly Station[];
  readonly bench = new Workbench();
  private readonly services = new Map<unknown, object>();

  constructor(means: Means, stations: readonly Station[]) {
    this.db = means.db;
    this.means = means;
    this.stations = stations;
    for (const station of stations)
      for (const service of station.serve?.(this) ?? []) this.services.set(service.constructor, service);
  }

  /**
   * The one service of its kind.
   * @throws Error where the station that brings it is not listed, or comes later
   */
  the<T extends object>(kind: abstract new (...needs: never[]) => T): T {
    const service = this.services.get(kind);
    if (!service) throw new Error(`${kind.name} is not there yet; its station must be listed before.`);
    return service as T;
  }

  async close(): Promise<void> {
    for (const station of this.stations) await station.close?.(this);
    await this.bench.close();
  }
}
