import type { Income } from '@aspecta/core/plan';

/** What money there is for parts and material, and what comes in when; minor units of the shop's currency. */
export interface PurseInput {
  /** There now; null: the plan does not look at money. */
  there: number | null;
  comes: Income[];
  version: number;
}
export interface PurseView extends PurseInput {
  /** ISO: when that was said; null as long as nobody has said anything. */
  since: string | null;
  /** There now: with what has come in since, without what was ordered since; null where money is not looked at. */
  left: number | null;
}

/** Money of a plan over its days. */
export interface PlannedMoney {
  /** There at the beginning. */
  left: number;
  /** What comes in while it lasts, ISO. */
  comes: { at: string; amount: number }[];
  /** What is paid when, ISO. */
  pays: { at: string; amount: number; title: string }[];
}
