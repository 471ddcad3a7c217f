import Joi from 'joi';
import { EVERY, type Income } from '@aspecta/core/plan';
import type { PurseInput } from './index.ts';

const money = Joi.number().integer().min(0).max(100_000_000);

export const purseSchema = Joi.object<PurseInput>({
  there: money.allow(null).required(),
  comes: Joi.array()
    .items(
      Joi.object<Income>({
        amount: money.min(1).required(),
        first: Joi.string()
          .pattern(/^\d{4}-\d\d-\d\d$/, 'a day as YYYY-MM-DD')
          .required(),
        every: Joi.valid(...EVERY).required(),
      }),
    )
    .max(12)
    .required(),
  version: Joi.number().integer().min(0).required(),
});
