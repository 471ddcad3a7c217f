import type { Layer } from '../body/index.ts';
import { area, boxOf, inPolygon, type Point, type Polygon } from '../geometry/index.ts';
import { coatingClass, metalClass, surveyRules, type SurveyRules } from './classes.ts';
import { metalOf, type Reading } from './reading.ts';

export type PanelCondition = 'unmeasured' | 'sound' | 'worn' | 'thin' | 'through' | 'filler';
export type ZoneClass =
  | 'through'
  | 'thin'
  | 'pitted'
  | 'filler'
  | 'old-repair'
  | 'missing'
  | 'hole'
  | 'opening'
  | 'graft'
  | 'clearance'
  | 'dent';

export interface PanelState {
  condition: PanelCondition;
  /** Share of the sheet that lies within reach of a reading, 0 to 1. */
  coverage: number;
  readings: number;
  /** Least metal read, mm; null where none was read. */
  thinnest: number | null;
  /** The thinnest reading was under the range of its gauge: “less than”. */
  thinnestUnder: boolean;
  /** Deepest coating read, µm; null where none was read. */
  deepestCoating: number | null;
  /** The thickest coating was over the range of its gauge: “more than”. */
  deepestOver: boolean;
}

/** Share of a sheet that must be in reach of a reading before the panel may be called sound; common practice, no published source. */
export const COVERAGE_TO_CALL = 0.6;

/**
 * In what state is a panel, by its worst evidence? Damage that is found counts at once;
 * “sound” and “worn” are said only when enough of the sheet has been measured.
 */
export function panelState({
  sheet,
  layers,
  readings,
  zones,
  rules = surveyRules,
}: {
  sheet: Polygon;
  layers: readonly Layer[];
  readings: readonly Reading[];
  zones: readonly ZoneClass[];
  rules?: SurveyRules;
}): PanelState {
  const coverage =
    readings.length === 0
      ? 0
      : coverageOf(
          sheet,
          readings.map((r): Point => [r.u, r.v]),
          rules.reachMm,
        );
  const metals = readings.flatMap((reading) => {
    const metal = metalOf(reading);
    const layer = layers.find((candidate) => candidate.id === reading.layer);
    return metal === undefined || !layer ? [] : [{ metal, name: metalClass(metal, layer.thickness, rules) }];
  });
  const coatings = readings.flatMap((reading) => (reading.coatingUm === undefined ? [] : [reading.coatingUm]));
  const thinnest = least(metals.map(({ metal }) => metal));
  const deepestCoating = coatings.reduce<number | null>((most, um) => (most === null || um > most ? um : most), null);
  const found = new Set<string>([...metals.map(({ name }) => name), ...zones]);
  if (readings.some((reading) => reading.probe === 'soft')) found.add('thin');
  const filler = found.has('filler') || coatings.some((um) => coatingClass(um, rules) === 'filler');
  return {
    condition: worst(found, filler, coverage),
    coverage,
    readings: readings.length,
    thinnest,
    thinnestUnder: readings.some((reading) => Boolean(reading.metalUnder) && reading.metalMm === thinnest),
    deepestCoating,
    deepestOver: readings.some((reading) => Boolean(reading.coatingOver) && reading.coatingUm === deepestCoating),
  };
}

function worst(found: ReadonlySet<string>, filler: boolean, coverage: number): PanelCondition {
  if (found.has('through') || found.has('missing')) return 'through';
  if (found.has('failing') || found.has('thin') || found.has('pitted') || found.has('old-repair')) return 'thin';
  if (filler) return 'filler';
  if (coverage < COVERAGE_TO_CALL) return 'unmeasured';
  return found.has('worn') ? 'worn' : 'sound';
}

const least = (values: readonly number[]) =>
  values.reduce<number | null>((min, value) => (min === null || value < min ? value : min), null);

/** Cells of a sheet, by its outline: a panel's shape does not change, and the Board asks for all of them at once. */
const cellsOf = new WeakMap<Polygon[number], readonly Point[]>();

function cellsOn(sheet: Polygon): readonly Point[] {
  const known = cellsOf.get(sheet[0]!);
  if (known) return known;
  const box = boxOf(sheet[0]!);
  const cell = Math.sqrt(area([sheet[0]!]) / 400);
  const cells: Point[] = [];
  for (let u = box.minU + cell / 2; u < box.maxU; u += cell)
    for (let v = box.minV + cell / 2; v < box.maxV; v += cell) if (inPolygon([u, v], sheet)) cells.push([u, v]);
  cellsOf.set(sheet[0]!, cells);
  return cells;
}

/** Share of a sheet within `reach` mm of one of the places, 0 to 1; on about 400 cells. */
export function coverageOf(sheet: Polygon, places: readonly Point[], reach: number): number {
  const cells = cellsOn(sheet);
  const near = new Map<string, Point[]>();
  const key = (u: number, v: number) => `${Math.floor(u / reach)} ${Math.floor(v / reach)}`;
  for (const p of places) {
    const there = near.get(key(p[0], p[1]));
    if (there) there.push(p);
    else near.set(key(p[0], p[1]), [p]);
  }
  const reached = cells.filter(([u, v]) => {
    for (const du of [0, -reach, reach])
      for (const dv of [0, -reach, reach])
        if (near.get(key(u + du, v + dv))?.some((p) => (p[0] - u) ** 2 + (p[1] - v) ** 2 <= reach * reach)) return true;
    return false;
  });
  return cells.length === 0 ? 0 : reached.length / cells.length;
}
