import { EntitySchema } from 'typeorm';
import type { BodyPlan } from '@aspecta/core/body';
import { belongsTo, json, key, moment, ref, text, version } from '../db/columns.ts';

/** A body plan that a shop has made its own. */
export interface PlanRow {
  id: string;
  shopId: string;
  baseId: string;
  name: string;
  plan: BodyPlan;
  version: number;
  changedAt: Date;
  changedBy: string;
}
export const PlanEntity = new EntitySchema<PlanRow>({
  name: 'body_plan',
  columns: {
    id: key(),
    shopId: ref(),
    baseId: text(40),
    name: text(80),
    plan: json(),
    version: version(),
    changedAt: moment(),
    changedBy: text(120),
  },
  foreignKeys: [belongsTo('shop', 'shopId')],
});
