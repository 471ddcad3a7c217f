import { endName, type Panel } from '../body/index.ts';
import { between, lineLength, nearestOnLine, type Point } from '../geometry/index.ts';

/** Where on a joint a weld goes, as a tape finds it. */
export interface OnJoint {
  /** mm along the joint from that end. */
  mm: number;
  /** As a restorer calls it on this panel. */
  end: string;
}

/**
 * How far along a joint is a place, and from which end? From the nearer one; on a joint that runs round
 * from where its line begins.
 *
 * @param line of the joint, mm; closed where it ends where it begins
 * @example whereOnJoint(panelOf(bodyPlan('saloon'), 'floor-front-l'), [[0, 0], [300, 0]], [250, 0]).mm // → 50
 */
export function whereOnJoint(panel: Panel, line: readonly Point[], at: Point): OnJoint {
  const length = lineLength(line);
  const along = nearestOnLine(line, at).run;
  const [first, last] = [line[0]!, line.at(-1)!];
  if (between(first, last) < 1) return { mm: along, end: 'first corner' };
  const way = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
  return along <= length / 2
    ? { mm: along, end: endName(panel, way(first, last)) }
    : { mm: length - along, end: endName(panel, way(last, first)) };
}
