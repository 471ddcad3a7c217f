import type { BodyPlan, Panel } from '../body/index.ts';
import { inPolygon, toRing, type Point, type Ring } from '../geometry/index.ts';
import { jointWork, lineWork, panelJoints } from '../repair/index.ts';
import { SEAM_MEETS } from '../tolerances.ts';
import { piecesAlong } from './piecesAlong.ts';

/** A stretch of the edge of a panel and what a millimetre of it costs to open and make again: as many millimetres of cut on plain sheet. */
export interface EdgeCost {
  line: readonly Point[];
  perMm: number;
}

const usualOf = (work: readonly { count: number; minutes: readonly number[] }[]): number =>
  work.reduce((sum, { count, minutes }) => sum + count * minutes[1]!, 0);

/**
 * What does it cost to take in an edge? Its own work – drilled, unbolted, peeled, cleaned, turned and closed again – beside
 * that of a cut in the sheet, by the same table of minutes.
 *
 * @param visible welds are dressed fully
 * @returns one for each stretch of the edge and each seam across the panel, mm
 * @example edgeCosts(bodyPlan('saloon'), panelOf(bodyPlan('saloon'), 'roof')).every(({ perMm }) => perMm >= 0) // → true
 */
export function edgeCosts(plan: BodyPlan, panel: Panel, visible: boolean = panel.visible): EdgeCost[] {
  const plain = usualOf(lineWork(100, { visible })) / 100;
  return panelJoints(plan, panel)
    .filter(({ length }) => length > 0)
    .map((joint) => ({
      line: joint.line,
      perMm: usualOf(jointWork([joint], { visible, made: true })) / joint.length / plain,
    }));
}

/** Places along these edges, each with the cost that it stands for. */
export const placesAlong = (edges: readonly EdgeCost[]): { at: Point; cost: number }[] =>
  edges.flatMap(({ line, perMm }) => piecesAlong(line).map(({ at, length }) => ({ at, cost: perMm * length })));

/** What the edges cost that a piece takes in. */
export const costOfEdges = (edges: readonly EdgeCost[] | undefined, outline: Ring): number =>
  placesAlong(edges ?? [])
    .filter(({ at }) => inPolygon(at, [outline]) || toRing(at, outline) < SEAM_MEETS)
    .reduce((sum, { cost }) => sum + cost, 0);
