import { Problem } from '../problem.ts';
import type { Point } from '../geometry/index.ts';
import { gaps } from '../hold/index.ts';
import { MOST_BY_BEAD } from '../weld/index.ts';
import type { FitPlace } from './places.ts';
import { roundsOf, trim } from './trim.ts';

/** What was read at one place, mm. */
export interface FitReading {
  place: string;
  gap: number;
  /** How far the piece stands proud of the metal beside it; below it is less than 0. */
  flush: number | null;
}
/** A gap of a part that hangs beside it: door, lid, glass, trim, lamp; mm. */
export interface NeighbourGap {
  name: string;
  gap: number;
  wanted: number;
}

export interface FitInput {
  places: readonly FitPlace[];
  /**
   * Along each joint: whether its gap is seen (butt), or its sheets lie on each other; and whether it lies within the
   * piece, between two of its sections: no move of the whole changes that gap.
   */
  joints: readonly { open: boolean; within?: boolean }[];
  /** mm of the thinner sheet. */
  thickness: number;
  readings: readonly FitReading[];
  neighbours: readonly NeighbourGap[];
}

/** What is done about a joint. */
export type FitCure = 'good' | 'trim' | 'clamp' | 'bead' | 'strip' | 'again';

export interface JointFit {
  joint: number;
  cure: FitCure;
  /** What is taken off at each place that was read, mm; nothing where it is not trimmed. */
  trim: { place: string; mm: number }[];
  /** Widest gap over what is wanted, and what is lacking most, after the piece was moved, mm. */
  wide: number;
  tight: number;
  /** At the widest place: what is taken off in each round, mm. */
  rounds: number[];
}
export interface FitRound {
  /** How the piece is moved first, mm and degrees; null where the readings do not tell, or where it lies well. */
  move: { u: number; v: number; turn: number } | null;
  /** Root mean square of what gaps lack or have too much, before and after that move, mm. */
  before: number;
  after: number;
  joints: JointFit[];
  /** Places that stand proud or low by more than is allowed, mm. */
  flush: { place: string; mm: number }[];
  /** Parts beside it whose gap is not as it is wanted, mm too wide. */
  neighbours: { name: string; over: number }[];
  /** All that was read is within its limits. */
  good: boolean;
}

/* Limits; common practice, no published source (T-01, T-02, T-39, T-46). */
/** mm that a gap may differ, that sheets may stand off each other, that a neighbour's gap may be off. */
const OPEN_SLACK = 0.5;
const CLOSED_SLACK = 0.5;
const NEIGHBOUR_SLACK = 1;
/** mm that one sheet may stand proud of the other, as a share of its thickness. */
const FLUSH_SHARE = 0.5;
/** mm over which a gap is not closed by a strip any more either: the piece is made again. */
const STRIP = 10;
/** mm of the blade with which one creeps up on a line. */
const KERF = 1.2;
/** Share of what gaps lack or have too much that a move must leave at most, to be worth it. */
const WORTH = 0.8;
/** mm. A move that takes no place of the edge farther is none. */
const STILL = 0.3;

/** Gap that is aimed at where the edges meet: a little under one sheet thickness; sheets on each other have none. */
export const wantedGap = (open: boolean, thickness: number): number => (open ? Math.max(0.3, 0.8 * thickness) : 0);

/**
 * What does a trial fit say: which way the piece is moved, what is then trimmed or built up, and is it good enough to
 * weld? The rigid move that the gaps ask for comes first (`hold.gaps`), then a straight cut along each joint
 * (`fit.trim`), at most half of what is marked or one blade at a time.
 *
 * @param input gaps and steps at places of the joints, and of what hangs beside it; mm
 * @throws Problem naming the field
 * Source: common practice, no published source.
 */
export function fitRound({ places, joints, thickness, readings, neighbours }: FitInput): FitRound {
  const read = readings.map((reading) => {
    const place = places.find(({ id }) => id === reading.place)!;
    const { open, within = false } = joints[place.joint]!;
    return { ...reading, place, open, within, wanted: wantedGap(open, thickness) };
  });
  const over = read.map(({ gap, wanted }) => gap - wanted);
  const outer = read.flatMap(({ within }, i) => (within ? [] : [i]));
  const move = movedBy(outer.map((i) => read[i]!));
  const isMoved = move !== null && move.rms < WORTH * rms(outer.map((i) => over[i]!));
  const left = isMoved ? over.map((one, i) => move.residuals[outer.indexOf(i)] ?? one) : over;
  const fits = [...new Set(read.map(({ place }) => place.joint))].map((joint): JointFit => {
    const own = read.flatMap((one, i) => (one.place.joint === joint ? [{ ...one, over: left[i]! }] : []));
    return jointFit(joint, own);
  });
  const proud = read.flatMap(({ place, flush }) =>
    flush !== null && Math.abs(flush) > FLUSH_SHARE * thickness ? [{ place: place.id, mm: flush }] : [],
  );
  const beside = neighbours
    .map(({ name, gap, wanted }) => ({ name, over: gap - wanted }))
    .filter((one) => Math.abs(one.over) > NEIGHBOUR_SLACK);
  return {
    move: isMoved ? { u: move!.movement.u * -1, v: move!.movement.v * -1, turn: move!.movement.turn * -1 } : null,
    before: rms(over),
    after: rms(left),
    joints: fits,
    flush: proud,
    neighbours: beside,
    good:
      read.length > 0 &&
      !isMoved &&
      fits.every(({ cure }) => cure === 'good') &&
      proud.length === 0 &&
      beside.length === 0,
  };
}

const rms = (values: readonly number[]) =>
  values.length === 0 ? 0 : Math.sqrt(values.reduce((sum, one) => sum + one * one, 0) / values.length);

interface Read {
  place: FitPlace;
  open: boolean;
  gap: number;
  wanted: number;
}
interface Move {
  movement: { u: number; v: number; turn: number };
  /** Around which it turns. */
  about: Point;
  residuals: readonly number[];
  rms: number;
}

/** The rigid move that the gaps ask for; null where they leave one open, or where none is worth it. */
function movedBy(read: readonly Read[]): Move | null {
  if (read.length < 3) return null;
  const most = Math.max(...read.map(({ gap, wanted }) => Math.abs(gap - wanted)));
  const whole = rigid(read);
  // Places that lie opposite each other tell next to nothing of a turn: one that moves an edge farther than any gap is none.
  const steady = whole && read.every(({ place }) => swing(whole, place) <= 2 * most + STILL) ? whole : null;
  const found = [steady, shifted(read)].find((move) => move && !presses(move, read));
  if (!found) return null;
  // A turn is as much as it moves an edge: the same angle is nothing on a small piece and a gap on a long one.
  return read.every(({ place }) => swing(found, place) < STILL) ? null : found;
}

/** Whether a move pushes sheets into each other that lie on one another: one cannot pass through the other. */
const presses = ({ residuals }: Move, read: readonly Read[]): boolean =>
  read.some(({ open, gap }, i) => !open && residuals[i]! < Math.min(gap, 0) - CLOSED_SLACK);

const swing = ({ movement: { u, v, turn }, about }: Move, { at }: FitPlace): number => {
  const angle = (turn * Math.PI) / 180;
  return Math.hypot(u - angle * (at[1] - about[1]), v + angle * (at[0] - about[0]));
};

function rigid(read: readonly Read[]): Move | null {
  try {
    return gaps({
      readings: read.map(({ place, gap, wanted }) => ({
        u: place.at[0],
        v: place.at[1],
        normal: place.normal,
        gap,
        wanted,
      })),
      mounts: [],
    });
  } catch (error) {
    if (error instanceof Problem && error.code === 'undetermined') return null;
    throw error;
  }
}

/** The same without a turn: normal equations of two unknowns. */
function shifted(read: readonly Read[]): Move | null {
  const sum = (of: (one: Read) => number) => read.reduce((all, one) => all + of(one), 0);
  const over = ({ gap, wanted }: Read) => gap - wanted;
  const [uu, uv, vv] = [
    sum(({ place: { normal } }) => normal[0] ** 2),
    sum(({ place: { normal } }) => normal[0] * normal[1]),
    sum(({ place: { normal } }) => normal[1] ** 2),
  ];
  const [bu, bv] = [sum((one) => -one.place.normal[0] * over(one)), sum((one) => -one.place.normal[1] * over(one))];
  const determinant = uu * vv - uv ** 2;
  if (determinant < 1e-6 * (uu + vv) ** 2) return null;
  const [u, v] = [(vv * bu - uv * bv) / determinant, (uu * bv - uv * bu) / determinant];
  const residuals = read.map((one) => over(one) + one.place.normal[0] * u + one.place.normal[1] * v);
  return { movement: { u, v, turn: 0 }, about: [0, 0], residuals, rms: rms(residuals) };
}

function jointFit(joint: number, own: readonly { place: FitPlace; open: boolean; over: number }[]): JointFit {
  const wide = Math.max(0, ...own.map(({ over }) => over));
  const tight = Math.max(0, ...own.map(({ over }) => -over));
  const { open } = own[0]!;
  const slack = open ? OPEN_SLACK : CLOSED_SLACK;
  const cure: FitCure =
    wide > STRIP
      ? 'again'
      : open && wide > MOST_BY_BEAD
        ? 'strip'
        : tight > slack
          ? 'trim'
          : wide > slack
            ? open
              ? 'bead'
              : 'clamp'
            : 'good';
  if (cure !== 'trim') return { joint, cure, trim: [], wide, tight, rounds: [] };
  const line =
    own.length < 2
      ? own.map(({ over }) => Math.max(0, -over))
      : trim({ stations: own.map(({ place, over }) => ({ at: place.along, gap: over, wanted: 0 })) }).trim;
  const most = Math.max(...line);
  return {
    joint,
    cure,
    trim: own.map(({ place }, i) => ({ place: place.id, mm: line[i]! })),
    wide,
    tight,
    rounds: most > 0 ? roundsOf(most, KERF) : [],
  };
}
