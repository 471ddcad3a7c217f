import { EntitySchema } from 'typeorm';
import type { WaySay } from '@aspecta/contract/way';
import { belongsTo, decimal, json, key, maybe, ref, version } from '../db/columns.ts';

/** How the piece of a repair gets to its place, as it was said. */
export interface WayRow extends WaySay {
  /** The repair's id. */
  id: string;
  /** Which of its lines the way that was taken parts the piece along, from 0; null where none was taken since that is kept. */
  used: number[] | null;
  version: number;
}
export const WayEntity = new EntitySchema<WayRow>({
  name: 'way_in',
  columns: {
    id: key(),
    depth: decimal(),
    clearance: decimal(),
    lines: json(),
    routes: json(),
    chosen: maybe(ref()),
    used: maybe(json()),
    version: version(),
  },
  foreignKeys: [belongsTo('repair', 'id')],
});
