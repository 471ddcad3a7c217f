import type { Panel } from '../body/index.ts';
import { isInSheet } from './closings.ts';
import type { PieceJoint } from './ofPanel.ts';

/**
 * How much of these joints is the low edge of an upright sheet, where water collects behind it? What lies flat, a
 * floor or a roof, has none.
 *
 * @param panel as it is drawn; joints of a piece of it, anticlockwise, mm
 * @returns mm
 * @example lowEdge({ view: 'left' }, [{ kind: 'spot', name: 'lower edge', length: 900, fasteners: 0, line: [[0, 0], [900, 0]] }]) // → 900
 */
export function lowEdge({ view }: Pick<Panel, 'view'>, joints: readonly PieceJoint[]): number {
  if (view === 'floor' || view === 'top') return 0;
  return joints
    .filter((joint) => !isInSheet(joint))
    .reduce((sum, { line }) => {
      // The sheet lies on the left of its edge: an edge that runs to the right looks down.
      const down = line.slice(1).map(([u, v], i) => {
        const [du, dv] = [u - line[i]![0], v - line[i]![1]];
        return du > 0 && du >= Math.abs(dv) ? Math.hypot(du, dv) : 0;
      });
      return down.reduce((all, length) => all + length, sum);
    }, 0);
}
