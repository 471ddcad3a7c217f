import { cross, minus, type Point, type Ring } from './point.ts';

/** Convex hull, anticlockwise, without points on its sides. Method: monotone chain (Andrew 1979). */
export function convexHull(points: readonly Point[]): Ring {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const half = (order: readonly Point[]): Point[] => {
    const chain: Point[] = [];
    for (const p of order) {
      while (chain.length >= 2 && cross(minus(chain.at(-1)!, chain.at(-2)!), minus(p, chain.at(-1)!)) <= 0) chain.pop();
      chain.push(p);
    }
    return chain.slice(0, -1);
  };
  return [...half(sorted), ...half(sorted.reverse())];
}
