import { EntitySchema } from 'typeorm';
import type { GapInput, Stand, TapeKind } from '@aspecta/contract/hold';
import { belongsTo, decimal, flag, json, key, maybe, moment, ref, text, version } from '../db/columns.ts';

/** A measurement of the whole car. */
export interface RoundRow {
  id: string;
  vehicleId: string;
  name: string;
  stand: Stand;
  finished: boolean;
  kept: string[] | null;
  by: string;
  at: Date;
  version: number;
}
export const RoundEntity = new EntitySchema<RoundRow>({
  name: 'hold_round',
  columns: {
    id: key(),
    vehicleId: ref(),
    name: text(80),
    stand: text(12),
    finished: flag(),
    kept: maybe(json()),
    by: text(120),
    at: moment(),
    version: version(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** What was read of a tape, once; taken again it is another one, the last counts. */
export interface TapeRow {
  id: string;
  roundId: string;
  kind: TapeKind;
  fromPoint: string;
  toPoint: string;
  length: number;
  by: string;
  at: Date;
  /** Taken back. */
  gone: boolean;
}
export const TapeEntity = new EntitySchema<TapeRow>({
  name: 'hold_tape',
  columns: {
    id: key(),
    roundId: ref(),
    kind: text(8),
    fromPoint: text(80),
    toPoint: text(80),
    length: decimal(),
    by: text(120),
    at: moment(),
    gone: flag(),
  },
  foreignKeys: [belongsTo('hold_round', 'roundId')],
});

/** A point of somebody's own, in a figure of the body. */
export interface OwnPointRow {
  id: string;
  vehicleId: string;
  name: string;
  figure: string;
  u: number;
  v: number;
}
export const OwnPointEntity = new EntitySchema<OwnPointRow>({
  name: 'hold_point',
  columns: { id: key(), vehicleId: ref(), name: text(80), figure: text(40), u: decimal(), v: decimal() },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

export interface BraceRow {
  id: string;
  vehicleId: string;
  figure: string;
  ends: [string, string];
  length: number;
  fittedBy: string;
  fittedAt: Date;
  outBy: string | null;
  outAt: Date | null;
  reason: string;
}
export const BraceEntity = new EntitySchema<BraceRow>({
  name: 'hold_brace',
  columns: {
    id: key(),
    vehicleId: ref(),
    figure: text(40),
    ends: json(),
    length: decimal(),
    fittedBy: text(120),
    fittedAt: moment(),
    outBy: maybe(text(120)),
    outAt: maybe(moment()),
    reason: text(300),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** The gaps of a hung part, as they were read at one time. */
export interface GapRow {
  id: string;
  vehicleId: string;
  hung: string;
  readings: GapInput['readings'];
  shims: number[];
  by: string;
  at: Date;
}
export const GapEntity = new EntitySchema<GapRow>({
  name: 'hold_gap',
  columns: {
    id: key(),
    vehicleId: ref(),
    hung: text(40),
    readings: json(),
    shims: json(),
    by: text(120),
    at: moment(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
