import Joi from 'joi';
import type { PlanWishInput, WorkerInput } from './index.ts';

const span = Joi.array().items(Joi.number().min(0).max(24)).length(2);

/* What may come in, by field. */
export const workerSchema = Joi.object<WorkerInput & { timeZone: string }>({
  id: Joi.string().uuid().required(),
  name: Joi.string().trim().min(1).max(60).required(),
  week: Joi.array().items(Joi.array().items(span).max(4)).length(7).required(),
  off: Joi.array()
    .items(Joi.string().pattern(/^\d{4}-\d\d-\d\d$/, 'a day as YYYY-MM-DD'))
    .max(400)
    .unique()
    .default([]),
  timeZone: Joi.string().max(60).required(),
});
export const workerChangeSchema = (workerSchema as Joi.ObjectSchema).keys({
  version: Joi.number().integer().required(),
}) as Joi.ObjectSchema<WorkerInput & { timeZone: string; version: number }>;

export const wishSchema = Joi.object<PlanWishInput>({
  promised: Joi.string()
    .pattern(/^\d{4}-\d\d-\d\d$/, 'a day as YYYY-MM-DD')
    .allow(null)
    .required(),
  outdoors: Joi.boolean().required(),
  version: Joi.number().integer().min(0).required(),
});
/** An address for a calendar is asked for with nothing else. */
export const feedSchema = Joi.object<Record<string, never>>({});
