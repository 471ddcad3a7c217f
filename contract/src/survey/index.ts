import Joi from 'joi';
import type { LineError, ProbeVerdict, ZoneClass } from '@aspecta/core/survey';

export interface ReadingInput {
  /** Made by the sender, so that the same reading sent twice is stored once. */
  id: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  coatingUm?: number | null;
  coatingOver?: boolean;
  metalMm?: number | null;
  probe?: ProbeVerdict | null;
  note?: string;
}

export interface ReadingView extends Required<ReadingInput> {
  at: string;
  by: string;
  withdrawn: boolean;
}

export interface ImportView {
  count: number;
  panels: Record<string, number>;
  errors: LineError[];
  stored: boolean;
}

export const EVIDENCE = { blister: 'Blister seen', pinhole: 'Pinholes', stripped: 'Stripped to metal', blasted: 'Blasted', opened: 'Opened up', map: 'From the map' } as const;
export type Evidence = keyof typeof EVIDENCE;
export const ZONE_CLASSES: Record<ZoneClass, string> = { through: 'Rusted through', thin: 'Too thin to weld', pitted: 'Pitted', filler: 'Filler', 'old-repair': 'Earlier repair' };

export interface ZoneInput {
  id: string;
  panel: string;
  layer: string;
  ring: [number, number][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
}

export interface ZoneView extends ZoneInput {
  version: number;
  /** mm² */
  area: number;
  /** Share of the panel, 0 to 1. */
  share: number;
  changedAt: string;
  changedBy: string;
}

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
export const readingsSchema = Joi.object<{ readings: ReadingInput[] }>({ readings: Joi.array().items(readingSchema).min(1).max(500).required() });
export const withdrawSchema = Joi.object<{ ids: string[]; withdrawn: boolean }>({ ids: Joi.array().items(Joi.string().guid()).min(1).max(500).required(), withdrawn: Joi.boolean().required() });

const zoneFields = {
  layer: Joi.string().max(40).required(),
  ring: Joi.array().items(Joi.array().ordered(place, place).length(2)).min(3).max(400).required(),
  class: Joi.valid(...Object.keys(ZONE_CLASSES)).required(),
  evidence: Joi.valid(...Object.keys(EVIDENCE)).required(),
  note: Joi.string().trim().allow('').max(500).default(''),
};
export const zoneSchema = Joi.object<ZoneInput>({ id, panel: Joi.string().max(60).required(), ...zoneFields });
export const zoneChangeSchema = Joi.object<Omit<ZoneInput, 'id' | 'panel'> & { version: number }>({ ...zoneFields, version: Joi.number().integer().required() });
