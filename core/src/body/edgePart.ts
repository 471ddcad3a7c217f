import { along, toRing, type Point } from '../geometry/index.ts';
import type { Panel } from './types.ts';

/** Parts of an edge by where they look, as the left side of the car is drawn: −v, +v, −u, +u, and around the wheel. */
export type EdgePart = 'below' | 'above' | 'before' | 'behind' | 'arch';

/** Does this side of the outline run around the wheel? */
export function roundsWheel(panel: Panel, from: Point, to: Point): boolean {
  const arch = panel.flanges.find(({ id }) => id.startsWith('arch'));
  return arch !== undefined && [0.34, 0.5, 0.66].every((part) => toRing(along(from, to, part), arch.outline) < 1);
}

/** Where a side of the outline looks, as the left side of the car is drawn: by the direction square to it. */
export function partOf(panel: Panel, from: Point, to: Point): Exclude<EdgePart, 'arch'> {
  const axis = panel.side === 'right' ? panel.mirrorOf?.axis : undefined;
  const out = [(to[1] - from[1]) * (axis === 'u' ? -1 : 1), (from[0] - to[0]) * (axis === 'v' ? -1 : 1)] as const;
  if (Math.abs(out[0]) > Math.abs(out[1])) return out[0] < 0 ? 'before' : 'behind';
  return out[1] < 0 ? 'below' : 'above';
}

const WORDS: Record<EdgePart, string> = {
  below: 'lower edge',
  above: 'upper edge',
  before: 'front edge',
  behind: 'rear edge',
  arch: 'wheel arch',
};

/** Seen from the front or the rear, what lies before and behind lies left and right; of a floor, what lies above looks out of the car. */
export function partName(panel: Panel, part: EdgePart): string {
  if (part === 'arch') return WORDS.arch;
  if (/front|rear/.test(panel.view))
    return { before: 'left edge', behind: 'right edge', below: 'lower edge', above: 'upper edge' }[part];
  if (part === 'before' || part === 'behind' || !/top|floor/.test(panel.view)) return WORDS[part];
  // A floor is drawn from below and mirrored at the middle of the car; what lies across it is drawn from side to side.
  if (panel.side !== 'centre') return part === 'above' ? 'outer edge' : 'inner edge';
  return `${part} on the drawing`.replace('above', 'upper edge').replace('below', 'lower edge');
}
