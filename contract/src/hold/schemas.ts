import Joi from 'joi';
import {
  CORNER_TAPES,
  STANDS,
  type BraceInput,
  type BraceOut,
  type GapInput,
  type PointInput,
  type RoundChange,
  type RoundInput,
  type TapeInput,
} from './index.ts';

const id = Joi.string().uuid().required();
const name = Joi.string().trim().min(2).max(80).required();
const point = Joi.string().max(80);
const length = Joi.number().greater(0).max(20_000).required();
const stand = Joi.valid(...STANDS).required();

/* What may come in, by field. */
export const roundSchema = Joi.object<RoundInput>({ id, name, stand });
export const roundChangeSchema = Joi.object<RoundChange>({
  name,
  stand,
  finished: Joi.boolean().required(),
  kept: Joi.array().items(point).max(100).unique().allow(null).required(),
  version: Joi.number().integer().required(),
});
export const tapeSchema = Joi.object<TapeInput>({
  id,
  kind: Joi.valid('tape', 'height', 'own', 'corners', 'barred').required(),
  from: point.trim().min(1).required(),
  to: point
    .allow('')
    .when('kind', { is: Joi.valid('tape', 'barred'), then: Joi.string().max(80).min(1).invalid('').required() })
    .when('kind', {
      is: 'corners',
      then: Joi.valid(...CORNER_TAPES)
        .invalid('')
        .required(),
    })
    .default(''),
  length: Joi.when('kind', { is: 'barred', then: Joi.number().valid(0).required(), otherwise: length }),
});
export const pointSchema = Joi.object<PointInput>({
  id,
  name,
  figure: Joi.string().max(40).required(),
  at: Joi.array().items(Joi.number().min(-20_000).max(20_000)).length(2).required(),
});
export const braceSchema = Joi.object<BraceInput>({
  id,
  figure: Joi.string().max(40).required(),
  ends: Joi.array().items(point).length(2).unique().required(),
  length,
});
export const braceOutSchema = Joi.object<BraceOut>({ reason: Joi.string().trim().max(300).allow('').default('') });
export const gapSchema = Joi.object<GapInput>({
  id,
  hung: Joi.string().max(40).required(),
  readings: Joi.array()
    .items(
      Joi.object({
        place: Joi.string().max(40).required(),
        gap: Joi.number().min(-20).max(100).required(),
        wanted: Joi.number().min(0).max(50).required(),
      }),
    )
    .min(3)
    .max(40)
    .unique('place')
    .required(),
  shims: Joi.array().items(Joi.number().greater(0).max(50)).max(12).default([]),
});
