import { EntitySchema } from 'typeorm';
import type { WaySay } from '@aspecta/contract/way';
import { belongsTo, decimal, json, key, maybe, ref, version } from '../db/columns.ts';

/** How the piece of a repair gets to its place, as it was said. */
export interface WayRow extends WaySay {
  /** The repair's id. */
  id: string;
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
    version: version(),
  },
  foreignKeys: [belongsTo('repair', 'id')],
});
