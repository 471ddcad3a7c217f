import Joi from 'joi';
import { EVIDENCE, ZONE_CLASSES, type ReadingInput, type ZoneInput } from './index.ts';

/* What may come in, by field. */
const id = Joi.string().guid().required();
const place = Joi.number().min(-20_000).max(20_000).required();

export const readingSchema = Joi.object<ReadingInput>({
  id,
  panel: Joi.string().max(60).required(),
  layer: Joi.string().max(40).required(),
  u: place,
  v: place,
  coatingUm: Joi.number().allow(null),
  coatingOver: Joi.boolean().default(false),
  metalMm: Joi.number().allow(null),
  probe: Joi.valid('sound', 'soft', 'through', null),
  note: Joi.string().allow('').max(500).default(''),
});
export const readingsSchema = Joi.object<{ readings: ReadingInput[] }>({
  readings: Joi.array().items(readingSchema).min(1).max(500).required(),
});
export const withdrawSchema = Joi.object<{ ids: string[]; withdrawn: boolean }>({
  ids: Joi.array().items(Joi.string().guid()).min(1).max(500).required(),
  withdrawn: Joi.boolean().required(),
});

const zoneFields = {
  layer: Joi.string().max(40).required(),
  ring: Joi.array().items(Joi.array().ordered(place, place).length(2)).min(3).max(400).required(),
  class: Joi.valid(...Object.keys(ZONE_CLASSES)).required(),
  evidence: Joi.valid(...Object.keys(EVIDENCE)).required(),
  note: Joi.string().trim().allow('').max(500).default(''),
};
export const zoneSchema = Joi.object<ZoneInput>({ id, panel: Joi.string().max(60).required(), ...zoneFields });
export const zoneChangeSchema = Joi.object<Omit<ZoneInput, 'id' | 'panel'> & { version: number }>({
  ...zoneFields,
  version: Joi.number().integer().required(),
});
