import { areasOf, sheetOf, type BodyPlan, type Panel } from '../body/index.ts';
import { areaCost, edgeCosts } from './edges.ts';
import type { CutPanel } from './rules.ts';

/**
 * A panel of a body plan as the line finder takes it: its edge, creases, flanges, holes to keep clear of, what
 * lies over and beside it, spot-welded seams, and the sheets from the one that is cut inwards.
 *
 * @param layer id of the sheet that is cut; the outermost when left out
 */
export function cutPanelOf(plan: BodyPlan, panel: Panel, layer?: string): CutPanel {
  const own = Math.max(
    0,
    panel.layers.findIndex(({ id }) => id === layer),
  );
  return {
    outline: panel.outline,
    openings: sheetOf(panel).slice(1),
    creases: panel.creases,
    flanges: panel.flanges.map((flange) => [...flange.outline, flange.outline[0]!]),
    holes: panel.holes.filter((hole) => hole.kind !== 'opening').map((hole) => hole.outline),
    areas: areasOf(plan, panel, layer).filter(({ kind }) => kind !== 'trim' || panel.visible),
    seams: plan.seams
      .filter((seam) => seam.kind === 'spot')
      .flatMap((seam) =>
        seam.sides.filter((side) => side.panel === panel.id).map(({ line }) => ({ line, pitch: seam.pitch })),
      ),
    edges: edgeCosts(plan, panel, layer, panel.visible && own === 0),
    perArea: areaCost(panel.curvature, panel.visible && own === 0),
    mounts: panel.mounts.map(({ at, name }) => ({ at, name })),
    layers: panel.layers.slice(own).map(({ name }) => name),
  };
}
