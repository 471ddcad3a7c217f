import { EntitySchema } from 'typeorm';
import type { DecisionStep } from '@aspecta/contract/verdict';
import type { Paces } from '@aspecta/core/repair';
import type { OptionId, Spread } from '@aspecta/core/verdict';
import { belongsTo, flag, json, key, maybe, moment, ref, text, version, whole } from '../db/columns.ts';

export interface OfferRow {
  id: string;
  shopId: string;
  planId: string;
  /** Null in offers of the time when they belonged to a body plan; each car has its own copy of those. */
  vehicleId: string | null;
  panel: string;
  /** Which sheet of the panel; null: the outermost, or the panel as it is sold. */
  layer: string | null;
  currency: string;
  maker: string;
  price: number;
  carriage: number;
  leadDays: number;
}
export const OfferEntity = new EntitySchema<OfferRow>({
  name: 'offer',
  columns: {
    id: key(),
    shopId: ref(),
    planId: text(40),
    panel: text(60),
    layer: maybe(text(40)),
    maker: text(80),
    price: whole(),
    carriage: whole(),
    leadDays: whole(),
    vehicleId: maybe(ref()),
    currency: text(3),
  },
  indices: [{ name: 'offer_vehicle', columns: ['vehicleId', 'panel'] }],
  foreignKeys: [belongsTo('shop', 'shopId'), belongsTo('vehicle', 'vehicleId')],
});

/** One kind of counted work: how much of it, and its hours. */
export interface CountedWork {
  name: string;
  count: number;
  hours: number;
}

/** A decision over one or more zones of a panel. */
export interface RepairRow {
  id: string;
  vehicleId: string;
  panel: string;
  /** Zones with the version, area (mm²) and layer that were decided on; decisions of earlier times lack the last two. */
  zones: { id: string; version: number; area?: number; layer?: string }[];
  choice: OptionId;
  proposed: OptionId | null;
  reason: string;
  hours: Spread;
  cost: Spread;
  /** Of the cost: that of the shop on the day of the decision. */
  currency: string;
  /** What its hours consist of; null in decisions that did not note it. */
  work: CountedWork[] | null;
  /** The shop's own paces that its hours were reckoned with; null: as counted. */
  paces: Paces | null;
  done: boolean;
  version: number;
  decidedBy: string;
  decidedAt: Date;
  /** What was decided before, oldest first. */
  earlier: DecisionStep[] | null;
  /** Set with `deletedAt` where the decision was taken back. */
  withdrawn: { by: string; at: string; reason: string } | null;
  deletedAt: Date | null;
}
export const RepairEntity = new EntitySchema<RepairRow>({
  name: 'repair',
  columns: {
    id: key(),
    vehicleId: ref(),
    panel: text(60),
    zones: json(),
    choice: text(10),
    proposed: maybe(text(10)),
    reason: text(500),
    hours: json(),
    cost: json(),
    currency: text(3),
    work: maybe(json()),
    paces: maybe(json()),
    done: flag(),
    version: version(),
    decidedBy: text(120),
    decidedAt: moment(),
    earlier: maybe(json()),
    withdrawn: maybe(json()),
    deletedAt: maybe(moment()),
  },
  foreignKeys: [belongsTo('vehicle', 'vehicleId')],
});
