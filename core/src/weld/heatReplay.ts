import { finite, list } from '../check.ts';
import { boxOf, nearness, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import type { Watch } from '../watch.ts';
import { BAR } from './copper.ts';
import { copperShare, heatOver, riseAt, type FieldStitch, type Grid } from './field.ts';
import { gapEdges } from './fieldGrid.ts';
import { MATERIALS, type WeldMaterial } from './material.ts';
import { isHot, type WeldStep } from './planTypes.ts';

export interface HeatReplayInput {
  /** As laid out; welds need their energy. */
  steps: readonly WeldStep[];
  /** Joints as planned, mm; one that is butted stands open until it is welded. */
  joints: readonly { points: readonly Point[]; closed: boolean; open: boolean }[];
  /** Where the sheet ends, mm: heat goes no farther but through what is joined there. */
  outline?: readonly Point[];
  /** mm */
  thickness: number;
  material?: WeldMaterial;
  /** °C of the workshop. */
  ambient: number;
  /** °C above which a place is not welded again. */
  handWarm: number;
  /** Copper is held behind every joint. */
  copper?: boolean;
  /** Pauses on top of the planned waits: before step n, s. */
  pauses?: readonly { before: number; seconds: number }[];
  /** How many pictures. */
  frames?: number;
}
export interface HeatReplay extends Grid {
  /** Where the lower left corner of the grid lies on the sheet, mm. */
  origin: Point;
  /** s from the beginning of the work, of each picture. */
  times: number[];
  /** Tenths of a kelvin above the workshop: picture by picture, row by row from below. */
  rises: Uint16Array;
  /** The warmest cell of each picture: where, and °C. */
  hottest: { at: Point; celsius: number }[];
  /** °C at the place of each weld just before it starts, with its step. */
  starts: { n: number; time: number; celsius: number }[];
  /** Welds that start above hand-warm. */
  warmStarts: number[];
}

/** Cells of one picture, about: fine enough to look at, few enough to play. */
const CELLS = 9_000;
/** mm. No cell is smaller: heat is not told finer by a sheet's estimate. */
const LEAST_CELL = 3;
/** mm beyond the outermost joint that is looked at: heat does not come farther before it is lost. */
const AROUND = 120;
/** s after the last weld that are shown. */
const AFTER = 120;
/** s. No picture is nearer to the next. */
const LEAST_BETWEEN = 0.25;
/** mm. A joint that runs so near along the edge of the sheet joins it to another one there. */
const ON_EDGE = 6;

/**
 * How warm is the sheet at every place and time while a weld plan is worked off, and what do copper and pauses
 * change? The heat flows over a plate around the joints whose butted ones stand open until they are welded.
 *
 * @param input steps with energy J; lengths mm, temperatures °C, pauses s
 * @returns pictures at even times from the first weld to two minutes after the last
 * @throws Problem `nothing-hot` where no step welds; `no-energy` for plans that were kept before it was noted
 * Source: Fourier's equation in a thin plate (Carslaw & Jaeger), as in field.
 * @example heatReplay({ steps: [{ n: 1, kind: 'tack', seam: 0, from: [0, 0], to: [0, 0], wait: 0, start: 0, duration: 1, temperature: 20, energy: 900, text: '' }], joints: [{ points: [[-50, 0], [50, 0]], closed: false, open: false }], thickness: 1, ambient: 20, handWarm: 50, frames: 3 }).times // → [0, 60.5, 121]
 */
export function heatReplay(input: HeatReplayInput, watch?: Watch): HeatReplay {
  const { thickness, ambient, handWarm, frames = 360 } = input;
  finite('thickness', thickness, { above: 0, max: 100, unit: 'mm' });
  finite('frames', frames, { min: 2, max: 1000 });
  const hot = list<WeldStep>('steps', input.steps, 0, 5000).filter(isHot);
  if (hot.length === 0) refuse('nothing-hot', 'steps', 'No step of this plan heats the sheet.');
  if (hot.some(({ energy }) => energy === undefined))
    refuse('no-energy', 'steps', 'This plan was laid out before its heat was noted; lay it out anew to see it.');
  const { origin, ...grid } = gridAround(input.joints.flatMap(({ points }) => points));
  const onGrid = ([u, v]: Point): Point => [
    Math.min(grid.cols * grid.cell, Math.max(0, u - origin[0])),
    Math.min(grid.rows * grid.cell, Math.max(0, v - origin[1])),
  ];
  const begun = hot[0]!.start;
  const pausedBefore = (n: number) =>
    (input.pauses ?? []).reduce((sum, { before, seconds }) => sum + (before <= n ? seconds : 0), 0);
  const welds = hot.map((step) => ({ step, at: step.start - begun + pausedBefore(step.n) }));
  const stitches = welds.map(({ step, at }): FieldStitch => ({
    start: onGrid(step.from!),
    end: onGrid(step.to!),
    at,
    duration: step.duration,
    energy: step.energy!,
  }));
  const last = welds.at(-1)!;
  const whole = last.at + last.step.duration + AFTER;
  const count = Math.max(2, Math.min(Math.round(frames), Math.floor(whole / LEAST_BETWEEN) + 1));
  const shown = Array.from({ length: count }, (_, i) => (whole * i) / (count - 1));
  const cells = grid.cols * grid.rows;
  const rises = new Uint16Array(cells * count);
  const hottest = new Array<HeatReplay['hottest'][number]>(count);
  const startRise = new Array<number>(welds.length).fill(0);
  const frameAt = new Map(shown.map((time, i) => [time, i]));
  const joints = input.joints.map((joint) => ({ ...joint, points: joint.points.map(onGrid) }));
  const near = nearness(joints.map(lineOf), BAR.reach);
  const outline = (input.outline ?? []).map(([u, v]): Point => [u - origin[0], v - origin[1]]);
  const toEdge = nearness(outline.length > 0 ? [[...outline, outline[0]!]] : [], BAR.reach);
  const toJoined = nearness(
    joints.filter(({ points }) => points.every((p) => toEdge(p) <= ON_EDGE)).map(lineOf),
    BAR.reach,
  );
  const ends = gapEdges([{ points: outline, closed: true, width: 0 }], [], grid).filter(
    ({ at }) => toJoined(at) > ON_EDGE,
  );
  const material = MATERIALS[input.material ?? 'steel'];
  heatOver(
    { thickness, material, stitches, times: [...shown, ...welds.map(({ at }) => at)] },
    {
      grid,
      edges: [
        ...gapEdges(
          joints.filter(({ open }) => open).map((joint) => ({ ...joint, width: thickness })),
          stitches,
          grid,
        ),
        ...ends,
      ],
      share: input.copper ? copperBehind(near, { grid, thickness, material }) : undefined,
      note: (time, rise) => {
        welds.forEach(({ at }, i) => {
          if (at === time) startRise[i] = riseAt(rise, stitches[i]!.start, grid);
        });
        const frame = frameAt.get(time);
        if (frame === undefined) return;
        let most = 0;
        for (let i = 0; i < cells; i++) {
          rises[frame * cells + i] = Math.min(0xffff, Math.max(0, Math.round(rise[i]! * TENTHS)));
          if (rise[i]! > rise[most]!) most = i;
        }
        const [col, row] = [most % grid.cols, Math.floor(most / grid.cols)];
        hottest[frame] = {
          at: [origin[0] + (col + 0.5) * grid.cell, origin[1] + (row + 0.5) * grid.cell],
          celsius: ambient + rise[most]!,
        };
      },
    },
    watch,
  );
  const starts = welds.map(({ step, at }, i) => ({ n: step.n, time: begun + at, celsius: ambient + startRise[i]! }));
  return {
    ...grid,
    origin,
    times: shown.map((time) => begun + time),
    rises,
    hottest,
    starts,
    warmStarts: starts.filter(({ celsius }) => celsius > handWarm + SLACK).map(({ n }) => n),
  };
}

/** Of a kelvin, as rises are kept. */
export const TENTHS = 10;
/** K by which the plan's own reckoning and this one may differ before a weld is called too warm. */
const SLACK = 6;

function gridAround(places: readonly Point[]): Grid & { origin: Point } {
  const { minU, minV, maxU, maxV } = boxOf(places);
  const [width, height] = [maxU - minU + 2 * AROUND, maxV - minV + 2 * AROUND];
  const cell = Math.max(LEAST_CELL, Math.sqrt((width * height) / CELLS));
  return {
    origin: [minU - AROUND, minV - AROUND],
    cell,
    cols: Math.max(3, Math.round(width / cell)),
    rows: Math.max(3, Math.round(height / cell)),
  };
}

const lineOf = ({ points, closed }: { points: readonly Point[]; closed: boolean }): readonly Point[] =>
  closed ? [...points, points[0]!] : points;

/** Heat capacity of each cell with copper bars along every joint. */
function copperBehind(
  near: (place: Point) => number,
  { grid, thickness, material }: { grid: Grid; thickness: number; material: (typeof MATERIALS)[WeldMaterial] },
): Float64Array {
  const more = copperShare(BAR.thickness, thickness, material);
  return Float64Array.from({ length: grid.cols * grid.rows }, (_, i) => {
    const at: Point = [((i % grid.cols) + 0.5) * grid.cell, (Math.floor(i / grid.cols) + 0.5) * grid.cell];
    return near(at) <= BAR.reach ? 1 + more : 1;
  });
}

/** °C of one picture at a place of the sheet; null outside of what is shown. */
export function celsiusAt(
  { origin, cols, rows, cell, rises }: Pick<HeatReplay, 'origin' | 'cols' | 'rows' | 'cell' | 'rises'>,
  frame: number,
  place: Point,
  ambient: number,
): number | null {
  const [u, v] = [place[0] - origin[0], place[1] - origin[1]];
  if (u < 0 || v < 0 || u > cols * cell || v > rows * cell) return null;
  const picture = rises.subarray(frame * cols * rows, (frame + 1) * cols * rows);
  return ambient + riseAt(picture, [u, v], { cols, rows, cell }) / TENTHS;
}
