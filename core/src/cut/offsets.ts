import { finite, list } from '../check.ts';
import { between, cross, dot, minus, type Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { formatLength, parseLength, type LengthUnit } from '../units/index.ts';
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
