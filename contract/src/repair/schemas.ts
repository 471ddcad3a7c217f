import Joi from 'joi';
import { CLOSINGS } from '@aspecta/core/repair';
import { FASTENER_STATES, type ClosingChange, type FastenerMark } from './index.ts';

/* What may come in, by field. */
export const fastenerMarkSchema = Joi.object<FastenerMark>({
  ids: Joi.array()
    .items(Joi.string().pattern(/^-?\d{1,5}:-?\d{1,5}$/, 'place'))
    .min(1)
    .max(2000)
    .unique()
    .required(),
  state: Joi.valid(...FASTENER_STATES).required(),
});
export const closingSchema = Joi.object<ClosingChange>({
  at: Joi.array().items(Joi.number().min(-10_000).max(10_000)).length(2).required(),
  kind: Joi.string().max(10).required(),
  closing: Joi.valid(...CLOSINGS)
    .allow(null)
    .required(),
  pitch: Joi.number().min(10).max(500).allow(null).default(null),
  found: Joi.number().integer().min(0).max(2000).allow(null).default(null),
  alone: Joi.boolean().default(false),
  version: Joi.number().integer().min(0).required(),
});
