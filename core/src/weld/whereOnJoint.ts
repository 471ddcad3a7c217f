import { endName, type Panel } from '../body/index.ts';
import { between, lineLength, nearestOnSegment, type Point } from '../geometry/index.ts';

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
  const along = lengthTo(line, at);
  const [first, last] = [line[0]!, line.at(-1)!];
  if (between(first, last) < 1) return { mm: along, end: 'first corner' };
  const way = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
  return along <= length / 2
    ? { mm: along, end: endName(panel, way(first, last)) }
    : { mm: length - along, end: endName(panel, way(last, first)) };
}

/** mm along the line to the place of it that lies nearest. */
function lengthTo(line: readonly Point[], at: Point): number {
  let best = { far: Infinity, along: 0 };
  let passed = 0;
  line.slice(1).forEach((b, i) => {
    const a = line[i]!;
    const foot = nearestOnSegment(at, a, b);
    const far = between(at, foot);
    if (far < best.far) best = { far, along: passed + between(a, foot) };
    passed += between(a, b);
  });
  return best.along;
}
