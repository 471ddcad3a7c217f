import Joi from 'joi';
import { COAT_KINDS, COATED_SIDES } from '@aspecta/core/close';
import { SIDE_WORDS, type CoatInput, type Overrule, type ProductInput, type SystemsInput } from './index.ts';

const id = Joi.string().uuid().required();

/* What may come in, by field. */
export const coatSchema = Joi.object<CoatInput>({
  id,
  faces: Joi.array().items(Joi.string().max(140)).min(1).max(200).unique().required(),
  product: Joi.string().max(40).required(),
  celsius: Joi.number().min(-20).max(60).required(),
  humidity: Joi.number().greater(0).max(100).allow(null).default(null),
  steel: Joi.number().min(-30).max(80).allow(null).default(null),
  note: Joi.string().trim().max(300).allow('').default(''),
});
export const overruleSchema = Joi.object<Overrule>({
  repair: id,
  reason: Joi.string().trim().max(300).allow('').required(),
});
const system = Joi.array()
  .items(
    Joi.object({
      kind: Joi.valid(...COAT_KINDS).required(),
      coats: Joi.number().integer().min(1).max(6).required().label('How many coats'),
    }),
  )
  .min(1)
  .max(6)
  .required();
export const systemsSchema = Joi.object<SystemsInput>({
  systems: Joi.object(Object.fromEntries(COATED_SIDES.map((side) => [side, system.label(SIDE_WORDS[side])])))
    .allow(null)
    .required(),
  version: Joi.number().integer().required(),
});
const product = {
  name: Joi.string().trim().min(2).max(80).required(),
  kind: Joi.valid(...COAT_KINDS).required(),
  hours: Joi.number().min(0.1).max(1000).required(),
  latest: Joi.number().min(Joi.ref('hours')).max(10_000).allow(null).required(),
  least: Joi.number().min(-20).max(30).required(),
  coverage: Joi.number().min(0.1).max(50).required(),
  weldThrough: Joi.boolean().required(),
  grit: Joi.number().integer().min(24).max(2000).allow(null).required(),
};
export const productSchema = Joi.object<ProductInput>({ id, ...product });
export const productChangeSchema = Joi.object<ProductInput & { version: number }>({
  id,
  ...product,
  version: Joi.number().integer().required(),
});
