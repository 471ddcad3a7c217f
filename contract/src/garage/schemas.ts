import Joi from 'joi';
import { GOALS, CLIMATES, PASTS, type VehicleInput } from './index.ts';

/* What may come in, by field. */
const thisYear = new Date().getUTCFullYear();
const fields = {
  nickname: Joi.string().trim().min(1).max(60).required(),
  year: Joi.number().integer().min(1885).max(thisYear).required(),
  planId: Joi.string().max(40).required(),
  goal: Joi.valid(...Object.keys(GOALS)).required(),
  climate: Joi.valid(...Object.keys(CLIMATES)).required(),
  past: Joi.array()
    .items(Joi.valid(...Object.keys(PASTS)))
    .unique()
    .default([]),
  notes: Joi.string().trim().allow('').max(2000).default(''),
};
/** With an id made by whoever sends it, so that it is stored once. */
export const vehicleSchema = Joi.object<VehicleInput & { id?: string }>({ id: Joi.string().guid(), ...fields });
export const vehicleChangeSchema = Joi.object<Omit<VehicleInput, 'planId'> & { version: number }>({
  nickname: fields.nickname,
  year: fields.year,
  goal: fields.goal,
  climate: fields.climate,
  past: fields.past,
  notes: fields.notes,
  version: Joi.number().integer().required(),
});
