import { refuse } from '../problem.ts';
import { offroader } from './plans/offroader/index.ts';
import { pickup } from './plans/pickup/index.ts';
import { platform } from './plans/platform/index.ts';
import { saloon } from './plans/saloon/index.ts';
import type { BodyPlan, Layer, Panel } from './types.ts';

export type * from './types.ts';
export { edgesOf, innerSeams, type Edge } from './edges.ts';
export { areasOf, usualAreas, type PanelArea } from './areas.ts';
export type { AreaKind } from './areaRules.ts';
export { edgeName, endName } from './directions.ts';
export {
  asOnCar,
  checkEdge,
  checkFacts,
  EDGE_KINDS,
  hasHeight,
  hasPitch,
  runsAlong,
  type AddedPart,
  type CarFacts,
  type PanelFacts,
} from './facts.ts';
export { fromPiece, memberAt, onePieceOf, panelsUnder, type OnePiece } from './onePiece.ts';
export { meet, triedWith } from './neighbours.ts';
export { otherSideOf, type OtherSide } from './otherSide.ts';
export { withOutline, withPanel } from './ownPlan.ts';
export { sectionAt, type Section, type SectionSheet } from './section.ts';

const PLANS: readonly BodyPlan[] = [saloon, pickup, platform, offroader];

/** All body plans that Aspecta brings. */
export const bodyPlans = (): readonly BodyPlan[] => PLANS;

/** @throws Problem `unknown-plan` */
export function bodyPlan(id: string): BodyPlan {
  return (
    PLANS.find((plan) => plan.id === id) ??
    refuse(
      'unknown-plan',
      'planId',
      `There is no body plan "${id}"; choose one of: ${PLANS.map((plan) => plan.id).join(', ')}.`,
    )
  );
}

/** @throws Problem `unknown-panel`, with the nearest name where one is close */
export function panelOf(plan: BodyPlan, id: string): Panel {
  const panel = plan.panels.find((candidate) => candidate.id === id);
  if (panel) return panel;
  const near = plan.panels.find(
    (candidate) => candidate.id.startsWith(id.slice(0, 4)) || candidate.name.toLowerCase() === id.toLowerCase(),
  );
  return refuse(
    'unknown-panel',
    'panel',
    `This body has no panel "${id}"${near ? `; did you mean "${near.id}"?` : '.'}`,
  );
}

/** @throws Problem `unknown-layer` */
export function layerOf(panel: Panel, id: string): Layer {
  return (
    panel.layers.find((layer) => layer.id === id) ??
    refuse(
      'unknown-layer',
      'layer',
      `${panel.name} has no layer "${id}"; it has: ${panel.layers.map((layer) => layer.id).join(', ')}.`,
    )
  );
}

export { areaOnSheet, sheetOf } from './sheet.ts';
export { hollowsAt, sidesInReach, type WorkOnSheets } from './hollows.ts';
export { holdsBody } from './holdsBody.ts';
export { boughtSheet, isSeen, liesBehind, pieceName, wayToSheet, type WayToSheet } from './layered.ts';
