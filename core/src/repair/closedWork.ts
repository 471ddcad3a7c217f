import { lengthWithin } from '../geometry/index.ts';
import { together, type Element } from './joint.ts';
import { isInSheet, type ClosedJoint } from './closings.ts';
import { jointWork } from './jointWork.ts';
import type { Metalwork } from './metalwork.ts';
import { lineWork } from './lineWork.ts';

/**
 * What has to be done at all joints of a piece: what is cut within the sheet, and the edges that it takes in.
 *
 * @param joints with how each is closed
 * @param how visible: welds are dressed fully; made: by hand, not bought with its edges; finish: by filler where it is left out
 */
export function closedWork(
  joints: readonly ClosedJoint[],
  { visible, made, finish = 'filler' }: { visible: boolean; made: boolean; finish?: Metalwork['finish'] },
): Element[] {
  const inSheet = joints.filter(isInSheet);
  const edges = joints.filter((joint) => !isInSheet(joint));
  return together([
    ...inSheet.flatMap(({ length, closing, welds, line, trim = [] }) =>
      lineWork(length, { visible, closing, welds, unseen: lengthWithin(line, trim), finish }),
    ),
    ...jointWork(edges, { visible, made, finish }),
  ]);
}
