import { EntitySchema } from 'typeorm';
import type { FastenerState } from '@aspecta/contract/repair';
import { belongsTo, moment, ref, text } from '../db/columns.ts';

/** A fastener of a repair of which something is known: found loose, or opened. */
export interface FastenerRow {
  repairId: string;
  /** Its place on the panel. */
  place: string;
  state: Exclude<FastenerState, 'holds'>;
  at: Date;
  by: string;
}
export const FastenerEntity = new EntitySchema<FastenerRow>({
  name: 'fastener',
  columns: {
    repairId: { ...ref(), primary: true },
    place: { ...text(24), primary: true },
    state: text(8),
    at: moment(),
    by: text(120),
  },
  foreignKeys: [belongsTo('repair', 'repairId')],
});
