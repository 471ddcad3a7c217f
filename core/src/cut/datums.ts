import { edgeName, type Panel } from '../body/index.ts';
import {
  along,
  between,
  crossings,
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
import { REPLOT } from '../tolerances.ts';

/** A straight edge to measure from; the panel lies on its left when one goes from a to b. */
export interface Datum {
  name: string;
  a: Point;
  b: Point;
  /** The edge of the panel on which the corner lies: nothing is laid along it. */
  under?: boolean;
  /** The way of a tape that runs along the panel’s edge, from where it is hooked; its figure is the length of it. */
  lip?: Point[];
  /** The middle of a hole: the tape is held there and runs straight to the corner, whichever way that is. */
  hole?: Point;
}

/** What keeps a tape from being laid: off the metal on its way, too long for one arm, or begun beyond the end of its edge. */
export type TapeTrouble = 'off-metal' | 'far' | 'beyond-end';

/** Degrees. Offsets from edges that are more nearly parallel do not fix a corner. */
export const LEAST_ANGLE = 30;
/** mm. How far one arm lays a tape; common practice, no published source. */
export const ARMS_LENGTH = 500;
/** mm. A stretch of edge along which a straight edge can be laid: it strays no more from it than this. */
const STRAIGHT_WITHIN = 0.5 * REPLOT;
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
 *
 * @param shortest mm of a stretch that still serves
 * @example datumsOn(panelOf(bodyPlan('saloon'), 'inner-wing-l')).some(({ name }) => name === 'front edge') // → true
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

/**
 * What is wrong with a tape square to this datum at this corner? Nothing, null, where it can be laid.
 *
 * @param sheet its outline, then its openings, mm
 * @param reach mm that one arm reaches
 * @example tapeTrouble([[[0, 0], [900, 0], [900, 300], [0, 300]]], { name: 'front edge', a: [0, 300], b: [0, 0] }, [700, 100]) // → "far"
 */
export function tapeTrouble(
  sheet: readonly Ring[],
  datum: Datum,
  corner: Point,
  reach: number = ARMS_LENGTH,
): TapeTrouble | null {
  // Along an edge lies metal all the way, and a tape that is hooked needs no second hand.
  if (datum.lip) return null;
  if (!datum.under && !datum.hole && pastEnd(datum, corner) > standsOut(datum)) return 'beyond-end';
  const foot = footOn(datum, corner);
  const length = between(foot, corner);
  if (dot(inward(datum), minus(corner, datum.a)) < -TOUCH) return 'off-metal';
  // From a straight edge that stands out the tape comes in over the panel’s edge, once.
  const standsIn = !datum.hole && pastEnd(datum, corner) > 0 && length <= STANDS_OUT.most;
  if (length > 2 * TOUCH && !overMetal(sheet, foot, corner, standsIn)) return 'off-metal';
  return length > reach ? 'far' : null;
}

/** Does a tape lie on the sheet from end to end? It may lie on its edge: a little to one side is enough. */
function overMetal(sheet: readonly Ring[], foot: Point, corner: Point, standsIn: boolean): boolean {
  const length = between(foot, corner);
  const way = unit(minus(corner, foot));
  return [0, TOUCH, -TOUCH].some((aside) => {
    const beside = (share: number) => plus(along(foot, corner, share), [-way[1] * aside, way[0] * aside]);
    const [from, to] = [beside(TOUCH / length), beside(1 - TOUCH / length)];
    const times = sheet.map((ring) => crossings(ring, from, to).length);
    return (
      times.every((count, ring) => count <= (standsIn && ring === 0 ? 1 : 0)) &&
      (standsIn || inPolygon(along(from, to, 0.5), sheet))
    );
  });
}

/** mm by which the tape would begin beyond the nearer end of its edge. */
function pastEnd({ a, b }: Datum, corner: Point): number {
  const run = dot(unit(minus(b, a)), minus(corner, a));
  return Math.max(0, -run, run - between(a, b));
}

const standsOut = ({ a, b }: Datum) => Math.min(STANDS_OUT.most, STANDS_OUT.share * between(a, b));

/** What a tape that cannot be laid weighs against millimetres of tape. */
const TROUBLE: Readonly<Record<TapeTrouble, number>> = { 'off-metal': 2000, 'beyond-end': 2000, far: 1000 };

/** What a tape to the middle of a hole weighs: as much as an edge of 100 mm. */
const HELD_TO_HOLE = 200;

/** How badly a corner is measured from an edge: a tape that cannot be laid, a long one, one that begins past the end, a short edge. */
export function awkwardness(sheet: readonly Ring[], datum: Datum, corner: Point, reach: number): number {
  const trouble = tapeTrouble(sheet, datum, corner, reach);
  const away = Math.abs(dot(inward(datum), minus(corner, datum.a)));
  // A tape that is held to a hole needs a second hand to mark, and its arc cuts the other figure.
  const straight = datum.hole ? HELD_TO_HOLE : datum.under || datum.lip ? 0 : 20_000 / between(datum.a, datum.b);
  const past = datum.hole ? 0 : pastEnd(datum, corner);
  return 20 + straight + 0.3 * away + 0.6 * past + (trouble ? TROUBLE[trouble] + past : 0);
}
