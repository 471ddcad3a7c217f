import {
  correlation,
  corrosion,
  empiricalVariogram,
  gumbelPlot,
  spreadRatio,
  type CensoredSample,
  type CorrosivityCategory,
  type Pits,
  type SpreadEvidence,
  type VariogramModel,
} from '@aspecta/core/survey';
import type { ExtentView, LearntView } from '@aspecta/contract/survey';
import type { LengthUnit } from '@aspecta/core/units';
import type { Chart } from '../charts/chart.ts';

/** Lengths on an axis, in the unit of the shop. */
const lengths = (unit: LengthUnit) => ({
  unit: unit === 'in' ? 'in' : 'mm',
  of: (mm: number) => (unit === 'in' ? mm / 25.4 : mm),
});

/** mm. Columns of a histogram of readings; a gauge tells no finer steps apart in use. */
const STEP = 0.05;

/** How often was which thickness read? */
export function histogram(
  samples: readonly CensoredSample[],
  { asBuilt, limit, unit }: { asBuilt: number; limit: number; unit: LengthUnit },
): Chart {
  const { of, unit: word } = lengths(unit);
  const counts = new Map<number, number>();
  for (const { value } of samples) {
    const column = Math.floor(value / STEP + 1e-9);
    counts.set(column, (counts.get(column) ?? 0) + 1);
  }
  const most = Math.max(asBuilt, ...samples.map(({ value }) => value));
  return {
    title: 'How often which thickness was read',
    x: { name: 'Metal left', unit: word, min: 0, max: of(Math.ceil(most / STEP) * STEP + STEP) },
    y: { name: 'Readings', min: 0 },
    series: [
      {
        kind: 'columns',
        name: 'readings',
        width: of(STEP),
        points: [...counts].sort(([a], [b]) => a - b).map(([column, n]) => [of((column + 0.5) * STEP), n] as const),
      },
    ],
    marks: [
      { name: 'limit', x: of(limit) },
      { name: 'as built', x: of(asBuilt) },
    ],
  };
}

/** How unlike are readings by distance, and which model the map goes by. */
export function variogramChart(samples: readonly CensoredSample[], model: VariogramModel, unit: LengthUnit): Chart {
  const { of, unit: word } = lengths(unit);
  const bins = empiricalVariogram(samples);
  const farthest = Math.max(1, ...bins.map((bin) => bin.distance));
  // Variances are squares of lengths; a root is a thickness, which one can read.
  const root = (variance: number) => of(Math.sqrt(variance));
  const at = (h: number) => root(model.nugget + model.partialSill * (1 - correlation(model.kind, model.range, h)));
  return {
    title: 'How much readings differ by how far apart they are',
    x: { name: 'Distance', unit: word, min: 0 },
    y: { name: 'Difference (root of the semivariance)', unit: word, min: 0 },
    series: [
      {
        kind: 'points',
        name: 'readings',
        points: bins.map((bin) => [of(bin.distance), root(bin.semivariance)] as const),
      },
      {
        kind: 'line',
        name: `model, ${model.kind}`,
        colour: 'failing',
        points: Array.from({ length: 31 }, (_, i) => {
          const h = (i / 30) * farthest;
          return [of(h), at(Math.max(h, 1e-6))] as const;
        }),
      },
    ],
  };
}

/** The patches on Gumbel paper with the line that foretells the whole panel. */
export function pitsChart(
  depths: readonly number[],
  result: Pits,
  { thickness: sheet, unit }: { thickness: number; unit: LengthUnit },
): Chart {
  const { of, unit: word } = lengths(unit);
  const { points, line } = gumbelPlot(depths, result);
  return {
    title: 'Deepest pits of the patches, and the line that foretells the whole panel',
    x: { name: 'Reduced variate −ln(−ln p)' },
    y: { name: 'Depth', unit: word, min: 0, max: of(Math.max(1.1 * sheet, ...line.map(({ high }) => high))) },
    series: [
      {
        kind: 'band',
        name: 'eight in ten such lines',
        points: line.map(({ reduced, low, high }) => [reduced, of(Math.max(0, low)), of(high)] as const),
      },
      {
        kind: 'line',
        name: 'fitted',
        points: line.map(({ reduced, depth }) => [reduced, of(Math.max(0, depth))] as const),
      },
      {
        kind: 'points',
        name: 'patches',
        colour: 'failing',
        points: points.map((p) => [p.reduced, of(p.depth)] as const),
      },
    ],
    marks: [{ name: 'through', y: of(sheet) }],
  };
}

/** Years that are looked ahead. */
const AHEAD = 20;

/** What bare steel loses in the open over the years, slow and fast end of the category. */
export function lossChart(category: CorrosivityCategory, spare: number, unit: LengthUnit): Chart {
  const { of, unit: word } = lengths(unit);
  const points = Array.from({ length: 2 * AHEAD + 1 }, (_, i) => {
    const years = i / 2;
    const { low, high } = years === 0 ? { low: 0, high: 0 } : corrosion({ category, years });
    return [years, of(low / 1000), of(high / 1000)] as const;
  });
  return {
    title: `What bare steel loses in the open, category ${category}`,
    x: { name: 'Years', min: 0, max: AHEAD },
    y: { name: 'Loss on one face', unit: word, min: 0 },
    series: [{ kind: 'band', name: 'slow to fast', points }],
    marks: spare > 0 && of(spare) <= points.at(-1)![2] * 1.5 ? [{ name: 'what can be spared', y: of(spare) }] : [],
  };
}

/** What showed and was predicted of each opening, and what was found. */
export function extentChart(
  extents: readonly (Pick<ExtentView, 'seen' | 'predicted50' | 'predicted90' | 'found'> & { name: string })[],
  unit: LengthUnit,
): Chart {
  const of = (mm2: number) => (unit === 'in' ? mm2 / 645.16 : mm2 / 100);
  return {
    title: 'Showed (left end), predicted (middle; nine in ten to the right end) and found (dot)',
    x: { name: 'Area', unit: unit === 'in' ? 'sq in' : 'cm²', min: 0 },
    y: { name: 'Zone', names: extents.map(({ name }) => name) },
    series: [
      {
        kind: 'range',
        name: 'predicted',
        points: extents.map((one, i) => [of(one.seen), of(one.predicted50), of(one.predicted90), i] as const),
      },
      {
        kind: 'points',
        name: 'found',
        colour: 'failing',
        points: extents.flatMap(({ found }, i) => (found === null ? [] : [[of(found), i] as const])),
      },
    ],
  };
}

/** How the learnt factor has moved with each opening, beside what each one said by itself. */
export function learntChart(kind: SpreadEvidence, cases: LearntView['cases']): Chart {
  const inOrder = [...cases].sort((a, b) => a.at.localeCompare(b.at));
  return {
    title: 'How the factor was learnt, opening by opening',
    x: { name: 'Opening', min: 0, max: inOrder.length },
    y: { name: 'Found, times what was predicted', min: 0 },
    series: [
      {
        kind: 'points',
        name: 'each opening',
        colour: 'failing',
        points: inOrder.map(({ found, predicted }, i) => [i + 1, found / predicted] as const),
      },
      {
        kind: 'line',
        name: 'learnt',
        stepped: true,
        points: Array.from(
          { length: inOrder.length + 1 },
          (_, i) => [i, spreadRatio(kind, inOrder.slice(0, i)).factor] as const,
        ),
      },
    ],
  };
}
