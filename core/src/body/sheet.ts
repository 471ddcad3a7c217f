import { clip, type Polygon } from '../geometry/index.ts';
import type { Panel } from './types.ts';

/** Outline and openings of a panel as one polygon. Small holes and drains are left out: they do not limit a repair. */
export function sheetOf(panel: Panel): [Panel['outline'], ...Panel['outline'][]] {
  return [panel.outline, ...panel.holes.filter((hole) => hole.kind === 'opening').map((hole) => hole.outline)];
}

/** mm² of what is drawn that lie on the sheet: a zone drawn with a free hand goes beyond its edge. */
export const areaOnSheet = (panel: Panel, drawn: Polygon): number => clip('intersection', drawn, sheetOf(panel)).area;
