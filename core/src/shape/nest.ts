import { quickDecomp } from 'poly-decomp-es';
import { finite, list } from '../check.ts';
import {
  anticlockwise,
  area,
  boxOf,
  clipPaths,
  convexHull,
  cross,
  minus,
  offset,
  simpleRing,
  simplifyRing,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { Watch } from '../watch.ts';
import { ROUNDING, SAME_LENGTH } from '../tolerances.ts';

export interface NestInput {
  /** mm */
  sheet: { width: number; height: number };
  /** Outlines of the pieces, mm; holes are left out. */
  pieces: readonly Polygon[];
  /** Least distance of two pieces and of a piece from the edge of the sheet, mm. */
  gap: number;
  /** Degrees in which a piece may be laid; [0] keeps the grain. A number n stands for n equal turns. */
  rotations: readonly number[] | number;
}

export interface Placement {
  piece: number;
  /** Degrees, anticlockwise about the origin of the piece, before it is moved. */
  rotation: number;
  /** Movement after the turn, mm. */
  move: Point;
  outline: Ring;
}

export interface Nesting {
  placements: Placement[];
  /** Pieces that found no place on this sheet. */
  unplaced: number[];
  /** Area of the placed pieces as a share of the sheet. */
  yield: number;
  /** How far up the sheet is used, mm; the rest stays whole. */
  usedHeight: number;
}

/** mm. Outlines are thinned by at most this, outwards: a felt-pen line is wider. */
const THINNED = 0.3;
const MOST_PIECES = 200;
const MOST_CORNERS = 16;
/** mm. Pieces that touch within the rounding of clipping do not overlap. */
const HAIR = 0.01;
const decomposed = quickDecomp as (ring: [number, number][]) => [number, number][][];

/**
 * How do these pieces lie on one sheet? Largest first, each at the lowest and then leftmost
 * place where it touches without overlapping, over all turns: no-fit polygons (Minkowski sums)
 * and bottom-left placement.
 *
 * @param pieces up to 200; sheet and gap mm
 * @throws Problem naming the field
 * Source: Art 1966; Bennell & Oliveira 2008 (no-fit polygon); Minkowski sums by the Clipper library.
 */
export function nest({ sheet, pieces, gap, rotations }: NestInput, watch?: Watch): Nesting {
  const width = finite('sheet.width', sheet?.width, { above: 0, max: 20_000, unit: 'mm' });
  const height = finite('sheet.height', sheet?.height, { above: 0, max: 20_000, unit: 'mm' });
  finite('gap', gap, { min: 0, max: 500, unit: 'mm' });
  const turns = turnsOf(rotations);
  const rings = list<Polygon>('pieces', pieces, 1, MOST_PIECES).map((piece, i) => {
    list<Ring>(`pieces[${i}]`, piece, 1, 1000);
    return simpleRing(`pieces[${i}][0]`, piece[0]);
  });
  const order = rings.map((_, i) => i).sort((a, b) => area([rings[b]!]) - area([rings[a]!]));
  const placed: Placement[] = [];
  const laid: Laid[] = [];
  const unplaced: number[] = [];
  order.forEach((piece, done) => {
    watch?.(done / order.length);
    const best = turns
      .map((rotation) => settle(rings[piece]!, rotation, laid, { width, height, gap }))
      .filter((found) => found !== undefined)
      .reduce<Found | undefined>(
        (a, b) => (a && (a.top < b.top - SAME_LENGTH || (a.top < b.top + SAME_LENGTH && a.right <= b.right)) ? a : b),
        undefined,
      );
    if (!best) return void unplaced.push(piece);
    placed.push({ piece, rotation: best.rotation, move: best.move, outline: moved(best.ring, best.move) });
    laid.push({ parts: best.parts.map((part) => moved(grown(part, gap + HAIR), best.move)) });
  });
  const used = placed.reduce((sum, { piece }) => sum + area([rings[piece]!]), 0);
  return {
    placements: placed.sort((a, b) => a.piece - b.piece),
    unplaced: unplaced.sort((a, b) => a - b),
    yield: used / (width * height),
    usedHeight: placed.reduce((top, { outline }) => outline.reduce((most, p) => Math.max(most, p[1]), top), 0),
  };
}

function turnsOf(rotations: NestInput['rotations']): number[] {
  if (typeof rotations === 'number') {
    finite('rotations', rotations, { min: 1, max: 36 });
    if (!Number.isInteger(rotations))
      refuse('not-whole', 'rotations', 'rotations must be a whole number or a list of degrees.');
    return Array.from({ length: rotations }, (_, i) => (i * 360) / rotations);
  }
  return list<number>('rotations', rotations, 1, 36).map((r, i) =>
    finite(`rotations[${i}]`, r, { min: -360, max: 360, unit: '°' }),
  );
}

/** A piece that has its place, as the convex parts that the next ones keep clear of. */
interface Laid {
  parts: Ring[];
}

interface Found {
  rotation: number;
  ring: Ring;
  parts: Ring[];
  move: Point;
  top: number;
  right: number;
}

function settle(
  ring: Ring,
  rotation: number,
  laid: readonly Laid[],
  { width, height, gap }: { width: number; height: number; gap: number },
): Found | undefined {
  const turned = turn(ring, rotation);
  const us = turned.map((p) => p[0]);
  const vs = turned.map((p) => p[1]);
  const [minU, maxU, minV, maxV] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  // Where the origin of the piece may lie so that the piece stays on the sheet.
  const [fromU, toU, fromV, toV] = [gap - minU, width - gap - maxU, gap - minV, height - gap - maxV];
  if (fromU > toU + ROUNDING || fromV > toV + ROUNDING) return undefined;
  const parts = convexParts(thinned(turned));
  const candidates = freePlaces(parts, laid, [fromU, toU, fromV, toV]);
  const best = candidates.reduce<Point | undefined>(
    (a, b) => (a && (a[1] < b[1] - SAME_LENGTH || (a[1] < b[1] + SAME_LENGTH && a[0] <= b[0])) ? a : b),
    undefined,
  );
  return best && { rotation, ring: turned, parts, move: best, top: maxV + best[1], right: maxU + best[0] };
}

/** Corners of what is left of the sheet when all places that would overlap are taken out. */
function freePlaces(
  parts: readonly Ring[],
  laid: readonly Laid[],
  [fromU, toU, fromV, toV]: readonly [number, number, number, number],
): Point[] {
  const mirrored = parts.map((part) => part.map((p): Point => [-p[0], -p[1]]));
  const sums = laid.flatMap((other) => other.parts.flatMap((a) => mirrored.map((b) => convexSum(a, b))));
  const near = sums.filter((ring) => {
    const box = boxOf(ring);
    return box.maxU > fromU && box.minU < toU && box.maxV > fromV && box.minV < toV;
  });
  if (near.length === 0) return [[fromU, fromV]];
  const room: Polygon = [
    [
      [fromU - HAIR, fromV - HAIR],
      [toU + HAIR, fromV - HAIR],
      [toU + HAIR, toV + HAIR],
      [fromU - HAIR, toV + HAIR],
    ],
  ];
  const clamp = (p: Point): Point => [Math.min(toU, Math.max(fromU, p[0])), Math.min(toV, Math.max(fromV, p[1]))];
  return clipPaths(
    'difference',
    [room],
    near.map((ring): Polygon => [ring]),
  )
    .flat(2)
    .map(clamp);
}

/** A convex part with the distance that others keep from it. */
const grown = (part: Ring, by: number): Ring => offset([[part]], by, 'miter').polygons[0]![0]!;

/** Minkowski sum of two convex rings, both anticlockwise: their sides in order of direction. */
function convexSum(a: Ring, b: Ring): Ring {
  const start = (ring: Ring) =>
    ring.reduce((low, p, i) => (p[1] < ring[low]![1] || (p[1] === ring[low]![1] && p[0] < ring[low]![0]) ? i : low), 0);
  const [ia, ib] = [start(a), start(b)];
  const sum: Point[] = [];
  let [i, j] = [0, 0];
  while (i < a.length || j < b.length) {
    const pa = a[(ia + i) % a.length]!;
    const pb = b[(ib + j) % b.length]!;
    sum.push([pa[0] + pb[0], pa[1] + pb[1]]);
    const da = minus(a[(ia + i + 1) % a.length]!, pa);
    const db = minus(b[(ib + j + 1) % b.length]!, pb);
    const turn = i >= a.length ? -1 : j >= b.length ? 1 : cross(da, db);
    if (turn >= 0) i++;
    if (turn <= 0) j++;
  }
  return sum;
}

/** Fewer corners, never smaller: grown by a little and thinned by as little. */
function thinned(ring: Ring): Ring {
  for (let by = THINNED; ring.length > 8; by *= 2) {
    const simple = simplifyRing(offset([[ring]], by, 'miter').polygons[0]?.[0] ?? ring, by);
    if (simple.length <= MOST_CORNERS) return simple;
    if (by > 20) return convexHull(ring);
  }
  return ring;
}

/** Convex parts that make up a ring, anticlockwise. */
function convexParts(ring: Ring): Ring[] {
  const round = anticlockwise(ring);
  const turns = round.map((p, i) =>
    cross(
      minus(round[(i + 1) % round.length]!, p),
      minus(round[(i + 2) % round.length]!, round[(i + 1) % round.length]!),
    ),
  );
  if (turns.every((t) => t >= -ROUNDING)) return [round];
  return decomposed(round.map((p): [number, number] => [p[0], p[1]])).map((part) => anticlockwise(part));
}

const moved = (ring: Ring, by: Point): Ring => ring.map((p): Point => [p[0] + by[0], p[1] + by[1]]);
function turn(ring: Ring, degrees: number): Ring {
  if (degrees % 360 === 0) return ring;
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return ring.map((p): Point => [c * p[0] - s * p[1], s * p[0] + c * p[1]]);
}
