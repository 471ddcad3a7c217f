import Joi from 'joi';
import type { OwnStepInput, StepClock, StepSay } from './index.ts';

const day = Joi.string()
  .pattern(/^\d{4}-\d\d-\d\d$/, 'a day as YYYY-MM-DD')
  .allow(null);
const stepName = Joi.string().max(120);

/* What may come in, by field. */
export const stepSaySchema = Joi.object<StepSay>({
  step: stepName.required(),
  state: Joi.valid('done', 'skipped', 'blocked').allow(null).required(),
  reason: Joi.string()
    .trim()
    .max(300)
    .when('state', { is: Joi.valid('skipped', 'blocked'), then: Joi.string().min(3).invalid('').required() })
    .allow('')
    .default(''),
  until: day.default(null),
  notBefore: day.default(null),
  hours: Joi.number().min(0.05).max(500).allow(null).default(null),
  spent: Joi.number().min(0).max(500).allow(null).default(null),
  share: Joi.number().min(0).max(1).allow(null).default(null),
});
export const stepClockSchema = Joi.object<StepClock>({
  step: stepName.required(),
  run: Joi.boolean().required(),
  drop: Joi.boolean().default(false),
});
export const ownStepSchema = Joi.object<OwnStepInput>({
  id: Joi.string().uuid().required(),
  title: Joi.string().trim().min(2).max(200).required(),
  hours: Joi.number().min(0.05).max(500).required(),
  after: Joi.array().items(stepName).max(50).unique().default([]),
  before: Joi.array().items(stepName).max(50).unique().default([]),
  waits: Joi.boolean().default(false),
  dry: Joi.boolean().default(false),
});
export const ownStepChangeSchema = (ownStepSchema as Joi.ObjectSchema).keys({
  version: Joi.number().integer().required(),
}) as Joi.ObjectSchema<OwnStepInput & { version: number }>;
