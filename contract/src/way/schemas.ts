import Joi from 'joi';
import type { WayChange } from './index.ts';

const mm = (most: number) => Joi.number().greater(0).max(most).required();
const hours = Joi.number().min(0).max(500).required();
const part = Joi.object({
  what: Joi.string().trim().min(2).max(80).required(),
  off: hours,
  on: hours,
  risk: Joi.string().trim().allow('').max(80).required(),
  chance: Joi.number().min(0).max(1).required(),
  price: Joi.number().integer().min(0).max(10_000_000).required(),
});
const route = Joi.object({
  id: Joi.string().guid().required(),
  name: Joi.string().trim().min(2).max(80).required(),
  opening: Joi.object({ a: mm(20_000), b: mm(20_000) }).required(),
  room: Joi.number().greater(0).max(20_000).allow(null).required(),
  parts: Joi.array().items(part).max(20).required(),
});
export const waySchema = Joi.object<WayChange>({
  depth: Joi.number().min(0).max(5000).required(),
  clearance: Joi.number().min(0).max(1000).required(),
  lines: Joi.array()
    .items(Joi.object({ across: Joi.boolean().required(), at: mm(20_000) }))
    .max(8)
    .required(),
  routes: Joi.array().items(route).max(8).unique('id').required(),
  chosen: Joi.string().guid().allow(null).required(),
  version: Joi.number().integer().min(0).required(),
});
