import { EntitySchema } from 'typeorm';
import type { CutFrom, PatternSettings } from '@aspecta/contract/pattern';
import { belongsTo, json, key, maybe, version } from '../db/columns.ts';

/** A blank that was cut, with the sheet and what was left of it. */
export type Cut = CutFrom & { sheetId: string; leftoverId: string | null };
/** As it was kept when a piece was always one blank. */
type WholeCut = Omit<Cut, 'section' | 'of'>;

/** How the edges of a piece go on, where not as is usual, and from which sheet each of its sections was cut. */
export interface PatternRow {
  /** The repair's id. */
  id: string;
  settings: PatternSettings;
  cutFrom: Cut[] | WholeCut | null;
  version: number;
}
export const PatternEntity = new EntitySchema<PatternRow>({
  name: 'pattern',
  columns: { id: key(), settings: json(), cutFrom: maybe(json()), version: version() },
  foreignKeys: [belongsTo('repair', 'id')],
});

/** What was cut for a piece, section by section. */
export function cutsOf(row: Pick<PatternRow, 'cutFrom'> | null): Cut[] {
  const kept = row?.cutFrom ?? [];
  return Array.isArray(kept) ? kept : [{ ...kept, section: 0, of: 1 }];
}

/** Whether all that a piece is made of has been cut. */
export function isCutOut(row: PatternRow): boolean {
  const cuts = cutsOf(row);
  return cuts.length > 0 && cuts.length === cuts[0]!.of;
}
