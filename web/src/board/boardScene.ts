import type { BoardPanel } from '@aspecta/contract/board';
import type { BodyPlan, Panel, View } from '@aspecta/core/body';
import { boxOf, centroid, type Box, type Point } from '@aspecta/core/geometry';
import { ringPath } from '../sheet/pathData.ts';

export type PanelLook = BoardPanel['state'];

/** How each state looks and is called. Colour and hatch both carry it. */
export const STATES: Record<PanelLook, { label: string; fill: string; hatch: string | null }> = {
  unmeasured: { label: 'Not measured', fill: 'var(--sheet)', hatch: 'unmeasured' },
  sound: { label: 'Measured, sound', fill: 'var(--sound)', hatch: null },
  worn: { label: 'Worn', fill: 'var(--worn)', hatch: 'worn' },
  thin: { label: 'Thin', fill: 'var(--thin)', hatch: 'thin' },
  through: { label: 'Through', fill: 'var(--through)', hatch: 'through' },
  filler: { label: 'Filler', fill: 'var(--filler)', hatch: 'filler' },
  decided: { label: 'Decided', fill: 'var(--decided)', hatch: 'decided' },
  done: { label: 'Done', fill: 'var(--done)', hatch: 'done' },
};

/** Room above a view for its name, mm. */
const ABOVE = 160;

export interface BoardShape {
  panel: Panel;
  state: PanelLook;
  /** On the opened-out body, mm. */
  path: string;
  creases: string;
  holes: string;
  /** Where a flag may stand, mm. */
  middle: Point;
  label: string;
  awaited: BoardPanel['awaited'];
}

/** The body opened flat as shapes with their states; drawn by a component that knows nothing of the trade. */
export function boardScene(
  plan: BodyPlan,
  board: readonly BoardPanel[],
): { shapes: BoardShape[]; views: { view: View; at: Point; box: Box }[]; box: Box } {
  const shapes = plan.panels.map((panel): BoardShape => {
    const known = board.find((entry) => entry.panel === panel.id);
    const state = known?.state ?? 'unmeasured';
    const place = ([u, v]: Point): Point => [u + panel.placement[0], v + panel.placement[1]];
    const openings = panel.holes.filter((hole) => hole.kind === 'opening');
    return {
      panel,
      state,
      path: [panel.outline, ...openings.map((hole) => hole.outline)].map((ring) => ringPath(ring.map(place))).join(''),
      creases: panel.creases
        .map(
          (crease) =>
            `M${crease.line
              .map(place)
              .map((p) => `${p[0].toFixed(0)} ${p[1].toFixed(0)}`)
              .join('L')}`,
        )
        .join(''),
      holes: panel.holes
        .filter((hole) => hole.kind !== 'opening')
        .map((hole) => ringPath(hole.outline.map(place)))
        .join(''),
      middle: place(centroid(panel.outline)),
      label: labelOf(panel, state, known),
      awaited: known?.awaited ?? null,
    };
  });
  const boxes = plan.panels.map((panel) => ({
    view: panel.view,
    box: boxOf(panel.outline.map(([u, v]): Point => [u + panel.placement[0], v + panel.placement[1]])),
  }));
  const views = plan.views.map((view) => {
    const box = around(boxes.filter((entry) => entry.view === view.id).map((entry) => entry.box));
    return { view, at: [box.minU, box.maxV - ABOVE + 60] as Point, box };
  });
  return { shapes, views, box: around(boxes.map(({ box }) => box)) };
}

const around = (boxes: readonly Box[]): Box => ({
  minU: Math.min(...boxes.map((b) => b.minU)),
  minV: Math.min(...boxes.map((b) => b.minV)),
  maxU: Math.max(...boxes.map((b) => b.maxU)),
  maxV: Math.max(...boxes.map((b) => b.maxV)) + ABOVE,
});

/**
 * Panels by the words that people type: every word must begin a word of the name or of the view, in any order.
 * What waits or is worst comes first where nothing is typed.
 */
export function foundPanels(
  shapes: readonly BoardShape[],
  views: readonly { view: View }[],
  words: string,
): BoardShape[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return shapes.filter(({ panel }) => {
    const view = views.find((entry) => entry.view.id === panel.view)?.view.name ?? '';
    const own = `${panel.name} ${view} ${panel.id}`.toLowerCase().split(/[^a-z0-9]+/);
    return wanted.every((word) => own.some((part) => part.startsWith(word)));
  });
}

function labelOf(panel: Panel, state: PanelLook, known: BoardPanel | undefined): string {
  const parts = [panel.name, STATES[state].label.toLowerCase()];
  if (known && known.readings > 0)
    parts.push(`${known.readings} readings, ${Math.round(known.coverage * 100)} % covered`);
  if (known?.awaited) parts.push(known.awaited.late ? 'order is late' : 'panel is on its way');
  return parts.join(', ');
}
