import type { OptionId, Verdict } from '@aspecta/core/verdict';

/** What is told of a price when it is noted. */
export type OfferInput = Omit<Offer, 'id' | 'currency'> & { id?: string };

/** A price known for the same panel on another car of the shop. */
export interface OfferElsewhere extends Offer {
  vehicle: string;
}

/** A price at which the shop can buy a panel for a car; before tax, minor units. */
export interface Offer {
  id: string;
  panel: string;
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
}

export interface RepairView {
  id: string;
  panel: string;
  zoneIds: string[];
  choice: OptionId;
  proposed: OptionId | null;
  reason: string;
  /** As it was decided: hours and cost of the chosen option. */
  hours: { p10: number; p50: number; p90: number };
  cost: { p10: number; p50: number; p90: number };
  /** Of the cost, ISO 4217: that of the day of the decision. */
  currency: string;
  done: boolean;
  version: number;
  decidedBy: string;
  decidedAt: string;
  /** Zones that were changed since the decision. */
  staleZones: string[];
}
