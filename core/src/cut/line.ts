import { finite, list } from '../check.ts';
import type { Crease } from '../body/index.ts';
import {
  area,
  between,
  clip,
  inPolygon,
  offset,
  perimeter,
  simpleRing,
  simplifyRing,
  toRing,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { cornersOf, enclosingRuns, roundCorners, type Run } from './enclose.ts';
import { snapRuns } from './snap.ts';

/** Shop rules of cutting, mm; common practice, no published source. */
export interface CutRules {
  /** Most straight runs of the final line, 3 to 12. */
  maxCorners: number;
  /** Inside corners are rounded by at least 12. */
  cornerRadius: number;
  /** The rough line stays this far inside (T-12). */
  roughGap: number;
  /** Width of the blade: the joint gap (T-13). */
  kerf: number;
  snap: number;
  besideCrease: number;
}

export const cutRules: CutRules = { maxCorners: 4, cornerRadius: 15, roughGap: 12, kerf: 1, snap: 25, besideCrease: 6 };

export interface CutPanel {
  outline: Ring;
  openings?: readonly Ring[];
  creases?: readonly Crease[];
}

export interface CutRun {
  from: Point;
  to: Point;
  length: number;
  follows: 'free' | 'edge' | 'crease';
  name: string;
  /** False where the run is the edge of the panel itself: nothing is cut or welded there. */
  cut: boolean;
}

export interface CutLine {
  runs: CutRun[];
  /** Sharp corners to mark, mm, anticlockwise. */
  corners: Point[];
  /** Final line with rounded corners, closed along the panel edge where it reaches it. */
  outline: Ring;
  /** First cut, 12 mm short. */
  rough: Ring;
  /** The piece to make: one blade width smaller along the joint. */
  patch: Ring;
  /** Lines along which it is cut and welded, open or closed. */
  joints: { points: Point[]; closed: boolean }[];
  cutLength: number;
  edgeLength: number;
  area: number;
  warnings: string[];
}

/**
 * Where does the saw go? The damage is grown by the margin, enclosed by a few straight
 * runs, moved to an edge or crease close by, kept inside the panel and its corners rounded.
 *
 * @param panel outline, openings and creases, mm
 * @param damage outlines of the damaged areas, mm
 * @param margin sound metal beyond the damage, 0 to 200 mm
 * @param house shop rules
 * @throws Problem naming the field
 * Source: common practice (T-01, T-12, T-13), no published source.
 */
export function cutLine({
  panel,
  damage,
  margin,
  house,
}: {
  panel: CutPanel;
  damage: readonly Ring[];
  margin: number;
  house?: Partial<CutRules>;
}): CutLine {
  const rules = checkedRules(house);
  finite('margin', margin, { min: 0, max: 200, unit: 'mm' });
  const sheet: Polygon = [
    simpleRing('panel.outline', panel?.outline),
    ...(panel.openings ?? []).map((ring, i) => simpleRing(`panel.openings[${i}]`, ring)),
  ];
  const rings = list<Ring>('damage', damage, 1, 100).map((ring, i) => simpleRing(`damage[${i}]`, ring));
  const inside = rings.flatMap((ring) => clip('intersection', [ring], sheet).polygons);
  if (inside.length === 0)
    refuse('outside-panel', 'damage', 'The damage lies outside the panel; draw it on the sheet.');
  const grown = margin > 0 ? offset(inside, margin).polygons.flat(1) : inside.flat(1);
  const followed = snapRuns(
    enclosingRuns(grown.flat(1) as unknown as Point[], rules.maxCorners),
    sheet,
    panel.creases ?? [],
    rules,
  );
  const runs = followed.map(({ run }) => run);

  const sharp = pieceAround(cornersOf(runs), sheet, inside);
  const outline = pieceAround(roundCorners(cornersOf(runs), rules.cornerRadius), sheet, inside);
  const warnings: string[] = [];
  if (area([outline]) < inside.reduce((sum, polygon) => sum + area(polygon), 0) - 1)
    warnings.push('An opening divides the damage: part of it lies outside this line. Plan a second line for it.');
  const enclosed = sheet.slice(1).filter((ring) => ring.every((p) => inPolygon(p, [outline])));
  if (enclosed.length > 0)
    warnings.push(
      `The patch takes in ${enclosed.length === 1 ? 'an opening' : `${enclosed.length} openings`} of the panel: make ${enclosed.length === 1 ? 'it' : 'them'} again in the new piece.`,
    );
  const cutRuns = runsOf(simplifyRing(sharp, 0.2), sheet, followed);
  const edgeLength = lengthOnEdge(outline, sheet);
  return {
    runs: cutRuns,
    corners: cutRuns
      .filter((run, i) => run.cut || cutRuns[(i + cutRuns.length - 1) % cutRuns.length]!.cut)
      .map((run) => run.from),
    outline,
    rough: shrunk(runs, rules.roughGap, rules, sheet, inside),
    patch: shrunk(runs, rules.kerf, rules, sheet, inside),
    joints: jointsOf(outline, sheet),
    cutLength: perimeter(outline) - edgeLength,
    edgeLength,
    area: area([outline]),
    warnings,
  };
}

function checkedRules(house: Partial<CutRules> | undefined): CutRules {
  const rules = { ...cutRules, ...house };
  finite('house.maxCorners', rules.maxCorners, { min: 3, max: 12 });
  finite('house.cornerRadius', rules.cornerRadius, { min: 12, max: 200, unit: 'mm' });
  finite('house.roughGap', rules.roughGap, { min: 1, max: 100, unit: 'mm' });
  finite('house.kerf', rules.kerf, { min: 0, max: 5, unit: 'mm' });
  finite('house.snap', rules.snap, { min: 0, max: 200, unit: 'mm' });
  finite('house.besideCrease', rules.besideCrease, { min: 0, max: 50, unit: 'mm' });
  return rules;
}

/** The part of a ring on the sheet that holds most of the damage. */
function pieceAround(ring: Ring, sheet: Polygon, damage: readonly Polygon[]): Ring {
  const pieces = clip('intersection', [ring], sheet).polygons;
  if (pieces.length === 0)
    refuse('outside-panel', 'damage', 'No line can be drawn around this damage inside the panel.');
  const held = (piece: Polygon) => damage.reduce((sum, polygon) => sum + clip('intersection', piece, polygon).area, 0);
  return pieces.length === 1 ? pieces[0]![0]! : pieces.reduce((a, b) => (held(b) > held(a) ? b : a))[0]!;
}

function shrunk(runs: readonly Run[], by: number, rules: CutRules, sheet: Polygon, damage: readonly Polygon[]): Ring {
  return pieceAround(roundCorners(cornersOf(runs, by), Math.max(1, rules.cornerRadius - by)), sheet, damage);
}

/** mm. Clipping moves points by less; a side that lies this close to the outline is the outline. */
const ON_EDGE = 0.05;
const onEdge = (p: Point, sheet: Polygon) => sheet.some((ring) => toRing(p, ring) < ON_EDGE);
const middle = (a: Point, b: Point): Point => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const sideOnEdge = (a: Point, b: Point, sheet: Polygon) =>
  onEdge(a, sheet) && onEdge(b, sheet) && onEdge(middle(a, b), sheet);

/** Sides of the sharp outline, those along one edge or one run joined. */
function runsOf(ring: Ring, sheet: Polygon, followed: ReturnType<typeof snapRuns>): CutRun[] {
  const sides = ring.map((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const cut = !edgeLike(from, to, sheet);
    const m = middle(from, to);
    const own = cut ? followed.reduce((a, b) => (distanceTo(b.run, m) < distanceTo(a.run, m) ? b : a)) : undefined;
    return {
      from,
      to,
      length: between(from, to),
      cut,
      follows: own ? own.follows : ('edge' as const),
      name: own ? own.name : 'edge of the panel',
    };
  });
  // Start at a change from edge to cut so that no stretch of edge is split over the ends of the list.
  const start = sides.findIndex((side, i) => side.cut && !sides[(i + sides.length - 1) % sides.length]!.cut);
  const turned = start > 0 ? [...sides.slice(start), ...sides.slice(0, start)] : sides;
  return turned.reduce<CutRun[]>((joined, side) => {
    const last = joined.at(-1);
    if (!last || side.cut || last.cut) return [...joined, side];
    return [...joined.slice(0, -1), { ...last, to: side.to, length: last.length + side.length }];
  }, []);
}

/** A side of the thinned outline counts as edge where its middle is near the edge: thinning moves it a little. */
function edgeLike(a: Point, b: Point, sheet: Polygon): boolean {
  const near = (p: Point) => sheet.some((ring) => toRing(p, ring) < 0.6);
  return near(a) && near(b) && near(middle(a, b));
}

const distanceTo = (run: Run, p: Point) => Math.abs(run.normal[0] * p[0] + run.normal[1] * p[1] - run.offset);

function lengthOnEdge(ring: Ring, sheet: Polygon): number {
  return ring.reduce((sum, p, i) => {
    const q = ring[(i + 1) % ring.length]!;
    return sum + (sideOnEdge(p, q, sheet) ? between(p, q) : 0);
  }, 0);
}

/** Stretches of the outline that do not lie on the edge of the sheet. */
function jointsOf(ring: Ring, sheet: Polygon): { points: Point[]; closed: boolean }[] {
  const n = ring.length;
  const cut = ring.map((p, i) => !sideOnEdge(p, ring[(i + 1) % n]!, sheet));
  if (cut.every(Boolean)) return [{ points: [...ring], closed: true }];
  const joints: { points: Point[]; closed: boolean }[] = [];
  for (let i = 0; i < n; i++) {
    if (!cut[i] || cut[(i + n - 1) % n]) continue;
    const points: Point[] = [ring[i]!];
    for (let k = i; cut[k % n] && k < i + n; k++) points.push(ring[(k + 1) % n]!);
    joints.push({ points, closed: false });
  }
  return joints.filter(({ points }) => points.slice(1).some((p, i) => between(p, points[i]!) > 1));
}
