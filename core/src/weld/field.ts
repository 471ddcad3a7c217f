import { finite, list } from '../check.ts';
import type { Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { Watch } from '../watch.ts';
import { STILL_AIR_FILM, mildSteel, type SheetMaterial } from './material.ts';
import { coveredCells, gapEdges, stitchCells, type GapEdge } from './fieldGrid.ts';
import { SheetFlow } from './sheetFlow.ts';
import { ROUNDING } from '../tolerances.ts';

export interface FieldStitch {
  start: Point;
  end: Point;
  /** s */
  at: number;
  duration: number;
  /** Net heat into the sheet, J. */
  energy: number;
}
export interface FieldInput {
  /** mm */
  width: number;
  height: number;
  /** Side of a cell, mm. */
  cell: number;
  /** mm */
  thickness: number;
  material?: SheetMaterial;
  /** W/(m²·K) on each face. */
  film?: number;
  /** °C; the rises are above it. */
  ambient?: number;
  stitches: readonly FieldStitch[];
  /** The open joint: insulates until it is welded. */
  gap?: { ring: readonly Point[]; width: number };
  /** Copper held behind the sheet: area and thickness, mm. */
  backing?: readonly { ring: readonly Point[]; thickness: number }[];
  probes: readonly Point[];
  /** s */
  times: readonly number[];
}
export interface Field {
  /** K above ambient at each probe and time. */
  rise: number[][];
  /** K, mean over the sheet at each time. */
  meanRise: number[];
  /** J at the last time. */
  energy: { put: number; held: number; lost: number };
}

export interface Grid {
  cols: number;
  rows: number;
  cell: number;
}

/** Copper *(memory)*. */
const COPPER = { density: 8960, heat: 385 };
const MOST_CELLS = 400_000;
/** Cells × steps; some twenty seconds. */
const MOST_WORK = 1.5e9;
/** s. Shorter stitches put their heat in at once. */
const BRIEF = 1e-3;
/** Steps as multiples of the time in which heat crosses a cell: while an arc burns, just after, and later. */
const ARC_STEP = 3;
const SHORT_STEP = 1.6;
const LONG_STEP = 7;

/**
 * How warm is the sheet while it is welded? Two-dimensional heat flow with loss from both
 * faces, outer edges insulated; the open joint is an insulating line that conducts over the length of each
 * stitch from its start on. Alternating directions over finite volumes: what leaves one cell enters
 * its neighbour, so that energy is kept to rounding; steps are short while and after heat comes in. Cell (row, col) has its centre at ((col + ½)·cell,
 * (row + ½)·cell); u right, v up.
 *
 * @param width,height,cell,thickness mm; at most 400,000 cells
 * @param stitches their energy goes evenly over length and duration into both sides
 * @param backing copper as heat capacity of the cells that it covers
 * @param probes places, mm; times s, 0 and later
 * @throws Problem naming the field
 * Source: Fourier's equation in a thin plate (Carslaw & Jaeger); finite volumes: Patankar 1980.
 */
export function field(input: FieldInput, watch?: Watch): Field {
  const grid = checked(input);
  const { gap, probes, times, stitches } = input;
  const rise = probes.map(() => new Array<number>(times.length).fill(0));
  const meanRise = new Array<number>(times.length).fill(0);
  const order = times.map((_, i) => i).sort((a, b) => times[a]! - times[b]!);
  const energy = heatOver(
    input,
    {
      grid,
      edges: gap ? gapEdges([{ points: gap.ring, closed: true, width: gap.width }], stitches, grid) : [],
      share: backingShare(input, grid),
      note: (time, now) => {
        for (const i of order)
          if (times[i] === time) {
            probes.forEach((probe, p) => (rise[p]![i] = riseAt(now, probe, grid)));
            meanRise[i] = now.reduce((sum, t) => sum + t, 0) / now.length;
          }
      },
    },
    watch,
  );
  return { rise, meanRise, energy };
}

/** What the heat flows over, and what is done each time that is asked for. */
export interface Sheet {
  grid: Grid;
  edges: GapEdge[];
  /** Heat capacity of each cell as a multiple of bare sheet; none where nothing is held behind it. */
  share: Float64Array | undefined;
  /** K of each cell, row by row; to be read at once. */
  note: (time: number, rise: Float64Array) => void;
}
export type HeatOver = Pick<FieldInput, 'thickness' | 'material' | 'film' | 'stitches' | 'times'>;

/**
 * Heat flow through a sheet from nothing to the last of the times, each of which is noted; see field.
 *
 * @returns J that were put in, are held, and were lost by then
 */
export function heatOver(input: HeatOver, { grid, edges, share, note }: Sheet, watch?: Watch): Field['energy'] {
  const { cols, rows, cell } = grid;
  const material = input.material ?? mildSteel;
  const film = input.film ?? STILL_AIR_FILM;
  const n = cols * rows;
  const volumetric = material.density * material.heat;
  const d = input.thickness / 1000;
  const area = (cell / 1000) ** 2;
  /** J/K of one cell of bare sheet. */
  const capacity = volumetric * d * area;
  const diffusivity = material.conductivity / volumetric;
  const loss = (2 * film) / (volumetric * d);
  const sources = input.stitches.map((stitch) => ({
    ...stitch,
    cells: stitchCells(stitch, grid),
    power: stitch.energy / Math.max(stitch.duration, BRIEF) / capacity,
  }));
  const end = Math.max(...input.times);
  const events = [...new Set([0, ...input.times, ...input.stitches.flatMap((s) => [s.at, s.at + s.duration])])]
    .filter((t) => t <= end)
    .sort((a, b) => a - b);
  /** s. The time in which heat crosses a cell. */
  const across = area / diffusivity;
  if ((end / (LONG_STEP * across) + 12 * events.length) * n > MOST_WORK)
    refuse(
      'too-long',
      'cell',
      'So many steps over so many cells would take too long; take larger cells or a shorter time.',
    );

  const flow = new SheetFlow(grid, diffusivity / area, share);
  flow.open(edges);
  const held = () => flow.rise.reduce((sum, t, i) => sum + t * (share ? share[i]! : 1), 0);
  let [put, lost] = [0, 0];
  let quietSince = 0;
  note(0, flow.rise);
  for (let e = 1; e < events.length; e++) {
    const [from, to] = [events[e - 1]!, events[e]!];
    // A stitch that hardly lasts puts its heat in at once.
    for (const source of sources)
      if (source.duration < BRIEF && source.at === from) {
        flow.add(source.energy / capacity, source.cells);
        put += source.energy / capacity;
      }
    const active = sources.filter((s) => s.duration >= BRIEF && s.at < to - 1e-12 && s.at + s.duration > from + 1e-12);
    if (sources.some((s) => s.at === from || s.at + s.duration === from)) quietSince = from;
    flow.close(edges.filter((edge) => edge.closes <= from + 1e-12 && !edge.closed));
    for (let time = from; time < to - ROUNDING;) {
      const wanted = active.length > 0 ? ARC_STEP : time - quietSince < 6 * across ? SHORT_STEP : LONG_STEP;
      const dt = Math.min(wanted * across, to - time);
      // Half of the loss before and half after the step: exact for each cell, second order for the whole.
      lost += flow.lose((loss * dt) / 2);
      put += flow.step(dt, active) * dt;
      lost += flow.lose((loss * dt) / 2);
      time += dt;
      watch?.(time / end);
    }
    note(to, flow.rise);
  }
  return { put: put * capacity, held: held() * capacity, lost: lost * capacity };
}

function checked(input: FieldInput): Grid {
  const cell = finite('cell', input.cell, { min: 0.1, max: 100, unit: 'mm' });
  finite('width', input.width, { min: 3 * cell, max: 20_000, unit: 'mm' });
  finite('height', input.height, { min: 3 * cell, max: 20_000, unit: 'mm' });
  finite('thickness', input.thickness, { above: 0, max: 100, unit: 'mm' });
  const material = input.material ?? mildSteel;
  finite('material.conductivity', material.conductivity, { above: 0, max: 1e4, unit: 'W/(m·K)' });
  finite('material.density', material.density, { above: 0, max: 1e5, unit: 'kg/m³' });
  finite('material.heat', material.heat, { above: 0, max: 1e5, unit: 'J/(kg·K)' });
  finite('film', input.film ?? STILL_AIR_FILM, { min: 0, max: 1e4, unit: 'W/(m²·K)' });
  finite('ambient', input.ambient ?? 20, { min: -60, max: 1000, unit: '°C' });
  const [cols, rows] = [Math.round(input.width / cell), Math.round(input.height / cell)];
  if (cols * rows > MOST_CELLS)
    refuse('too-many', 'cell', `This makes ${cols * rows} cells, more than ${MOST_CELLS}; take larger cells.`);
  const place = (field: string, p: Point) => {
    finite(`${field}[0]`, p?.[0], { min: 0, max: input.width, unit: 'mm' });
    finite(`${field}[1]`, p?.[1], { min: 0, max: input.height, unit: 'mm' });
  };
  list<FieldStitch>('stitches', input.stitches, 0, 2000).forEach((stitch, i) => {
    place(`stitches[${i}].start`, stitch?.start);
    place(`stitches[${i}].end`, stitch.end);
    finite(`stitches[${i}].at`, stitch.at, { min: 0, max: 1e6, unit: 's' });
    finite(`stitches[${i}].duration`, stitch.duration, { min: 0, max: 1e5, unit: 's' });
    finite(`stitches[${i}].energy`, stitch.energy, { min: 0, max: 1e8, unit: 'J' });
  });
  list<Point>('probes', input.probes, 0, 1000).forEach((p, i) => place(`probes[${i}]`, p));
  list<number>('times', input.times, 1, 2000).forEach((t, i) =>
    finite(`times[${i}]`, t, { min: 0, max: 1e6, unit: 's' }),
  );
  if (input.gap) {
    list<Point>('gap.ring', input.gap.ring, 2, 20_000).forEach((p, i) => {
      finite(`gap.ring[${i}][0]`, p?.[0], { min: -1e5, max: 1e5, unit: 'mm' });
      finite(`gap.ring[${i}][1]`, p?.[1], { min: -1e5, max: 1e5, unit: 'mm' });
    });
    finite('gap.width', input.gap.width, { min: 0, max: 50, unit: 'mm' });
  }
  list<NonNullable<FieldInput['backing']>[number]>('backing', input.backing ?? [], 0, 50).forEach((bar, i) => {
    list<Point>(`backing[${i}].ring`, bar?.ring, 3, 2000).forEach((p, k) => {
      finite(`backing[${i}].ring[${k}][0]`, p?.[0], { min: -1e5, max: 1e5, unit: 'mm' });
      finite(`backing[${i}].ring[${k}][1]`, p?.[1], { min: -1e5, max: 1e5, unit: 'mm' });
    });
    finite(`backing[${i}].thickness`, bar.thickness, { above: 0, max: 200, unit: 'mm' });
  });
  return { cols, rows, cell };
}

/** Heat capacity of each cell as a multiple of bare sheet; undefined where no copper is held behind it. */
function backingShare(
  { backing = [], thickness, material = mildSteel }: FieldInput,
  grid: Grid,
): Float64Array | undefined {
  if (backing.length === 0) return undefined;
  const share = new Float64Array(grid.cols * grid.rows).fill(1);
  for (const bar of backing)
    for (const i of coveredCells(bar.ring, grid)) share[i]! += copperShare(bar.thickness, thickness, material);
  return share;
}

/** Heat that copper behind a sheet holds, as a multiple of the sheet's own; mm. */
export const copperShare = (copper: number, thickness: number, { density, heat }: SheetMaterial): number =>
  (COPPER.density * COPPER.heat * copper) / (density * heat * thickness);

/** Between the four nearest cell centres. */
export function riseAt(now: ArrayLike<number>, [u, v]: Point, { cols, rows, cell }: Grid): number {
  const clampTo = (x: number, n: number) => Math.min(n - 1, Math.max(0, x));
  const [x, y] = [clampTo(u / cell - 0.5, cols), clampTo(v / cell - 0.5, rows)];
  const [c, r] = [Math.min(cols - 2, Math.floor(x)), Math.min(rows - 2, Math.floor(y))];
  const [fx, fy] = [x - c, y - r];
  const t = (row: number, col: number) => now[row * cols + col]!;
  return (1 - fy) * ((1 - fx) * t(r, c) + fx * t(r, c + 1)) + fy * ((1 - fx) * t(r + 1, c) + fx * t(r + 1, c + 1));
}
