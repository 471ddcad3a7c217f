import { EntitySchema } from 'typeorm';
import type { ShelfKind } from '@aspecta/core/shelf';
import { belongsTo, day, decimal, key, maybe, moment, ref, text, version } from '../db/columns.ts';

/** Something on the shelf of a shop, as it was counted. */
export interface ShelfRow {
  id: string;
  shopId: string;
  kind: ShelfKind;
  name: string;
  counted: number;
  least: number;
  useBy: string | null;
  since: Date;
  by: string;
  version: number;
}
export const ShelfEntity = new EntitySchema<ShelfRow>({
  name: 'shelf_item',
  columns: {
    id: key(),
    shopId: ref(),
    kind: text(12),
    name: text(80),
    counted: decimal(),
    least: decimal(),
    useBy: maybe(day()),
    since: moment(),
    by: text(120),
    version: version(),
  },
  foreignKeys: [belongsTo('shop', 'shopId')],
});
