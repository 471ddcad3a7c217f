import Joi from 'joi';
import type { WeldSettingsInput } from './index.ts';

const weldName = Joi.string()
  .pattern(/^[a-z]+( -?\d{1,5}:-?\d{1,5}){2}$/, 'name of a weld')
  .max(60);

/* What may come in, by field. */
const settings = {
  process: Joi.valid('mig', 'tig', 'gas').required(),
  position: Joi.valid('flat', 'vertical', 'overhead').required(),
  handWarm: Joi.number().min(30).max(150).required(),
  strategy: Joi.valid('coolest', 'skip', 'backstep', 'continuous').required(),
  other: Joi.number().min(0.5).max(6).allow(null).default(null),
  pitch: Joi.number().min(5).max(200).allow(null).default(null),
  stitch: Joi.number().min(5).max(200).allow(null).default(null),
  hole: Joi.number().min(3).max(12).allow(null).default(null),
  holding: Joi.valid('clamps', 'screws').default('clamps'),
  copper: Joi.boolean().default(false),
  positions: Joi.array()
    .items(
      Joi.object({
        at: Joi.array().items(Joi.number().min(-10_000).max(10_000)).length(2).required(),
        position: Joi.valid('flat', 'vertical', 'overhead').required(),
      }),
    )
    .max(200)
    .default([]),
  first: Joi.array().items(weldName).max(100).unique().default([]),
  barred: Joi.array().items(weldName).max(500).unique().default([]),
};
/** Settings alone, to compare what they come to. */
export const weldSettingsSchema = Joi.object<WeldSettingsInput>(settings);
export const weldSchema = Joi.object<WeldSettingsInput & { version: number; reason: string }>({
  ...settings,
  /** Why it is laid out anew although welds are done; nobody asks for it before. */
  reason: Joi.string().trim().allow('').max(300).default(''),
  version: Joi.number().integer().min(0).required(),
});
/** Several steps at once, as a round of welds is. */
export const stepsSchema = Joi.object<{ steps: number[]; done: boolean; version: number }>({
  steps: Joi.array().items(Joi.number().integer().min(1)).min(1).max(1000).unique().required(),
  done: Joi.boolean().required(),
  version: Joi.number().integer().required(),
});
export const stepSchema = Joi.object<{ done: boolean; version: number }>({
  done: Joi.boolean().required(),
  version: Joi.number().integer().required(),
});
