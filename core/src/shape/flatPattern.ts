import { finite, list } from '../check.ts';
import {
  anticlockwise,
  between,
  clipAll,
  cross,
  minus,
  offset,
  plus,
  scaled,
  signedArea,
  simpleRing,
  unit,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { bend } from './bend.ts';
import { flange } from './flange.ts';
import { wholeUp } from '../tolerances.ts';

/** A flange that stands on one side of the patch; side i runs from corner i to corner i + 1. */
export interface PatternFlange {
  side: number;
  /** Width outside, mm. */
  width: number;
  /** Degrees, 90 square to the patch. */
  angle: number;
  /** Inside radius, mm. */
  radius: number;
  /** "up" towards the face, "down" away from it. */
  turn?: 'up' | 'down';
  /** mm: the flange is slit into tabs of this width, for a plug-welded or curved edge. */
  tabPitch?: number;
  /** Radius of a curved fold line, mm, and how its free edge must change; wedges are taken out where it shrinks. */
  curve?: { radius: number; side: 'shrink' | 'stretch' };
}

export interface PatternInput {
  /** Outer corners of the finished patch, mm; every side straight. */
  outline: Ring;
  holes?: readonly Ring[];
  thickness: number;
  flanges?: readonly PatternFlange[];
  /** mm left on for trimming at sides without a flange (T-03). */
  trim?: number;
  /** Degrees of the rolling direction, anticlockwise from u. */
  grain?: number;
}

export interface FlatPattern {
  /** What is cut from the sheet: outer ring, then holes. */
  blank: Polygon;
  /** Lines in the middle of each bend. */
  bends: { line: [Point, Point]; angle: number; radius: number; turn: 'up' | 'down'; allowance: number }[];
  /** Cuts into flanges: a slit is a line, a wedge is cut out of the blank. */
  slits: [Point, Point][];
  tabs: number;
  /** Rolling direction through the middle. */
  grain: [Point, Point];
  /** mm² of the blank */
  area: number;
  /** Smallest upright piece of sheet, mm. */
  width: number;
  height: number;
}

/**
 * What is cut from flat sheet so that this patch with its flanges comes out? Each flange adds
 * its width less the bend deduction beyond the outer edge; neighbouring flanges end in a notch
 * at their corner; tabs and wedges follow the fold.
 *
 * @param outline 3 to 200 corners, mm; flanges one at most for a side
 * @returns blank and lines, in the place of the outline, mm
 * @throws Problem naming the field
 * Source: bend after DIN 6935 (see bend); tabs common practice (T-24), no published source.
 */
export function flatPattern({
  outline,
  holes = [],
  thickness,
  flanges = [],
  trim = 0,
  grain = 0,
}: PatternInput): FlatPattern {
  list('outline', outline, 3, 200);
  const ring = anticlockwise(simpleRing('outline', outline));
  finite('thickness', thickness, { above: 0, max: 20, unit: 'mm' });
  finite('trim', trim, { min: 0, max: 200, unit: 'mm' });
  finite('grain', grain, { min: -360, max: 360, unit: '°' });
  const flipped = signedArea(simpleRing('outline', outline)) < 0;
  const openings = list<Ring>('holes', holes, 0, 200).map((hole, i) => simpleRing(`holes[${i}]`, hole));
  const folds = list<PatternFlange>('flanges', flanges, 0, 200).map((entry, i) =>
    foldOf(`flanges[${i}]`, entry, ring, thickness, flipped),
  );
  if (new Set(folds.map((fold) => fold.side)).size < folds.length)
    refuse('twice', 'flanges', 'A side can carry one flange only.');
  const strips = folds.map((fold) => stripOf(fold, folds, ring));
  const body = bodyOf(ring, folds, trim);
  const solid = clipAll('union', [[body], ...strips.map((strip): Polygon => [strip])], []).polygons;
  const slits = folds.flatMap((fold) => slitsOf(fold));
  const wedges = slits.flatMap(({ wedge }) => (wedge ? [[wedge] as Polygon] : []));
  const cut = [...openings.map((hole): Polygon => [hole]), ...wedges];
  const blank = cut.length === 0 ? solid : clipAll('difference', solid, cut).polygons;
  if (blank.length !== 1)
    refuse('in-pieces', 'flanges', 'These flanges, holes or wedges cut the patch apart; make them smaller.');
  const [piece] = blank as [Polygon];
  const us = piece[0]!.map((p) => p[0]);
  const vs = piece[0]!.map((p) => p[1]);
  const [minU, maxU, minV, maxV] = [Math.min(...us), Math.max(...us), Math.min(...vs), Math.max(...vs)];
  const middle: Point = [(minU + maxU) / 2, (minV + maxV) / 2];
  const along: Point = [Math.cos((grain * Math.PI) / 180), Math.sin((grain * Math.PI) / 180)];
  const reach = Math.min(maxU - minU, maxV - minV) / 4;
  return {
    blank: piece,
    bends: folds.map(({ line, angle, radius, turn, allowance }) => ({ line, angle, radius, turn, allowance })),
    slits: slits.filter(({ wedge }) => !wedge).map(({ line }) => line),
    tabs: folds.reduce((sum, fold) => sum + fold.tabs, 0),
    grain: [minus(middle, scaled(along, reach)), plus(middle, scaled(along, reach))],
    area: piece.reduce((sum, path, i) => sum + (i === 0 ? 1 : -1) * Math.abs(signedArea(path)), 0),
    width: maxU - minU,
    height: maxV - minV,
  };
}

interface Fold {
  side: number;
  from: Point;
  to: Point;
  /** Along the side and out of the patch, length one. */
  along: Point;
  out: Point;
  /** Beyond the outer edge, mm: flange width less the deduction. */
  reach: number;
  line: [Point, Point];
  angle: number;
  radius: number;
  turn: 'up' | 'down';
  allowance: number;
  setback: number;
  tabs: number;
  wedge: number;
}

function foldOf(field: string, entry: PatternFlange, ring: Ring, thickness: number, flipped: boolean): Fold {
  const n = ring.length;
  finite(`${field}.side`, entry?.side, { min: 0, max: n - 1 });
  if (!Number.isInteger(entry.side)) refuse('not-whole', `${field}.side`, `${field}.side must be a whole number.`);
  finite(`${field}.width`, entry.width, { above: 0, max: 2000, unit: 'mm' });
  const bent = inField(field, () => bend({ angle: entry.angle, radius: entry.radius, thickness }));
  const reach = entry.width - bent.deduction;
  if (entry.width < bent.setback)
    refuse(
      'too-small',
      `${field}.width`,
      `${field}.width must be at least ${bent.setback.toFixed(1)} mm for this bend.`,
    );
  const side = flipped ? (n - 2 - entry.side + n) % n : entry.side;
  const [from, to] = [ring[side]!, ring[(side + 1) % n]!];
  const along = unit(minus(to, from));
  const out: Point = [along[1], -along[0]];
  // The bend zone begins one setback inside the outer edge; its middle is half the allowance further.
  const middle = -bent.setback + bent.allowance / 2;
  const length = between(from, to);
  let [tabs, wedge] = [1, 0];
  if (entry.tabPitch !== undefined) {
    finite(`${field}.tabPitch`, entry.tabPitch, { min: 3, max: 10_000, unit: 'mm' });
    tabs = Math.max(1, wholeUp(length / entry.tabPitch));
    if (entry.curve) {
      const { curve, tabPitch, width } = entry;
      finite(`${field}.curve.radius`, curve.radius, { above: 0, max: 1e5, unit: 'mm' });
      const sweep = Math.min(360, (length / curve.radius) * (180 / Math.PI));
      wedge = inField(`${field}.curve`, () =>
        flange({ height: width, edgeRadius: curve.radius, side: curve.side, tabPitch, sweep }),
      ).wedgeWidth;
    }
  }
  return {
    side,
    from,
    to,
    along,
    out,
    reach,
    line: [plus(from, scaled(out, middle)), plus(to, scaled(out, middle))],
    angle: entry.angle,
    radius: entry.radius,
    turn: entry.turn ?? 'up',
    allowance: bent.allowance,
    setback: bent.setback,
    tabs,
    wedge,
  };
}

/** A refusal of an inner calculation names the field of this input. */
function inField<T>(field: string, run: () => T): T {
  try {
    return run();
  } catch (error) {
    if (error instanceof Error && 'field' in error && 'code' in error)
      return refuse(String(error.code), `${field}.${String(error.field)}`, `${field}.${error.message}`);
    throw error;
  }
}

/** The flange laid flat: from the middle of its bend outwards, ends drawn in where the neighbouring side has a flange too. */
function stripOf(fold: Fold, folds: readonly Fold[], ring: Ring): Ring {
  const n = ring.length;
  const before = folds.find((other) => other.side === (fold.side + n - 1) % n);
  const after = folds.find((other) => other.side === (fold.side + 1) % n);
  const length = between(fold.from, fold.to);
  const draw = (neighbour: Fold | undefined) => (neighbour ? Math.max(1, neighbour.setback / 2) : 0);
  const at = (s: number, w: number): Point => plus(plus(fold.from, scaled(fold.along, s)), scaled(fold.out, w));
  const [start, end] = [draw(before), length - draw(after)];
  const free = (neighbour: Fold | undefined) => (neighbour ? fold.reach * 0.06 : 0);
  return [at(start, -0.01), at(end, -0.01), at(end - free(after), fold.reach), at(start + free(before), fold.reach)];
}

/** The patch without its flanges; sides without one keep the trim. */
function bodyOf(ring: Ring, folds: readonly Fold[], trim: number): Ring {
  if (trim === 0) return ring;
  const bare = ring.map((_, i) => !folds.some((fold) => fold.side === i));
  const strips = ring.flatMap((from, i): Polygon[] => {
    if (!bare[i]) return [];
    const to = ring[(i + 1) % ring.length]!;
    const along = unit(minus(to, from));
    const out: Point = [along[1], -along[0]];
    const before = bare[(i + ring.length - 1) % ring.length] ? trim : 0;
    const after = bare[(i + 1) % ring.length] ? trim : 0;
    const at = (p: Point, s: number, w: number): Point => plus(plus(p, scaled(along, s)), scaled(out, w));
    return [[[at(from, -before, -0.01), at(to, after, -0.01), at(to, after, trim), at(from, -before, trim)]]];
  });
  const grown = offset([[ring]], trim, 'miter').polygons;
  const wanted = clipAll('union', [[ring], ...strips], []).polygons;
  return clipAll('intersection', wanted, grown).polygons[0]![0]!;
}

function slitsOf(fold: Fold): { line: [Point, Point]; wedge: Ring | null }[] {
  const length = between(fold.from, fold.to);
  return Array.from({ length: fold.tabs - 1 }, (_, i) => {
    const s = ((i + 1) * length) / fold.tabs;
    const foot = plus(plus(fold.from, scaled(fold.along, s)), scaled(fold.out, -fold.setback + fold.allowance));
    const tip = plus(plus(fold.from, scaled(fold.along, s)), scaled(fold.out, fold.reach));
    const half = scaled(fold.along, fold.wedge / 2);
    const past = scaled(fold.out, 1);
    const wedge: Ring | null =
      fold.wedge > 0 ? [foot, plus(minus(tip, half), past), plus(plus(tip, half), past)] : null;
    return {
      line: [foot, tip] as [Point, Point],
      wedge: wedge && cross(minus(wedge[1]!, foot), minus(wedge[2]!, foot)) < 0 ? [...wedge].reverse() : wedge,
    };
  });
}
