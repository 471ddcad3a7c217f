import { EntitySchema } from 'typeorm';
import type { FitReading, NeighbourGap } from '@aspecta/core/fit';
import type { Point } from '@aspecta/core/geometry';
import { belongsTo, flag, json, key, moment, ref, text } from '../db/columns.ts';

/** A reading with where its place lay that day: the line may be changed afterwards. */
export type KeptReading = FitReading & { at: Point };

/** A trial fit: what was read at the joints and at what hangs beside them. */
export interface FitRow {
  id: string;
  repairId: string;
  readings: KeptReading[];
  neighbours: NeighbourGap[];
  note: string;
  /** All was within its limits, by the joints of that day. */
  good: boolean;
  by: string;
  at: Date;
}
export const FitEntity = new EntitySchema<FitRow>({
  name: 'fit_round',
  columns: {
    id: key(),
    repairId: ref(),
    readings: json(),
    neighbours: json(),
    note: text(500),
    good: flag(),
    by: text(120),
    at: moment(),
  },
  foreignKeys: [belongsTo('repair', 'repairId')],
});

/** A repair that is welded although its last trial fit was not good, and why. */
export interface FitOverruleRow {
  repairId: string;
  reason: string;
  by: string;
  at: Date;
}
export const FitOverruleEntity = new EntitySchema<FitOverruleRow>({
  name: 'fit_overrule',
  columns: { repairId: { ...ref(), primary: true }, reason: text(300), by: text(120), at: moment() },
  foreignKeys: [belongsTo('repair', 'repairId')],
});
