import type { BodyPlan } from '@aspecta/core/body';

/** A body plan as it can be chosen; own ones belong to the shop. */
export interface PlanView {
  id: string;
  name: string;
  description: string;
  own: boolean;
  /** The shipped plan that an own one was made from. */
  baseId: string;
  panels: number;
}
export interface OwnPlan {
  plan: BodyPlan;
  version: number;
}
/** A panel outline as it was edited, imported or traced. */
export interface OutlineInput {
  outline: [number, number][];
  /** Name of the shop's own plan, where one has to be made. */
  name: string;
  version: number;
}
/** An outline read from a drawing. */
export interface OutlineFileView {
  outline: [number, number][];
  holes: [number, number][][];
  notes: string[];
}
