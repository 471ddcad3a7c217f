import Joi from 'joi';
import { SIGNS } from '@aspecta/core/survey';
import {
  EVIDENCE,
  REGION_KINDS,
  ZONE_CLASSES,
  type FindChange,
  type FindInput,
  type PhotoChange,
  type PitInput,
  type ReadingInput,
  type ZoneInput,
  type ZoneOperation,
} from './index.ts';

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
  metalUnder: Joi.boolean().default(false),
  probe: Joi.valid('sound', 'soft', 'through', null),
  note: Joi.string().allow('').max(500).default(''),
  instrument: Joi.string().trim().allow('').max(60).default(''),
  takenAt: Joi.string().isoDate().allow(null).default(null),
});
export const readingsSchema = Joi.object<{ readings: ReadingInput[] }>({
  readings: Joi.array().items(readingSchema).min(1).max(500).required(),
});
export const withdrawSchema = Joi.object<{ ids: string[]; withdrawn: boolean }>({
  ids: Joi.array().items(Joi.string().guid()).min(1).max(500).required(),
  withdrawn: Joi.boolean().required(),
});

const ring = Joi.array().items(Joi.array().ordered(place, place).length(2)).min(3).max(400);
const zoneFields = {
  layer: Joi.string().max(40).required(),
  ring: ring.required(),
  holes: Joi.array().items(ring).max(20).default([]),
  class: Joi.valid(...Object.keys(ZONE_CLASSES)).required(),
  evidence: Joi.valid(...Object.keys(EVIDENCE)).required(),
  note: Joi.string().trim().allow('').max(500).default(''),
  overruled: Joi.string().trim().allow('').max(500).default(''),
};
export const zoneSchema = Joi.object<ZoneInput>({ id, panel: Joi.string().max(60).required(), ...zoneFields });
export const zoneChangeSchema = Joi.object<Omit<ZoneInput, 'id' | 'panel'> & { version: number }>({
  ...zoneFields,
  version: Joi.number().integer().required(),
});
const version = Joi.number().integer().required();
export const zoneOperationSchema = Joi.object<ZoneOperation>({
  op: Joi.valid('merge', 'subtract', 'split').required(),
  zone: id,
  version,
  other: Joi.when('op', { is: 'split', then: Joi.forbidden(), otherwise: id }),
  otherVersion: Joi.when('op', { is: 'split', then: Joi.forbidden(), otherwise: version }),
  line: Joi.when('op', {
    is: 'split',
    then: Joi.array().items(Joi.array().ordered(place, place).length(2)).min(2).max(50).required(),
    otherwise: Joi.forbidden(),
  }),
});

const onPanel = { panel: Joi.string().max(60).required(), layer: Joi.string().max(40).required(), u: place, v: place };
export const findSchema = Joi.object<FindInput>({
  id,
  ...onPanel,
  sign: Joi.valid(...SIGNS.map((sign) => sign.id)).required(),
  note: Joi.string().trim().allow('').max(500).default(''),
  place: Joi.string().max(160).allow(null).default(null),
  photoId: Joi.string().guid().allow(null).default(null),
});
export const findChangeSchema = Joi.object<FindChange>({
  sign: Joi.valid(...SIGNS.map((sign) => sign.id)).required(),
  note: Joi.string().trim().allow('').max(500).required(),
  closed: Joi.object({
    note: Joi.string().trim().min(1).max(500).required(),
    photoId: Joi.string().guid().allow(null).default(null),
  })
    .allow(null)
    .required(),
  version,
});
export const lookSchema = Joi.object<{ place: string; state: 'looked' | 'skipped' | 'open' }>({
  place: Joi.string().max(160).required(),
  state: Joi.valid('looked', 'skipped', 'open').required(),
});
export const pitSchema = Joi.object<PitInput>({
  id,
  ...onPanel,
  side: Joi.number().min(5).max(500).required(),
  depth: Joi.number().min(0).max(20).required(),
  pits: Joi.number().integer().min(1).max(1e6).allow(null).default(null),
  mouth: Joi.number().greater(0).max(1000).allow(null).default(null),
});

const coordinate = Joi.number().min(-1e6).max(1e6).required();
export const photoChangeSchema = Joi.object<PhotoChange>({
  panel: Joi.string().max(60).allow(null).required(),
  layer: Joi.string().max(40).allow(null).required(),
  u: Joi.number().min(-20_000).max(20_000).allow(null).required(),
  v: Joi.number().min(-20_000).max(20_000).allow(null).required(),
  note: Joi.string().trim().allow('').max(500).required(),
  pairs: Joi.array()
    .items(Joi.object({ x: coordinate, y: coordinate, u: coordinate, v: coordinate }))
    .max(60)
    .required(),
  region: Joi.object({
    what: Joi.valid(...Object.keys(REGION_KINDS)).required(),
    parts: Joi.array()
      .items(
        Joi.array()
          .items(Joi.array().items(Joi.array().ordered(place, place).length(2)).min(3).max(4000))
          .min(1)
          .max(200),
      )
      .max(200)
      .required(),
  })
    .allow(null)
    .default(null),
  version,
});
