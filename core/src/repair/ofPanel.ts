import { areasOf, edgesOf, innerSeams, sheetOf, type Edge, type BodyPlan, type Panel } from '../body/index.ts';
import { lineLength, type Ring } from '../geometry/index.ts';
import type { JointFacts } from './joint.ts';
import { isSpotted } from './jointWork.ts';
import { fastenersIn, stretchesOf, type Stretch } from './stretches.ts';

/** A joint of a piece of a panel of the body plan, with where it runs and what it is called. */
export interface PieceJoint extends JointFacts, Pick<Stretch, 'line'> {
  name: string;
  /** Width of a fold, lip or return, mm. */
  height?: number | undefined;
  /** Distance of its fasteners as built, mm. */
  pitch?: number | undefined;
  /** Of a cut: what of the sheet lies under trim, mm. */
  trim?: readonly Ring[] | undefined;
}

/**
 * Which joints hold a whole panel? Every stretch of its edge, and what it lies on across its middle.
 *
 * @param layer id of the sheet; the outermost when left out
 * @returns joints with lengths in mm, the edge first, anticlockwise
 * @example panelJoints(bodyPlan('saloon'), panelOf(bodyPlan('saloon'), 'door-skin-l')).every(({ kind }) => kind === 'hem') // → true
 */
export function panelJoints(plan: BodyPlan, panel: Panel, layer?: string): PieceJoint[] {
  return [...edgesOf(plan, panel, layer), ...innerSeams(plan, panel)].map(({ seam: _seam, ...edge }) => {
    const length = lineLength(edge.line);
    return { ...edge, length, fasteners: fastenersIn(length, edge.pitch) };
  });
}

/** How many spots are drilled out and made again at these joints? */
export const spotsOf = (joints: readonly JointFacts[]): number =>
  joints.filter(isSpotted).reduce((sum, { fasteners }) => sum + fasteners, 0);

/** Which joints does a piece of a panel have: its cuts within the sheet, and the edges that it takes in? In the order of the piece; of the outermost sheet where none is named. */
export function pieceJoints(plan: BodyPlan, panel: Panel, piece: Ring, layer?: string): PieceJoint[] {
  // A piece that goes out to the rim of an opening is not cut there.
  const rims = sheetOf(panel)
    .slice(1)
    .map((rim): Edge => ({ kind: 'free', name: 'edge of an opening', line: [...rim, rim[0]!] }));
  const edges = [...edgesOf(plan, panel, layer), ...rims];
  const trim = areasOf(plan, panel, layer)
    .filter((area) => area.kind === 'trim')
    .map(({ outline }) => outline);
  return stretchesOf(edges, piece).map(({ kind, edge, length, fasteners, line }) => {
    if (edge === null) return { kind, name: 'in the sheet', length, fasteners, line, trim };
    const { name, sheets, hidden, height, pitch } = edges[edge]!;
    return { kind, name, length, fasteners, line, sheets, hidden, height, pitch };
  });
}
