import { edgeName, endName, type Panel } from '../body/index.ts';
import {
  dot,
  inRing,
  lineBetween,
  lineLength,
  minus,
  nearestOnLine,
  plus,
  scaled,
  simplifyRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import type { Datum } from './datums.ts';

/** Degrees by which an edge turns where a tape can be hooked. */
const HOOKS = 35;
/** mm. Outlines are followed as closely as this. */
const CLOSE = 1;

/**
 * How is a place found along the edges of its panel? By a tape that is hooked where an edge ends and runs along its
 * lip, also round a curve, and from there square in: two datums for each end of each edge.
 *
 * @returns pairs: the way along the lip, and the edge square to which the place lies
 */
export function alongLips(panel: Panel, place: Point, piece: Ring = []): [Datum, Datum][] {
  return edgesBetweenHooks(panel.outline).flatMap((edge) => {
    const { at, away, run, way } = nearestOnLine(edge, place);
    // Past the end of an edge nothing lies square to it.
    if (away > 1 && Math.abs(cosine(way, minus(place, at))) > 0.1) return [];
    const n: Point = [-way[1], way[0]];
    const name = edgeName(panel, scaled(n, -1));
    const square: Datum = { name, a: minus(at, way), b: plus(at, way), under: true };
    return ([1, -1] as const).flatMap((from): [Datum, Datum][] => {
      const hook = from === 1 ? edge[0]! : edge.at(-1)!;
      const far = from === 1 ? run : lineLength(edge) - run;
      if (far < 1 || inRing(hook, piece)) return [];
      const lip = from === 1 ? lineBetween(edge, 0, run) : lineBetween(edge, run, lineLength(edge)).reverse();
      const origin = minus(at, scaled(way, from * far));
      return [
        [
          {
            name: `${name}, along it from its ${endName(panel, minus(hook, at))}`,
            a: origin,
            // The place lies on its left.
            b: minus(origin, scaled(n, 10 * from)),
            lip,
          },
          square,
        ],
      ];
    });
  });
}

/** Edges of an outline from one place where a tape can be hooked to the next, anticlockwise; none on what is round all over. */
function edgesBetweenHooks(outline: Ring): Point[][] {
  const ring = simplifyRing(outline, CLOSE);
  const turnAt = (i: number) => {
    const [a, b, c] = [ring.at(i - 1)!, ring[i]!, ring[(i + 1) % ring.length]!];
    return Math.acos(Math.max(-1, Math.min(1, cosine(minus(b, a), minus(c, b))))) * (180 / Math.PI);
  };
  const hooks = ring.map((_, i) => i).filter((i) => turnAt(i) >= HOOKS);
  return hooks.length < 2
    ? []
    : hooks.map((from, k) => {
        const to = hooks[(k + 1) % hooks.length]!;
        const steps = (to - from + ring.length) % ring.length || ring.length;
        return Array.from({ length: steps + 1 }, (_, i) => ring[(from + i) % ring.length]!);
      });
}

const cosine = (a: Point, b: Point) => dot(a, b) / (Math.hypot(...a) * Math.hypot(...b) || 1);
