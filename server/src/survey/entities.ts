import { EntitySchema } from 'typeorm';
import type { Evidence, FindView, PhotoRegion } from '@aspecta/contract/survey';
import type { PhotoPair, ProbeVerdict, SignId, ZoneClass } from '@aspecta/core/survey';
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
  metalUnder: boolean;
  probe: ProbeVerdict | null;
  note: string;
  instrument: string;
  /** By the clock of the device; null where it was not told. */
  takenAt: Date | null;
  at: Date;
  by: string;
  withdrawnAt: Date | null;
  /** When it was last let count again. */
  backAt: Date | null;
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
    metalUnder: flag(),
    probe: maybe(text(10)),
    note: text(500),
    instrument: text(60),
    takenAt: maybe(moment()),
    at: moment(),
    by: text(120),
    withdrawnAt: maybe(moment()),
    backAt: maybe(moment()),
  },
  indices: [
    { name: 'reading_place', columns: ['vehicleId', 'panel'] },
    { name: 'reading_time', columns: ['vehicleId', 'at'] },
    { name: 'reading_counting', columns: ['vehicleId', 'withdrawnAt', 'panel'] },
  ],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

export interface ZoneRow {
  id: string;
  vehicleId: string;
  panel: string;
  layer: string;
  ring: [number, number][];
  holes: [number, number][][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  overruled: string;
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
    holes: json(),
    class: text(20),
    evidence: text(20),
    note: text(500),
    overruled: text(500),
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
  holes: [number, number][][];
  class: ZoneClass;
  evidence: Evidence;
  note: string;
  overruled: string;
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
    holes: json(),
    class: text(20),
    evidence: text(20),
    note: text(500),
    overruled: text(500),
    at: moment(),
    by: text(120),
  },
  foreignKeys: [belongsTo('zone', 'zoneId')],
});

/** What was foretold for a zone when it was drawn from what showed; kept for comparison with what is found. */
export interface ForecastRow {
  id: string;
  zoneId: string;
  evidence: Evidence;
  /** mm² */
  seen: number;
  predicted50: number;
  predicted90: number;
  at: Date;
}
export const ForecastEntity = new EntitySchema<ForecastRow>({
  name: 'forecast',
  columns: {
    id: key(),
    zoneId: ref(),
    evidence: text(20),
    seen: decimal(),
    predicted50: decimal(),
    predicted90: decimal(),
    at: moment(),
  },
  foreignKeys: [belongsTo('zone', 'zoneId')],
});

export interface FindRow {
  id: string;
  vehicleId: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  sign: SignId;
  note: string;
  place: string | null;
  photoId: string | null;
  structural: boolean;
  /** How, when and by whom it was cured; null as long as it is open. */
  closed: FindView['closed'];
  version: number;
  changedAt: Date | null;
  at: Date;
  by: string;
  deletedAt: Date | null;
  /** When it was last brought back. */
  backAt: Date | null;
}
export const FindEntity = new EntitySchema<FindRow>({
  name: 'find',
  columns: {
    id: key(),
    vehicleId: ref(),
    panel: text(60),
    layer: text(40),
    u: decimal(),
    v: decimal(),
    sign: text(20),
    note: text(500),
    place: maybe(text(160)),
    photoId: maybe(ref()),
    structural: flag(),
    closed: maybe(json()),
    version: version(),
    changedAt: maybe(moment()),
    at: moment(),
    by: text(120),
    deletedAt: maybe(moment()),
    backAt: maybe(moment()),
  },
  indices: [{ name: 'find_place', columns: ['vehicleId', 'panel'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** A place of the walk-round that was looked at or skipped. */
export interface LookRow {
  vehicleId: string;
  place: string;
  state: 'looked' | 'skipped';
  at: Date;
  by: string;
}
export const LookEntity = new EntitySchema<LookRow>({
  name: 'walk_look',
  columns: {
    vehicleId: { ...ref(), primary: true },
    place: { ...text(160), primary: true },
    state: text(10),
    at: moment(),
    by: text(120),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

export interface PitRow {
  id: string;
  vehicleId: string;
  panel: string;
  layer: string;
  u: number;
  v: number;
  side: number;
  depth: number;
  pits: number | null;
  mouth: number | null;
  at: Date;
  by: string;
  deletedAt: Date | null;
}
export const PitEntity = new EntitySchema<PitRow>({
  name: 'pit',
  columns: {
    id: key(),
    vehicleId: ref(),
    panel: text(60),
    layer: text(40),
    u: decimal(),
    v: decimal(),
    side: decimal(),
    depth: decimal(),
    pits: maybe(whole()),
    mouth: maybe(decimal()),
    at: moment(),
    by: text(120),
    deletedAt: maybe(moment()),
  },
  indices: [{ name: 'pit_place', columns: ['vehicleId', 'panel'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** A picture; its pixels lie in the files folder under a random name. */
export interface PhotoRow {
  id: string;
  vehicleId: string;
  panel: string | null;
  layer: string | null;
  u: number | null;
  v: number | null;
  note: string;
  file: string;
  hash: string;
  width: number;
  height: number;
  takenAt: Date;
  pairs: PhotoPair[];
  matrix: number[] | null;
  rms: number | null;
  worst: number | null;
  region: PhotoRegion | null;
  version: number;
  at: Date;
  by: string;
  deletedAt: Date | null;
}
export const PhotoEntity = new EntitySchema<PhotoRow>({
  name: 'photo',
  columns: {
    id: key(),
    vehicleId: ref(),
    panel: maybe(text(60)),
    layer: maybe(text(40)),
    u: maybe(decimal()),
    v: maybe(decimal()),
    note: text(500),
    file: text(60),
    hash: text(64),
    width: whole(),
    height: whole(),
    takenAt: moment(),
    pairs: json(),
    matrix: maybe(json()),
    rms: maybe(decimal()),
    worst: maybe(decimal()),
    region: maybe(json()),
    version: version(),
    at: moment(),
    by: text(120),
    deletedAt: maybe(moment()),
  },
  indices: [{ name: 'photo_place', columns: ['vehicleId', 'panel'] }],
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
