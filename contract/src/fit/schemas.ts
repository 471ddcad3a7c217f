import Joi from 'joi';
import type { FitOverrule, FitRoundInput } from './index.ts';

const gap = Joi.number().min(-50).max(100).required();

/* What may come in, by field. */
export const fitRoundSchema = Joi.object<FitRoundInput>({
  id: Joi.string().uuid().required(),
  readings: Joi.array()
    .items(
      Joi.object({
        place: Joi.string().max(20).required(),
        gap,
        flush: Joi.number().min(-50).max(50).allow(null).default(null),
      }),
    )
    .min(1)
    .max(200)
    .unique('place')
    .required(),
  neighbours: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(2).max(80).required(),
        gap,
        wanted: Joi.number().min(0).max(50).required(),
      }),
    )
    .max(40)
    .default([]),
  note: Joi.string().trim().max(500).allow('').default(''),
});
export const fitOverruleSchema = Joi.object<FitOverrule>({ reason: Joi.string().trim().max(300).allow('').required() });
