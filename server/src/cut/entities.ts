import { EntitySchema } from 'typeorm';
import type { CutSettings } from '@aspecta/contract/cut';
import { belongsTo, json, key, version } from '../db/columns.ts';

/** How the person wants the cut of a repair; the line itself is computed. */
export interface CutRow {
  /** The repair's id. */
  id: string;
  settings: CutSettings;
  version: number;
}
export const CutEntity = new EntitySchema<CutRow>({
  name: 'cut',
  columns: { id: key(), settings: json(), version: version() },
  foreignKeys: [belongsTo('repair', 'id')],
});
