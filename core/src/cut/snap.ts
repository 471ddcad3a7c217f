import {
  along,
  between,
  dot,
  inPolygon,
  minus,
  simplifyLine,
  toRing,
  unit,
  type Point,
  type Polygon,
} from '../geometry/index.ts';
import type { Crease } from '../body/index.ts';
import { cornersOf, type Run } from './enclose.ts';

/** Degrees. A crease is followed where it runs this nearly parallel. */
const PARALLEL = 12;
/** mm. How far past the edge a run is moved, beyond the distance within which it was near: enough to clear it, not so far that it crosses an opening behind. */
const BEYOND = 5;

export interface Followed {
  run: Run;
  follows: 'free' | 'edge' | 'crease';
  name: string;
}

interface SnapRules {
  /** mm. How far a run may be moved out to an edge or crease. */
  snap: number;
  /** mm. A line is marked this far outside a crease: beside it the sheet is stiff and can be dressed. */
  besideCrease: number;
}

/**
 * Moves each run out to an edge or crease that is close by: a narrow strip left at an
 * edge cannot be welded, and beside a crease the sheet is stiff.
 */
export function snapRuns(
  runs: readonly Run[],
  sheet: Polygon,
  creases: readonly Crease[],
  rules: SnapRules,
): Followed[] {
  const corners = cornersOf(runs);
  return runs.map((run, i) => {
    const ends: [Point, Point] = [corners[(i + runs.length - 1) % runs.length]!, corners[i]!];
    if (nearEdge(ends, sheet, rules.snap))
      return { run: { ...run, offset: run.offset + rules.snap + BEYOND }, follows: 'edge', name: 'edge of the panel' };
    return besideCrease(run, ends, creases, rules) ?? { run, follows: 'free', name: 'free run' };
  });
}

/** Is every part of the run that lies on the sheet close to its edge, or off it? */
function nearEdge([a, b]: readonly [Point, Point], sheet: Polygon, snap: number): boolean {
  const samples = Math.max(4, Math.ceil(between(a, b) / 20));
  for (let i = 0; i <= samples; i++) {
    const p = along(a, b, i / samples);
    if (inPolygon(p, sheet) && !sheet.some((ring) => toRing(p, ring) <= snap)) return false;
  }
  return true;
}

function besideCrease(
  run: Run,
  ends: readonly [Point, Point],
  creases: readonly Crease[],
  rules: SnapRules,
): Followed | undefined {
  const middle = along(ends[0], ends[1], 0.5);
  const direction = unit(minus(ends[1], ends[0]));
  for (const crease of creases) {
    const line = simplifyLine(crease.line, 2);
    for (let i = 1; i < line.length; i++) {
      const piece = minus(line[i]!, line[i - 1]!);
      const overlap = span(line[i - 1]!, line[i]!, middle, direction);
      if (overlap < between(ends[0], ends[1]) / 2) continue;
      if (Math.abs(dot(unit(piece), direction)) < Math.cos((PARALLEL * Math.PI) / 180)) continue;
      const farthest = Math.max(dot(run.normal, line[i - 1]!), dot(run.normal, line[i]!)) + rules.besideCrease;
      const move = farthest - run.offset;
      if (move >= 0 && move <= rules.snap)
        return { run: { ...run, offset: farthest }, follows: 'crease', name: crease.name };
    }
  }
  return undefined;
}

/** Length of a piece of line along a direction, where it passes the middle of the run; 0 where it does not. */
function span(a: Point, b: Point, middle: Point, direction: Point): number {
  const [s, t] = [dot(minus(a, middle), direction), dot(minus(b, middle), direction)];
  return s * t <= 0 ? Math.abs(t - s) : 0;
}
