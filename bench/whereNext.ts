import { bodyPlan, sheetOf } from '@aspecta/core/body';
import { area, inPolygon, type Polygon } from '@aspecta/core/geometry';
import { modelOfSheet, nextReadings, prepareNearKriging, type Sample } from '@aspecta/core/survey';
import { uniforms } from '@aspecta/core';
import { trueShare, truthOf } from '@aspecta/server/stand-ins/hiddenTruth';

/*
 * Does the advice “where next” save readings? On seeded panels with hidden rust: how many
 * readings until 95 % of the area is on its right side of the weldable limit, taken on a
 * regular grid, and taken where the advice says.
 */
const AS_BUILT = 0.9;
const LIMIT = 0.63;
const GAUGE_SD = 0.02;
const RIGHT = 0.95;
const MOST = 260;

export interface Comparison {
  seed: number;
  grid: number;
  advised: number;
}

interface Truth {
  sheet: Polygon;
  at(u: number, v: number): number;
  cells: { u: number; v: number }[];
  random: () => number;
}

/** Panels that are large enough to be worth a map. */
const PANELS = bodyPlan('saloon').panels.filter((panel) => area(sheetOf(panel)) > 250_000);

/** A panel of the saloon with the demo's kind of hidden rust, and so much of it that calling everything sound would be wrong. */
function truthFor(seed: number): Truth {
  for (let attempt = 0; ; attempt++) {
    const panel = PANELS[(seed * 7 + attempt) % PANELS.length]!;
    const truth = truthOf(panel, panel.layers[0]!.id, seed * 1000 + attempt);
    const sheet = sheetOf(panel);
    const at = (u: number, v: number) => AS_BUILT * trueShare(truth, u, v);
    const cells = gridOver(sheet, 30);
    const bad = cells.filter(({ u, v }) => at(u, v) < LIMIT).length / cells.length;
    if (bad > 0.07 && bad < 0.4) return { sheet, at, cells, random: uniforms(seed * 7919) };
  }
}

function gridOver(sheet: Polygon, step: number, offset = step / 2): { u: number; v: number }[] {
  const cells: { u: number; v: number }[] = [];
  const [us, vs] = [sheet[0]!.map((p) => p[0]), sheet[0]!.map((p) => p[1])];
  for (let v = offset; v < Math.max(...vs); v += step)
    for (let u = offset; u < Math.max(...us); u += step) if (inPolygon([u, v], sheet)) cells.push({ u, v });
  return cells;
}

function read(truth: Truth, u: number, v: number): Sample {
  const noise = GAUGE_SD * Math.sqrt(-2 * Math.log(truth.random())) * Math.cos(2 * Math.PI * truth.random());
  return { u, v, value: Math.max(0, truth.at(u, v) + noise) };
}

/** Share of the area that a map from these readings puts on its right side. */
function right(truth: Truth, points: readonly Sample[]): number {
  if (points.length < 3) return 0;
  const model = modelOfSheet(points, AS_BUILT);
  const [mean, variance] = [new Float64Array(truth.cells.length), new Float64Array(truth.cells.length)];
  prepareNearKriging(points, model, false).predict(
    truth.cells.map((c) => c.u),
    truth.cells.map((c) => c.v),
    mean,
    variance,
  );
  return truth.cells.filter(({ u, v }, i) => truth.at(u, v) < LIMIT === mean[i]! < LIMIT).length / truth.cells.length;
}

interface Run {
  readings: number;
  right: number;
}

/** The fewest readings from which on the map stays right: a lucky hit that is lost with the next reading does not count. */
function needed(runs: readonly Run[]): number {
  const lastWrong = runs.findLastIndex((run) => run.right < RIGHT);
  return runs[Math.min(lastWrong + 1, runs.length - 1)]!.readings;
}

export function compareOn(seed: number): Comparison {
  const onGrid = truthFor(seed);
  const grids: Run[] = [];
  for (let step = 260; grids.at(-1)?.readings ?? 0 < MOST; step *= 0.94) {
    const places = gridOver(onGrid.sheet, step);
    if (places.length < 3 || places.length === grids.at(-1)?.readings) continue;
    if (places.length > MOST) break;
    grids.push({
      readings: places.length,
      right: right(
        onGrid,
        places.map(({ u, v }) => read(onGrid, u, v)),
      ),
    });
  }
  const truth = truthFor(seed);
  const points: Sample[] = [];
  const advised: Run[] = [];
  const grid = needed(grids);
  while (points.length < grid) {
    const { next } = nextReadings({ points, outline: truth.sheet, limit: LIMIT, count: 1, minSpacing: 20 });
    if (!next[0]) break;
    points.push(read(truth, next[0].u, next[0].v));
    advised.push({ readings: points.length, right: right(truth, points) });
  }
  return { seed, grid, advised: needed(advised) };
}

export function compareWhereNext(panels = 50): { comparisons: Comparison[]; ratio: number; worst: number } {
  const comparisons = Array.from({ length: panels }, (_, i) => compareOn(i + 1));
  const total = (pick: (c: Comparison) => number) => comparisons.reduce((sum, c) => sum + pick(c), 0);
  return {
    comparisons,
    ratio: total((c) => c.advised) / total((c) => c.grid),
    worst: Math.max(...comparisons.map((c) => c.advised / c.grid)),
  };
}

if (process.argv[1]?.endsWith('whereNext.ts')) {
  const { comparisons, ratio, worst } = compareWhereNext(Number(process.argv[2] ?? 50));
  for (const c of comparisons) process.stdout.write(`panel ${c.seed}: grid ${c.grid}, advised ${c.advised}\n`);
  process.stdout.write(
    `together ${(ratio * 100).toFixed(0)} % of the grid's readings; worst ${(worst * 100).toFixed(0)} %\n`,
  );
}
