import type { OrderState } from '@aspecta/core/order';
import type { OptionId, Spread, Verdict } from '@aspecta/core/verdict';

import type { Shop } from '../shop/index.ts';
export { OPTION_WORDS } from './words.ts';

/** What is told of a price when it is noted. */
export type OfferInput = Omit<Offer, 'id' | 'currency' | 'layer'> & { id?: string; layer?: string | null };

/** A price known for the same panel on another car of the shop. */
export interface OfferElsewhere extends Offer {
  vehicle: string;
}

/** A price at which the shop can buy a panel for a car; before tax, minor units. */
export interface Offer {
  id: string;
  panel: string;
  /** Which sheet of the panel; null: the outermost, or the panel as it is sold. */
  layer: string | null;
  /** ISO 4217: that of the shop on the day it was noted. */
  currency: string;
  maker: string;
  price: number;
  carriage: number;
  leadDays: number;
}

export interface VerdictView {
  verdict: Verdict;
  /** Prices that are known for this car but are in another currency than the shop's: they are not weighed. */
  foreign: number;
  offer: (Offer & { landed: number }) | null;
  /** Panels that lie at it in the same view with damage of which nothing is decided, by id. */
  beside: string[];
}

/** One decision of a repair: what was chosen, on which damage, with which figures. */
export interface DecisionStep {
  choice: OptionId;
  reason: string;
  hours: Spread;
  cost: Spread;
  /** Of the cost, ISO 4217: that of the day of the decision. */
  currency: string;
  zoneIds: string[];
  /** Damage that was decided on, mm²; null where it was not noted at the time. */
  area: number | null;
  by: string;
  at: string;
}

export interface RepairView extends Omit<DecisionStep, 'by' | 'at'> {
  id: string;
  panel: string;
  /** Sheets of the panel that it is on; none where that was not noted at the time. */
  layers: string[];
  proposed: OptionId | null;
  done: boolean;
  version: number;
  decidedBy: string;
  decidedAt: string;
  /** Zones that were changed, taken away or parted from it since the decision. */
  staleZones: string[];
  /** Damage as it is drawn now, mm². */
  areaNow: number;
  /** What was decided before, oldest first. */
  earlier: DecisionStep[];
  /** Who took the whole decision back, when and why; null while it stands. */
  withdrawn: { by: string; at: string; reason: string } | null;
  /** Its line in the order book; null where nothing was ordered for it. */
  order: { id: string; state: OrderState; unneeded: string | null } | null;
}

/** A decision made, or made again: also for other zones than before. */
export interface Redecision {
  choice: OptionId;
  reason: string;
  done: boolean;
  /** The zones that it is for from now on; left out, it stays with those that it had. */
  zoneIds?: string[];
  version: number;
}

/** House rules that are tried before they are kept. */
export type TriedRules = Pick<Shop, 'rates' | 'schools' | 'overlay' | 'metalwork'> & Partial<Pick<Shop, 'limits'>>;
/** An estimate under the rules as they are, and under those that are tried. Hours and minor units, medians. */
export interface MovedEstimate {
  repair: string;
  vehicle: string;
  car: string;
  panel: string;
  choice: OptionId;
  before: { hours: number; cost: number; proposed: OptionId | null };
  after: { hours: number; cost: number; proposed: OptionId | null };
}
