import { EntitySchema } from 'typeorm';
import type { Material } from '@aspecta/core/body';
import { belongsTo, decimal, flag, key, maybe, moment, ref, text, version } from '../db/columns.ts';

/** A sheet or leftover in the rack of a shop; lengths mm. */
export interface StockSheetRow {
  id: string;
  shopId: string;
  name: string;
  width: number;
  height: number;
  thickness: number;
  material: Material;
  /** Left of another sheet. */
  leftover: boolean;
  addedAt: Date;
  /** When it was cut up; null while it is here. */
  usedAt: Date | null;
  version: number;
}
export const StockSheetEntity = new EntitySchema<StockSheetRow>({
  name: 'stock_sheet',
  columns: {
    id: key(),
    shopId: ref(),
    name: text(80),
    width: decimal(),
    height: decimal(),
    thickness: decimal(),
    material: text(12),
    leftover: flag(),
    addedAt: moment(),
    usedAt: maybe(moment()),
    version: version(),
  },
  foreignKeys: [belongsTo('shop', 'shopId')],
});
