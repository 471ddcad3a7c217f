import { lineLength, perimeter } from '../geometry/index.ts';
import type { BodyPlan, Panel } from './types.ts';

/** mm. Spot pitch on edges for which the plan names no seam (T-10). */
const USUAL_PITCH = 40;

/** How long are the joints that hold a whole panel, mm, and how many spots are in them? Named seams at their own pitch, the rest of the edge at the usual one. */
export function panelJoints(plan: BodyPlan, panel: Panel): { length: number; spots: number } {
  if (panel.fixing === 'bolted') return { length: 0, spots: 0 };
  const named = plan.seams.flatMap((seam) =>
    seam.sides
      .filter((side) => side.panel === panel.id)
      .map((side) => ({ length: lineLength(side.line), pitch: seam.pitch })),
  );
  const length = perimeter(panel.outline);
  const rest = Math.max(0, length - named.reduce((sum, seam) => sum + seam.length, 0));
  return {
    length,
    spots: Math.round(named.reduce((sum, seam) => sum + seam.length / seam.pitch, 0) + rest / USUAL_PITCH),
  };
}
