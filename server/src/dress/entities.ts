import { EntitySchema } from 'typeorm';
import type { DressReading } from '@aspecta/core/dress';
import type { Point } from '@aspecta/core/geometry';
import { belongsTo, flag, json, key, moment, ref, text } from '../db/columns.ts';

/** What a straight edge showed over the welds of a repair, with where each place lay that day. */
export interface DressRow {
  id: string;
  repairId: string;
  readings: (DressReading & { at: Point })[];
  note: string;
  good: boolean;
  by: string;
  at: Date;
}
export const DressEntity = new EntitySchema<DressRow>({
  name: 'dress_round',
  columns: {
    id: key(),
    repairId: ref(),
    readings: json(),
    note: text(500),
    good: flag(),
    by: text(120),
    at: moment(),
  },
  foreignKeys: [belongsTo('repair', 'repairId')],
});
