import Joi from 'joi';
import type { DressRoundInput } from './index.ts';

export const dressRoundSchema = Joi.object<DressRoundInput>({
  id: Joi.string().uuid().required(),
  readings: Joi.array()
    .items(Joi.object({ place: Joi.string().max(20).required(), mm: Joi.number().min(-50).max(50).required() }))
    .min(1)
    .max(200)
    .unique('place')
    .required(),
  note: Joi.string().trim().max(500).allow('').default(''),
});
