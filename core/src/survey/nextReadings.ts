import { finite, list } from '../check.ts';
import { factorInPlace } from './cholesky.ts';
import { boxOf, inPolygon, simpleRing, toRing, type Polygon } from '../geometry/index.ts';
import { calledShare } from './called.ts';
import { fillCensored, type CensoredSample } from './censored.ts';
import { surveyRules } from './classes.ts';
import { checkedModel, distinctSamples } from './krige.ts';
import { prepareNearKriging } from './krigeNear.ts';
import { normalCdf } from './normal.ts';
import { inReach } from './rasterMap.ts';
import { GAUGE_SD, modelOfSheet } from './sheetModel.ts';
import { correlation, type Sample, type VariogramModel } from './variogram.ts';

export interface NextReadingsInput {
  /** Readings so far, mm; none is allowed. One whose gauge was at the end of its range says so. */
  points: readonly CensoredSample[];
  /** The sheet: outer ring then openings, mm; a single ring is taken as well. */
  outline: Polygon | Polygon[number];
  /** mm. Under it the metal cannot be welded to. */
  limit: number;
  /** How many places to name. */
  count: number;
  /** mm. No place closer than this to a reading or to another place. */
  minSpacing: number;
  /** Thickness of the sheet as built, mm: the model of a sheet hangs on it; turned back from the limit where left out. */
  asBuilt?: number;
  model?: VariogramModel;
}

export interface NextReading {
  u: number;
  v: number;
  reason: string;
}

/** Cells over the sheet: a thumb's width on a wing, and still an answer within a tenth of a second. */
const CELLS = 700;
/** Share of the as-built thickness at which the weldable limit usually lies; turns a limit back into a thickness. */
const LIMIT_SHARE = 0.7;
/** First places of an empty sheet: so many spread it evenly before doubt can guide. */
const FIRST_SPREAD = 5;

/**
 * Where does the next reading tell most? Places where it is open whether the metal is under
 * the limit (p(1 − p) high) and where little is known (variance high), not closer than
 * minSpacing to what has been read; after each chosen place the doubt around it is taken as
 * settled before the next is chosen.
 *
 * @returns places with the reason in words, and `called`: see `calledShare`
 * @throws Problem naming the field
 * Source: straddling the limit (Bryan et al. 2006, active learning of level sets), kriging variance.
 */
export function nextReadings(input: NextReadingsInput): { next: NextReading[]; called: number } {
  const { points, limit, count, minSpacing } = input;
  const sheet = sheetFrom(input.outline);
  finite('limit', limit, { above: 0, max: 1000, unit: 'mm' });
  finite('count', count, { min: 1, max: 100 });
  finite('minSpacing', minSpacing, { min: 0, max: 10_000, unit: 'mm' });
  list('points', points, 0, 5000);
  const asBuilt =
    input.asBuilt === undefined
      ? limit / LIMIT_SHARE
      : finite('asBuilt', input.asBuilt, { above: 0, max: 1000, unit: 'mm' });
  const { samples, model } = modelledSo(points, asBuilt, input.model);
  const cells = cellsOf(sheet);
  const doubt = doubtAt(cells, samples, model, limit);
  const reached = cells.flatMap(({ u, v }, i) =>
    inReach(samples, u, v, surveyRules.reachMm) ? [doubt.under[i]!] : [],
  );
  return {
    next: choose(cells, doubt, samples, model, input, sheet),
    called: calledShare(reached, cells.length, samples),
  };
}

/** The sheet's own model, from the readings that were measured; what stands in for the others follows from it. */
function modelledSo(
  points: readonly CensoredSample[],
  asBuilt: number,
  given: VariogramModel | undefined,
): { samples: Sample[]; model: VariogramModel } {
  const known = given && checkedModel(given);
  const measured = points.filter((point) => !point.censored);
  if (points.length === 0) return { samples: [], model: known ?? modelOfSheet([], asBuilt) };
  // Where every gauge was at the end of its range, the ends are all that is known.
  const from = measured.length === 0 ? points.map(({ u, v, value }) => ({ u, v, value })) : points;
  const model = known ?? modelOfSheet(distinctSamples(measured.length === 0 ? from : measured, 1).samples, asBuilt);
  return { samples: distinctSamples(fillCensored(from, model), 1).samples, model };
}

function sheetFrom(outline: NextReadingsInput['outline']): Polygon {
  const rings = (
    Array.isArray(outline) && typeof (outline[0] as unknown[] | undefined)?.[0] === 'number' ? [outline] : outline
  ) as Polygon;
  return list<Polygon[number]>('outline', rings, 1, 200).map((ring, i) => simpleRing(`outline[${i}]`, ring));
}

interface Cell {
  u: number;
  v: number;
}
interface Doubt {
  mean: Float64Array;
  sd: Float64Array;
  /** Probability of being under the limit. */
  under: Float64Array;
}

function cellsOf(sheet: Polygon): Cell[] {
  const box = boxOf(sheet[0]!);
  const step = Math.max(4, Math.sqrt(((box.maxU - box.minU) * (box.maxV - box.minV)) / CELLS));
  const cells: Cell[] = [];
  for (let v = box.minV + step / 2; v < box.maxV; v += step)
    for (let u = box.minU + step / 2; u < box.maxU; u += step) if (inPolygon([u, v], sheet)) cells.push({ u, v });
  return cells;
}

function doubtAt(cells: readonly Cell[], samples: readonly Sample[], model: VariogramModel, limit: number): Doubt {
  const mean = new Float64Array(cells.length).fill(limit);
  const sd = new Float64Array(cells.length).fill(Math.sqrt(model.nugget + model.partialSill));
  if (samples.length > 0) {
    const variance = new Float64Array(cells.length);
    prepareNearKriging(samples, model, false).predict(
      cells.map((c) => c.u),
      cells.map((c) => c.v),
      mean,
      variance,
    );
    variance.forEach((value, i) => (sd[i] = Math.max(GAUGE_SD, Math.sqrt(value))));
  }
  return { mean, sd, under: mean.map((m, i) => normalCdf((limit - m) / sd[i]!)) };
}

function choose(
  cells: readonly Cell[],
  doubt: Doubt,
  samples: readonly Sample[],
  model: VariogramModel,
  { limit, count, minSpacing }: NextReadingsInput,
  sheet: Polygon,
): NextReading[] {
  const open = Float64Array.from(doubt.under, (p) => p * (1 - p));
  const candidates = openest(open, doubt.sd);
  const linked = linksOf(cells, candidates, samples, model);
  const taken: Cell[] = samples.map(({ u, v }) => ({ u, v }));
  const next: NextReading[] = [];
  while (next.length < Math.floor(count)) {
    const spreading = taken.length < FIRST_SPREAD;
    const pool = spreading ? cells.map((_, i) => i) : candidates;
    let [best, bestScore] = [-1, 0];
    pool.forEach((i, k) => {
      const cell = cells[i]!;
      if (taken.some((other) => Math.hypot(other.u - cell.u, other.v - cell.v) < minSpacing)) return;
      const score = spreading ? spreadScore(cell, taken, sheet) : settled(open, linked(k));
      if (best < 0 || score > bestScore) [best, bestScore] = [i, score];
    });
    if (best < 0) break;
    next.push({ ...cells[best]!, reason: reasonFor(doubt, best, samples, taken.length, limit) });
    taken.push(cells[best]!);
    const known = candidates.indexOf(best);
    if (known >= 0) linked(known).forEach((share, i) => (open[i]! *= 1 - share));
  }
  return next;
}

/** Cells among which the next reading is sought. */
const CANDIDATES = 50;
/** Samples that take part in judging how far a reading settles its surroundings. */
const MOST_LINKED = 80;

/** The cells about which it is most open on which side of the limit they are. */
function openest(open: Float64Array, sd: Float64Array): number[] {
  return Array.from(open.keys())
    .sort((a, b) => open[b]! * sd[b]! - open[a]! * sd[a]!)
    .slice(0, CANDIDATES);
}

/** How much of what is open a reading settles that explains these shares of the variance of every cell. */
function settled(open: Float64Array, shares: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < open.length; i++) sum += open[i]! * shares[i]!;
  return sum;
}

/**
 * For a candidate: the share of every cell's variance that a reading there would explain,
 * given the readings so far (squared correlation of the kriging errors).
 */
function linksOf(
  cells: readonly Cell[],
  candidates: readonly number[],
  samples: readonly Sample[],
  model: VariogramModel,
): (k: number) => Float64Array {
  const used = samples.slice(-MOST_LINKED);
  const n = used.length;
  const { kind, range, nugget, partialSill } = model;
  const covariance = (a: Cell, b: Cell) =>
    partialSill * correlation(kind, range, Math.sqrt((a.u - b.u) ** 2 + (a.v - b.v) ** 2));
  const matrix = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j < i; j++) matrix[i * n + j] = covariance(used[i]!, used[j]!);
    matrix[i * n + i] = (partialSill + nugget) * (1 + 1e-10);
  }
  const lower = factorInPlace(matrix, n);
  // Row i holds L⁻¹ of the covariances of cell i with the readings.
  const explained = new Float64Array(cells.length * n);
  const left = new Float64Array(cells.length);
  for (let c = 0; c < cells.length; c++) {
    let whole = 0;
    for (let i = 0; i < n; i++) {
      let sum = covariance(used[i]!, cells[c]!);
      for (let k = 0; k < i; k++) sum -= lower[i * n + k]! * explained[c * n + k]!;
      const y = sum / lower[i * n + i]!;
      explained[c * n + i] = y;
      whole += y * y;
    }
    left[c] = Math.max(1e-12, partialSill - whole);
  }
  const rows = new Map<number, Float64Array>();
  return (k) => {
    const known = rows.get(k);
    if (known) return known;
    const own = candidates[k]!;
    const row = new Float64Array(cells.length);
    for (let c = 0; c < cells.length; c++) {
      let joint = covariance(cells[own]!, cells[c]!);
      for (let i = 0; i < n; i++) joint -= explained[own * n + i]! * explained[c * n + i]!;
      row[c] = Math.min(1, (joint * joint) / ((left[own]! + nugget) * left[c]!));
    }
    rows.set(k, row);
    return row;
  };
}

/** The first places: far from each other and from the edge. */
function spreadScore(cell: Cell, taken: readonly Cell[], sheet: Polygon): number {
  const edge = 2 * Math.min(...sheet.map((ring) => toRing([cell.u, cell.v], ring)));
  return Math.min(edge, ...taken.map((other) => Math.hypot(other.u - cell.u, other.v - cell.v)));
}

function reasonFor(doubt: Doubt, i: number, samples: readonly Sample[], taken: number, limit: number): string {
  if (samples.length === 0) return 'Nothing has been read on this sheet yet.';
  const [p, m, s] = [doubt.under[i]!, doubt.mean[i]!, doubt.sd[i]!];
  const percent = `${Math.round(p * 100)} %`;
  if (taken < FIRST_SPREAD) return 'The first few readings are spread over the whole sheet.';
  if (p > 0.1 && p < 0.9)
    return `It is open whether the metal here is under ${limit.toFixed(2)} mm: the chance is ${percent}.`;
  return `Little is known here: about ${m.toFixed(2)} ± ${s.toFixed(2)} mm, and a ${percent} chance of being under ${limit.toFixed(2)} mm.`;
}
