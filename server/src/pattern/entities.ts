import { EntitySchema } from 'typeorm';
import type { CutFrom, PatternSettings } from '@aspecta/contract/pattern';
import { belongsTo, json, key, maybe, version } from '../db/columns.ts';

/** How the edges of a piece go on, where not as is usual, and from which sheet it was cut. */
export interface PatternRow {
  /** The repair's id. */
  id: string;
  settings: PatternSettings;
  cutFrom: (CutFrom & { sheetId: string; leftoverId: string | null }) | null;
  version: number;
}
export const PatternEntity = new EntitySchema<PatternRow>({
  name: 'pattern',
  columns: { id: key(), settings: json(), cutFrom: maybe(json()), version: version() },
  foreignKeys: [belongsTo('repair', 'id')],
});
