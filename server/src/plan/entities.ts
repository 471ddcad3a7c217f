import { EntitySchema } from 'typeorm';
import type { PlanWishInput } from '@aspecta/contract/plan';
import { belongsTo, day, flag, json, key, maybe, ref, text, version } from '../db/columns.ts';

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

/** What is wanted of the plan of a car. */
export interface PlanWishRow extends PlanWishInput {
  /** The vehicle's id. */
  id: string;
}
export const PlanWishEntity = new EntitySchema<PlanWishRow>({
  name: 'plan_wish',
  columns: { id: key(), promised: maybe(day()), outdoors: flag(), version: version() },
  foreignKeys: [belongsTo('vehicle', 'id')],
});
