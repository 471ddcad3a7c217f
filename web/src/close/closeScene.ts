import type { ClosingRepair, CloseView, FaceView } from '@aspecta/contract/close';
import { sectionAt, type BodyPlan } from '@aspecta/core/body';
import { boxOf, type Point } from '@aspecta/core/geometry';

/** Faces that belong together: those of one hollow, or those of one panel that stay in reach. */
export interface FaceGroup {
  id: string;
  title: string;
  /** Whether a weld shuts them. */
  hollow: boolean;
  faces: FaceView[];
  /** Repairs that shut it, of which not all are welded. */
  open: ClosingRepair[];
  drains: readonly string[];
  finds: readonly string[];
}

/** The faces of a car in groups; hollows that are still bare come first. */
export function groupsOf({ faces, repairs }: CloseView, plan: BodyPlan): FaceGroup[] {
  const groups = new Map<string, FaceGroup>();
  for (const face of faces) {
    const id = face.cavity ?? face.panel;
    const known = groups.get(id);
    if (known) known.faces.push(face);
    else
      groups.set(id, {
        id,
        title: face.cavityName ?? plan.panels.find((panel) => panel.id === face.panel)?.name ?? face.panel,
        hollow: face.cavity !== null,
        faces: [face],
        open: repairs.filter((repair) => face.closedBy.includes(repair.id) && !repair.done && (repair.welded ?? 0) < 1),
        drains: face.drains,
        finds: face.finds,
      });
  }
  const urgency = ({ hollow, faces: own }: FaceGroup) =>
    own.some(({ state }) => state === 'bare') ? (hollow ? 0 : 1) : 2;
  return [...groups.values()].sort((a, b) => urgency(a) - urgency(b));
}

/** A hollow of one panel, cut through its middle: each of its walls as a line, [depth inwards, v], mm. */
export function sectionOf(
  plan: BodyPlan,
  { faces }: FaceGroup,
): { id: string; state: FaceView['state']; line: Point[] }[] {
  const panels = new Set(faces.map(({ panel }) => panel));
  const panel = plan.panels.find(({ id }) => panels.has(id));
  if (panels.size !== 1 || !panel) return [];
  const { sheets } = sectionAt(plan, panel, boxOf(panel.outline).maxU / 2);
  return faces.flatMap(({ id, layer, state }) =>
    (sheets.find((sheet) => sheet.layer === layer)?.lines ?? []).map((line) => ({ id, state, line: [...line] })),
  );
}
