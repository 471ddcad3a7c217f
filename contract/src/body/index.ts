import type { AddedPart, BodyPlan, EdgeKind, PanelFacts } from '@aspecta/core/body';

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

/** What a panel is on one car; `seen` is what stood there when it was said. */
export interface FactsInput {
  facts: PanelFacts;
  seen: PanelFacts | null;
}
export type PartInput = Omit<AddedPart, 'id'>;

/** What an edge is, as one says it. */
export const EDGE_WORDS: Readonly<Record<EdgeKind, string>> = {
  spot: 'Spot-welded flange',
  braze: 'Brazed',
  hem: 'Hemmed round another sheet',
  bolt: 'Bolted',
  rivet: 'Riveted',
  fold: 'Folded',
  return: 'Turned back',
  lip: 'Lip round a wheel',
  drip: 'Gutter',
  free: 'Free edge',
};
export const CURVATURE_WORDS = { flat: 'Flat', single: 'Curved one way', double: 'Curved both ways' } as const;

/** Panels whose place one piece takes. */
export interface PieceInput {
  name: string;
  panels: string[];
}
/** Metals that a sheet of a body is made of, as they are chosen. */
export const METALS = [
  { value: 'steel', label: 'Steel' },
  { value: 'aluminium', label: 'Aluminium' },
] as const;
