import { EntitySchema } from 'typeorm';
import type { CutSettings } from '@aspecta/contract/cut';
import type { Pin } from '@aspecta/core/cut';
import { belongsTo, json, key, maybe, version } from '../db/columns.ts';

/** How the person wants the cut of a repair; all that follows from it is computed. */
export interface CutRow {
  /** The repair's id. */
  id: string;
  settings: CutSettings;
  /** Corners of the line as a person has laid it, mm; null where it is found. */
  corners: [number, number][] | null;
  /** What each of those corners is held to; null where none is. */
  pins: (Pin | null)[] | null;
  version: number;
}
export const CutEntity = new EntitySchema<CutRow>({
  name: 'cut',
  columns: { id: key(), settings: json(), corners: maybe(json()), pins: maybe(json()), version: version() },
  foreignKeys: [belongsTo('repair', 'id')],
});
