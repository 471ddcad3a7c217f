import type { WeldPlanView } from '@aspecta/contract/weld';
import type { Panel } from '@aspecta/core/body';
import { boxOf } from '@aspecta/core/geometry';
import { pull, type SeamPull } from '@aspecta/core/weld';

/** How the plan as it is laid out draws the sheet of a panel together, run by run. */
export function pullsOf({ joints, plan, sheet }: WeldPlanView, { outline }: Panel): SeamPull[] {
  const { minU, minV, maxU, maxV } = boxOf(outline);
  return pull({
    ...{ joints, steps: plan.steps, thickness: sheet.thickness, ambient: sheet.ambient },
    width: Math.min(maxU - minU, maxV - minV),
  });
}
