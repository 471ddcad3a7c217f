import { edgeName, sheetOf, type Panel } from '../body/index.ts';
import {
  along,
  between,
  cross,
  dot,
  inPolygon,
  minus,
  plus,
  scaled,
  simplifyLine,
  simplifyRing,
  unit,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { REPLOT } from '../tolerances.ts';

/** A straight edge to measure from; the panel lies on its left when one goes from a to b. */
export interface Datum {
  name: string;
  a: Point;
  b: Point;
}

/** What keeps a tape from being laid: off the metal on its way, too long for one arm, or begun beyond the end of its edge. */
export type TapeTrouble = 'off-metal' | 'far' | 'beyond-end';

/** Degrees. Offsets from edges that are more nearly parallel do not fix a corner. */
export const LEAST_ANGLE = 30;
/** mm. How far one arm lays a tape; common practice, no published source. */
export const ARMS_LENGTH = 500;
/** mm. A stretch of edge along which a straight edge can be laid: it strays no more from it than this. */
const STRAIGHT_WITHIN = 3 * REPLOT;
/** mm. Shorter stretches do not carry a straight edge. */
const SHORTEST_DATUM = 60;
/** A straight edge laid along a stretch may stand out past its end by this share of the stretch, and no farther than this, mm. */
const STANDS_OUT = { share: 0.5, most: 300 };
/** mm. Where the tape begins and ends it may touch an edge. */
const TOUCH = 2;

/** Unit vector from the datum edge onto the panel. */
export function inward(datum: Pick<Datum, 'a' | 'b'>): Point {
  const d = unit(minus(datum.b, datum.a));
  return [-d[1], d[0]];
}

/** The place that two offsets mark: for drawing tapes from the datum edges to a corner. */
export function footOn(datum: Datum, corner: Point): Point {
  return plus(corner, scaled(inward(datum), -dot(inward(datum), minus(corner, datum.a))));
}

/**
 * From what can be measured on this panel? Every stretch of its edge and of its creases along which a
 * straight edge can be laid, 60 mm long or more; a crease serves from both of its sides. What lies in the piece
 * that comes out is left out: it goes with it.
 */
export function datumsOn(panel: Panel, piece: Ring = [], shortest = SHORTEST_DATUM): Datum[] {
  const thinned = simplifyRing(panel.outline, STRAIGHT_WITHIN);
  const edges = thinned.flatMap((a, i) =>
    outsideOf(piece, a, thinned[(i + 1) % thinned.length]!).map(([from, to]) => {
      const edge = { a: from, b: to };
      return { ...edge, name: edgeName(panel, scaled(inward(edge), -1)) };
    }),
  );
  const creases = panel.creases.flatMap(({ name, line }) => {
    const bends = simplifyLine(line, STRAIGHT_WITHIN);
    return bends.slice(1).flatMap((b, i) =>
      outsideOf(piece, bends[i]!, b).flatMap(([from, to]) => [
        { name: name.toLowerCase(), a: from, b: to },
        { name: name.toLowerCase(), a: to, b: from },
      ]),
    );
  });
  return [...edges, ...creases].filter(({ a, b }) => between(a, b) >= shortest);
}

/** Parts of a straight stretch that lie outside a ring. */
function outsideOf(ring: Ring, a: Point, b: Point): [Point, Point][] {
  if (ring.length < 3) return [[a, b]];
  const cuts = [0, ...crossings(ring, a, b), 1].sort((x, y) => x - y);
  return cuts
    .slice(1)
    .map((to, i): [number, number] => [cuts[i]!, to])
    .filter(([from, to]) => (to - from) * between(a, b) > TOUCH && !inPolygon(along(a, b, (from + to) / 2), [ring]))
    .map(([from, to]) => [along(a, b, from), along(a, b, to)]);
}

/** Shares of the way from a to b at which it meets the ring. */
function crossings(ring: Ring, a: Point, b: Point): number[] {
  const way = minus(b, a);
  return ring.flatMap((from, i) => {
    const side = minus(ring[(i + 1) % ring.length]!, from);
    const across = cross(way, side);
    if (across === 0) return [];
    const to = minus(from, a);
    const [s, t] = [cross(to, side) / across, cross(to, way) / across];
    return s > 0 && s < 1 && t >= 0 && t <= 1 ? [s] : [];
  });
}

/** What is wrong with a tape square to this datum at this corner; null where it can be laid. */
export function tapeTrouble(
  sheet: readonly Ring[],
  datum: Datum,
  corner: Point,
  reach: number = ARMS_LENGTH,
): TapeTrouble | null {
  if (pastEnd(datum, corner) > standsOut(datum)) return 'beyond-end';
  const foot = footOn(datum, corner);
  const length = between(foot, corner);
  if (dot(inward(datum), minus(corner, datum.a)) < -TOUCH) return 'off-metal';
  if (length > 2 * TOUCH) {
    const [from, to] = [along(foot, corner, TOUCH / length), along(foot, corner, 1 - TOUCH / length)];
    // A foot past the end of its edge lies on the straight edge that stands out there, not on metal.
    const starts = pastEnd(datum, corner) > 0 ? along(foot, corner, 0.5) : from;
    if (sheet.some((ring) => crossings(ring, starts, to).length > 0) || !inPolygon(along(starts, to, 0.5), sheet))
      return 'off-metal';
  }
  return length > reach ? 'far' : null;
}

/** mm by which the tape would begin beyond the nearer end of its edge. */
function pastEnd({ a, b }: Datum, corner: Point): number {
  const run = dot(unit(minus(b, a)), minus(corner, a));
  return Math.max(0, -run, run - between(a, b));
}

const standsOut = ({ a, b }: Datum) => Math.min(STANDS_OUT.most, STANDS_OUT.share * between(a, b));

/** What a tape that cannot be laid weighs against millimetres of tape. */
const TROUBLE: Readonly<Record<TapeTrouble, number>> = { 'off-metal': 2000, 'beyond-end': 2000, far: 1000 };

/** How badly a corner is measured from an edge: a tape that cannot be laid, a long one, one that begins past the end, a short edge. */
function awkwardness(sheet: readonly Ring[], datum: Datum, corner: Point, reach: number): number {
  const trouble = tapeTrouble(sheet, datum, corner, reach);
  const away = Math.abs(dot(inward(datum), minus(corner, datum.a)));
  return (
    20 +
    20_000 / between(datum.a, datum.b) +
    0.3 * away +
    0.6 * pastEnd(datum, corner) +
    (trouble ? TROUBLE[trouble] + pastEnd(datum, corner) : 0)
  );
}

export interface Measuring {
  panel: Panel;
  /** The piece that comes out: what lies in it is not measured from. */
  piece?: Ring;
  /** mm that one arm reaches. */
  reach?: number;
  /** Names of what the person measures from; what he has not named is chosen. */
  from?: readonly string[];
}

export type Pair = [Datum, Datum];

/**
 * From which two edges is each corner best measured? Such that the tape runs over metal and within
 * arm's length, square to them; the same two for all corners wherever they serve, so that the card reads easily.
 *
 * @throws Problem where the panel has no two edges at 30° or more to each other
 */
export function chooseDatums(measuring: Measuring, corners: readonly Point[]): Pair[] {
  const { panel, piece, reach = ARMS_LENGTH, from = [] } = measuring;
  const sheet = sheetOf(panel);
  // Where too little that is straight is left beside the piece, it is measured while the piece is still in; a panel
  // that is small or round all over is measured from what it has.
  const pairs =
    [() => datumsOn(panel, piece), () => datumsOn(panel), () => datumsOn(panel, [], 0)]
      .map((datums) => pairsOf(datums(), from))
      .find((some) => some.length > 0) ?? [];
  if (pairs.length === 0)
    refuse('parallel', 'outline', 'The panel has no two edges at 30° or more to each other to measure from.');
  // A datum serves in many pairs: what it is worth at a corner is worked out once.
  const worth = new Map<Datum, number[]>();
  const awkward = (datum: Datum) => {
    const known = worth.get(datum) ?? corners.map((corner) => awkwardness(sheet, datum, corner, reach));
    worth.set(datum, known);
    return known;
  };
  const costs = pairs.map(({ pair: [first, second], sine }) =>
    corners.map((_, i) => (awkward(first)[i]! + awkward(second)[i]!) / sine),
  );
  const least = (cost: (k: number) => number) => pairs.reduce((best, _, k) => (cost(k) < cost(best) ? k : best), 0);
  const shared = least((k) => costs[k]!.reduce((sum, cost) => sum + cost, 0));
  return corners.map((corner, i) => {
    const serves = pairs[shared]!.pair.every((datum) => !tapeTrouble(sheet, datum, corner, reach));
    return pairs[serves ? shared : least((k) => costs[k]![i]!)]!.pair;
  });
}

/** Every two that fix a corner together, of those that the person named where he named any. */
function pairsOf(all: readonly Datum[], from: readonly string[]): { pair: Pair; sine: number }[] {
  const sine = Math.sin((LEAST_ANGLE * Math.PI) / 180) + 1e-6;
  const pairs = all.flatMap((first, i) =>
    all
      .slice(i + 1)
      .map((second) => ({ pair: [first, second] as Pair, sine: Math.abs(cross(inward(first), inward(second))) })),
  );
  const square = pairs.filter((pair) => pair.sine > sine);
  const named = square.filter(({ pair }) => from.every((name) => pair.some((datum) => datum.name === name)));
  return named.length > 0 ? named : square;
}
