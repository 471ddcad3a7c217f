import type { Point } from '../geometry/index.ts';
import type { Panel } from './types.ts';

/** How a restorer calls the edge that faces this way. */
export function edgeName(panel: Panel, [u, v]: Point): string {
  if (Math.abs(v) >= Math.abs(u)) {
    // The floor is drawn from below, its left side above the middle of the car.
    if (panel.view === 'floor' && panel.side !== 'centre')
      return v > 0 === (panel.side === 'left') ? 'outer edge' : 'inner edge';
    if (panel.view === 'floor' || panel.view === 'top')
      return v > 0 ? 'upper edge on the drawing' : 'lower edge on the drawing';
    return v > 0 ? 'upper edge' : 'lower edge';
  }
  if (['front', 'rear'].includes(panel.view) || panel.side === 'centre')
    return u > 0 ? 'right-hand end' : 'left-hand end';
  const front = (panel.view === 'right' || (panel.view === 'inner' && panel.side === 'right') ? u > 0 : u < 0)
    ? 'front'
    : 'rear';
  return `${front} edge`;
}

/** How a restorer calls that end of something that lies on the panel, by the way to it from the other end. */
export const endName = (panel: Panel, way: Point): string => edgeName(panel, way).replace('edge', 'end');
