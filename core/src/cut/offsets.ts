import { finite, list } from '../check.ts';
import {
  between,
  cross,
  dot,
  minus,
  plus,
  scaled,
  simplifyRing,
  unit,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { REPLOT } from '../tolerances.ts';
import { formatLength, parseLength, type LengthUnit } from '../units/index.ts';

/** A straight edge to measure from; the panel lies on its left when one goes from a to b. */
export interface Datum {
  name: string;
  a: Point;
  b: Point;
}

export interface CornerOffsets {
  corner: Point;
  /** Square to each datum edge: mm and as it reads on the tape. */
  offsets: { datum: string; mm: number; text: string }[];
  /** Where the rounded figures put the corner, and how far that is off, mm. */
  replotted: Point;
  error: number;
}

/** Degrees. Offsets from edges that are more nearly parallel do not fix a corner. */
const LEAST_ANGLE = 30;
/** Inches are read to a thirty-second here: a sixteenth can miss the millimetre. */
const OFFSET_DENOMINATOR = 32;

/**
 * Which two tape figures mark each corner? Offsets square to two straight datum edges.
 *
 * @param line corners in mm
 * @param datums two edges at 30° or more to each other
 * @param unit the person's unit
 * @returns per corner the figures, rounded to what can be read, and where they lead
 *   (within 1 mm); and the run lengths. On the other side of the car the same figures hold
 *   from the mirrored edges
 * @throws Problem naming the field
 */
export function cutOffsets({
  line,
  datums,
  unit: reading = 'mm',
}: {
  line: readonly Point[];
  datums: readonly Datum[];
  unit?: LengthUnit;
}): { corners: CornerOffsets[]; runs: { mm: number; text: string }[] } {
  const corners = list<Point>('line', line, 1, 500).map((p, i): Point => [
    finite(`line[${i}][0]`, p?.[0], { unit: 'mm' }),
    finite(`line[${i}][1]`, p?.[1], { unit: 'mm' }),
  ]);
  const [first, second] = list<Datum>('datums', datums, 2, 2) as [Datum, Datum];
  for (const [i, datum] of [first, second].entries()) {
    if (!(between(datum.a, datum.b) > 1))
      refuse('no-length', `datums[${i}]`, 'A datum edge needs two places more than 1 mm apart.');
  }
  const [n1, n2] = [inward(first), inward(second)];
  const sine = cross(n1, n2);
  if (Math.abs(sine) < Math.sin((LEAST_ANGLE * Math.PI) / 180))
    refuse('parallel', 'datums', 'The two datum edges are nearly parallel; choose edges at 30° or more to each other.');
  const write = (mm: number) => formatLength({ mm, unit: reading, denominator: OFFSET_DENOMINATOR }).text;
  const read = (text: string) =>
    (text.startsWith('-') ? -1 : 1) * parseLength({ text: text.replace('-', ''), unit: reading }).mm;
  return {
    corners: corners.map((corner) => {
      const measured = [dot(n1, minus(corner, first.a)), dot(n2, minus(corner, second.a))] as const;
      const texts = measured.map(write) as [string, string];
      const replotted = fromOffsets([read(texts[0]), read(texts[1])], first, second, n1, n2, sine);
      return {
        corner,
        offsets: [first, second].map((datum, i) => ({ datum: datum.name, mm: measured[i]!, text: texts[i]! })),
        replotted,
        error: between(corner, replotted),
      };
    }),
    runs: corners.map((corner, i) => {
      const mm = between(corner, corners[(i + 1) % corners.length]!);
      return { mm, text: write(mm) };
    }),
  };
}

/** Unit vector from the datum edge onto the panel. */
function inward(datum: Datum): Point {
  const d = unit(minus(datum.b, datum.a));
  return [-d[1], d[0]];
}

/** Where do two tape figures lead, square to two datum edges? mm. @throws Problem for edges that are nearly parallel */
export function placeFrom(figures: readonly [number, number], [first, second]: readonly [Datum, Datum]): Point {
  const [n1, n2] = [inward(first), inward(second)];
  const sine = cross(n1, n2);
  if (Math.abs(sine) < Math.sin((LEAST_ANGLE * Math.PI) / 180))
    refuse('parallel', 'datums', 'The two datum edges are nearly parallel; choose edges at 30° or more to each other.');
  return fromOffsets(figures, first, second, n1, n2, sine);
}

function fromOffsets(
  [o1, o2]: readonly [number, number],
  first: Datum,
  second: Datum,
  n1: Point,
  n2: Point,
  sine: number,
): Point {
  const c1 = o1 + dot(n1, first.a);
  const c2 = o2 + dot(n2, second.a);
  return [(c1 * n2[1] - c2 * n1[1]) / sine, (n1[0] * c2 - n2[0] * c1) / sine];
}

/** mm. A stretch of edge along which a straight edge can be laid: it strays no more from it than this. */
const STRAIGHT_WITHIN = 3 * REPLOT;
/** mm. Shorter stretches do not carry a straight edge. */
const SHORTEST_DATUM = 60;

/**
 * From which two edges of a panel can these corners best be measured? Edges along which a
 * straight edge can be laid, so placed that the tape starts on them; near and long ones
 * are preferred, and the second is as square to the first as the panel allows.
 */
export function chooseDatums(
  outline: Ring,
  nameOf: (outward: Point) => string,
  corners: readonly Point[] = [],
): [Datum, Datum] {
  const thinned = simplifyRing(outline, STRAIGHT_WITHIN);
  const sides = thinned
    .map((a, i): Datum => ({ a, b: thinned[(i + 1) % thinned.length]!, name: '' }))
    .sort((x, y) => between(y.a, y.b) - between(x.a, x.b));
  const least = Math.sin((LEAST_ANGLE * Math.PI) / 180) + 1e-6;
  const pairsOf = (edges: readonly Datum[]) =>
    edges
      .flatMap((first, i) =>
        edges.slice(i + 1).map((second) => ({ first, second, sine: Math.abs(cross(inward(first), inward(second))) })),
      )
      .filter(({ sine }) => sine > least);
  const long = pairsOf(sides.filter((side) => between(side.a, side.b) >= SHORTEST_DATUM));
  const square = long.length > 0 ? long : pairsOf(sides);
  if (square.length === 0)
    refuse('parallel', 'outline', 'The panel has no two edges at 30° or more to each other to measure from.');
  const cost = ({ first, second, sine }: (typeof square)[number]) =>
    (awkwardness(first, corners) + awkwardness(second, corners)) / sine;
  const best = square.reduce((x, y) => (cost(y) < cost(x) ? y : x));
  const named = (edge: Datum): Datum => ({ ...edge, name: nameOf(scaled(inward(edge), -1)) });
  return [named(best.first), named(best.second)];
}

/** How badly corners are measured from an edge: tapes that start beyond its ends or behind it, long tapes, a short edge. */
function awkwardness(edge: Datum, corners: readonly Point[]): number {
  const length = between(edge.a, edge.b);
  const d = unit(minus(edge.b, edge.a));
  const n = inward(edge);
  const each = corners.map((corner) => {
    const run = dot(d, minus(corner, edge.a));
    const away = dot(n, minus(corner, edge.a));
    return 8 * Math.max(0, -run, run - length) + 8 * Math.max(0, -away) + 0.3 * Math.abs(away);
  });
  return 20 + 20_000 / length + each.reduce((sum, x) => sum + x, 0) / Math.max(1, corners.length);
}

/** The place that two offsets mark: for drawing tapes from the datum edges to a corner. */
export function footOn(datum: Datum, corner: Point): Point {
  const n = inward(datum);
  return plus(corner, scaled(n, -dot(n, minus(corner, datum.a))));
}
