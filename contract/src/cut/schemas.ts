import Joi from 'joi';
import { ARMS_LENGTH, FARTHEST_BESIDE } from '@aspecta/core/cut';
import type { CutInput } from './index.ts';

/* What may come in, by field. */
export const cutSchema = Joi.object<CutInput>({
  margin: Joi.number().min(5).max(200).required(),
  maxCorners: Joi.number().integer().min(3).max(12).required(),
  cornerRadius: Joi.number().min(12).max(100).required(),
  kerf: Joi.number().min(0).max(5).required(),
  reach: Joi.number().min(100).max(3000).default(ARMS_LENGTH),
  from: Joi.array().items(Joi.string().trim().min(1).max(80)).max(2).unique().default([]),
  corners: Joi.array()
    .items(Joi.array().items(Joi.number().min(-10_000).max(10_000)).length(2))
    .min(3)
    .max(80)
    .allow(null)
    .default(null),
  pins: Joi.array()
    .items(
      Joi.object({
        along: Joi.string().trim().min(1).max(80).required(),
        at: Joi.number().min(0).max(FARTHEST_BESIDE).required(),
      }).allow(null),
    )
    .when('corners', { is: null, then: Joi.valid(null), otherwise: Joi.array().max(80) })
    .allow(null)
    .default(null),
  version: Joi.number().integer().min(0).required(),
});
