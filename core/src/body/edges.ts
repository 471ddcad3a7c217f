import {
  along,
  between,
  lineLength,
  nearestOnSegment,
  toLine,
  toRing,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { SEAM_MEETS, SEAM_ON_EDGE, SHORT_EDGE } from '../tolerances.ts';
import { partName, partOf, roundsWheel, type EdgePart } from './edgePart.ts';
import { edgeRulesOf, USUAL_PITCH } from './edgeRules.ts';
import { layerDepth } from './layered.ts';
import type { BodyPlan, EdgeSpec, Panel, SaidEdge, Seam } from './types.ts';

/** A stretch of a panel's outline that is one and the same all along. */
export interface Edge extends EdgeSpec {
  name: string;
  /** From its first to its last place, anticlockwise around the panel, mm. */
  line: readonly Point[];
  /** The seam of the body plan that runs there. */
  seam?: string;
}

/**
 * What is every stretch of a panel's outline? A hand-made change on the panel counts first, then the
 * seams of the body plan that run along it, then how such a panel is built as a rule. The stretches
 * cover the outline once, anticlockwise. Each sheet of a panel has its own: bolts and rivets hold the outermost
 * one to its neighbour, and those behind it are spotted.
 *
 * @param layer id of the sheet; the outermost when left out
 * @returns lines in the panel's coordinates, mm
 * Source: common practice, no published source (T-10, T-36, T-37).
 * @example edgesOf(bodyPlan('saloon'), panelOf(bodyPlan('saloon'), 'door-skin-l')).map(({ kind }) => kind) // → ["hem"]
 */
export function edgesOf(plan: BodyPlan, panel: Panel, layer?: string): Edge[] {
  const behind = layerDepth(panel, layer) > 0;
  const sheet: Sheet = {
    panel,
    behind,
    rules: edgeRulesOf(plan.base ?? plan.id, panel),
    sides: seamSides(plan, panel).filter(({ seam }) => !behind || seam.kind !== 'bolted'),
    said: (panel.edges ?? []).filter(
      (edge) => edge.layer === undefined || edge.layer === (layer ?? panel.layers[0]?.id),
    ),
  };
  const corners = withEnds(
    panel.outline,
    [...sheet.sides, ...sheet.said].flatMap(({ line }) => [line[0]!, line.at(-1)!]),
  );
  const runs = corners.map((from, i): Run => {
    const to = corners[(i + 1) % corners.length]!;
    return { line: [from, to], ...whatRuns(sheet, from, to) };
  });
  return joined(absorbed(joined(runs))).map(({ key: _key, fixed: _fixed, ...edge }) => edge);
}

/** A piece of the outline while the stretches are put together. */
interface Run extends Edge {
  /** Pieces of the same key are one stretch. */
  key: string;
  /** A seam, or what somebody has said: never taken into its neighbour. */
  fixed: boolean;
}

/** Seams of the body that run along the outline of this panel. */
function seamSides(plan: BodyPlan, panel: Panel): { seam: Seam; line: readonly Point[] }[] {
  return plan.seams.flatMap((seam) =>
    seam.sides
      .filter((side) => side.panel === panel.id && side.line.every((p) => toRing(p, panel.outline) <= SEAM_ON_EDGE))
      .map(({ line }) => ({ seam, line })),
  );
}

/** Seams of this panel that run across it instead of along its edge: the sheet lies on something there. */
export const innerSeams = (plan: BodyPlan, panel: Panel): Edge[] => [
  ...(panel.inner ?? []),
  ...plan.seams.flatMap((seam) =>
    seam.sides
      .filter((side) => side.panel === panel.id && !side.line.every((p) => toRing(p, panel.outline) <= SEAM_ON_EDGE))
      .map(({ line }) => ({ ...specOf(seam), name: seam.name, line, seam: seam.id })),
  ),
];

const KINDS = { spot: 'spot', bolted: 'bolt', brazed: 'braze' } as const;
const specOf = ({ kind, pitch, sheets = 2 }: Seam): EdgeSpec => ({ kind: KINDS[kind], pitch, sheets });

/** The outline with a corner wherever a seam begins or ends on one of its sides. */
function withEnds(outline: Ring, ends: readonly Point[]): Point[] {
  return outline.flatMap((a, i) => {
    const b = outline[(i + 1) % outline.length]!;
    const within = ends
      .map((end) => nearestOnSegment(end, a, b))
      .filter((p, k) => between(p, ends[k]!) <= SEAM_ON_EDGE && between(p, a) > 1 && between(p, b) > 1)
      .sort((p, q) => between(a, p) - between(a, q));
    return [a, ...within.filter((p, k) => k === 0 || between(p, within[k - 1]!) > 1)];
  });
}

const near = (p: Point, line: readonly Point[]) =>
  line.some((a, i) => i > 0 && between(p, nearestOnSegment(p, line[i - 1]!, a)) <= SEAM_ON_EDGE);

/** One sheet of a panel, with what is known of its edges. */
interface Sheet {
  panel: Panel;
  /** It lies behind another sheet of the panel. */
  behind: boolean;
  rules: ReturnType<typeof edgeRulesOf>;
  sides: ReturnType<typeof seamSides>;
  said: readonly SaidEdge[];
}

function whatRuns({ panel, behind, rules, sides, said: all }: Sheet, from: Point, to: Point): Omit<Run, 'line'> {
  // Thirds as well as the middle: a side that merely touches the end of a seam is not on it.
  const places = [0.34, 0.5, 0.66].map((share) => along(from, to, share));
  // It was taken from the outline itself: nothing beside it is meant.
  const said = all.find(({ line }) => places.every((p) => toLine(p, line) <= SEAM_MEETS));
  if (said) {
    const { line: _line, layer: _layer, name, ...spec } = said;
    return { ...spec, name, key: `said ${name}`, fixed: true };
  }
  const on = sides.find(({ line }) => places.every((p) => near(p, line)));
  if (on) return { ...specOf(on.seam), name: on.seam.name, seam: on.seam.id, key: on.seam.id, fixed: true };
  const part: EdgePart = rules.arch && roundsWheel(panel, from, to) ? 'arch' : partOf(panel, from, to);
  const rule = rules[part] ?? rules.rest;
  return { ...(behind ? behindOther(rule) : rule), name: partName(panel, part), key: part, fixed: false };
}

/** What holds a sheet behind another where the outer one is bolted or riveted to its neighbour. */
const behindOther = (rule: EdgeSpec): EdgeSpec =>
  rule.kind === 'bolt' || rule.kind === 'rivet' ? { kind: 'spot', pitch: USUAL_PITCH, sheets: 2 } : rule;

/** Neighbours of the same key as one, also over the first corner. */
function joined(runs: readonly Run[]): Run[] {
  const out: Run[] = [];
  for (const run of runs) {
    const last = out.at(-1);
    if (last?.key === run.key) last.line = [...last.line, ...run.line.slice(1)];
    else out.push({ ...run });
  }
  const [first, last] = [out[0]!, out.at(-1)!];
  if (out.length > 1 && first.key === last.key) {
    out[0] = { ...first, line: [...last.line, ...first.line.slice(1)] };
    out.pop();
  }
  return out;
}

/** A short run at a rounded corner belongs to the longer of its neighbours. */
function absorbed(runs: readonly Run[]): Run[] {
  return runs.map((run, i) => {
    if (run.fixed || lineLength(run.line) >= SHORT_EDGE || runs.length < 3) return run;
    const neighbours = [runs.at(i - 1)!, runs[(i + 1) % runs.length]!].filter((other) => !other.fixed);
    const [longer] = neighbours.sort((a, b) => lineLength(b.line) - lineLength(a.line));
    return longer ? { ...longer, line: run.line } : run;
  });
}
