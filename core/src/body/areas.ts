import {
  bands,
  between,
  boxOf,
  clip,
  clipAll,
  lineLength,
  offset,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { SHORT_EDGE } from '../tolerances.ts';
import { areaRulesOf, type AreaKind, type AreaRule } from './areaRules.ts';
import { partOf, roundsWheel } from './edgePart.ts';
import { layerDepth } from './layered.ts';
import { otherSideOf } from './otherSide.ts';
import { sheetOf } from './sheet.ts';
import type { BodyPlan, Panel } from './types.ts';

/** A part of a panel that is cut otherwise than the rest of it; mm. */
export interface PanelArea {
  kind: AreaKind;
  /** What is there: the trim that covers it, how it is turned, or what heat spoils. */
  name: string;
  /** Its outer edge; an opening that it surrounds is no metal anyway. */
  outline: Ring;
}

/**
 * Which parts of a panel lie under trim, are curved both ways, or stand beside something that heat spoils? By how such
 * a panel is built as a rule, and where lead was run over it; without what this car has not.
 * Trim and the turn of the face are those of the outermost sheet; heat goes through all of them.
 *
 * @param layer id of the sheet; the outermost when left out
 * @returns outlines on the sheet, mm
 * Source: common practice, no published source (TRADE: where to put the line).
 * @example areasOf(bodyPlan('saloon'), panelOf(bodyPlan('saloon'), 'door-skin-l')).map(({ kind, name }) => [kind, name]) // → [["heat", "window glass and its channel"]]
 */
export const areasOf = (plan: BodyPlan, panel: Panel, layer?: string): PanelArea[] =>
  usualAreas(plan, panel, layer).filter(({ name }) => !panel.without?.includes(name));

/** The same with what this car has not: what can be said to be gone. */
export function usualAreas(plan: BodyPlan, panel: Panel, layer?: string): PanelArea[] {
  const behind = layerDepth(panel, layer) > 0;
  const rules = areaRulesOf(plan.base ?? plan.id, panel).filter(({ kind }) => !behind || kind === 'heat');
  const parts = [
    ...rules.map((rule) => ({ kind: rule.kind, name: rule.name, covered: coveredBy(rule, plan, panel) })),
    ...(panel.leaded ?? []).map(({ name, outline }) => ({ kind: 'heat' as const, name, covered: [[outline]] })),
  ];
  return parts.flatMap(({ kind, name, covered }) =>
    clipAll('intersection', covered, [sheetOf(panel)]).polygons.map(([outline]): PanelArea => ({
      kind,
      name,
      outline: outline!,
    })),
  );
}

function coveredBy(rule: AreaRule, plan: BodyPlan, panel: Panel): Polygon[] {
  if ('box' in rule) return [[shareOf(rule.box, plan, panel)]];
  if ('around' in rule)
    return panel.holes
      .filter(({ id }) => rule.around.test(id))
      .flatMap(({ outline }) => bandAround(outline, rule.depth));
  return bandAlong(panel, rule);
}

/** What lies within mm of an opening. */
const bandAround = (opening: Ring, depth: number): Polygon[] =>
  offset([[opening]], depth).polygons.flatMap(([grown]) => clip('difference', [grown!], [opening]).polygons);

/** What lies within mm of the stretches of the outline that look one way. */
function bandAlong(panel: Panel, { edge, depth }: Extract<AreaRule, { edge: unknown }>): Polygon[] {
  const { outline } = panel;
  const lines: Point[][] = [];
  outline.forEach((from, i) => {
    const to = outline[(i + 1) % outline.length]!;
    const part = roundsWheel(panel, from, to) ? 'arch' : partOf(panel, from, to);
    if (part !== edge) return;
    const last = lines.at(-1);
    if (last && between(last.at(-1)!, from) === 0) last.push(to);
    else lines.push([from, to]);
  });
  // The first stretch goes on from the last one over the first corner.
  const [first, last] = [lines[0], lines.at(-1)];
  if (first && last && first !== last && between(last.at(-1)!, first[0]!) === 0)
    lines.splice(0, 1, [...lines.pop()!, ...first.slice(1)]);
  // A turn of a corner is no stretch of its own.
  return bands(
    lines.filter((line) => lineLength(line) >= SHORT_EDGE),
    depth,
  );
}

/** A share of the box of the panel, as the left side of the car is drawn. */
function shareOf(
  [minU, minV, maxU, maxV]: readonly [number, number, number, number],
  plan: BodyPlan,
  panel: Panel,
): Ring {
  const box = boxOf(panel.outline);
  const at = (u: number, v: number): Point => [box.maxU * u, box.maxV * v];
  const ring = [at(minU, minV), at(maxU, minV), at(maxU, maxV), at(minU, maxV)];
  const mirror = panel.side === 'right' ? otherSideOf(plan, panel)?.mirror : undefined;
  return mirror ? ring.map(mirror).reverse() : ring;
}
