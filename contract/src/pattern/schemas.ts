import Joi from 'joi';
import type { PatternFile, PatternInput } from './index.ts';

const turn = Joi.object({
  at: Joi.array().items(Joi.number().min(-1e5).max(1e5)).length(2).required(),
  kind: Joi.string().max(20).required(),
  width: Joi.number().min(0).max(200).required().label('Width of the edge'),
  angle: Joi.number().min(0).max(180).required().label('Angle of the edge'),
  way: Joi.valid('in', 'out').required(),
});
const place = Joi.array().items(Joi.number().min(-1e5).max(1e5)).length(2);
const fitting = Joi.object({
  name: Joi.string().trim().min(1).max(60).required().label('What sits there'),
  at: place.required(),
  diameter: Joi.number().min(0).max(200).required().label('Hole'),
});
export const patternSchema = Joi.object<PatternInput>({
  thickness: Joi.number().min(0.3).max(6).allow(null).required().label('Sheet'),
  radius: Joi.number().min(0).max(20).required().label('Inside radius of the bends'),
  trim: Joi.number().min(0).max(100).required().label('Left on for trimming'),
  turns: Joi.array().items(turn).max(200).required(),
  fittings: Joi.array().items(fitting).max(60).default([]),
  traced: Joi.object({
    ring: Joi.array().items(place).min(3).max(500).required(),
    from: Joi.string().trim().max(120).required(),
  })
    .allow(null)
    .default(null),
  version: Joi.number().integer().min(0).required(),
});
const section = { section: Joi.number().integer().min(0).max(99).default(0).label('Section') };
export const patternQuerySchema = Joi.object<{ section: number }>(section);
export const patternFileSchema = Joi.object<{ as: PatternFile; side: 'own' | 'other'; section: number }>({
  ...section,
  as: Joi.valid('dxf', 'dxf-r12', 'svg', 'pdf-a4', 'pdf-letter').required(),
  side: Joi.valid('own', 'other').default('own'),
});
