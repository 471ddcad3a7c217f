import { along, between, nearestOnSegment, type Point, type Ring } from '../geometry/index.ts';
import { ON_OUTLINE } from '../tolerances.ts';

/** A stretch of a panel's outline, with how its fasteners stand; mm. */
export interface OutlineEdge {
  kind: string;
  line: readonly Point[];
  pitch?: number | undefined;
}

/** A stretch of a piece's outline that is one joint. */
export interface Stretch {
  /** `cut` within the sheet, or the kind of the edge on which it lies. */
  kind: string;
  /** Which of the edges; null within the sheet. */
  edge: number | null;
  /** mm */
  length: number;
  /** Spots, bolts or rivets in it: the length by the pitch, at least one; 0 where the edge has no pitch. */
  fasteners: number;
  /** From its first to its last place, in the order of the piece, mm. */
  line: readonly Point[];
}

/**
 * Cuts the outline of a piece into its joints: what lies on an edge of the panel is that edge, all
 * else is cut within the sheet. Neighbours of the same edge are one.
 *
 * @param edges stretches of the panel's outline; a piece lies on one where it is within 0.5 mm of it
 * @param piece corners, mm
 */
export function stretchesOf(edges: readonly OutlineEdge[], piece: Ring): Stretch[] {
  const sides = edges.flatMap(({ line }, edge) => line.slice(1).map((b, i) => ({ a: line[i]!, b, edge })));
  const parts = piece.flatMap((from, i) => partsOf(from, piece[(i + 1) % piece.length]!, sides));
  return joined(parts).map(({ edge, line }): Stretch => {
    const length = line.slice(1).reduce((sum, p, i) => sum + between(line[i]!, p), 0);
    const pitch = edge === null ? undefined : edges[edge]!.pitch;
    return {
      kind: edge === null ? 'cut' : edges[edge]!.kind,
      edge,
      length,
      fasteners: fastenersIn(length, pitch),
      line,
    };
  });
}

/** How many fasteners are in a stretch, mm: its length by their pitch, at least one; none where there is no pitch. */
export const fastenersIn = (length: number, pitch: number | undefined): number =>
  pitch ? Math.max(1, Math.round(length / pitch)) : 0;

interface Side {
  a: Point;
  b: Point;
  edge: number;
}
interface Part {
  edge: number | null;
  line: Point[];
}
const off = (p: Point, { a, b }: Side) => between(p, nearestOnSegment(p, a, b));

/** One side of the piece, parted where a corner of the panel lies on it: between two such places it lies on one edge or on none. */
function partsOf(from: Point, to: Point, sides: readonly Side[]): Part[] {
  const near = sides.filter((side) => {
    const reach = ON_OUTLINE;
    return (
      Math.max(side.a[0], side.b[0]) >= Math.min(from[0], to[0]) - reach &&
      Math.min(side.a[0], side.b[0]) <= Math.max(from[0], to[0]) + reach &&
      Math.max(side.a[1], side.b[1]) >= Math.min(from[1], to[1]) - reach &&
      Math.min(side.a[1], side.b[1]) <= Math.max(from[1], to[1]) + reach
    );
  });
  const length = between(from, to);
  const shares = near
    .flatMap(({ a, b }) => [a, b])
    .map((corner) => ({ corner, foot: nearestOnSegment(corner, from, to) }))
    .filter(({ corner, foot }) => between(corner, foot) <= ON_OUTLINE)
    .map(({ foot }) => between(from, foot) / length)
    .filter((share) => share * length > ON_OUTLINE && (1 - share) * length > ON_OUTLINE)
    .sort((a, b) => a - b)
    .filter((share, i, all) => i === 0 || (share - all[i - 1]!) * length > ON_OUTLINE / 10);
  const places = [from, ...shares.map((share) => along(from, to, share)), to];
  return places.slice(1).map((end, i): Part => {
    const start = places[i]!;
    const middle = along(start, end, 0.5);
    const on = near
      .filter((side) => [start, middle, end].every((p) => off(p, side) <= ON_OUTLINE))
      .sort((a, b) => off(middle, a) - off(middle, b))[0];
    return { edge: on?.edge ?? null, line: [start, end] };
  });
}

/** Neighbours of the same edge as one, also over the first corner of the piece. */
function joined(parts: readonly Part[]): Part[] {
  const out: Part[] = [];
  for (const { edge, line } of parts) {
    const last = out.at(-1);
    if (last && last.edge === edge) last.line.push(...line.slice(1));
    else out.push({ edge, line: [...line] });
  }
  const [first, last] = [out[0]!, out.at(-1)!];
  if (out.length > 1 && first.edge === last.edge) {
    first.line = [...last.line, ...first.line.slice(1)];
    out.pop();
  }
  return out;
}
