import { between, isSharp, minus, signedArea, type Point, type Ring } from '../geometry/index.ts';

/** Where a parting line meets a side of the piece: along that side from both of its corners. */
export interface EdgeMark {
  side: 'upper' | 'lower' | 'left' | 'right';
  /** mm along the side, from its left or lower corner, and from the other one. */
  first: number;
  second: number;
}

/**
 * Where on its side does a line meet the edge of a piece? Measured along the edge, also round a curve, from the corners
 * between which the side runs.
 *
 * @param piece corners, mm
 * @param crossing index of the vertex before it, and mm from there
 * @example edgeMark([[0, 0], [300, 0], [300, 200], [0, 200]], { fromCorner: 2, offset: 100 }) // → { side: 'upper', first: 200, second: 100 }
 */
export function edgeMark(piece: Ring, { fromCorner, offset }: { fromCorner: number; offset: number }): EdgeMark {
  const n = piece.length;
  const at = (i: number): Point => piece[(i + n) % n]!;
  const isCorner = (i: number) => isSharp(at(i - 1), at(i), at(i + 1));
  let [start, before] = [fromCorner, offset];
  while (!isCorner(start) && start > fromCorner - n) {
    before += between(at(start - 1), at(start));
    start--;
  }
  let [end, after] = [fromCorner + 1, between(at(fromCorner), at(fromCorner + 1)) - offset];
  while (!isCorner(end) && end < fromCorner + n) {
    after += between(at(end), at(end + 1));
    end++;
  }
  const way = minus(at(end), at(start));
  const flat = Math.abs(way[0]) >= Math.abs(way[1]);
  const [from, to] = flat ? [at(start)[0], at(end)[0]] : [at(start)[1], at(end)[1]];
  const anticlockwise = signedArea(piece) > 0;
  // Seen along the edge the piece lies on the left of an anticlockwise ring.
  const out = anticlockwise === to > from ? (flat ? 'lower' : 'right') : flat ? 'upper' : 'left';
  return { side: out, ...(from < to ? { first: before, second: after } : { first: after, second: before }) };
}
