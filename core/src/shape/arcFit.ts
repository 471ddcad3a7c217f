import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import type { Point } from '../geometry/index.ts';

export interface FittedArc {
  centre: Point;
  /** mm */
  radius: number;
  /** Root mean square distance of the points from the arc, mm. */
  rms: number;
}

/**
 * What radius has this profile? Taubin's algebraic fit, by Newton's method on the
 * characteristic polynomial: little biased, also on a short arc.
 *
 * @param points 3 to 100,000 places on the profile, mm
 * @throws Problem `collinear` where the points make no arc
 * Source: Taubin 1991; Newton form as in Chernov, Circular and Linear Regression (2010).
 */
export function arcFit({ points }: { points: readonly Point[] }): FittedArc {
  const places = list<Point>('points', points, 3, 100_000).map((p, i): Point => [
    finite(`points[${i}][0]`, p?.[0], { min: -1e6, max: 1e6, unit: 'mm' }),
    finite(`points[${i}][1]`, p?.[1], { min: -1e6, max: 1e6, unit: 'mm' }),
  ]);
  const n = places.length;
  const mean = (of: (p: Point) => number) => places.reduce((sum, p) => sum + of(p), 0) / n;
  const [mu, mv] = [mean((p) => p[0]), mean((p) => p[1])];
  // All lengths in units of the spread, so that the tests below do not depend on the size of the piece.
  const scale = Math.sqrt(mean((p) => (p[0] - mu) ** 2 + (p[1] - mv) ** 2));
  if (scale < 1e-6) refuse('coincident', 'points', 'All points lie on one place; take them along the profile.');
  const centred = places.map((p): Point => [(p[0] - mu) / scale, (p[1] - mv) / scale]);
  const moments = momentsOf(centred);
  const centre = taubinCentre(moments);
  if (!centre)
    return refuse('collinear', 'points', 'The points lie on a straight line (or too nearly so): they make no arc.');
  const radius = Math.sqrt(centre[0] ** 2 + centre[1] ** 2 + moments.zz);
  // Beyond this the arc rises by less than a millionth of its length: it is a line.
  if (radius > 1e5)
    refuse('collinear', 'points', 'The points lie on a straight line (or too nearly so): they make no arc.');
  const misses = centred.map(([u, v]) => Math.hypot(u - centre[0], v - centre[1]) - radius);
  return {
    centre: [mu + centre[0] * scale, mv + centre[1] * scale],
    radius: radius * scale,
    rms: scale * Math.sqrt(misses.reduce((sum, miss) => sum + miss * miss, 0) / n),
  };
}

interface Moments {
  uu: number;
  vv: number;
  uv: number;
  uz: number;
  vz: number;
  zzz: number;
  /** Mean of u² + v². */
  zz: number;
}

function momentsOf(points: readonly Point[]): Moments {
  const m = { uu: 0, vv: 0, uv: 0, uz: 0, vz: 0, zzz: 0 };
  for (const [u, v] of points) {
    const z = u * u + v * v;
    m.uu += u * u;
    m.vv += v * v;
    m.uv += u * v;
    m.uz += u * z;
    m.vz += v * z;
    m.zzz += z * z;
  }
  const n = points.length;
  const means = { uu: m.uu / n, vv: m.vv / n, uv: m.uv / n, uz: m.uz / n, vz: m.vz / n, zzz: m.zzz / n };
  return { ...means, zz: means.uu + means.vv };
}

function taubinCentre({ uu, vv, uv, uz, vz, zzz, zz }: Moments): Point | undefined {
  const covariance = uu * vv - uv * uv;
  const a3 = 4 * zz;
  const a2 = -3 * zz * zz - zzz;
  const spread = zzz - zz * zz;
  const a1 = spread * zz + 4 * covariance * zz - uz * uz - vz * vz;
  const a0 = uz * (uz * vv - vz * uv) + vz * (vz * uu - uz * uv) - spread * covariance;
  let x = 0;
  for (let i = 0; i < 60; i++) {
    const value = a0 + x * (a1 + x * (a2 + x * a3));
    const slope = a1 + x * (2 * a2 + 3 * x * a3);
    if (slope === 0) break;
    const next = x - value / slope;
    if (Math.abs(next - x) < 1e-14) break;
    x = next;
  }
  const determinant = x * x - x * zz + covariance;
  if (Math.abs(determinant) < 1e-13) return undefined;
  return [(uz * (vv - x) - vz * uv) / determinant / 2, (vz * (uu - x) - uz * uv) / determinant / 2];
}
