import type { Panel } from '../body/index.ts';
import {
  between,
  cross,
  dot,
  inRing,
  isSharp,
  lineBetween,
  minus,
  nearestOnLine,
  offset,
  plus,
  scaled,
  simplifyLine,
  unit,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { besideEdge, checkedDistance, FOLLOWS_WITHIN, OUT_TO_EDGE, runsBeside } from './beside.ts';

/** The edge of the panel, whichever stretch of it is nearest. */
export const EDGE = 'edge';

/** What a corner of a line is held to while the person moves it: it slides along there. */
export interface Pin {
  /** `edge`, or the name of a crease of the panel. */
  along: string;
  /** mm from it; 0 at the edge is out over it. */
  at: number;
}

type Sheet = Pick<Panel, 'outline' | 'creases'>;

/**
 * Where is a corner that somebody wants there, when it is held? At the nearest place along what it is held to.
 * One that is held to a crease which the panel does not have any more is free.
 *
 * @param place where it is wanted, mm
 * @example heldPlace({ outline: [[0, 0], [600, 0], [600, 400], [0, 400]], creases: [] }, { along: 'edge', at: 50 }, [200, 90]) // → [200, 50]
 */
export function heldPlace(sheet: Sheet, { along, at }: Pin, place: Point): Point {
  if (along !== EDGE) {
    const crease = sheet.creases.find(({ name }) => name === along);
    if (!crease) return place;
    const { at: foot, way } = nearestOnLine(crease.line, place);
    return plus(foot, scaled(sideOf(way, minus(place, foot)), at));
  }
  const rings = offset([[sheet.outline]], at === 0 ? OUT_TO_EDGE : -at, 'miter').polygons.flat(1);
  const feet = [
    ...rings.map((ring) => nearestOnLine([...ring, ring[0]!], place).at),
    ...(inRing(place, sheet.outline)
      ? []
      : rings.flatMap((ring) => feetBeyond(ring, place, { outline: sheet.outline, most: at + 2 * OUT_TO_EDGE }))),
  ];
  return feet.length === 0 ? place : feet.reduce((a, b) => (between(b, place) < between(a, place) ? b : a));
}

/** Just beyond a corner of the panel what a corner of the line is held to goes straight on: the places there that lie square to it. */
function feetBeyond(ring: Ring, place: Point, { outline, most }: { outline: Ring; most: number }): Point[] {
  return ring.flatMap((corner, i) => {
    const [before, after] = [ring.at(i - 1)!, ring[(i + 1) % ring.length]!];
    if (!isSharp(before, corner, after)) return [];
    return [before, after].flatMap((from) => {
      const way = unit(minus(corner, from));
      const beyond = dot(way, minus(place, corner));
      const foot = plus(corner, scaled(way, beyond));
      return beyond > 0 && beyond <= most && !inRing(foot, outline) ? [foot] : [];
    });
  });
}

/** Square to a way, to the side on which something lies. */
function sideOf(way: Point, towards: Point): Point {
  return cross(way, towards) >= 0 ? [-way[1], way[0]] : [way[1], -way[0]];
}

/**
 * Lays one run of a line along the edge of the panel or one of its creases, at a distance, and holds it there.
 *
 * @param corners of the line, mm
 * @param pins what each of them is held to; null where it is free
 * @param run its index: from corner i to the next
 * @returns corners and pins with those of the run replaced
 * @throws Problem naming the field
 */
export function layAlong(
  sheet: Sheet,
  line: { corners: Ring; pins: readonly (Pin | null)[] },
  run: number,
  pin: Pin,
): { corners: Point[]; pins: (Pin | null)[] } {
  const { corners } = line;
  const laid =
    pin.along === EDGE
      ? besideEdge({ corners, run, outline: sheet.outline, at: pin.at })
      : besideCrease({ corners, run, at: pin.at }, creaseOf(sheet, pin.along));
  const kept = new Map(corners.map((corner, i) => [corner, line.pins[i] ?? null]));
  return { corners: laid, pins: laid.map((corner) => (kept.has(corner) ? kept.get(corner)! : pin)) };
}

const creaseOf = (sheet: Sheet, along: string): readonly Point[] =>
  (sheet.creases.find(({ name }) => name === along) ?? refuse('no-crease', 'along', 'The panel has no such crease.'))
    .line;

function besideCrease(
  { corners, run, at }: { corners: Ring; run: number; at: number },
  crease: readonly Point[],
): Point[] {
  checkedDistance(at);
  const next = (run + 1) % corners.length;
  const [from, to] = [corners[run]!, corners[next]!];
  const [a, b] = [from, to].map((end) => nearestOnLine(crease, end)) as [Foot, Foot];
  const way = lineBetween(crease, Math.min(a.run, b.run), Math.max(a.run, b.run));
  const length = Math.abs(a.run - b.run);
  if (!runsBeside(length, between(from, to)))
    refuse(
      'no-edge',
      'run',
      'This crease does not run along this run: turn it so that it lies beside the crease, or move its corners one by one.',
    );
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const foot = nearestOnLine(crease, middle);
  const left = cross(foot.way, minus(middle, foot.at)) >= 0 ? 1 : -1;
  const shifted = shiftedAside(way, left * at);
  const line = simplifyLine(a.run <= b.run ? shifted : shifted.reverse(), FOLLOWS_WITHIN);
  const others = Array.from({ length: corners.length - 2 }, (_, i) => corners[(next + 1 + i) % corners.length]!);
  // The line begins at the same corner as before, where that one stays.
  return next === 0 ? [...others, ...line] : [...corners.slice(0, run), ...line, ...corners.slice(next + 1)];
}

type Foot = ReturnType<typeof nearestOnLine>;

/** A line moved to its left by mm, parallel to itself. */
function shiftedAside(line: readonly Point[], by: number): Point[] {
  return line.map((p, i) => {
    const before = i > 0 ? unit(minus(p, line[i - 1]!)) : null;
    const after = i < line.length - 1 ? unit(minus(line[i + 1]!, p)) : null;
    const way = unit(plus(before ?? after!, after ?? before!));
    const half = before && after ? Math.sqrt((1 + before[0] * after[0] + before[1] * after[1]) / 2) : 1;
    return plus(p, scaled([-way[1], way[0]], by / half));
  });
}
