import { finite, list } from '../check.ts';
import type { Point } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { BLUNDER, tapeNetwork } from './tapeNetwork.ts';

export interface SquareInput {
  /** ab, bc, cd, da, mm. */
  sides: readonly number[];
  /** ac, bd, mm. */
  diagonals: readonly number[];
  /** Of each tape, mm. */
  sd: number;
}
export interface Square {
  /** ac − bd as taped, mm: nothing where it is square. */
  difference: number;
  /** Angles at a, b, c, d, degrees. */
  corners: number[];
  /** Adjusted − taped: ab, bc, cd, da, ac, bd, mm. */
  residuals: number[];
  /** The six tapes fit one another. */
  closes: boolean;
  /** How far the middle of cd stands beside the middle line of ab, mm; towards the side of b is positive. */
  over: number;
  /** Where a, b, c, d lie by the adjusted lengths, mm: a at nothing, b along u, the others towards positive v. */
  at: [Point, Point, Point, Point];
  /** What brings c and d to equal heights on either side of that line while a and b stay, mm: [from a towards b, away from ab]. */
  moves: { c: Point; d: Point };
}

const NAMES = ['a', 'b', 'c', 'd'] as const;
const TAPES = [
  [0, 1],
  [1, 2],
  [2, 3],
  [3, 0],
  [0, 2],
  [1, 3],
] as const;

/**
 * Is an opening square, and which corner is moved where? Four corners with two diagonals, all six lengths adjusted by
 * least squares. Square means even on either side of the middle of ab, so that an opening may narrow towards cd.
 *
 * @param input sides and diagonals in mm; sd of a tape, mm
 * @throws Problem naming the field; `no-triangle` where lengths cannot meet
 * Source: least squares and data snooping as in tapeNetwork (Ghilani; Baarda 1968).
 * @example square({ sides: [400, 300, 400, 300], diagonals: [500, 500], sd: 1 }).corners.map(Math.round) // → [90, 90, 90, 90]
 */
export function square({ sides, diagonals, sd }: SquareInput): Square {
  const lengths = [
    ...list<number>('sides', sides, 4, 4).map((mm, i) => finite(`sides[${i}]`, mm, { above: 0, max: 1e5, unit: 'mm' })),
    ...list<number>('diagonals', diagonals, 2, 2).map((mm, i) =>
      finite(`diagonals[${i}]`, mm, { above: 0, max: 1e5, unit: 'mm' }),
    ),
  ] as [number, number, number, number, number, number];
  finite('sd', sd, { above: 0, max: 1000, unit: 'mm' });
  const rough = cornersOf(lengths);
  const { points, tapes } = tapeNetwork({
    points: rough.map(([x, y], i) => ({ id: NAMES[i]!, x, y })),
    tapes: TAPES.map(([from, to], i) => ({ from: NAMES[from], to: NAMES[to], length: lengths[i]!, sd })),
  });
  const at = points.map(({ x, y }): Point => [x, y]);
  return {
    difference: lengths[4] - lengths[5],
    corners: at.map((corner, i) => angleAt(corner, at[(i + 3) % 4]!, at[(i + 1) % 4]!)),
    residuals: tapes.map(({ residual }) => residual),
    closes: tapes.every(({ normalised }) => normalised === null || Math.abs(normalised) <= BLUNDER),
    ...trueUp(at as [Point, Point, Point, Point]),
  };
}

/** With a and b as they are: c and d at the same height above ab, as far apart as they are, on either side of its middle. */
function trueUp([a, b, c, d]: readonly [Point, Point, Point, Point]): Pick<Square, 'at' | 'over' | 'moves'> {
  const width = Math.hypot(b[0] - a[0], b[1] - a[1]);
  const along: Point = [(b[0] - a[0]) / width, (b[1] - a[1]) / width];
  const inFrame = (p: Point): Point => {
    const [x, y] = [p[0] - a[0], p[1] - a[1]];
    return [x * along[0] + y * along[1], Math.abs(x * along[1] - y * along[0])];
  };
  const [atC, atD] = [inFrame(c), inFrame(d)];
  const half = Math.hypot(atC[0] - atD[0], atC[1] - atD[1]) / 2;
  const height = (atC[1] + atD[1]) / 2;
  return {
    at: [[0, 0], [width, 0], atC, atD],
    over: (atC[0] + atD[0]) / 2 - width / 2,
    moves: {
      c: [width / 2 + half - atC[0], height - atC[1]],
      d: [width / 2 - half - atD[0], height - atD[1]],
    },
  };
}

/** Rough places: a and c on the diagonal, b and d on either side of it. */
function cornersOf([ab, bc, cd, da, ac]: readonly [number, number, number, number, number, number]): Point[] {
  const beside = (first: number, second: number, which: string): Point => {
    if (first + second <= ac || Math.abs(first - second) >= ac)
      refuse(
        'no-triangle',
        'diagonals[0]',
        `The diagonal ac of ${ac} mm and the sides ${which} cannot meet in a corner; tape them again.`,
      );
    const x = (first * first - second * second + ac * ac) / (2 * ac);
    return [x, Math.sqrt(first * first - x * x)];
  };
  const [b, d] = [beside(ab, bc, 'ab and bc'), beside(da, cd, 'da and cd')];
  return [[0, 0], [b[0], -b[1]], [ac, 0], d];
}

function angleAt(corner: Point, one: Point, other: Point): number {
  const [a, b] = [one, other].map((p) => Math.atan2(p[1] - corner[1], p[0] - corner[0])) as [number, number];
  const turn = Math.abs(a - b) % (2 * Math.PI);
  return ((turn > Math.PI ? 2 * Math.PI - turn : turn) * 180) / Math.PI;
}
