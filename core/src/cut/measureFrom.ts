import { sheetOf, type Panel } from '../body/index.ts';
import { cross, type Point, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { alongLips } from './lips.ts';
import { ARMS_LENGTH, awkwardness, datumsOn, inward, LEAST_ANGLE, tapeTrouble, type Datum } from './datums.ts';

/** mm. What a part that is small or round all over is measured from. */
const SMALLEST = 2;

export interface Measuring {
  panel: Panel;
  /** The piece that comes out: what lies in it is not measured from. */
  piece?: Ring;
  /** mm that one arm reaches. */
  reach?: number;
  /** Names of what the person measures from; what he has not named is chosen. */
  from?: readonly string[];
}

export type Pair = [Datum, Datum];

/**
 * From which two edges is each corner best measured? Such that the tape runs over metal and within
 * arm's length, square to them; the same two for all corners wherever they serve, so that the card reads easily.
 *
 * @throws Problem where the panel has no two edges at 30° or more to each other
 */
export function chooseDatums(measuring: Measuring, corners: readonly Point[]): Pair[] {
  const { panel, piece, reach = ARMS_LENGTH, from = [] } = measuring;
  const sheet = sheetOf(panel);
  // Where too little that is straight is left beside the piece, it is measured while the piece is still in; a panel
  // that is small or round all over is measured from what it has.
  const pairs =
    [() => datumsOn(panel, piece), () => datumsOn(panel), () => datumsOn(panel, [], SMALLEST)]
      .map((datums) => pairsOf(datums(), from))
      .find((some) => some.length > 0) ?? [];
  if (pairs.length === 0)
    refuse('parallel', 'outline', 'The panel has no two edges at 30° or more to each other to measure from.');
  // A datum serves in many pairs: what it is worth at a corner is worked out once.
  const worth = new Map<Datum, number[]>();
  const awkward = (datum: Datum) => {
    const known = worth.get(datum) ?? corners.map((corner) => awkwardness(sheet, datum, corner, reach));
    worth.set(datum, known);
    return known;
  };
  const costAt = ({ pair: [first, second], sine }: SquarePair, i: number) =>
    (awkward(first)[i]! + awkward(second)[i]!) / sine;
  const cheapest = (some: readonly SquarePair[], cost: (pair: SquarePair) => number) =>
    some.reduce((best, pair) => (cost(pair) < cost(best) ? pair : best));
  const shared = cheapest(pairs, (pair) => corners.reduce((sum, _, i) => sum + costAt(pair, i), 0));
  return corners.map((corner, i) => {
    const serves = (pair: Pair) => pair.every((datum) => !tapeTrouble(sheet, datum, corner, reach));
    if (serves(shared.pair)) return shared.pair;
    const own = cheapest(pairs, (pair) => costAt(pair, i));
    if (serves(own.pair) || from.length > 0) return own.pair;
    // Where no two edges serve, the tape runs along a lip of the panel, and from there square in.
    const lips = alongLips(panel, corner, piece).map((pair) => ({ pair, sine: 1 }));
    return cheapest(
      [own, ...lips],
      ({ pair: [first, second], sine }) =>
        (awkwardness(sheet, first, corner, reach) + awkwardness(sheet, second, corner, reach)) / sine,
    ).pair;
  });
}

interface SquarePair {
  pair: Pair;
  sine: number;
}

/** Every two that fix a corner together, of those that the person named where he named any. */
function pairsOf(all: readonly Datum[], from: readonly string[]): SquarePair[] {
  const sine = Math.sin((LEAST_ANGLE * Math.PI) / 180) + 1e-6;
  const pairs = all.flatMap((first, i) =>
    all
      .slice(i + 1)
      .map((second) => ({ pair: [first, second] as Pair, sine: Math.abs(cross(inward(first), inward(second))) })),
  );
  const square = pairs.filter((pair) => pair.sine > sine);
  const named = square.filter(({ pair }) => from.every((name) => pair.some((datum) => datum.name === name)));
  return named.length > 0 ? named : square;
}
