import { EntitySchema } from 'typeorm';
import type { Income } from '@aspecta/core/plan';
import { belongsTo, json, key, maybe, moment, version, whole } from '../db/columns.ts';

/** What money a shop has for parts, as somebody has said; minor units. */
export interface PurseRow {
  /** The shop's id. */
  id: string;
  /** Null: plans do not look at money. */
  there: number | null;
  since: Date;
  /** Lines of the order book that were paid by then, by id. */
  paid: string[];
  comes: Income[];
  version: number;
}
export const PurseEntity = new EntitySchema<PurseRow>({
  name: 'purse',
  columns: { id: key(), there: maybe(whole()), since: moment(), paid: json(), comes: json(), version: version() },
  foreignKeys: [belongsTo('shop', 'id')],
});
