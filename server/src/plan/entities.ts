import { EntitySchema } from 'typeorm';
import { belongsTo, json, key, ref, text, version } from '../db/columns.ts';

/** Somebody who works in the shop, and when; he need not have an account. */
export interface WorkerRow {
  id: string;
  shopId: string;
  name: string;
  week: [number, number][][];
  off: string[];
  version: number;
}
export const WorkerEntity = new EntitySchema<WorkerRow>({
  name: 'worker',
  columns: { id: key(), shopId: ref(), name: text(60), week: json(), off: json(), version: version() },
  foreignKeys: [belongsTo('shop', 'shopId')],
});
