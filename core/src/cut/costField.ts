import type { AreaKind } from '../body/index.ts';
import {
  boxOf,
  inRing,
  insideAlong,
  nearness,
  simplifyRing,
  type Box,
  type Point,
  type Polygon,
  type Ring,
} from '../geometry/index.ts';
import { areaCost, placesAlong, plainMinutes } from './edges.ts';
import type { CutPanel, CutRules } from './rules.ts';

/** What a millimetre of cut costs at a place, as a multiple of one on plain sheet; common practice (T-12, T-13), no published source. */
export const COST = {
  plain: 1,
  /** Far from any edge or crease: soft, distorts, is seen. */
  softMiddle: 2,
  double: 1.5,
  /** Just beside a crease, or on a flange: stiff and easy to finish. */
  besideCrease: 0.3,
  edge: 0.7,
  /** Nobody sees it: dressed roughly, by the table of minutes. */
  trim: plainMinutes(false) / plainMinutes(true),
  nearHole: 2.5,
  heat: 5,
} as const;
/** mm from the nearest edge or crease from which the sheet counts as soft. */
const SOFT_FROM = 150;
/** mm by which the edge of an area may stray for what a cut costs there: it is known no better. */
const AREA_WITHIN = 2;
const AREA_KINDS = ['trim', 'double', 'heat'] as const satisfies readonly AreaKind[];
const HOLE_REACH = 20;
const EDGE_REACH = 15;
/** What metal that is cut away costs where nothing is known of the panel: that of a flat one that is seen. */
const USUAL_AREA = areaCost('flat', true);
export const costPerArea = ({ perArea = USUAL_AREA }: CutPanel): number => perArea;
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
  /** What it costs that a cell lies inside: its metal, and the edge that runs through it; none where edges are not known. */
  inside?: Float64Array;
}

/** Outlines of the parts of a panel that are of one kind. */
const ringsOf = ({ areas = [] }: CutPanel, of: AreaKind): Ring[] =>
  areas.filter(({ kind }) => kind === of).map(({ outline }) => outline);

const inBox = ([u, v]: Point, { minU, minV, maxU, maxV }: Box) => u >= minU && u <= maxU && v >= minV && v <= maxV;

/** What one millimetre costs at any place of the sheet; Infinity where the metal cannot be welded. */
export function costOf(panel: CutPanel, sheet: Polygon, rules: CutRules): (p: Point) => number {
  const inAny = (rings: readonly Ring[] | undefined, p: Point) => rings?.some((ring) => inRing(p, ring)) ?? false;
  const closed = (rings: readonly Ring[]) => rings.map((ring) => [...ring, ring[0]!]);
  const toEdge = nearness(closed(sheet), SOFT_FROM);
  const toStiffener = nearness([...(panel.creases ?? []).map(({ line }) => line), ...(panel.flanges ?? [])], SOFT_FROM);
  const toHole = nearness(closed(panel.holes ?? []), HOLE_REACH);
  const boxed = (kind: AreaKind) =>
    ringsOf(panel, kind).map((ring) => ({ ring: simplifyRing(ring, AREA_WITHIN), box: boxOf(ring) }));
  const areas = AREA_KINDS.map((kind) => ({ kind, rings: boxed(kind) })).filter(({ rings }) => rings.length > 0);
  return (p) => {
    if (inAny(panel.unweldable, p)) return Infinity;
    const [edge, stiffener] = [toEdge(p), toStiffener(p)];
    const soft = Math.min(1, Math.min(edge, stiffener) / SOFT_FROM);
    let cost: number = COST.plain + (COST.softMiddle - COST.plain) * soft;
    if (stiffener <= 1.5 * rules.besideCrease) cost *= COST.besideCrease;
    else if (edge <= EDGE_REACH) cost *= COST.edge;
    // Two bands of the same kind may cross at a corner: it counts once.
    for (const { kind, rings } of areas)
      if (rings.some(({ ring, box }) => inBox(p, box) && inRing(p, ring))) cost *= COST[kind];
    if (toHole(p) <= HOLE_REACH || inAny(panel.holes, p)) cost *= COST.nearHole;
    return cost;
  };
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
  const costAt = costOf(panel, plain, rules);
  const cell = Math.max(2, Math.max(box.maxU - box.minU, box.maxV - box.minV) / (MOST_ALONG - 4));
  const cols = Math.ceil((box.maxU - box.minU) / cell) + 4;
  const rows = Math.ceil((box.maxV - box.minV) / cell) + 4;
  const origin: Point = [box.minU - 1.5 * cell, box.minV - 1.5 * cell];
  const cost = new Float64Array(rows * cols);
  const blocked: number[] = [];
  for (let row = 0; row < rows; row++) {
    const onSheet = insideAlong(plain, origin[1] + row * cell);
    for (let col = 0; col < cols; col++) {
      const p: Point = [origin[0] + col * cell, origin[1] + row * cell];
      const i = row * cols + col;
      if (!onSheet(p[0])) {
        // Beyond the edge there is nothing to cut: a trace of a cost keeps the line short.
        cost[i] = 1e-6;
        continue;
      }
      const here = costAt(p);
      if (here === Infinity) blocked.push(i);
      cost[i] = here === Infinity ? COST.heat * 10 : here;
    }
  }
  if (!panel.edges) return { cell, rows, cols, origin, cost, blocked };
  // Costs of the search count in cells, those of a line in mm.
  const inside = new Float64Array(rows * cols).fill(costPerArea(panel) * cell);
  for (const { at, cost: edge } of placesAlong(panel.edges)) {
    const [col, row] = [Math.round((at[0] - origin[0]) / cell), Math.round((at[1] - origin[1]) / cell)];
    if (col > 0 && row > 0 && col < cols - 1 && row < rows - 1) inside[row * cols + col]! += edge / cell;
  }
  return { cell, rows, cols, origin, cost, blocked, inside };
}
