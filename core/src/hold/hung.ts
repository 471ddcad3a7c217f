import type { Panel } from '../body/index.ts';
import { area, boxOf, type Point } from '../geometry/index.ts';
import { ROUNDING } from '../tolerances.ts';

/** A place on the edge of a hung part where its gap is read. */
export interface GapPlace {
  id: string;
  name: string;
  at: Point;
  /** Which way the edge looks, out of the panel. */
  normal: Point;
}

/** mm. The gap beside a door or a lid that is aimed at where nobody says otherwise; common practice, no published source. */
export const USUAL_GAP = 4;

const SHARES = [0.85, 0.5, 0.15] as const;
const UPRIGHT = ['upper', 'middle', 'lower'] as const;
const ALONG = ['rear', 'middle', 'front'] as const;

/**
 * Where the gaps of a hung part are read: three places on each of its edges.
 *
 * @param panel seen from outside with its front to the left, or mirrored on the right-hand side of the car
 * @example gapPlaces({ outline: [[0, 0], [100, 0], [100, 100], [0, 100]], side: 'left' })[0].name // → 'front edge, upper'
 */
export function gapPlaces(panel: Pick<Panel, 'outline' | 'side'>): GapPlace[] {
  const { minU, minV, maxU, maxV } = boxOf(panel.outline);
  const [frontAtLow, rearAtLow] = panel.side === 'right' ? (['rear', 'front'] as const) : (['front', 'rear'] as const);
  /** The outermost crossing of a line across the panel, on its low or its high side. */
  const outermost = (axis: 0 | 1, at: number, low: boolean): Pick<GapPlace, 'at' | 'normal'> => {
    const other = axis === 0 ? 1 : 0;
    const hits = crossings(panel.outline, axis, at);
    return hits.reduce((best, hit) => (hit.at[other] < best.at[other] === low ? hit : best));
  };
  const upright = (edge: string, low: boolean): GapPlace[] =>
    SHARES.map((share, i) => ({
      id: `${edge}-${UPRIGHT[i]!}`,
      name: `${edge} edge, ${UPRIGHT[i]!}`,
      ...outermost(1, minV + share * (maxV - minV), low),
    }));
  const level = (edge: string, low: boolean): GapPlace[] =>
    SHARES.map((share, i) => ({
      id: `${edge}-${ALONG[i]!}`,
      name: `${edge} edge, ${ALONG[i]!}`,
      ...outermost(0, minU + (panel.side === 'right' ? 1 - share : share) * (maxU - minU), low),
    }));
  return [
    ...upright(frontAtLow, true),
    ...upright(rearAtLow, false),
    ...level('lower', true),
    ...level('upper', false),
  ].sort((a, b) => EDGES.indexOf(a.id.split('-')[0]!) - EDGES.indexOf(b.id.split('-')[0]!));
}
const EDGES = ['front', 'rear', 'lower', 'upper'];

/** Where the outline crosses a line u = at (axis 0) or v = at (axis 1), and which way its edge looks there. */
function crossings(outline: readonly Point[], axis: 0 | 1, at: number): Pick<GapPlace, 'at' | 'normal'>[] {
  const out = area([outline]) > 0 ? 1 : -1;
  return outline.flatMap((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    if (p[axis] < at === q[axis] < at) return [];
    const share = (at - p[axis]) / (q[axis] - p[axis]);
    const [du, dv] = [q[0] - p[0], q[1] - p[1]];
    const length = Math.hypot(du, dv);
    return [
      {
        at: [p[0] + share * du, p[1] + share * dv] as Point,
        normal: [(out * dv) / length, (-out * du) / length] as Point,
      },
    ];
  });
}

/**
 * Which shims of those at hand come nearest to a thickness? As few as do it.
 *
 * @param thickness mm, 0 or more
 * @param stock thicknesses at hand, mm, each in any number
 * @returns shims, thickest first, and what they leave, mm
 * @example shimsFor(4.6, [1, 3]) // → { shims: [3, 1], rest: 0.6 }
 */
export function shimsFor(thickness: number, stock: readonly number[]): { shims: number[]; rest: number } {
  const sizes = [...new Set(stock.filter((one) => one > 0))].sort((a, b) => b - a);
  let best: number[] = [];
  const rest = (shims: readonly number[]) => thickness - shims.reduce((sum, one) => sum + one, 0);
  const isBetter = (shims: readonly number[]) => {
    const [a, b] = [Math.abs(rest(shims)), Math.abs(rest(best))];
    return a < b - ROUNDING || (Math.abs(a - b) <= ROUNDING && shims.length < best.length);
  };
  const search = (shims: readonly number[], from: number): void => {
    if (isBetter(shims)) best = [...shims];
    if (shims.length >= MOST_SHIMS || rest(shims) <= 0) return;
    for (let i = from; i < sizes.length; i++) search([...shims, sizes[i]!], i);
  };
  search([], 0);
  return { shims: best, rest: Math.round(rest(best) * 1000) / 1000 };
}
/** More than that on one mount is no shim any more. */
const MOST_SHIMS = 6;
