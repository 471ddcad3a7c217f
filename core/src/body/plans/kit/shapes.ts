import { arc, circle, flatten, roundedRectangle, type Point, type Ring, type Step } from '../../../geometry/index.ts';
import type { Crease, Flange, Hole } from '../../types.ts';

/* Small shapes of which bodies are drawn; mm, u right, v up. */

/** mm. Points closer than this are one when parts of an outline are joined. */
const SAME = 0.05;

/** An outline from parts that follow each other; points that are drawn twice are dropped. */
export function outlineOf(...parts: readonly (readonly Point[])[]): Ring {
  const all = parts.flat();
  const near = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1]) < SAME;
  const kept = all.filter((p, i) => i === 0 || !near(p, all[i - 1]!));
  return near(kept[0]!, kept.at(-1)!) ? kept.slice(0, -1) : kept;
}

/** A drawn line: start, then straight or curved steps. */
export const line = (start: Point, ...steps: Step[]): Point[] => flatten(start, steps);

/** A wheel opening from its front foot over the top to its rear foot, each at its own height. */
export function archOver(axle: Point, radius: number, frontV: number, rearV: number): Point[] {
  const angle = (v: number) => (Math.asin((v - axle[1]) / radius) * 180) / Math.PI;
  return arc(axle, radius, 180 - angle(frontV), angle(rearV));
}

/** The lip that is folded in around a wheel opening. */
export const archLip = (axle: Point, radius: number, frontV: number, rearV: number): Flange => ({
  id: 'arch-lip',
  name: 'Wheel arch lip',
  outline: outlineOf(archOver(axle, radius, frontV, rearV), archOver(axle, radius + 22, frontV, rearV).reverse()),
});

export const box = (minU: number, minV: number, maxU: number, maxV: number): Ring => [
  [minU, minV],
  [maxU, minV],
  [maxU, maxV],
  [minU, maxV],
];

export const strip = (id: string, name: string, minU: number, minV: number, maxU: number, maxV: number): Flange => ({
  id,
  name,
  outline: box(minU, minV, maxU, maxV),
});

export const drain = (id: string, u: number, v: number, width = 24): Hole => ({
  id,
  name: 'Drain',
  kind: 'drain',
  outline: box(u, v, u + width, v + 8),
});

export const roundHole = (id: string, name: string, u: number, v: number, radius: number): Hole => ({
  id,
  name,
  kind: 'hole',
  outline: circle([u, v], radius),
});

export const opening = (id: string, name: string, outline: Ring): Hole => ({ id, name, kind: 'opening', outline });

export const window = (
  id: string,
  name: string,
  minU: number,
  minV: number,
  maxU: number,
  maxV: number,
  radius = 40,
): Hole => opening(id, name, outlineOf(roundedRectangle(minU, minV, maxU, maxV, radius)));

export const crease = (id: string, name: string, ...points: Point[]): Crease => ({ id, name, line: points });

/** Pressed ribs side by side, along u or v. */
export function ribs(
  count: number,
  along: 'u' | 'v',
  minU: number,
  minV: number,
  maxU: number,
  maxV: number,
): Crease[] {
  return Array.from({ length: count }, (_, i) => {
    const share = (i + 0.5) / count;
    return along === 'u'
      ? crease(`rib-${i + 1}`, 'Rib', [minU, minV + (maxV - minV) * share], [maxU, minV + (maxV - minV) * share])
      : crease(`rib-${i + 1}`, 'Rib', [minU + (maxU - minU) * share, minV], [minU + (maxU - minU) * share, maxV]);
  });
}
