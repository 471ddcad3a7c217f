import type { Panel } from './types.ts';

/** Outline and openings of a panel as one polygon. Small holes and drains are left out: they do not limit a repair. */
export function sheetOf(panel: Panel): [Panel['outline'], ...Panel['outline'][]] {
  return [panel.outline, ...panel.holes.filter((hole) => hole.kind === 'opening').map((hole) => hole.outline)];
}
