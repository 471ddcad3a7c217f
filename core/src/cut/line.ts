import { finite, list } from '../check.ts';
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
import { costOf } from './costField.ts';
import { cornersOf, roundCorners, type Run } from './enclose.ts';
import { jointsOf, lengthOnEdge, middle, pieceAround } from './outline.ts';
import { checkedRules, type CutPanel, type CutRules } from './rules.ts';
import type { Followed } from './snap.ts';
import { candidates, cheapestAround, weigh, weldsInside } from './weigh.ts';

export interface CutRun {
  from: Point;
  to: Point;
  length: number;
  follows: 'free' | 'edge' | 'crease';
  name: string;
  /** Why it lies there. */
  why: string;
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
  /** Cost of the line: a millimetre on plain sheet is 1. */
  cost: number;
  /** Cost of the cheapest closed line that the search found on its grid, in steps along u and v; null where there is none. */
  leastCost: number | null;
  /** The other lines that were weighed, cheapest first, with what they would cost. */
  alternatives: { name: string; cost: number; length: number; area: number }[];
  /** Sheets under the line that the saw must not touch. */
  layersBehind: string[];
  /** Spot welds inside the line that hold the cut-out piece. */
  weldsToDrill: number;
  warnings: string[];
}

/**
 * Where does the saw go? The damage is grown by the margin; the cheapest closed line around it
 * on the cost field is found (minimum cut); straight runs around the damage and around that
 * line, each as it is and moved to an edge or crease close by, are weighed on the same field, and the
 * cheapest is kept inside the panel and its corners rounded.
 *
 * @param panel outline, openings, creases and what makes cutting dear or cheap, mm
 * @param damage outlines of the damaged areas, mm
 * @param margin sound metal beyond the damage, 0 to 200 mm
 * @param house shop rules
 * @throws Problem naming the field
 * Source: minimum cut: Boykov & Kolmogorov 2004; costs common practice (T-01, T-12, T-13), no published source.
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
  const shape = grown.flat(1);
  const ideal = cheapestAround(panel, sheet, rules, inside, grown, margin);
  const costAt = costOf(panel, sheet, rules);
  const weighed = candidates(shape, ideal?.places ?? [], sheet, panel, rules)
    .map((candidate) => weigh(candidate, sheet, costAt, rules, inside))
    .filter((candidate) => candidate !== undefined)
    .sort((a, b) => a.judged - b.judged)
    .filter(
      (one, i, all) =>
        all.findIndex((other) => Math.abs(other.cost - one.cost) < 0.5 && Math.abs(other.size - one.size) < 1) === i,
    );
  const best = weighed[0];
  if (!best)
    return refuse(
      'outside-panel',
      'damage',
      'No line can be drawn around this damage inside the panel; reduce the margin.',
    );
  const { followed, outline } = best;
  const runs = followed.map(({ run }) => run);
  const sharp = pieceAround(cornersOf(runs), sheet, inside);
  const warnings: string[] = [];
  if (area([outline]) < inside.reduce((sum, polygon) => sum + area(polygon), 0) - 1)
    warnings.push('An opening divides the damage: part of it lies outside this line. Plan a second line for it.');
  const enclosed = sheet.slice(1).filter((ring) => ring.every((p) => inPolygon(p, [outline])));
  if (enclosed.length > 0)
    warnings.push(
      `The patch takes in ${enclosed.length === 1 ? 'an opening' : `${enclosed.length} openings`} of the panel: make ${enclosed.length === 1 ? 'it' : 'them'} again in the new piece.`,
    );
  if (best.forbidden > 0)
    warnings.push(
      `${Math.round(best.forbidden)} mm of this line run over metal that is too thin to weld to: move it out by hand, or choose a larger margin.`,
    );
  const cutRuns = runsOf(simplifyRing(sharp, 0.2), sheet, followed, best.around ? WHY_AROUND : WHY.free);
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
    cost: best.cost,
    leastCost: ideal?.cost ?? null,
    alternatives: weighed.slice(1).map(({ name, cost, length, size }) => ({ name, cost, length, area: size })),
    layersBehind: (panel.layers ?? []).slice(1),
    weldsToDrill: weldsInside(outline, panel),
    warnings,
  };
}

function shrunk(runs: readonly Run[], by: number, rules: CutRules, sheet: Polygon, damage: readonly Polygon[]): Ring {
  return pieceAround(roundCorners(cornersOf(runs, by), Math.max(1, rules.cornerRadius - by)), sheet, damage);
}

const WHY: Readonly<Record<CutRun['follows'], string>> = {
  free: 'The shortest straight run around the damage and its margin.',
  crease: 'Beside a crease the sheet is stiff: it moves less and is easier to dress.',
  edge: 'A strip left at the edge would be too narrow to weld: the piece goes out to the edge.',
};

const WHY_AROUND = 'Farther out than the margin asks for: what lies between is dear to cut, or too thin to weld to.';

/** Sides of the sharp outline, those along one edge or one run joined. */
function runsOf(ring: Ring, sheet: Polygon, followed: readonly Followed[], whyFree: string): CutRun[] {
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
      why: own ? (own.follows === 'free' ? whyFree : WHY[own.follows]) : WHY.edge,
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
