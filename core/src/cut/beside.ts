import { finite } from '../check.ts';
import {
  along,
  between,
  cross,
  dot,
  inRing,
  isSharp,
  lineLength,
  minus,
  nearestOnSegment,
  offset,
  plus,
  scaled,
  simplifyLine,
  unit,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';

/** mm. A run that follows a curved edge is made of straight pieces which stray from it by no more: a felt-pen line. */
export const FOLLOWS_WITHIN = 1;
/** mm. So far beyond an edge a run is laid that goes out to it: enough to clear it, not so far that it crosses an opening behind. */
export const OUT_TO_EDGE = 30;
/** mm. Farther in than that no edge is followed. */
export const FARTHEST_BESIDE = 1000;

/** An edge lies beside a run when its stretch there is between half as long and twice as long. */
const LEAST_BESIDE = 0.5;
/** Is what lies beside a run about as long as the run? */
export const runsBeside = (length: number, run: number): boolean =>
  length > LEAST_BESIDE * run && length < run / LEAST_BESIDE;
/** @throws Problem naming the field */
export const checkedDistance = (at: number): number => finite('at', at, { min: 0, max: FARTHEST_BESIDE, unit: 'mm' });

/**
 * Lays one run of a line along the edge of the panel that is nearest to it, at a distance: keeps a lip,
 * stays behind a flare, or goes out to the edge.
 *
 * @param corners of the line, mm
 * @param run its index: from corner i to the next
 * @param outline of the panel, mm
 * @param at mm from the edge, 0 to 1000; 0 goes out to the edge
 * @returns the corners with those of the run replaced: two along a straight edge, more along a curved one
 * @throws Problem naming the field
 * @example besideEdge({ corners: [[100, 100], [200, 110], [200, 200], [100, 200]], run: 0, outline: [[0, 0], [600, 0], [600, 400], [0, 400]], at: 60 }) // → [[100, 60], [200, 60], [200, 200], [100, 200]]
 */
export function besideEdge({
  corners,
  run,
  outline,
  at,
}: {
  corners: Ring;
  run: number;
  outline: Ring;
  at: number;
}): Point[] {
  checkedDistance(at);
  const [from, to] = [corners[run], corners[(run + 1) % corners.length]];
  if (!from || !to) return refuse('no-run', 'run', 'The line has no such run.');
  const inward = at === 0 ? -OUT_TO_EDGE : at;
  const parallel = offset([[outline]], -inward, 'miter').polygons.map(([ring]) => ring!);
  if (parallel.length === 0)
    refuse('too-far', 'at', 'Nowhere on this panel is it so far from an edge; choose a smaller distance.');
  const direction = minus(to, from);
  const out = [from, to].map((end) => !inRing(end, outline));
  const way = parallel
    .flatMap((ring) => {
      const [starts, ends] = [from, to].map((end, i) =>
        // Where one end lies beyond the panel the run goes on straight there, from a corner of the parallel.
        at > 0 && out[i] && !out[1 - i]
          ? [...placesOn(ring, end, direction), ...cornersBelow(ring, end, direction)]
          : placesOn(ring, end, direction),
      ) as [OnRing[], OnRing[]];
      return starts.flatMap((a) =>
        ends.map((b) => {
          const line = shorterWay(ring, a, b);
          const length =
            a.corner || b.corner ? Math.abs(dot(unit(direction), minus(b.place, a.place))) : between(from, to);
          return { line, off: a.far + b.far + Math.abs(lineLength(line) - length) };
        }),
      );
    })
    .reduce((a, b) => (b.off < a.off ? b : a)).line;
  if (!runsBeside(lineLength(way), between(from, to)))
    refuse(
      'no-edge',
      'run',
      'No edge of the panel runs along this run: turn it so that it lies beside the edge, or move its corners one by one.',
    );
  const straight = simplifyLine(way, FOLLOWS_WITHIN);
  const line = outTo(outTo(straight, to, outline).reverse(), from, outline)
    .reverse()
    .map(([u, v]): Point => [round(u), round(v)]);
  const rest = corners.filter((_, i) => i !== run && i !== (run + 1) % corners.length);
  // The others go on after the run, in their order.
  const after = corners.slice(run + 2);
  const before = rest.slice(0, rest.length - after.length);
  return run + 1 < corners.length ? [...before, ...line, ...after] : [...rest, ...line];
}

/** The line with its end as far out as the end of the run, where that lies beyond the panel: the piece still goes out to the edge there. */
function outTo(line: readonly Point[], end: Point, outline: Ring): Point[] {
  const [before, last] = [line.at(-2)!, line.at(-1)!];
  const way = unit(minus(last, before));
  const beyond = dot(way, minus(end, last));
  const out = plus(last, scaled(way, beyond));
  return beyond > 0 && !inRing(end, outline) && !inRing(out, outline) ? [...line.slice(0, -1), out] : [...line];
}

const round = (mm: number) => Number(mm.toFixed(2));

interface OnRing {
  /** Side of the ring, and the place on it. */
  side: number;
  place: Point;
  far: number;
  /** Short of an end that lies beyond the panel. */
  corner?: true;
}

/** Where on the ring an end of the run may go: to the nearest place, or square to the run. */
function placesOn(ring: Ring, end: Point, run: Point): OnRing[] {
  const at = (side: number, place: Point): OnRing => ({ side, place, far: between(end, place) });
  const sides = ring.map((a, side) => ({ a, b: ring[(side + 1) % ring.length]!, side }));
  const nearest = sides
    .map(({ a, b, side }) => at(side, nearestOnSegment(end, a, b)))
    .reduce((a, b) => (b.far < a.far ? b : a));
  const square = sides
    .flatMap(({ a, b, side }) => {
      const [before, after] = [dot(run, minus(a, end)), dot(run, minus(b, end))];
      return before * after < 0 ? [at(side, along(a, b, before / (before - after)))] : [];
    })
    .sort((a, b) => a.far - b.far);
  return [nearest, ...square.slice(0, 2)];
}

/** What an end beyond the panel weighs against one that lies aside: its run goes on straight there. */
const BEYOND_WEIGHS = 0.1;

/** Where on the ring an end goes that lies beyond the panel: to a corner, as near as may be to the line of the run. */
function cornersBelow(ring: Ring, end: Point, run: Point): OnRing[] {
  const way = unit(run);
  return ring.flatMap((place, side): OnRing[] => {
    if (!isSharp(ring.at(side - 1)!, place, ring[(side + 1) % ring.length]!)) return [];
    const off = minus(place, end);
    return [
      {
        ...{ side, place, corner: true },
        far: Math.abs(cross(way, off)) + BEYOND_WEIGHS * Math.abs(dot(way, off)),
      },
    ];
  });
}

/** Along the ring from one place to the other, by the shorter of the two ways. */
function shorterWay(ring: Ring, from: OnRing, to: OnRing): Point[] {
  const n = ring.length;
  const same = from.side === to.side;
  const ahead = !same || between(ring[from.side]!, from.place) <= between(ring[to.side]!, to.place);
  const steps = same ? (ahead ? 0 : n) : (to.side - from.side + n) % n;
  const forth = [from.place, ...Array.from({ length: steps }, (_, i) => ring[(from.side + 1 + i) % n]!), to.place];
  const backSteps = same ? (ahead ? n : 0) : n - steps;
  const back = [from.place, ...Array.from({ length: backSteps }, (_, i) => ring[(from.side - i + n) % n]!), to.place];
  return lineLength(forth) <= lineLength(back) ? forth : back;
}
