import { sheetOf, type Panel } from '../body/index.ts';
import type { CutPanel } from './rules.ts';

/** A panel of a body plan as the line finder takes it: its edge, creases, flanges, holes to keep clear of, and the sheets behind. */
export function cutPanelOf(panel: Panel): CutPanel {
  return {
    outline: panel.outline,
    openings: sheetOf(panel).slice(1),
    creases: panel.creases,
    flanges: panel.flanges.map((flange) => [...flange.outline, flange.outline[0]!]),
    holes: panel.holes.filter((hole) => hole.kind !== 'opening').map((hole) => hole.outline),
    layers: panel.layers.map((layer) => layer.name),
  };
}
