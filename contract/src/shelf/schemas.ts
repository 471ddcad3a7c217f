import Joi from 'joi';
import { SHELF_KINDS } from '@aspecta/core/shelf';
import type { ShelfInput } from './index.ts';

/* What may come in, by field. */
const amount = Joi.number().min(0).max(1_000_000);
export const shelfSchema = Joi.object<ShelfInput>({
  id: Joi.string().uuid().required(),
  kind: Joi.valid(...SHELF_KINDS).required(),
  name: Joi.string().trim().min(2).max(80).required(),
  counted: amount.required(),
  least: amount.default(0),
  useBy: Joi.string()
    .pattern(/^\d{4}-\d\d-\d\d$/, 'a day as YYYY-MM-DD')
    .allow(null)
    .default(null),
});
export const shelfChangeSchema = (shelfSchema as Joi.ObjectSchema).keys({
  version: Joi.number().integer().required(),
}) as Joi.ObjectSchema<ShelfInput & { version: number }>;
