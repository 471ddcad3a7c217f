import { EntitySchema } from 'typeorm';
import type { CoatInput } from '@aspecta/contract/close';
import type { CoatProduct } from '@aspecta/core/close';
import { belongsTo, decimal, flag, json, key, maybe, moment, ref, text, version, whole } from '../db/columns.ts';

/** A product of the shop, with the hours of its maker. */
export interface ProductRow extends CoatProduct {
  id: string;
  shopId: string;
  name: string;
  version: number;
}
export const ProductEntity = new EntitySchema<ProductRow>({
  name: 'coat_product',
  columns: {
    id: key(),
    shopId: ref(),
    name: text(80),
    kind: text(12),
    hours: decimal(),
    latest: maybe(decimal()),
    least: decimal(),
    coverage: decimal(),
    weldThrough: flag(),
    grit: maybe(whole()),
    version: version(),
  },
  foreignKeys: [belongsTo('shop', 'shopId')],
});

/** A coat on some faces. The figures of its product are kept as they were that day. */
export interface CoatRow extends CoatInput, Pick<CoatProduct, 'kind' | 'hours' | 'latest' | 'least' | 'grit'> {
  vehicleId: string;
  name: string;
  by: string;
  at: Date;
}
export const CoatEntity = new EntitySchema<CoatRow>({
  name: 'coat',
  columns: {
    id: key(),
    vehicleId: ref(),
    faces: json(),
    product: text(40),
    name: text(80),
    kind: text(12),
    hours: decimal(),
    latest: maybe(decimal()),
    least: decimal(),
    grit: maybe(whole()),
    celsius: decimal(),
    humidity: maybe(decimal()),
    steel: maybe(decimal()),
    note: text(300),
    by: text(120),
    at: moment(),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});

/** A repair that is shut although a face of it is bare, and why. */
export interface OverruleRow {
  repairId: string;
  reason: string;
  by: string;
  at: Date;
}
export const OverruleEntity = new EntitySchema<OverruleRow>({
  name: 'close_overrule',
  columns: { repairId: { ...ref(), primary: true }, reason: text(300), by: text(120), at: moment() },
  foreignKeys: [belongsTo('repair', 'repairId')],
});
