import type { DatumPoint } from '../body/index.ts';
import type { Point } from '../geometry/index.ts';
import { Problem } from '../problem.ts';
import { inPlane } from './inPlane.ts';
import { register, type Place } from './register.ts';
import { TAPE_SD } from './tapesOf.ts';
import { tapeNetwork } from './tapeNetwork.ts';

/** A tape that was stretched between two points of a figure, mm. */
export interface TakenTape {
  from: string;
  to: string;
  length: number;
}

/** A figure as its tapes have it. */
export interface HeldFigure {
  /** In the figure's plane, mm; sd mm along each axis. */
  points: { id: string; at: Point; sd: Point }[];
  /** adjusted − taped, mm, for each tape. */
  residuals: number[];
  /** Tapes that do not fit the others, by index: to be taken again. More than one where it cannot be told which. */
  doubtful: number[];
  /** How many tapes check the others. */
  redundancy: number;
}

/** What a figure lacks before it can be worked out. */
export interface OpenFigure {
  /** In words, why; null where it is worked out. */
  open: string;
}

/**
 * Where the points of a figure are, by its tapes; or what is still lacking. The depth of each point behind
 * the drawing is taken as the body plan has it.
 *
 * @param points of the figure, rough places, mm
 * @param tapes between them, mm
 * @example heldFigure([{ id: 'a', name: 'a', at: [0, 0, 0] }, { id: 'b', name: 'b', at: [400, 0, 0] }, { id: 'c', name: 'c', at: [400, 0, 300] }], [{ from: 'a', to: 'b', length: 400 }, { from: 'b', to: 'c', length: 300 }, { from: 'a', to: 'c', length: 500 }]).redundancy // → 0
 */
export function heldFigure(points: readonly DatumPoint[], tapes: readonly TakenTape[]): HeldFigure | OpenFigure {
  const flat = inPlane(points);
  const joined = points.filter(({ id }) => tapes.some(({ from, to }) => from === id || to === id));
  if (joined.length < 3) return { open: 'Take at least three tapes between three points.' };
  try {
    const net = tapeNetwork({
      points: joined.map((point) => ({
        id: point.id,
        x: point.at[flat.axes[0]],
        y: point.at[flat.axes[1]],
        z: point.at[flat.depth],
        fixed: ['z'],
      })),
      tapes: tapes.map((tape) => ({ ...tape, sd: TAPE_SD })),
    });
    return {
      points: net.points.map(({ id, x, y, sd }) => ({ id, at: [x, y], sd: [sd.x, sd.y] })),
      residuals: net.tapes.map(({ residual }) => residual),
      doubtful: net.alike,
      redundancy: net.redundancy,
    };
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    return {
      open:
        error.code === 'undetermined' ? 'Its points can still swing: take the tapes that are missing.' : error.message,
    };
  }
}

/** A point of a figure that was measured twice. */
export interface MovedPoint {
  id: string;
  /** Where it was, and by how much it has moved since, mm. */
  was: Point;
  by: Point;
  /** Standard deviation of the movement, mm. */
  sd: number;
  /** It has moved by more than is allowed, and by more than its doubt. */
  beyond: boolean;
  /** It is one of those that the two measurements were laid over each other by. */
  kept: boolean;
}

/** mm that a point may move before it is said: what a gap shows; common practice, no published source. */
export const MAY_MOVE = 3;
/** Movements within this many standard deviations may be no movement at all. */
const SURE = 2;
/** mm. Each point is laid over itself twice, this far behind the drawing: two kept points then do. */
const BEHIND = 1000;

/**
 * Which points have moved between two measurements, when those that nobody has touched are laid over each other?
 *
 * @param before,now the figure as it was held, each with the same axes
 * @param kept ids of points that were not touched; where fewer than two of them were measured both times, all points count
 * @returns one for each point that was measured both times; none where there are fewer than three
 */
export function movedPoints(
  before: HeldFigure,
  now: HeldFigure,
  { kept, mayMove = MAY_MOVE }: { kept: readonly string[]; mayMove?: number },
): MovedPoint[] {
  const both = before.points.flatMap((was) => {
    const is = now.points.find(({ id }) => id === was.id);
    return is ? [{ was, is }] : [];
  });
  if (both.length < 3) return [];
  const held = both.filter(({ was }) => kept.includes(was.id));
  const by = held.length >= 2 ? held : both;
  const twice = (points: readonly Point[]): Place[] =>
    points.flatMap(([u, v]): Place[] => [
      [u, v, 0],
      [u, v, BEHIND],
    ]);
  // From now to before: what has moved is told in the directions of the first measurement.
  const { rotation, translation } = register({
    baseline: twice(by.map(({ is }) => is.at)),
    measured: twice(by.map(({ was }) => was.at)),
  });
  return both.map(({ was, is }) => {
    const laid = [0, 1].map(
      (axis) => rotation[3 * axis]! * is.at[0] + rotation[3 * axis + 1]! * is.at[1] + translation[axis]!,
    ) as [number, number];
    const move: Point = [laid[0] - was.at[0], laid[1] - was.at[1]];
    const far = Math.hypot(...move);
    const sd = Math.hypot(...was.sd, ...is.sd) / Math.SQRT2;
    return {
      id: was.id,
      was: was.at,
      by: move,
      sd,
      beyond: far > mayMove && far > SURE * sd,
      kept: by === held && held.some((one) => one.was === was),
    };
  });
}
