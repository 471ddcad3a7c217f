import { finite } from '../check.ts';
import {
  along,
  between,
  dot,
  lineLength,
  minus,
  nearestOnSegment,
  offset,
  simplifyLine,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';

/** mm. A run that follows a curved edge is made of straight pieces which stray from it by no more: a felt-pen line. */
const FOLLOWS_WITHIN = 1;
/** mm. So far beyond an edge a run is laid that goes out to it: enough to clear it, not so far that it crosses an opening behind. */
export const OUT_TO_EDGE = 30;
/** mm. Farther in than that no edge is followed. */
export const FARTHEST_BESIDE = 1000;

/** An edge lies beside a run when its stretch there is between half as long and twice as long. */
const LEAST_BESIDE = 0.5;

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
  finite('at', at, { min: 0, max: FARTHEST_BESIDE, unit: 'mm' });
  const [from, to] = [corners[run], corners[(run + 1) % corners.length]];
  if (!from || !to) return refuse('no-run', 'run', 'The line has no such run.');
  const inward = at === 0 ? -OUT_TO_EDGE : at;
  const parallel = offset([[outline]], -inward, 'miter').polygons.map(([ring]) => ring!);
  if (parallel.length === 0)
    refuse('too-far', 'at', 'Nowhere on this panel is it so far from an edge; choose a smaller distance.');
  const way = parallel
    .flatMap((ring) => {
      const ends = [from, to].map((end) => placesOn(ring, end, minus(to, from)));
      return ends[0]!.flatMap((a) => ends[1]!.map((b) => ({ line: shorterWay(ring, a, b), far: a.far + b.far })));
    })
    .map(({ line, far }) => ({ line, off: far + Math.abs(lineLength(line) - between(from, to)) }))
    .reduce((a, b) => (b.off < a.off ? b : a)).line;
  const share = lineLength(way) / between(from, to);
  if (!(share > LEAST_BESIDE && share < 1 / LEAST_BESIDE))
    refuse(
      'no-edge',
      'run',
      'No edge of the panel runs along this run: turn it so that it lies beside the edge, or move its corners one by one.',
    );
  const line = simplifyLine(way, FOLLOWS_WITHIN).map(([u, v]): Point => [round(u), round(v)]);
  const rest = corners.filter((_, i) => i !== run && i !== (run + 1) % corners.length);
  // The others go on after the run, in their order.
  const after = corners.slice(run + 2);
  const before = rest.slice(0, rest.length - after.length);
  return run + 1 < corners.length ? [...before, ...line, ...after] : [...rest, ...line];
}

const round = (mm: number) => Number(mm.toFixed(2));

interface OnRing {
  /** Side of the ring, and the place on it. */
  side: number;
  place: Point;
  far: number;
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
