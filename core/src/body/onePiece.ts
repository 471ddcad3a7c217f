import {
  along,
  anticlockwise,
  boxOf,
  inRing,
  minus,
  offset,
  plus,
  toLine,
  toRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { edgesOf, innerSeams, type Edge } from './edges.ts';
import type { BodyPlan, Panel, SaidEdge } from './types.ts';

/** A part that is bought or made in one piece and takes the place of several panels. */
export interface OnePiece {
  id: string;
  name: string;
  /** Panels whose place it takes, as the plan names them. */
  panels: readonly string[];
}

/** mm. Panels that lie beside each other are drawn this far apart: the least that makes them one is taken, so that notches stay. */
const DRAWN_APART = [4, 14, 26];
/** mm. A side of the piece lies on an edge of a panel as near as this. */
const TOUCH = 4;
const MOST_CURVED = ['flat', 'single', 'double'] as const;

/**
 * The panel that one piece over several panels is: their outlines together, held by the edges that are left
 * outside. What joined them to each other is inside the piece, and is not made any more.
 *
 * @param plan of the body, with its panels where they are drawn, mm
 * @throws Problem naming the field: fewer than two panels, panels of different views, panels that do not touch
 * Source: plane geometry; common practice, no published source.
 * @example onePieceOf(bodyPlan('saloon'), { id: 'p', name: 'Floor', panels: ['floor-front-l', 'tunnel', 'floor-front-r'] }).members.length // → 3
 */
export function onePieceOf(plan: BodyPlan, { id, name, panels }: OnePiece): Panel & { members: readonly string[] } {
  const own = panels.map(
    (one, i) =>
      plan.panels.find((panel) => panel.id === one) ??
      refuse('unknown-panel', `panels[${i}]`, `This body has no panel "${one}".`),
  );
  if (new Set(panels).size < 2) refuse('too-few', 'panels', 'One piece takes the place of two panels at least.');
  const [first] = own as [Panel];
  if (own.some(({ view }) => view !== first.view))
    refuse(
      'not-beside',
      'panels',
      'One piece is drawn from panels that lie beside each other, in one view of the body.',
    );
  const placed = own.map((panel): Ring => panel.outline.map((p) => plus(p, panel.placement)));
  const together = joined(placed);
  if (!together)
    refuse('not-beside', 'panels', 'These panels do not all touch each other: choose those that lie side by side.');
  const whole = anticlockwise(together);
  const { minU, minV } = boxOf(whole);
  const placement: Point = [minU, minV];
  const outline = whole.map((p) => minus(p, placement));
  /** From a member's own place to that on the piece. */
  const shiftOf =
    (panel: Panel) =>
    (p: Point): Point =>
      minus(plus(p, panel.placement), placement);
  const moved = <T extends { outline: Ring }>(pick: (panel: Panel) => readonly T[]): T[] =>
    own.flatMap((panel) => pick(panel).map((item) => ({ ...item, outline: item.outline.map(shiftOf(panel)) })));
  const edges = own.flatMap((panel) =>
    edgesOf(plan, panel).map((edge) => ({
      ...edge,
      name: `${panel.name}: ${edge.name}`,
      line: edge.line.map(shiftOf(panel)),
    })),
  );
  const members = own.map((panel) => panel.id);
  const between = plan.seams
    .filter(({ sides }) => sides.every(({ panel }) => members.includes(panel)))
    .map((seam) => seam.id);
  return {
    ...{ id, name, view: first.view, outline, placement, members },
    side: own.every(({ side }) => side === first.side) ? first.side : 'centre',
    holes: moved((panel) => panel.holes),
    flanges: moved((panel) => panel.flanges),
    creases: own.flatMap((panel) =>
      panel.creases.map((crease) => ({ ...crease, line: crease.line.map(shiftOf(panel)) })),
    ),
    mounts: own.flatMap((panel) => panel.mounts.map((mount) => ({ ...mount, at: shiftOf(panel)(mount.at) }))),
    edges: edgesAlong(outline, edges),
    inner: own.flatMap((panel) =>
      innerSeams(plan, panel)
        .filter(({ seam }) => seam === undefined || !between.includes(seam))
        .map(({ seam: _seam, ...edge }): SaidEdge => ({ ...edge, line: edge.line.map(shiftOf(panel)) })),
    ),
    // Its first sheet is the piece itself, whatever the panel is called that it starts from.
    layers: first.layers.map((layer, i) => (i === 0 ? { ...layer, name } : layer)),
    curvature: MOST_CURVED[Math.max(...own.map(({ curvature }) => MOST_CURVED.indexOf(curvature)))]!,
    structural: own.some(({ structural }) => structural),
    visible: own.some(({ visible }) => visible),
    fixing: own.every(({ fixing }) => fixing === 'bolted') ? 'bolted' : 'welded',
  };
}

/** Outlines that lie beside each other as one; nothing where they do not. */
function joined(rings: readonly Ring[]): Ring | undefined {
  for (const apart of DRAWN_APART) {
    const wide = offset(
      rings.map((ring) => [ring]),
      apart / 2,
      'miter',
    ).polygons;
    const [one, ...more] = offset(wide, -apart / 2, 'miter').polygons;
    if (one && more.length === 0) return one[0];
  }
  return undefined;
}

/** Every side of the piece is the edge of the member on which it lies; sides of one edge are one stretch. */
function edgesAlong(outline: Ring, edges: readonly Edge[]): SaidEdge[] {
  const on = outline.map((a, i) => {
    const middle = along(a, outline[(i + 1) % outline.length]!, 0.5);
    const near = edges.map((edge, k) => ({ k, far: toLine(middle, edge.line) })).sort((x, y) => x.far - y.far)[0]!;
    return near.far <= TOUCH ? near.k : -1;
  });
  const start = on.findIndex((k, i) => k !== on.at(i - 1));
  const from = Math.max(0, start);
  const out: { k: number; line: Point[] }[] = [];
  for (let n = 0; n < outline.length; n++) {
    const i = (from + n) % outline.length;
    const next = outline[(i + 1) % outline.length]!;
    const last = out.at(-1);
    if (last && last.k === on[i]) last.line.push(next);
    else out.push({ k: on[i]!, line: [outline[i]!, next] });
  }
  return out
    .filter(({ k }) => k >= 0)
    .map(({ k, line }) => {
      const { seam: _seam, ...edge } = edges[k]!;
      return { ...edge, line };
    });
}

/** Panels that a repair of this one concerns: itself, or all that one piece takes the place of. */
export const panelsUnder = (plan: BodyPlan, id: string): readonly string[] =>
  plan.panels.find((panel) => panel.id === id)?.members ?? [id];

/** The member on which a place of the piece lies, with where it lies there; the nearest where it lies on none. mm. */
export function memberAt(plan: BodyPlan, piece: Panel, at: Point): { panel: Panel; at: Point } {
  const own = plan.panels.filter(({ id }) => piece.members?.includes(id));
  const placed = own.map((panel) => ({ panel, at: plus(at, fromPiece(plan, piece, panel)) }));
  const far = ({ panel, at: p }: (typeof placed)[number]) => (inRing(p, panel.outline) ? 0 : toRing(p, panel.outline));
  return placed.reduce((best, one) => (far(one) < far(best) ? one : best));
}

/** What brings a place of the piece to the same place on one of its members; the other way round, what it is less. mm. */
export function fromPiece(plan: BodyPlan, { id, name, members = [] }: Panel, member: Panel): Point {
  return minus(onePieceOf(plan, { id, name, panels: members }).placement, member.placement);
}
