import { SEAM_MEETS } from '../tolerances.ts';
import { finite, list } from '../check.ts';
import { boxOf, toLine, toRing, type Point, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { onePieceOf, type OnePiece } from './onePiece.ts';
import type { BodyPlan, EdgeKind, EdgeSpec, Material, Panel, SaidEdge, Side, View } from './types.ts';

/** What one car's panel is, where it is not as the body plan says. Lengths mm. */
export interface PanelFacts {
  /** By layer. */
  layers?: Readonly<Record<string, { thickness: number; material: Material }>>;
  curvature?: Panel['curvature'];
  structural?: boolean;
  visible?: boolean;
  fixing?: Panel['fixing'];
  /** Stretches of its outline, as they are built on this car. */
  edges?: readonly SaidEdge[];
  /** Names of what stands beside the sheet as a rule, and is not there on this car. */
  without?: readonly string[];
}

/** A part that the body plan lacks: bracket, box section, jack point. Lengths mm. */
export interface AddedPart {
  id: string;
  name: string;
  side: Side;
  width: number;
  height: number;
  thickness: number;
  material: Material;
  structural: boolean;
  visible: boolean;
  /** How it is held all round. */
  edge: EdgeSpec;
}

/** All that a car is, where it is not as its body plan says. */
export interface CarFacts {
  panels: Readonly<Record<string, PanelFacts>>;
  parts: readonly AddedPart[];
  /** Parts in one piece that take the place of several panels. */
  pieces?: readonly OnePiece[];
}

export const EDGE_KINDS = [
  'spot',
  'braze',
  'hem',
  'bolt',
  'rivet',
  'fold',
  'return',
  'lip',
  'drip',
  'free',
] as const satisfies readonly EdgeKind[];
/** Held by something that stands at distances. */
export const hasPitch = (kind: EdgeKind): boolean => ['spot', 'bolt', 'rivet', 'lip', 'drip'].includes(kind);
/** Made of a strip that has a width. */
export const hasHeight = (kind: EdgeKind): boolean => ['hem', 'fold', 'return', 'lip', 'drip'].includes(kind);

/**
 * The body of one car: the plan with what this car's panels are in truth, and with parts that the plan lacks.
 *
 * @param facts of the car; none: the plan as it is. What it says of panels that the plan has no more is passed over.
 * @returns lengths mm
 * @example asOnCar(bodyPlan('saloon'), { panels: { roof: { layers: { outer: { thickness: 1.1, material: 'steel' } } } }, parts: [] }).panels.find(({ id }) => id === 'roof').layers[0].thickness // → 1.1
 */
export function asOnCar(plan: BodyPlan, facts: CarFacts | null | undefined): BodyPlan {
  const pieces = facts?.pieces ?? [];
  if (!facts || (facts.parts.length + pieces.length === 0 && Object.keys(facts.panels).length === 0)) return plan;
  const said = (panel: Panel) => {
    const own = facts.panels[panel.id];
    return own ? withFacts(panel, own) : panel;
  };
  const own = { ...plan, base: plan.base ?? plan.id, panels: plan.panels.map(said) };
  const added = below(plan, [...pieces.flatMap((piece) => drawnPiece(own, piece)), ...facts.parts.map(panelOfPart)]);
  return { ...own, panels: [...own.panels, ...added.panels.map(said)], views: [...plan.views, ...added.views] };
}

/** A piece whose panels the plan has no more is not there any more either. */
function drawnPiece(plan: BodyPlan, piece: OnePiece): Panel[] {
  return piece.panels.every((id) => plan.panels.some((panel) => panel.id === id)) ? [onePieceOf(plan, piece)] : [];
}

function withFacts(panel: Panel, { layers, edges, ...plain }: PanelFacts): Panel {
  return {
    ...panel,
    ...Object.fromEntries(Object.entries(plain).filter(([, value]) => value !== undefined)),
    layers: panel.layers.map((layer) => ({ ...layer, ...layers?.[layer.id] })),
    ...(edges && edges.length > 0 ? { edges: [...edges, ...(panel.edges ?? [])] } : {}),
  };
}

/** mm between parts that are drawn beside each other. */
const BETWEEN = 200;
const ADDED: Pick<View, 'id' | 'name'> = { id: 'added', name: 'Added parts' };

/** What was added, in a row of its own below everything else. */
function below(plan: BodyPlan, added: readonly Panel[]): { panels: Panel[]; views: View[] } {
  if (added.length === 0) return { panels: [], views: [] };
  const boxes = plan.panels.map(({ outline, placement }) => {
    const { minU, minV } = boxOf(outline);
    return [minU + placement[0], minV + placement[1]] as const;
  });
  const sizes = added.map(({ outline }) => boxOf(outline));
  const height = Math.max(...sizes.map(({ maxV }) => maxV));
  const left = Math.min(...boxes.map(([u]) => u));
  const bottom = Math.min(...boxes.map(([, v]) => v)) - 2 * BETWEEN - height;
  let at = left;
  const panels = added.map((panel, i): Panel => {
    const placement: Point = [at, bottom];
    at += sizes[i]!.maxU + BETWEEN;
    return { ...panel, view: ADDED.id, placement };
  });
  return { panels, views: [{ ...ADDED, at: [left, bottom], width: at - BETWEEN - left, height }] };
}

function panelOfPart(part: AddedPart): Panel {
  const { id, name, side, width, height, thickness, material, structural, visible, edge } = part;
  const outline: Ring = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ];
  return {
    ...{ id, name, side, view: ADDED.id, outline, placement: [0, 0], structural, visible },
    ...{ holes: [], creases: [], flanges: [], mounts: [] },
    edges: [{ ...edge, name: 'edge', line: [...outline, outline[0]!] }],
    layers: [{ id: 'sheet', name: 'Sheet', thickness, material }],
    curvature: 'flat',
    fixing: edge.kind === 'bolt' ? 'bolted' : 'welded',
  };
}

/** Does all of a stretch run along another one, within the width of a scribed line? Lines in mm. */
export const runsAlong = (line: readonly Point[], other: readonly Point[]): boolean =>
  line.every((p) => toLine(p, other) <= SEAM_MEETS);

/** mm; what a car is made of lies between these. */
const SHEET = { min: 0.3, max: 8, unit: 'mm' } as const;

/**
 * Are these facts of a panel possible? Edges lie along its outline, sheets have a thickness.
 *
 * @throws Problem naming the field
 */
export function checkFacts(panel: Panel, facts: PanelFacts): void {
  for (const [layer, { thickness }] of Object.entries(facts.layers ?? {})) {
    if (!panel.layers.some(({ id }) => id === layer))
      refuse('unknown-layer', `layers.${layer}`, `${panel.name} has no such layer.`);
    finite(`layers.${layer}.thickness`, thickness, SHEET);
  }
  (facts.edges ?? []).forEach((edge, i) => {
    checkEdge(`edges[${i}]`, edge);
    list(`edges[${i}].line`, edge.line, 2, 4000);
    if (edge.layer !== undefined && !panel.layers.some(({ id }) => id === edge.layer))
      refuse('unknown-layer', `edges[${i}].layer`, `${panel.name} has no such layer.`);
    if (!edge.line.every((p) => toRing(p, panel.outline) <= SEAM_MEETS))
      refuse(
        'not-on-edge',
        `edges[${i}].line`,
        'This stretch does not run along the edge of the panel any more: say it again.',
      );
  });
}

/** Is such an edge possible? @throws Problem naming the field */
export function checkEdge(field: string, { kind, pitch, sheets, height }: EdgeSpec): void {
  if (!EDGE_KINDS.includes(kind)) refuse('unknown-kind', `${field}.kind`, 'Say what this edge is.');
  if (pitch !== undefined) finite(`${field}.pitch`, pitch, { min: 5, max: 1000, unit: 'mm' });
  if (sheets !== undefined) finite(`${field}.sheets`, sheets, { min: 1, max: 5 });
  if (height !== undefined) finite(`${field}.height`, height, { min: 1, max: 200, unit: 'mm' });
}
