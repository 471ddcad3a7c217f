import { finite, list } from '../check.ts';
import { between, inRing, simpleRing, toRing, type Point, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { ON_OUTLINE } from '../tolerances.ts';
import { stretchesOf, type Stretch } from './stretches.ts';

/** A stretch of the panel's outline from corner to corner, mm. */
export interface EdgeInput {
  from: readonly number[];
  to: readonly number[];
  /** What it is as built: spot, hem, bolt, rivet, fold, lip … */
  kind: string;
  /** Distance of neighbouring spots, bolts or rivets. */
  pitch?: number;
  sheets?: number;
  height?: number;
}
export interface JointsInput {
  /** Of the panel, mm. */
  outline: Ring;
  /** Cover the outline once, in its order. */
  edges: readonly EdgeInput[];
  /** Corners of the piece, mm. */
  piece: Ring;
}
export interface Joints {
  stretches: Omit<Stretch, 'line'>[];
  /** mm cut within the sheet. */
  cut: number;
  /** mm on edges of the panel. */
  own: number;
  fasteners: number;
}

/**
 * Which joints does a piece have? Its outline is cut into stretches, and each is exactly one joint:
 * cut within the sheet, or an edge of the panel that has to be opened and closed, or made again.
 *
 * @param input outline, edges that cover it once in its order from corner to corner, and a piece within it; mm
 * @throws Problem naming the field: a ring that crosses itself, edges that do not cover the outline, a
 *   pitch of nothing, a piece that leaves the panel
 * Source: common practice, no published source; lengths and areas are plane geometry.
 * @example joints({ outline: [[0, 0], [400, 0], [400, 300], [0, 300]], edges: [{ from: [0, 0], to: [400, 0], kind: 'spot', pitch: 40 }, { from: [400, 0], to: [400, 300], kind: 'free' }, { from: [400, 300], to: [0, 300], kind: 'free' }, { from: [0, 300], to: [0, 0], kind: 'free' }], piece: [[100, 0], [300, 0], [300, 120], [100, 120]] }) // → { stretches: [{ kind: 'spot', edge: 0, length: 200, fasteners: 5 }, { kind: 'cut', edge: null, length: 440, fasteners: 0 }], cut: 440, own: 200, fasteners: 5 }
 */
export function joints({ outline, edges, piece }: JointsInput): Joints {
  const ring = simpleRing('outline', outline);
  const lines = linesOf(ring, edges);
  const own = simpleRing('piece', piece);
  own.forEach((corner, i) => {
    if (!inRing(corner, ring) && toRing(corner, ring) > ON_OUTLINE)
      refuse(
        'outside-panel',
        `piece[${i}]`,
        `Corner ${i + 1} of the piece lies ${toRing(corner, ring).toFixed(1)} mm outside of the panel; move it onto the panel.`,
      );
  });
  const stretches = stretchesOf(lines, own).map(({ line: _line, ...stretch }) => stretch);
  const sum = (of: (stretch: Omit<Stretch, 'line'>) => number) => stretches.reduce((all, one) => all + of(one), 0);
  return {
    stretches,
    cut: sum(({ edge, length }) => (edge === null ? length : 0)),
    own: sum(({ edge, length }) => (edge === null ? 0 : length)),
    fasteners: sum(({ fasteners }) => fasteners),
  };
}

/** The way of each edge along the outline; edges that leave a gap or come twice are refused. */
function linesOf(outline: Ring, edges: JointsInput['edges']): { kind: string; line: Point[]; pitch?: number }[] {
  const given = list<EdgeInput>('edges', edges, 1, 2000);
  const cornerOf = (field: string, place: unknown): number => {
    const [u, v] = list<number>(field, place, 2, 2).map((value, axis) =>
      finite(`${field}[${axis}]`, value, { unit: 'mm' }),
    );
    const at = outline.findIndex((corner) => between(corner, [u!, v!]) <= ON_OUTLINE);
    if (at < 0) refuse('not-a-corner', field, `${field} is no corner of the outline; edges run from corner to corner.`);
    return at;
  };
  const ends = given.map((edge, i) => [cornerOf(`edges[${i}].from`, edge?.from), cornerOf(`edges[${i}].to`, edge.to)]);
  let covered = 0;
  const lines = given.map((edge, i) => {
    const [from, to] = ends[i]! as [number, number];
    const next = ends[(i + 1) % ends.length]![0]!;
    if (to !== next)
      refuse(
        'not-covered',
        `edges[${(i + 1) % ends.length}].from`,
        `Edge ${((i + 1) % ends.length) + 1} must begin where edge ${i + 1} ends; together they cover the outline once, in its order.`,
      );
    const steps = (to - from + outline.length) % outline.length || outline.length;
    covered += steps;
    if (typeof edge.kind !== 'string' || edge.kind === '' || edge.kind === 'cut')
      refuse(
        'unknown-kind',
        `edges[${i}].kind`,
        `edges[${i}].kind says what the edge is: spot, hem, bolt, rivet, fold, lip or free.`,
      );
    if (edge.pitch !== undefined) finite(`edges[${i}].pitch`, edge.pitch, { above: 0, max: 5000, unit: 'mm' });
    const line = Array.from({ length: steps + 1 }, (_, k): Point => outline[(from + k) % outline.length]!);
    return { kind: edge.kind, line, ...(edge.pitch === undefined ? {} : { pitch: edge.pitch }) };
  });
  if (covered !== outline.length)
    refuse('not-covered', 'edges', 'The edges must cover the outline once, in its order, from corner to corner.');
  return lines;
}
