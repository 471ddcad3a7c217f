import type { CarPlan, OptionId } from '@aspecta/core/verdict';

/** One repair of a car, decided or not, with what each option of it comes to. */
export interface WholeRepair {
  /** Of the repair; of its first zone where nothing is decided yet. */
  id: string;
  panel: string;
  /** Sheets of the panel that it is on. */
  layers: string[];
  zoneIds: string[];
  /** What is decided now, and the version of that decision; null where nothing is. */
  decided: { choice: OptionId; version: number } | null;
  options: WholeOption[];
}
export interface WholeOption {
  id: OptionId;
  hours: number;
  /** Paid out without the bought panel, minor units. */
  money: number;
  /** Sheet of the car that stays, mm². */
  keeps: number;
  buys: { supplier: string; price: number }[];
}

/** The plans for a whole car; money in minor units of the shop's currency, tax included. */
export interface WholeView {
  repairs: WholeRepair[];
  /** All that no other beats in hours and money, by rising hours. */
  plans: CarPlan[];
  cheapest: CarPlan | null;
  quickest: CarPlan | null;
  mostOriginal: CarPlan | null;
  /** As it is decided now, the proposal where nothing is; null without a repair. */
  now: CarPlan | null;
  hourRate: number;
}
