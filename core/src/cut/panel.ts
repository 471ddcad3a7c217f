import { sheetOf, type BodyPlan, type Panel } from '../body/index.ts';
import type { CutPanel } from './rules.ts';

/** A panel of a body plan as the line finder takes it: its edge, creases, flanges, holes to keep clear of, lead, spot-welded seams, and the sheets behind. */
export function cutPanelOf(plan: BodyPlan, panel: Panel): CutPanel {
  return {
    outline: panel.outline,
    openings: sheetOf(panel).slice(1),
    creases: panel.creases,
    flanges: panel.flanges.map((flange) => [...flange.outline, flange.outline[0]!]),
    holes: panel.holes.filter((hole) => hole.kind !== 'opening').map((hole) => hole.outline),
    heatSensitive: (panel.leaded ?? []).map((area) => area.outline),
    seams: plan.seams
      .filter((seam) => seam.kind === 'spot')
      .flatMap((seam) =>
        seam.sides.filter((side) => side.panel === panel.id).map(({ line }) => ({ line, pitch: seam.pitch })),
      ),
    layers: panel.layers.map((layer) => layer.name),
  };
}
