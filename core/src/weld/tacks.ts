import { finite } from '../check.ts';
import { wholeUp } from '../tolerances.ts';

/** Tack pitch, mm, by process (T-08). */
export const TACK_PITCH = { mig: 25, tig: 13 } as const;
const MOST_TACKS = 5000;

export interface Tack {
  /** Place in the order of welding, from 1. */
  order: number;
  /** mm along the seam. */
  at: number;
}

/**
 * Where do the tacks go and in which order? Evenly, no farther apart than the pitch;
 * one end, the other end, the middle, then every gap halved (T-07). A closed seam starts
 * with its four quarters.
 *
 * @param seam length in mm
 * @param pitch mm
 * @param closed true where the seam runs into itself
 * @returns tacks in welding order
 * Source: common practice (T-07, T-08), no published source.
 */
export function tacks({
  seam,
  pitch,
  closed = false,
}: {
  seam: { length: number } | number;
  pitch: number;
  closed?: boolean;
}): { tacks: Tack[] } {
  const length = finite('seam.length', typeof seam === 'number' ? seam : seam?.length, {
    above: 0,
    max: 1e6,
    unit: 'mm',
  });
  finite('pitch', pitch, { above: 0, unit: 'mm' });
  finite('pitch', pitch, { min: length / MOST_TACKS, unit: 'mm' });
  const gaps = Math.max(closed ? 4 : 1, wholeUp(length / pitch));
  const first = closed ? [0, 1, 2, 3].map((k) => Math.round((k * gaps) / 4)) : [0, gaps];
  const start = closed ? [first[0]!, first[2]!, first[1]!, first[3]!] : first;
  const order = [...start, ...halves([...first, gaps])];
  return { tacks: order.map((index, i) => ({ order: i + 1, at: (index * length) / gaps })) };
}

/** Middles of neighbouring places, then middles of those, until nothing is left between; widest gaps first. */
function halves(places: readonly number[]): number[] {
  const sorted = [...new Set(places)].sort((a, b) => a - b);
  const queue = sorted.slice(1).map((to, i) => [sorted[i]!, to] as const);
  const order: number[] = [];
  while (queue.length > 0) {
    queue.sort((a, b) => b[1] - b[0] - (a[1] - a[0]));
    const [from, to] = queue.shift()!;
    if (to - from < 2) continue;
    const middle = Math.round((from + to) / 2);
    order.push(middle);
    queue.push([from, middle], [middle, to]);
  }
  return order;
}
