import { EntitySchema } from 'typeorm';
import type { FastenerState } from '@aspecta/contract/repair';
import type { JointChoice } from '@aspecta/core/repair';
import { belongsTo, json, key, moment, ref, text, version } from '../db/columns.ts';

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

/** How a person wants joints of a repair to be closed, where not as the house does it. */
export interface JointChoiceRow {
  /** The repair's id. */
  id: string;
  choices: JointChoice[];
  version: number;
}
export const JointChoiceEntity = new EntitySchema<JointChoiceRow>({
  name: 'joint_choice',
  columns: { id: key(), choices: json(), version: version() },
  foreignKeys: [belongsTo('repair', 'id')],
});
