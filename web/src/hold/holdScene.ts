import type { FigureNow, FigureView, HoldView } from '@aspecta/contract/hold';
import type { Point } from '@aspecta/core/geometry';
import { inPlane } from '@aspecta/core/hold';

/** How a tape of the drawing stands. */
export type TapeLook = 'todo' | 'taken' | 'next' | 'doubtful';

export interface DrawnPoint {
  id: string;
  letter: string;
  name: string;
  at: Point;
  own: boolean;
}
export interface DrawnFigure {
  points: DrawnPoint[];
  tapes: { ends: [Point, Point]; look: TapeLook }[];
  /** Where points have gone, drawn so many times as far as they have. */
  moves: { from: Point; to: Point; beyond: boolean }[];
}

/** In the address beside the ids of figures: what no figure of the body has. */
export const OTHER = 'other';
export const CORNERS = 'corners';

/** Times that a movement is drawn as far as it is: a millimetre must be seen on a car. */
export const MAGNIFIED = 25;

const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
export const letterOf = (figure: Pick<FigureView, 'points'>, id: string): string =>
  ALPHABET[figure.points.indexOf(id)] ?? '?';

/** A figure as it is drawn: its points with their letters, tapes as they stand, what has moved. */
export function drawnFigure(view: HoldView, figure: FigureView, now: FigureNow | null): DrawnFigure {
  const own = figure.points.map((id) => view.points.find((point) => point.id === id)!);
  const { at } = inPlane(own);
  const place = (id: string) => at[figure.points.indexOf(id)]!;
  const is = (pair: readonly [string, string] | null | undefined, [a, b]: readonly [string, string]) =>
    pair !== null && pair !== undefined && pair.includes(a) && pair.includes(b);
  const untaken = now ? untakenOf(view, figure, now) : figure.tapes;
  return {
    points: own.map(({ id, name, own: added }, i) => ({
      id,
      name,
      letter: letterOf(figure, id),
      at: at[i]!,
      own: added,
    })),
    tapes: figure.tapes.map((pair) => ({
      ends: [place(pair[0]), place(pair[1])],
      look: now?.doubtful.some((one) => is(one, pair))
        ? 'doubtful'
        : is(now?.next, pair)
          ? 'next'
          : untaken.includes(pair)
            ? 'todo'
            : 'taken',
    })),
    moves: (now?.moved ?? [])
      .filter(({ by }) => Math.hypot(...by) > 0.05)
      .map(({ id, by, beyond }) => {
        const from = place(id);
        return { from, to: [from[0] + by[0] * MAGNIFIED, from[1] + by[1] * MAGNIFIED], beyond };
      }),
  };
}

/** Tapes of a figure that the measurement shown does not have yet. */
export function untakenOf(view: HoldView, figure: FigureView, now: FigureNow): [string, string][] {
  const round = view.rounds.find(({ figures }) => figures.includes(now));
  const isTaken = ([a, b]: readonly [string, string]) =>
    round?.tapes.some(({ kind, from, to }) => kind === 'tape' && [from, to].includes(a) && [from, to].includes(b)) ??
    false;
  return figure.tapes.filter((pair) => !isTaken(pair));
}

const WAYS = [
  ['back', 'forward'],
  ['to the left', 'to the right'],
  ['up', 'down'],
] as const;

/** A movement in words: how far along each axis of the body, in the directions of the drawing. */
export function movementText(view: HoldView, figure: FigureView, by: Point, length: (mm: number) => string): string {
  const { axes } = inPlane(figure.points.map((id) => view.points.find((point) => point.id === id)!));
  const parts = axes.flatMap((axis, i) => {
    const mm = by[i as 0 | 1];
    return Math.abs(mm) < 0.5 ? [] : [`${length(Math.abs(mm))} ${WAYS[axis][mm > 0 ? 0 : 1]}`];
  });
  return parts.length > 0 ? parts.join(', ') : 'no more than half a millimetre';
}

/** The same the other way: what brings it back. */
export const cureText = (view: HoldView, figure: FigureView, [u, v]: Point, length: (mm: number) => string): string =>
  movementText(view, figure, [-u, -v], length);
