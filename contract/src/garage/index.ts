import type { CarFacts } from '@aspecta/core/body';
export const GOALS = {
  roadworthy: 'Through its roadworthiness inspection',
  driver: 'Honest driver',
  rough: 'Rough-look custom',
  show: 'Show car',
  original: 'Exactly as built',
} as const;
export type Goal = keyof typeof GOALS;
export const CLIMATES = {
  dry: 'Dry inland',
  temperate: 'Temperate',
  wet: 'Wet, salted winter roads',
  coast: 'By the sea',
} as const;
export type Climate = keyof typeof CLIMATES;

/** What is known of a car's life; moves where the walk-round looks first. */
export const PASTS = {
  repaired: 'Repaired before',
  outside: 'Stood outside for years',
  undersealed: 'Undersealed over what was there',
  flooded: 'Stood in water',
  crashed: 'Had a knock',
} as const;
export type Past = keyof typeof PASTS;

export interface VehicleInput {
  nickname: string;
  year: number;
  planId: string;
  goal: Goal;
  climate: Climate;
  past: Past[];
  notes: string;
}

export interface Vehicle extends VehicleInput {
  id: string;
  /** What it is where it is not as its body plan says; null: nothing is said. */
  facts: CarFacts | null;
  version: number;
  createdAt: string;
}

/** What the stations count of a vehicle. */
export interface GarageFigures {
  readings: number;
  panelsMeasured: number;
  panels: number;
  decided: number;
  awaited: number;
  late: number;
}

/** A vehicle as the Garage shows it, with the next useful thing to do. */
export interface GarageVehicle extends Vehicle, GarageFigures {
  next: NextStep;
}

/** How one station stands with a vehicle: a word of the line of stations. */
export interface Standing {
  station: string;
  /** How far it is, or what waits there, in a few words; empty where there is nothing to say. */
  word: string;
  /** Something waits there for a hand. */
  waits: boolean;
  done: boolean;
  /** Where its most useful work lies, below the vehicle; null where there is none yet. */
  path: string | null;
}

/** The most useful next step, and the place that does it: a path below the vehicle. */
export interface NextStep {
  text: string;
  path: string;
}
