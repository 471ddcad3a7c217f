import { readFileSync } from 'node:fs';
import { performance } from 'node:perf_hooks';
import { enclosing } from '@aspecta/core/cut';
import type { Point, Polygon } from '@aspecta/core/geometry';
import { basket, type BasketInput } from '@aspecta/core/order';
import { schedule, type ScheduleInput } from '@aspecta/core/plan';
import { nest } from '@aspecta/core/shape';
import { uniforms } from '@aspecta/core';
import { field } from '@aspecta/core/weld';
import { dinicGrid } from './peers.ts';

type Row = (work: string, took: number, goal: number, peer?: string) => void;

const median = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
function time(run: () => unknown, runs = 3): number {
  return median(
    Array.from({ length: runs }, () => {
      const begun = performance.now();
      run();
      return performance.now() - begun;
    }),
  );
}

/** The heavy calculations: beside their goals, and beside a general method or library in the same run. */
export function heart(row: Row): void {
  cutField(row);
  heatField(row);
  schedules(row);
  nesting(row);
  baskets(row);
}

function cutField(row: Row): void {
  const [rows, cols] = [200, 200];
  const random = uniforms(3);
  const cost = Float64Array.from({ length: rows * cols }, (_, i) => {
    const [x, y] = [i % cols, Math.floor(i / cols)];
    return 1 + 2 * Math.exp(-((x - 60) ** 2 + (y - 100) ** 2) / 900) + 0.4 * random();
  });
  const source: number[] = [];
  for (let r = 85; r < 115; r++) for (let c = 80; c < 125; c++) source.push(r * cols + c);
  const ours = enclosing({ rows, cols, cost, source });
  const took = time(() => enclosing({ rows, cols, cost, source }));
  const begun = performance.now();
  const peer = dinicGrid(rows, cols, cost, source);
  const peerTook = performance.now() - begun;
  if (Math.abs(peer - ours.value) > 1e-6) throw new Error(`The peer cuts ${peer}, ours ${ours.value}.`);
  row(
    'cut line on a 200 × 200 field',
    took,
    150,
    `Dinic’s algorithm, same value: ${peerTook.toFixed(0)} ms (${(peerTook / took).toFixed(1)} ×)`,
  );
}

function heatField(row: Row): void {
  const stitches = Array.from({ length: 60 }, (_, i) => {
    const u = 100 + ((i * 7) % 30) * 13;
    return { start: [u, 150] as Point, end: [u + 13, 150] as Point, at: i * 19, duration: 2.6, energy: 1500 };
  });
  const input = {
    width: 600,
    height: 300,
    cell: 2,
    thickness: 0.9,
    stitches,
    gap: {
      ring: [
        [100, 150],
        [490, 150],
        [490, 260],
        [100, 260],
      ] as Point[],
      width: 1,
    },
    probes: [[300, 160]] as Point[],
    times: [600, 1200],
  };
  const before = process.memoryUsage().arrayBuffers;
  let most = before;
  const took = time(() => field(input, () => (most = Math.max(most, process.memoryUsage().arrayBuffers))), 1);
  row(
    'weld.field 600 × 300 mm, 2 mm cells, 60 stitches, 20 minutes',
    Math.min(
      took,
      time(() => field(input)),
    ),
    2000,
    `explicit steps would be ${Math.ceil(1200 / ((0.25 * 4e-6) / (50 / (7850 * 490))))}; at most ${((most - before) / 1e6).toFixed(0)} MB of arrays`,
  );
}

function schedules(row: Row): void {
  const known = JSON.parse(
    readFileSync(new URL('../core/fixtures/rcpsp.json', import.meta.url), 'utf8'),
  ) as (ScheduleInput & { best: number })[];
  for (const problem of known.filter(({ tasks }) => tasks.length === 200)) {
    const { makespan } = schedule(problem);
    row(
      `schedule ${problem.tasks.length} tasks, 4 resources`,
      time(() => schedule(problem)),
      2000,
      `${makespan} h; best of CP-SAT in 120 s: ${problem.best} h (${(100 * (makespan / problem.best - 1)).toFixed(1)} % longer)`,
    );
  }
}

function nesting(row: Row): void {
  const random = uniforms(5);
  const pieces = Array.from({ length: 40 }, (_, i): Polygon => {
    const [w, h] = [80 + random() * 200, 80 + random() * 200];
    return i % 2
      ? [
          [
            [0, 0],
            [w, 0],
            [w, h * 0.4],
            [w * 0.4, h * 0.4],
            [w * 0.4, h],
            [0, h],
          ],
        ]
      : [
          [
            [0, 0],
            [w, 0],
            [w, h],
            [0, h],
          ],
        ];
  });
  const input = { sheet: { width: 1250, height: 2500 }, pieces, gap: 5, rotations: 4 };
  const found = nest(input);
  // The plain way: bounding boxes in rows, largest first.
  const boxes = pieces
    .map((piece) => [Math.max(...piece[0]!.map((p) => p[0])), Math.max(...piece[0]!.map((p) => p[1]))] as const)
    .sort((a, b) => b[1] - a[1]);
  let [u, v, high] = [5, 5, 0];
  for (const [w, h] of boxes) {
    if (u + w + 5 > 1250) [u, v, high] = [5, v + high + 5, 0];
    u += w + 5;
    high = Math.max(high, h);
  }
  row(
    'nest 40 pieces on one sheet',
    time(() => nest(input)),
    5000,
    `${found.usedHeight.toFixed(0)} mm of sheet; boxes in rows ${(v + high + 5).toFixed(0)} mm`,
  );
}

function baskets(row: Row): void {
  const { baskets: cases } = JSON.parse(
    readFileSync(new URL('../core/fixtures/reference.json', import.meta.url), 'utf8'),
  ) as { baskets: Omit<BasketInput, 'taxRate'>[] };
  const given = { ...cases.at(-1)!, taxRate: 0.2 };
  row(
    'basket of 12 items from 4 suppliers',
    time(() => basket(given)),
    200,
  );
}
