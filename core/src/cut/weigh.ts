import {
  area,
  clip,
  inPolygon,
  insideAlong,
  lineLength,
  piecesAlong,
  pointAt,
  toRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { Problem } from '../problem.ts';
import { SEAM_MEETS } from '../tolerances.ts';
import { costField, costPerArea } from './costField.ts';
import { costOfEdges } from './edges.ts';
import { spotsAlong } from './drillOut.ts';
import { enclosing } from './enclosing.ts';
import { cornersOf, roundCorners, runChoices } from './enclose.ts';
import { jointsOf, pieceAround, sliverAlong } from './outline.ts';
import type { Ground } from './ground.ts';
import type { CutPanel } from './rules.ts';
import { snapRuns, type Followed } from './snap.ts';

/** mm. How far beyond the margin the cheapest line is looked for. */
const LOOK = 120;
/** A rectangle along the panel is easier to mark: others are taken only where they cost so much less. */
const EASE: Readonly<Record<string, number>> = {
  'rectangle along the panel': 1,
  'slanted rectangle': 1.08,
  'free shape': 1.15,
};
/** A crease is also the line from which it is marked: such a line is taken where it costs a little more. */
const CREASE_EASE = 0.93;

/** A millimetre of cut that leaves a strip too narrow to weld to at the edge counts as so many more: the strip comes out in the end. */
const SLIVER = 4;

/** The cheapest line on the cost field, as the places that it encloses. */
export function cheapestAround(
  { panel, sheet, rules, damage, margin }: Ground,
  grown: readonly Ring[],
): { places: Point[]; cost: number } | undefined {
  const field = costField(panel, sheet, rules, damage.flat(2) as unknown as Point[], margin + LOOK);
  const { rows, cols, cell, origin } = field;
  const at = (i: number): Point => [origin[0] + (i % cols) * cell, origin[1] + Math.floor(i / cols) * cell];
  const source: number[] = [];
  for (let row = 1; row < rows - 1; row++) {
    const v = origin[1] + row * cell;
    const damaged = grown.map((ring) => insideAlong([ring], v));
    for (let col = 1; col < cols - 1; col++) {
      const u = origin[0] + col * cell;
      if (damaged.map((inside) => inside(u)).includes(true)) source.push(row * cols + col);
    }
  }
  if (source.length === 0) return undefined;
  try {
    const { value, inside: cells } = enclosing({
      rows,
      cols,
      cost: field.cost,
      source,
      blocked: field.blocked,
      ...(field.inside ? { inside: field.inside } : {}),
    });
    return { places: cells.map(at).filter((p) => inPolygon(p, sheet)), cost: value * cell };
  } catch (error) {
    // Thin metal all the way to the outside: there is no such line, and the warning of the chosen one says so.
    if (error instanceof Problem && error.code === 'no-line') return undefined;
    throw error;
  }
}

interface Candidate {
  name: string;
  /** Around the cheapest line, not only around the damage. */
  around: boolean;
  ease: number;
  followed: Followed[];
}

/** The lines that are weighed: around the damage and around the cheapest line, as they are and moved to edges and creases. */
export function candidates(
  shape: readonly Point[],
  ideal: readonly Point[],
  { sheet, panel, rules }: Ground,
): Candidate[] {
  const choices = [
    ...runChoices(shape, rules.maxCorners).map((choice) => ({ ...choice, around: false })),
    ...(ideal.length > 2
      ? runChoices([...shape, ...ideal], rules.maxCorners).map((choice) => ({ ...choice, around: true }))
      : []),
  ];
  return choices.flatMap(({ name, runs, around }): Candidate[] => {
    const snapped = snapRuns(runs, sheet, panel.creases ?? [], rules);
    const label = (moved: boolean) =>
      `${name}${around ? ' around the cheapest line' : ''}${moved ? ', moved to edges and creases' : ''}`;
    const free = runs.map((run): Followed => ({ run, follows: 'free', name: 'free run' }));
    const edges = snapped.map((entry, i) => (entry.follows === 'edge' ? entry : free[i]!));
    const moved = snapped.some(({ follows }) => follows !== 'free');
    const creased = snapped.some(({ follows }) => follows === 'crease');
    // A strip left at an edge is too narrow to weld: runs near an edge always go out to it.
    return [
      { name: label(moved), around, ease: EASE[name]! * (creased ? CREASE_EASE : 1), followed: snapped },
      ...(creased
        ? [{ name: label(edges.some(({ follows }) => follows === 'edge')), around, ease: EASE[name]!, followed: edges }]
        : []),
    ];
  });
}

/** What a candidate would cost, by what a millimetre costs at each place; undefined where it misses the panel. */
export function weigh(candidate: Candidate, ground: Ground) {
  const { panel, sheet, rules, damage } = ground;
  const ring = roundCorners(cornersOf(candidate.followed.map(({ run }) => run)), rules.cornerRadius);
  if (clip('intersection', [ring], sheet).polygons.length === 0) return undefined;
  const outline = pieceAround(ring, sheet, damage);
  const joints = jointsOf(outline, sheet);
  const { cost: cut, length, forbidden } = costAlong(joints, ground);
  const cost = cut + costOfEdges(panel.edges, outline);
  const size = area([outline]);
  // What cannot be welded outweighs every other consideration.
  const slivers = panel.edges ? sliverAlong(joints, { outline, sheet, width: rules.snap }) : 0;
  const judged = (cost + size * costPerArea(panel)) * candidate.ease + slivers * SLIVER + forbidden * 100;
  return { ...candidate, cost, length, size, judged };
}

/** What these joints cost and how long they are, mm; `forbidden` is what of them cannot be welded. */
export function costAlong(
  joints: readonly { points: readonly Point[]; closed: boolean }[],
  { costAt }: Ground,
): { cost: number; length: number; forbidden: number } {
  let [cost, length, forbidden] = [0, 0, 0];
  for (const { points, closed } of joints)
    for (const piece of piecesAlong(closed ? [...points, points[0]!] : points)) {
      const here = costAt(piece.at);
      if (here === Infinity) forbidden += piece.length;
      else cost += here * piece.length;
      length += piece.length;
    }
  return { cost, length, forbidden };
}

/** Spots of the seams that hold the piece inside the line, those on its edge included. */
export function weldsInside(outline: Ring, panel: CutPanel): number {
  const holds = (p: Point) => inPolygon(p, [outline]) || toRing(p, outline) < SEAM_MEETS;
  return (panel.seams ?? []).reduce(
    (sum, { line, pitch }) => sum + spotsAlong(lineLength(line), pitch).filter((at) => holds(pointAt(line, at))).length,
    0,
  );
}
