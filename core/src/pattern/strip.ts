import {
  along,
  between,
  cross,
  crossings,
  dot,
  inRing,
  lineBetween,
  lineLength,
  minus,
  plus,
  pointAt,
  scaled,
  unit,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { SAME_LENGTH } from '../tolerances.ts';

/** A run of an edge that bends nowhere sharply, with the piece on its left. */
export interface SmoothRun {
  line: readonly Point[];
  /** Degrees over its length: more than 0 bulges out, less is hollow. */
  sweep: number;
  length: number;
}

/** Degrees. A corner sharper than that ends a flange; what is rounder is folded around. */
export const SHARP = 30;

const degrees = (a: Point, b: Point) => (Math.atan2(cross(a, b), dot(a, b)) * 180) / Math.PI;
const out = (a: Point, b: Point): Point => {
  const [x, y] = unit(minus(b, a));
  return [y, -x];
};

/** An edge parted where it bends sharply. */
export function smoothRuns(line: readonly Point[]): SmoothRun[] {
  const points = line.filter((p, i) => i === 0 || between(p, line[i - 1]!) > SAME_LENGTH);
  const runs: Point[][] = [[points[0]!]];
  const sweeps: number[] = [0];
  for (let i = 1; i < points.length; i++) {
    runs.at(-1)!.push(points[i]!);
    if (i + 1 >= points.length) break;
    const turn = degrees(minus(points[i]!, points[i - 1]!), minus(points[i + 1]!, points[i]!));
    if (Math.abs(turn) < SHARP) {
      sweeps[sweeps.length - 1]! += turn;
      continue;
    }
    runs.push([points[i]!]);
    sweeps.push(0);
  }
  return runs.map((run, i) => ({ line: run, sweep: sweeps[i]!, length: lineLength(run) }));
}

/** The line moved out of the piece by a distance, mm; inwards where it is below 0. */
export function beside(line: readonly Point[], by: number): Point[] {
  return line.map((p, i) => {
    const before = i > 0 ? out(line[i - 1]!, p) : undefined;
    const after = i + 1 < line.length ? out(p, line[i + 1]!) : undefined;
    if (!before || !after) return plus(p, scaled((before ?? after)!, by));
    const sum = plus(before, after);
    // A mitre: as far along the middle as keeps both sides at their distance.
    return plus(p, scaled(sum, by / Math.max(0.2, 1 + dot(before, after))));
  });
}

/** mm by which a strip lies over the piece, so that both become one. */
const OVER = 0.02;

/** A strip along a run, drawn in at both ends, mm. */
export function stripOf(line: readonly Point[], reach: number, drawn: readonly [number, number]): Polygon {
  const own = lineBetween(line, drawn[0], lineLength(line) - drawn[1]);
  return [[...beside(own, -OVER), ...beside(own, reach).reverse()]];
}

/** Tabs along a run that bulges out: square to it, with the wedges between them left out by themselves. */
export function tabsOf(
  line: readonly Point[],
  reach: number,
  count: number,
  drawn: readonly [number, number],
): Polygon[] {
  const [from, to] = [drawn[0], lineLength(line) - drawn[1]];
  return Array.from({ length: count }, (_, i): Polygon => {
    const a = pointAt(line, from + ((to - from) * i) / count);
    const b = pointAt(line, from + ((to - from) * (i + 1)) / count);
    const middle = pointAt(line, from + ((to - from) * (i + 0.5)) / count);
    const away = out(a, b);
    // From the chord, which lies within the piece, out to as far as the middle of the tab reaches.
    const far = dot(minus(middle, a), away) + reach;
    const inner = scaled(away, -OVER);
    return [[plus(a, inner), plus(b, inner), plus(b, scaled(away, far)), plus(a, scaled(away, far))]];
  });
}

/** Slits along a run that is hollow: across the strip, they open when it is folded. */
export function slitsOf(
  line: readonly Point[],
  reach: number,
  count: number,
  drawn: readonly [number, number],
): [Point, Point][] {
  const [from, to] = [drawn[0], lineLength(line) - drawn[1]];
  return Array.from({ length: count - 1 }, (_, i): [Point, Point] => {
    const at = from + ((to - from) * (i + 1)) / count;
    const foot = pointAt(line, at);
    return [foot, plus(foot, scaled(out(pointAt(line, at - 0.5), pointAt(line, at + 0.5)), reach))];
  });
}

/** The longest run of a line that lies within a ring. */
export function within(line: readonly Point[], ring: Ring): Point[] {
  const runs: Point[][] = [[]];
  line.slice(1).forEach((b, i) => {
    const a = line[i]!;
    const shares = crossings(ring, a, b).sort((x, y) => x - y);
    const stops = [0, ...shares, 1];
    for (let k = 1; k < stops.length; k++) {
      const [from, to] = [stops[k - 1]!, stops[k]!];
      if (!inRing(along(a, b, (from + to) / 2), ring)) {
        if (runs.at(-1)!.length > 0) runs.push([]);
        continue;
      }
      if (runs.at(-1)!.length === 0) runs.at(-1)!.push(along(a, b, from));
      runs.at(-1)!.push(along(a, b, to));
    }
  });
  return runs.reduce((best, run) => (run.length > 1 && lineLength(run) > lineLength(best) ? run : best), [] as Point[]);
}
