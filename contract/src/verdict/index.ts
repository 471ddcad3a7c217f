import type { OptionId, Verdict } from '@aspecta/core/verdict';

/** A price at which the shop can buy a panel; before tax, minor units. */
export interface Offer {
  id: string;
  panel: string;
  maker: string;
  price: number;
  carriage: number;
  leadDays: number;
}

export interface VerdictView {
  verdict: Verdict;
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
  done: boolean;
  version: number;
  decidedBy: string;
  decidedAt: string;
  /** Zones that were changed since the decision. */
  staleZones: string[];
}
