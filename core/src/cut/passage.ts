import { finite, list } from '../check.ts';
import { convexHull, cross, minus, simpleRing, unit, type Point, type Polygon } from '../geometry/index.ts';
import { ROUNDING, SAME_LENGTH } from '../tolerances.ts';

export interface PassageInput {
  /** Outline of the piece, mm. */
  piece: Polygon;
  /** How deep it is across its plane (pressing, flanges), mm. */
  depth: number;
  /** Clear sides of the opening, mm. */
  opening: { a: number; b: number };
  /** Play in all between piece and opening, mm (T-16: 50). */
  clearance: number;
  /** How far the space goes on behind the opening, mm; left out where nothing stands in the way. */
  room?: number;
}
export interface Passage {
  passes: boolean;
  /** Play that is left beyond the clearance, mm; negative: as much is missing. */
  margin: number;
  how: string;
  /** What must pass: across the direction in which the piece is moved, mm. */
  section: { width: number; depth: number };
  /** Direction in which the piece is moved, degrees anticlockwise from u; null where it goes through face first. */
  direction: number | null;
  /** Degrees by which the section is turned in the opening. */
  turn: number;
}

/**
 * Does this piece pass through the opening? It is moved along its plane with its narrowest
 * width across (rotating calipers), or face first; its section then is a rectangle that must
 * lie in the opening, turned if need be.
 *
 * @param piece outline, mm; depth mm, 0 and more; opening a × b mm; clearance mm in all; room behind the opening, mm:
 * as long as the piece is the way it is moved, it must be
 * @throws Problem naming the field
 * Source: rectangle in rectangle: Carver 1957; calipers: Toussaint 1983; play: common practice (T-16).
 */
export function passage({ piece, depth, opening, clearance, room }: PassageInput): Passage {
  list<Polygon[number]>('piece', piece, 1, 1000);
  const hull = convexHull(simpleRing('piece[0]', piece[0]));
  finite('depth', depth, { min: 0, max: 1e5, unit: 'mm' });
  const a = finite('opening.a', opening?.a, { above: 0, max: 1e5, unit: 'mm' });
  const b = finite('opening.b', opening.b, { above: 0, max: 1e5, unit: 'mm' });
  finite('clearance', clearance, { min: 0, max: 1e4, unit: 'mm' });
  if (room !== undefined) finite('room', room, { above: 0, max: 1e5, unit: 'mm' });
  const sides = boxesAlong(hull);
  const narrow = sides.reduce((best, side) => (side.across < best.across ? side : best));
  const compact = sides.reduce((best, side) => (side.across * side.along < best.across * best.along ? side : best));
  // Where the space behind is short, a wider way across may be the one that is short enough along: also square to a side.
  const edgewise = room === undefined ? [narrow] : sides.flatMap((side) => [side, squareTo(side)]);
  const ways = [
    ...edgewise.map(({ across, along, angle }) => ({ width: across, depth, direction: angle, length: along })),
    { width: compact.across, depth: compact.along, direction: null, length: depth },
  ].map((way) => {
    const free = play(way.width, way.depth, a, b);
    const behind = (room ?? Infinity) - way.length;
    return { ...way, ...free, behind, margin: Math.min(free.play - clearance, behind) };
  });
  const best = ways.reduce((x, y) => (y.margin > x.margin + ROUNDING ? y : x));
  const { margin } = best;
  const passes = margin >= 0;
  const round = (mm: number) => `${Math.round(mm * 10) / 10} mm`;
  const narrowest = best.width <= narrow.across + ROUNDING ? ', its narrowest width across' : '';
  const move = best.direction === null ? 'face first' : `edge first${narrowest}`;
  const turned = best.turn > 0.5 ? `, turned by ${Math.round(best.turn)}° in the opening` : '';
  return {
    passes,
    margin,
    how: passes
      ? `Through it goes ${move}${turned}: ${round(best.width)} × ${round(best.depth)} has ${round(best.play)} of play.`
      : best.behind < best.play - clearance
        ? `It does not go in: ${move} it reaches ${round(best.length)} in, and the space behind the opening is ${round(-best.behind)} short of that.`
        : `It does not pass: ${move}${turned} ${round(-margin)} are missing for the play of ${round(clearance)}.`,
    section: { width: best.width, depth: best.depth },
    direction: best.direction,
    turn: best.turn,
  };
}

/** How far a piece reaches across and along a direction, mm, and its angle (0 to 180). */
interface Reach {
  across: number;
  along: number;
  angle: number;
}

/** The same box, moved the other way. */
const squareTo = ({ across, along, angle }: Reach): Reach => ({
  across: along,
  along: across,
  angle: (angle + 90) % 180,
});

/** Along each side of the hull. */
function boxesAlong(hull: readonly Point[]): Reach[] {
  return hull.map((p, i) => {
    const side = unit(minus(hull[(i + 1) % hull.length]!, p));
    const across = hull.map((q) => cross(side, minus(q, p)));
    const along = hull.map((q) => side[0] * q[0] + side[1] * q[1]);
    const angle = (Math.atan2(side[1], side[0]) * 180) / Math.PI;
    return {
      across: Math.max(...across) - Math.min(...across),
      along: Math.max(...along) - Math.min(...along),
      angle: ((angle % 180) + 180) % 180,
    };
  });
}

/** Play of a rectangle p × q in an opening a × b: by how much both sides of the opening could shrink; negative where it is too small. */
function play(p: number, q: number, a: number, b: number): { play: number; turn: number } {
  const [long, short] = [Math.max(p, q), Math.min(p, q)];
  const [wide, narrow] = [Math.max(a, b), Math.min(a, b)];
  const straight = Math.min(wide - long, narrow - short);
  let [low, high] = [Math.max(straight, -Math.max(long, short)), narrow - short];
  if (!(high > low) || !fits(long, short, wide - low - ROUNDING, narrow - low - ROUNDING))
    return { play: straight, turn: 0 };
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (fits(long, short, wide - middle, narrow - middle)) low = middle;
    else high = middle;
  }
  return low > straight + SAME_LENGTH
    ? { play: low, turn: turnOf(long, short, wide - low, narrow - low) }
    : { play: straight, turn: 0 };
}

/** Carver's condition for a rectangle p ≥ q in a ≥ b. */
function fits(p: number, q: number, a: number, b: number): boolean {
  if (a < 0 || b < 0) return false;
  const [wide, narrow] = [Math.max(a, b), Math.min(a, b)];
  if (p <= wide && q <= narrow) return true;
  if (p <= wide || q > narrow) return false;
  const diagonal = p * p + q * q;
  const rest = diagonal - wide * wide;
  return narrow >= (2 * p * q * wide + (p * p - q * q) * Math.sqrt(Math.max(0, rest))) / diagonal;
}

/** Turn at which the long side just spans the opening, degrees. */
function turnOf(p: number, q: number, a: number, b: number): number {
  let best = { turn: 0, over: Infinity };
  for (let turn = 0; turn <= 90; turn += 0.25) {
    const [c, s] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
    const over = Math.max(p * c + q * s - a, p * s + q * c - b);
    if (over < best.over - ROUNDING) best = { turn, over };
  }
  return best.turn;
}
