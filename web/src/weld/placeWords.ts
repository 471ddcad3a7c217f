import type { WeldPlanView } from '@aspecta/contract/weld';
import type { Panel } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { whereOnJoint, type WeldStep } from '@aspecta/core/weld';

/** Where a step goes, as a tape finds it: how far along its joint, and from which end; empty for what has no place. */
export function placeWords(
  { joints }: Pick<WeldPlanView, 'joints'>,
  panel: Panel,
  { from, to, seam, kind }: WeldStep,
  length: (mm: number) => string,
): string {
  const joint = joints[seam];
  // Bolts, rivets and hems are done along the whole joint.
  if (!from || !to || !joint || ['bolt', 'rivet', 'hem'].includes(kind)) return '';
  const line: Point[] = joint.closed ? [...joint.points, joint.points[0]!] : joint.points;
  const { mm, end } = whereOnJoint(panel, line, [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
  return `${length(mm)} from the ${end} of the joint`;
}
