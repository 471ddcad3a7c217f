import type { BodyPlan, Panel } from '../body/index.ts';
import { inPolygon, piecesAlong, toRing, type Point, type Ring } from '../geometry/index.ts';
import { jointWork, lineWork, minutesPerDm2, panelJoints } from '../repair/index.ts';
import { SEAM_MEETS } from '../tolerances.ts';

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
 * @param layer id of the sheet that is cut; the outermost when left out
 * @param visible welds are dressed fully
 * @returns one for each stretch of the edge and each seam across the panel, mm
 * @example edgeCosts(bodyPlan('saloon'), panelOf(bodyPlan('saloon'), 'roof')).every(({ perMm }) => perMm >= 0) // → true
 */
export function edgeCosts(plan: BodyPlan, panel: Panel, layer?: string, visible: boolean = panel.visible): EdgeCost[] {
  const plain = plainMinutes(visible);
  return panelJoints(plan, panel, layer)
    .filter(({ length }) => length > 0)
    .map((joint) => ({
      line: joint.line,
      perMm: usualOf(jointWork([joint], { visible, made: true })) / joint.length / plain,
    }));
}

/** Minutes of a millimetre of cut on plain sheet: cut out, joined, dressed. */
export const plainMinutes = (visible: boolean): number => usualOf(lineWork(100, { visible })) / 100;
const MM2_PER_DM2 = 10_000;

/**
 * What does a square millimetre of the piece cost – stripped, shaped, coated – as millimetres of cut on plain sheet?
 * More where the face is curved; so a line that takes in less metal is weighed against one that is shorter.
 *
 * @param visible welds are dressed fully: a cut costs more, metal as much
 * @example areaCost('double', true) > areaCost('flat', true) // → true
 */
export const areaCost = (curvature: Panel['curvature'], visible: boolean): number =>
  minutesPerDm2(curvature) / MM2_PER_DM2 / plainMinutes(visible);

/** Places along these edges, each with the cost that it stands for. */
export const placesAlong = (edges: readonly EdgeCost[]): { at: Point; cost: number }[] =>
  edges.flatMap(({ line, perMm }) => piecesAlong(line).map(({ at, length }) => ({ at, cost: perMm * length })));

/** What the edges cost that a piece takes in. */
export const costOfEdges = (edges: readonly EdgeCost[] | undefined, outline: Ring): number =>
  placesAlong(edges ?? [])
    .filter(({ at }) => inPolygon(at, [outline]) || toRing(at, outline) < SEAM_MEETS)
    .reduce((sum, { cost }) => sum + cost, 0);
