import { EntitySchema } from 'typeorm';
import type { Evidence } from '@aspecta/contract/survey';
import type { ProbeVerdict, ZoneClass } from '@aspecta/core/survey';
import { belongsTo, decimal, flag, json, key, maybe, moment, ref, text, version, whole } from '../db/columns.ts';

/** Readings are append-only; one that was a slip is withdrawn, not deleted. */
export interface ReadingRow {
  id: string;
  vehicleId: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  coatingUm: number | null;
  coatingOver: boolean;
  metalMm: number | null;
  probe: ProbeVerdict | null;
  note: string;
  at: Date;
  by: string;
  withdrawnAt: Date | null;
}
export const ReadingEntity = new EntitySchema<ReadingRow>({
  name: 'reading',
  columns: {
    id: key(),
    vehicleId: ref(),
    panel: text(60),
    layer: text(40),
    u: decimal(),
    v: decimal(),
    coatingUm: maybe(decimal()),
    coatingOver: flag(),
    metalMm: maybe(decimal()),
    probe: maybe(text(10)),
    note: text(500),
    at: moment(),
    by: text(120),
    withdrawnAt: maybe(moment()),
  },
  indices: [{ name: 'reading_place', columns: ['vehicleId', 'panel'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

export interface ZoneRow {
  id: string;
  vehicleId: string;
  panel: string;
  layer: string;
  ring: [number, number][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  version: number;
  changedAt: Date;
  changedBy: string;
  deletedAt: Date | null;
}
export const ZoneEntity = new EntitySchema<ZoneRow>({
  name: 'zone',
  columns: {
    id: key(),
    vehicleId: ref(),
    panel: text(60),
    layer: text(40),
    ring: json(),
    class: text(20),
    evidence: text(20),
    note: text(500),
    version: version(),
    changedAt: moment(),
    changedBy: text(120),
    deletedAt: maybe(moment()),
  },
  indices: [{ name: 'zone_place', columns: ['vehicleId', 'panel'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** Every version that a zone has had: what showed, what was found. */
export interface ZoneVersionRow {
  id: string;
  zoneId: string;
  version: number;
  layer: string;
  ring: [number, number][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  at: Date;
  by: string;
}
export const ZoneVersionEntity = new EntitySchema<ZoneVersionRow>({
  name: 'zone_version',
  columns: {
    id: key(),
    zoneId: ref(),
    version: whole(),
    layer: text(40),
    ring: json(),
    class: text(20),
    evidence: text(20),
    note: text(500),
    at: moment(),
    by: text(120),
  },
  foreignKeys: [belongsTo('zone', 'zoneId')],
});
