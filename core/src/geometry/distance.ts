import { list } from '../check.ts';
import { inPolygon, simpleRing } from './ring.ts';
import { toRing, type Polygon } from './point.ts';

/**
 * How far apart are two areas at their nearest? Zero where they touch or overlap.
 *
 * @param a,b polygons, mm
 * @returns distance in mm
 */
export function distance({ a, b }: { a: Polygon; b: Polygon }): { distance: number } {
  const [first, second] = [sound('a', a), sound('b', b)];
  const overlap =
    first[0]!.some((p) => inPolygon(p, second)) ||
    second[0]!.some((p) => inPolygon(p, first)) ||
    ringsCross(first, second);
  if (overlap) return { distance: 0 };
  const least = (from: Polygon, to: Polygon) =>
    Math.min(...from.flatMap((ring) => ring.flatMap((p) => to.map((other) => toRing(p, other)))));
  return { distance: Math.min(least(first, second), least(second, first)) };
}

function sound(field: string, polygon: Polygon): Polygon {
  return list<Polygon[number]>(field, polygon, 1, 1000).map((ring, i) => simpleRing(`${field}[${i}]`, ring));
}

function ringsCross(a: Polygon, b: Polygon): boolean {
  const side = (p: readonly number[], q: readonly number[], r: readonly number[]) =>
    (q[0]! - p[0]!) * (r[1]! - p[1]!) - (q[1]! - p[1]!) * (r[0]! - p[0]!);
  return a.some((ringA) =>
    ringA.some((p, i) => {
      const q = ringA[(i + 1) % ringA.length]!;
      return b.some((ringB) =>
        ringB.some((r, j) => {
          const s = ringB[(j + 1) % ringB.length]!;
          return side(p, q, r) * side(p, q, s) < 0 && side(r, s, p) * side(r, s, q) < 0;
        }),
      );
    }),
  );
}
