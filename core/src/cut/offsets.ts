import { finite, list } from '../check.ts';
import { between, cross, dot, minus, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { formatLength, parseLength, type LengthUnit } from '../units/index.ts';
import { fromHole } from './holes.ts';
import { inward, LEAST_ANGLE, type Datum } from './datums.ts';

export interface CornerOffsets {
  corner: Point;
  /** Square to each datum edge: mm and as it reads on the tape. */
  offsets: { datum: string; mm: number; text: string }[];
  /** Where the rounded figures put the corner, and how far that is off, mm. */
  replotted: Point;
  error: number;
}

/** Inches are read to a thirty-second here: a sixteenth can miss the millimetre. */
export const OFFSET_DENOMINATOR = 32;

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
  if (isParallel([first, second])) refuse('parallel', 'datums', PARALLEL);
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

const PARALLEL = 'The two datum edges are nearly parallel; choose edges at 30° or more to each other.';
const isParallel = ([first, second]: readonly [Datum, Datum]): boolean =>
  Math.abs(cross(inward(first), inward(second))) < Math.sin((LEAST_ANGLE * Math.PI) / 180);

/** Rounds within which the place is found where a tape is held to a hole; a few are enough. */
const ROUNDS = 40;

/**
 * Where do two tape figures lead, square to two datum edges or from the middle of a hole? mm.
 *
 * @param near where it was before: of the two places at which an arc meets the other figure, the one on that side
 * @throws Problem for edges that are nearly parallel, and for two figures that do not meet
 */
export function placeFrom(figures: readonly [number, number], datums: readonly [Datum, Datum], near?: Point): Point {
  if (!datums.some(({ hole }) => hole)) return onEdges(figures, datums);
  // The arc around a hole is as good as straight near a place: from there the next one is nearer (Newton’s method).
  let place = near ?? datums[0].a;
  for (let round = 0; round < ROUNDS; round++) {
    const turned = datums.map((datum) => towards(datum, place)) as [Datum, Datum];
    if (isParallel(turned)) break;
    const next = onEdges(figures, turned);
    if (between(next, place) < SAME_FIGURE) return next;
    place = next;
  }
  return noMeeting();
}

/** mm. Nearer than that two places are one to a tape. */
const SAME_FIGURE = 0.001;
const noMeeting = () =>
  refuse('no-meeting', 'figures', 'These two figures do not meet anywhere on the panel; read both tapes again.');

/** A datum as it is at this place: one at a hole turns with the way to it. */
function towards(datum: Datum, place: Point): Datum {
  return (datum.hole && fromHole({ name: datum.name, at: datum.hole }, place)) || datum;
}

function onEdges(figures: readonly [number, number], [first, second]: readonly [Datum, Datum]): Point {
  const [n1, n2] = [inward(first), inward(second)];
  const sine = cross(n1, n2);
  if (isParallel([first, second])) refuse('parallel', 'datums', PARALLEL);
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
