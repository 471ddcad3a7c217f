import type { Compared, FigureNow, FigureView, HoldView, RoundView, Stand, TapeView } from '@aspecta/contract/hold';
import { Problem } from '@aspecta/core';
import { type BodyPlan, type DatumPoint, type Figure, type Frame } from '@aspecta/core/body';
import {
  apart,
  heldFigure,
  inPlane,
  MAY_MOVE,
  movedPoints,
  proposeBraces,
  tilt,
  type HeldFigure,
  type Tilt,
} from '@aspecta/core/hold';
import type { BraceRow, GapRow, OwnPointRow, RoundRow, TapeRow } from './entities.ts';
import { cornersOf } from './corners.ts';
import { gapView } from './gapView.ts';
import { barredOf, isTape, tapesFor, tapeViews } from './tapes.ts';

/** All that is known of how a car holds its shape. */
export interface Held {
  plan: BodyPlan;
  own: readonly OwnPointRow[];
  rounds: readonly RoundRow[];
  tapes: readonly TapeRow[];
  braces: readonly BraceRow[];
  gaps: readonly GapRow[];
  /** Panels that carry load and are cut or about to be. */
  out: readonly string[];
  /** What is rotten, or was found so, and not repaired, by panel, in words. */
  rotten: ReadonlyMap<string, readonly string[]>;
  /** When the last weld of what holds the body was made; null as long as one is open. */
  closedAt: Date | null;
}

const NO_FRAME: Frame = { points: [], figures: [], hung: [] };

/** Points and figures of a body with those of somebody's own, and the tapes that each figure asks for. */
export function framed({ plan, own, tapes }: Pick<Held, 'plan' | 'own' | 'tapes'>): {
  points: HoldView['points'];
  figures: FigureView[];
} {
  const { points, figures } = plan.frame ?? NO_FRAME;
  const known = points.map((point) => ({ ...point, own: false }));
  const added = own.flatMap((row) => {
    const figure = figures.find(({ id }) => id === row.figure);
    return figure ? [{ ...ownPoint(row, figure, points), own: true }] : [];
  });
  return {
    points: [...known, ...added],
    figures: figures.map((figure) => {
      const mine = own.filter((row) => row.figure === figure.id).map(({ id }) => id);
      const ids = [...figure.points, ...mine];
      const all = ids.map((id) => [...known, ...added].find((point) => point.id === id)!);
      const barred = barredOf(tapes, ids);
      return { ...figure, points: ids, own: mine.length > 0, barred, tapes: tapesFor(all, barred) };
    }),
  };
}

/** Drawn into a figure: it lies as deep behind the drawing as the figure's own points do in the middle. */
function ownPoint({ id, name, u, v }: OwnPointRow, figure: Figure, points: readonly DatumPoint[]): DatumPoint {
  const corners = figure.points.map((one) => points.find((point) => point.id === one)!);
  const { axes, depth } = inPlane(corners);
  const at: [number, number, number] = [0, 0, 0];
  at[axes[0]] = u;
  at[axes[1]] = v;
  at[depth] = corners.reduce((sum, corner) => sum + corner.at[depth], 0) / corners.length;
  return { id, name, at };
}

export function holdView(held: Held): HoldView {
  const { points, figures } = framed(held);
  const open = figures.filter(({ sides }) =>
    sides.some(({ panels }) => panels.some((panel) => held.out.includes(panel))),
  );
  const touched = new Set(
    open.flatMap(({ sides }) =>
      sides.filter(({ panels }) => panels.some((panel) => held.out.includes(panel))).flatMap(({ ends }) => ends),
    ),
  );
  const untouched = points.filter(({ id }) => !touched.has(id)).map(({ id }) => id);
  const [first] = held.rounds;
  const read = new Map(held.rounds.map((round) => [round.id, tapeViews(held.tapes, round.id)]));
  const firstTapes = first ? read.get(first.id)! : [];
  const rounds = held.rounds.map((round, i) =>
    roundView(round, {
      stoodBefore: held.rounds[i - 1]?.stand ?? null,
      tapes: read.get(round.id)!,
      first: round === first ? null : firstTapes,
      points,
      figures,
      untouched,
    }),
  );
  return {
    points,
    figures,
    rounds,
    out: [...held.out],
    proposals: proposalsOf(held, { points, figures }),
    braces: held.braces.map(({ vehicleId: _vehicleId, fittedAt, outAt, ...brace }) => ({
      ...brace,
      fittedAt: fittedAt.toISOString(),
      outAt: outAt?.toISOString() ?? null,
    })),
    checked: isChecked(held),
    gaps: held.gaps.map((row) => gapView(row, held)),
    mayMove: MAY_MOVE,
  };
}

/** Braces of the figures that lose a side, cut to what the first measurement has. */
function proposalsOf(held: Held, { points, figures }: ReturnType<typeof framed>): HoldView['proposals'] {
  const first = held.rounds[0];
  const tapes = first ? tapeViews(held.tapes, first.id) : [];
  const measured = (from: string, to: string) => tapes.find(isTape(from, to))?.length ?? null;
  return figures
    .map((figure) => ({ figure: figure.id, ...proposeBraces(figure, { points, out: held.out, held: measured }) }))
    .filter(({ lost }) => lost.length > 0);
}

/** A measurement was finished since the last load-bearing weld, beside the first one. */
export const isChecked = ({ rounds, closedAt }: Pick<Held, 'rounds' | 'closedAt'>): boolean =>
  closedAt !== null && rounds.slice(1).some(({ finished, at }) => finished && at > closedAt);

interface Around {
  /** How the car stood at the measurement before; null for the first one. */
  stoodBefore: Stand | null;
  tapes: TapeView[];
  /** Those of the first measurement; null where this is it. */
  first: readonly TapeView[] | null;
  points: readonly DatumPoint[];
  figures: readonly FigureView[];
  untouched: readonly string[];
}

function roundView(row: RoundRow, { tapes, first, points, figures, untouched, stoodBefore }: Around): RoundView {
  const kept = row.kept ?? [...untouched];
  const pointsOf = (figure: FigureView) => figure.points.map((id) => points.find((point) => point.id === id)!);
  return {
    id: row.id,
    name: row.name,
    stand: row.stand,
    finished: Boolean(row.finished),
    kept,
    keptSaid: row.kept !== null,
    by: row.by,
    at: row.at.toISOString(),
    version: row.version,
    tapes,
    figures: figures.map((figure) => figureNow(figure, pointsOf(figure), { tapes, first, kept })),
    compared: first ? compared(first, tapes) : [],
    sides: sidesOf(points, tapes),
    corners: cornersOf(tapes),
    tilt: tiltOf(points, tapes),
    restood: stoodBefore !== null && stoodBefore !== row.stand ? stoodBefore : null,
  };
}

function figureNow(
  figure: FigureView,
  points: readonly DatumPoint[],
  { tapes, first, kept }: { tapes: readonly TapeView[]; first: readonly TapeView[] | null; kept: readonly string[] },
): FigureNow {
  const within = (all: readonly TapeView[]) =>
    all.filter(({ kind, from, to }) => kind === 'tape' && figure.points.includes(from) && figure.points.includes(to));
  const own = within(tapes);
  const held = heldFigure(points, own);
  const before = first && heldFigure(points, within(first));
  const left = figure.tapes.filter(([a, b]) => !own.some(isTape(a, b)));
  const isHeld = (one: typeof held | null): one is HeldFigure => one !== null && !('open' in one);
  return {
    figure: figure.id,
    held,
    doubtful: isHeld(held) ? held.doubtful.map((i): [string, string] => [own[i]!.from, own[i]!.to]) : [],
    next: left[0] ?? null,
    taken: figure.tapes.length - left.length,
    of: figure.tapes.length,
    // As long as a tape does not fit, what it says of its points is not to be believed.
    moved: isHeld(held) && isHeld(before) && held.doubtful.length === 0 ? movedPoints(before, held, { kept }) : null,
  };
}

/** Each length that was read both times; the greatest difference first. */
function compared(first: readonly TapeView[], now: readonly TapeView[]): Compared[] {
  return now
    .flatMap((tape): Compared[] => {
      const was = first.find((one) =>
        tape.kind === 'tape'
          ? isTape(tape.from, tape.to)(one)
          : one.kind === tape.kind && one.from === tape.from && one.to === tape.to,
      );
      return was ? [{ kind: tape.kind, from: tape.from, to: tape.to, was: was.length, now: tape.length }] : [];
    })
    .sort((a, b) => Math.abs(b.now - b.was) - Math.abs(a.now - a.was));
}

/** How the car leans by its heights; null as long as they do not tell both directions. */
function tiltOf(points: readonly DatumPoint[], tapes: readonly TapeView[]): Tilt | null {
  const measured = tapes.flatMap(({ kind, from, length }) => {
    const point = kind === 'height' ? points.find(({ id }) => id === from) : undefined;
    return point ? [{ x: point.at[0], y: point.at[1], z: point.at[2], height: length }] : [];
  });
  if (measured.length < 3) return null;
  try {
    return tilt({ points: measured });
  } catch (error) {
    if (error instanceof Problem) return null;
    throw error;
  }
}

/** Heights of points that were read on both sides. */
function sidesOf(points: readonly DatumPoint[], tapes: readonly TapeView[]): RoundView['sides'] {
  const height = (id: string) => tapes.find(({ kind, from }) => kind === 'height' && from === id)?.length;
  return points
    .filter(({ id }) => id.endsWith('-l'))
    .flatMap(({ id, name }) => {
      const [left, right] = [height(id), height(id.replace(/-l$/, '-r'))];
      return left === undefined || right === undefined ? [] : [{ name: name.replace(/, left$/, ''), left, right }];
    });
}

/** What is between two points by the body's drawing, mm: how long a tape there should be about. */
export const expected = (points: readonly DatumPoint[], from: string, to: string): number | null => {
  const [a, b] = [from, to].map((id) => points.find((point) => point.id === id));
  return a && b ? apart(a, b) : null;
};

/** How much of what concerns the frame of the car is done, for its job: 0 to 1 each. */
export function sharesOf(held: Held): { baseline: number; braced: number; measured: number; unbraced: number } {
  const { rounds, braces } = held;
  const isIn = ({ outAt }: { outAt: Date | null }) => outAt === null;
  const wanted = held.out.length > 0 ? proposalsOf(held, framed(held)).flatMap((proposal) => proposal.braces) : [];
  const missing = wanted.filter(
    ({ ends }) => !braces.some((brace) => isIn(brace) && ends.every((end) => brace.ends.includes(end))),
  );
  return {
    baseline: rounds[0]?.finished ? 1 : 0,
    braced: braces.length === 0 ? 0 : wanted.length === 0 ? 1 : 1 - missing.length / wanted.length,
    measured: isChecked(held) ? 1 : 0,
    unbraced: braces.length === 0 ? 0 : braces.filter((brace) => !isIn(brace)).length / braces.length,
  };
}
