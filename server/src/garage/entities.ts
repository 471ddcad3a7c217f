import { EntitySchema } from 'typeorm';
import type { CarFacts } from '@aspecta/core/body';
import type { Climate, Goal, Past } from '@aspecta/contract/garage';
import { belongsTo, json, key, maybe, moment, ref, text, version, whole } from '../db/columns.ts';

export interface VehicleRow {
  id: string;
  shopId: string;
  nickname: string;
  year: number;
  planId: string;
  goal: Goal;
  climate: Climate;
  past: Past[];
  notes: string;
  /** What it is where it is not as its body plan says. */
  facts: CarFacts | null;
  version: number;
  /** Counts every change of anything that belongs to the vehicle. */
  revision: number;
  createdAt: Date;
  deletedAt: Date | null;
}
export const VehicleEntity = new EntitySchema<VehicleRow>({
  name: 'vehicle',
  columns: {
    id: key(),
    shopId: ref(),
    nickname: text(60),
    year: whole(),
    planId: text(40),
    goal: text(20),
    climate: text(20),
    past: json(),
    notes: text(2000),
    facts: maybe(json()),
    version: version(),
    revision: whole(),
    createdAt: moment(),
    deletedAt: maybe(moment()),
  },
  foreignKeys: [belongsTo('shop', 'shopId')],
});
