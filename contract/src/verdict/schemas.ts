import Joi from 'joi';
import { OPTIONS } from '@aspecta/core/verdict';
import type { OptionId } from '@aspecta/core/verdict';
import type { OfferInput, Redecision } from './index.ts';

/* What may come in, by field. */
const why = Joi.string().trim().min(3).max(500).required();
const zoneIds = Joi.array().items(Joi.string().guid()).min(1).max(50).unique().required();
export const weighSchema = Joi.object<{ zoneIds: string[] }>({ zoneIds });
export const decideSchema = Joi.object<{ id: string; zoneIds: string[]; choice: OptionId; reason: string }>({
  id: Joi.string().guid().required(),
  zoneIds,
  choice: Joi.valid(...OPTIONS).required(),
  reason: why,
});
export const redecideSchema = Joi.object<Redecision>({
  choice: Joi.valid(...OPTIONS).required(),
  reason: why,
  done: Joi.boolean().required(),
  zoneIds: zoneIds.optional(),
  version: Joi.number().integer().required(),
});
export const withdrawSchema = Joi.object<{ reason: string; version: number }>({
  reason: why,
  version: Joi.number().integer().required(),
});
export const restoreSchema = Joi.object<{ version: number }>({ version: Joi.number().integer().required() });
const money = Joi.number().integer().min(0).max(10_000_000).required();
/** With an id made by whoever sends it, so that it is stored once. */
export const offerSchema = Joi.object<OfferInput>({
  id: Joi.string().guid(),
  panel: Joi.string().max(60).required(),
  layer: Joi.string().max(40).allow(null).default(null),
  maker: Joi.string().trim().min(1).max(80).required(),
  price: money,
  carriage: money,
  leadDays: Joi.number().integer().min(0).max(1000).required(),
});
