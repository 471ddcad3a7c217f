import Joi from 'joi';

export const GOALS = { roadworthy: 'Through its roadworthiness inspection', driver: 'Honest driver', rough: 'Rough-look custom', show: 'Show car', original: 'Exactly as built' } as const;
export type Goal = keyof typeof GOALS;
export const CLIMATES = { dry: 'Dry inland', temperate: 'Temperate', wet: 'Wet, salted winter roads', coast: 'By the sea' } as const;
export type Climate = keyof typeof CLIMATES;

export interface VehicleInput {
  nickname: string;
  year: number;
  planId: string;
  goal: Goal;
  climate: Climate;
  notes: string;
}

export interface Vehicle extends VehicleInput {
  id: string;
  version: number;
  createdAt: string;
}

/** A vehicle as the Garage shows it, with the next useful thing to do. */
export interface GarageVehicle extends Vehicle {
  readings: number;
  panelsMeasured: number;
  panels: number;
  decided: number;
  awaited: number;
  late: number;
  next: NextStep;
}

/** The most useful next step, and the place that does it: a path below the vehicle. */
export interface NextStep {
  text: string;
  path: string;
}

const thisYear = new Date().getUTCFullYear();
const fields = {
  nickname: Joi.string().trim().min(1).max(60).required(),
  year: Joi.number().integer().min(1885).max(thisYear).required(),
  planId: Joi.string().max(40).required(),
  goal: Joi.valid(...Object.keys(GOALS)).required(),
  climate: Joi.valid(...Object.keys(CLIMATES)).required(),
  notes: Joi.string().trim().allow('').max(2000).default(''),
};
export const vehicleSchema = Joi.object<VehicleInput>(fields);
export const vehicleChangeSchema = Joi.object<Omit<VehicleInput, 'planId'> & { version: number }>({ nickname: fields.nickname, year: fields.year, goal: fields.goal, climate: fields.climate, notes: fields.notes, version: Joi.number().integer().required() });
