import {
  boxOf,
  inPolygon,
  inRing,
  simplifyRing,
  toLine,
  toRing,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import type { CutPanel, CutRules } from './rules.ts';

/** What a millimetre of cut costs at a place, as a multiple of one on plain sheet; common practice (T-12, T-13), no published source. */
export const COST = {
  plain: 1,
  /** Far from any edge or crease: soft, distorts, is seen. */
  softMiddle: 2,
  doubleCurved: 1.5,
  /** Just beside a crease, or on a flange: stiff and easy to finish. */
  besideCrease: 0.3,
  edge: 0.7,
  hidden: 0.6,
  nearHole: 2.5,
  heatSensitive: 5,
} as const;
/** mm from the nearest edge or crease from which the sheet counts as soft. */
const SOFT_FROM = 150;
const HOLE_REACH = 20;
const EDGE_REACH = 15;
/** Most cells along the longer side. */
const MOST_ALONG = 100;

/** The cost of cutting at every cell of a grid that reaches one cell beyond the panel. Cell (row, col) has its centre at origin + (col, row)·cell; u right, v up. */
export interface CostField {
  cell: number;
  rows: number;
  cols: number;
  origin: Point;
  cost: Float64Array;
  blocked: number[];
}

/** What one millimetre costs at a place; Infinity where the metal cannot be welded. */
export function costAt(p: Point, panel: CutPanel, sheet: Polygon, rules: CutRules): number {
  const inAny = (rings: readonly Ring[] | undefined) => rings?.some((ring) => inRing(p, ring)) ?? false;
  if (inAny(panel.unweldable)) return Infinity;
  const edge = Math.min(...sheet.map((ring) => toRing(p, ring)));
  const crease = Math.min(Infinity, ...(panel.creases ?? []).map((c) => toLine(p, c.line)));
  const flange = Math.min(Infinity, ...(panel.flanges ?? []).map((line) => toLine(p, line)));
  const hole = Math.min(Infinity, ...(panel.holes ?? []).map((ring) => (inRing(p, ring) ? 0 : toRing(p, ring))));
  const soft = Math.min(1, Math.min(edge, crease, flange) / SOFT_FROM);
  let cost: number = COST.plain + (COST.softMiddle - COST.plain) * soft;
  if (crease <= 1.5 * rules.besideCrease || flange <= 1.5 * rules.besideCrease) cost *= COST.besideCrease;
  else if (edge <= EDGE_REACH) cost *= COST.edge;
  if (inAny(panel.doubleCurved)) cost *= COST.doubleCurved;
  if (inAny(panel.hidden)) cost *= COST.hidden;
  if (hole <= HOLE_REACH) cost *= COST.nearHole;
  if (inAny(panel.heatSensitive)) cost *= COST.heatSensitive;
  return cost;
}

/** The field around the damage: the line never runs farther off than `reach` mm. */
export function costField(
  panel: CutPanel,
  sheet: Polygon,
  rules: CutRules,
  damage: readonly Point[],
  reach: number,
): CostField {
  const [whole, near] = [boxOf(sheet[0]!), boxOf(damage)];
  const box = {
    minU: Math.max(whole.minU, near.minU - reach),
    minV: Math.max(whole.minV, near.minV - reach),
    maxU: Math.min(whole.maxU, near.maxU + reach),
    maxV: Math.min(whole.maxV, near.maxV + reach),
  };
  const plain = sheet.map((ring) => simplifyRing(ring, 0.5));
  const cell = Math.max(2, Math.max(box.maxU - box.minU, box.maxV - box.minV) / (MOST_ALONG - 4));
  const cols = Math.ceil((box.maxU - box.minU) / cell) + 4;
  const rows = Math.ceil((box.maxV - box.minV) / cell) + 4;
  const origin: Point = [box.minU - 1.5 * cell, box.minV - 1.5 * cell];
  const cost = new Float64Array(rows * cols);
  const blocked: number[] = [];
  for (let row = 0; row < rows; row++)
    for (let col = 0; col < cols; col++) {
      const p: Point = [origin[0] + col * cell, origin[1] + row * cell];
      const i = row * cols + col;
      if (!inPolygon(p, plain)) {
        // Beyond the edge there is nothing to cut: a trace of a cost keeps the line short.
        cost[i] = 1e-6;
        continue;
      }
      const here = costAt(p, panel, plain, rules);
      if (here === Infinity) blocked.push(i);
      cost[i] = here === Infinity ? COST.heatSensitive * 10 : here;
    }
  return { cell, rows, cols, origin, cost, blocked };
}
