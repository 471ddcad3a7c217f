import { sheetOf, type Panel } from '../body/index.ts';
import { cross, type Point, type Ring } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { fromHole, holesOn, type HoleToMeasureFrom } from './holes.ts';
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
  /** Names of what the person measures from, edges and holes; what he has not named is chosen. */
  from?: readonly string[];
}

export type Pair = [Datum, Datum];

/**
 * From which two edges is each corner best measured? Such that the tape runs over metal and within
 * arm's length, square to them; the same two for all corners wherever they serve, so that the card reads easily.
 * Where no two edges serve, along a lip or from the middle of a hole.
 *
 * @throws Problem where the panel has no two edges at 30° or more to each other
 */
export function chooseDatums(measuring: Measuring, corners: readonly Point[]): Pair[] {
  const { panel, piece, reach = ARMS_LENGTH, from = [] } = measuring;
  const sheet = sheetOf(panel);
  // Where too little that is straight is left beside the piece, it is measured while the piece is still in; a panel
  // that is small or round all over is measured from what it has.
  const [edges, square] = [() => datumsOn(panel, piece), () => datumsOn(panel), () => datumsOn(panel, [], SMALLEST)]
    .map((datums) => datums())
    .map((datums) => [datums, pairsOf(datums)] as const)
    .find(([, some]) => some.length > 0) ?? [[], []];
  const named = square.filter(isNamed(from));
  const pairs = named.length > 0 ? named : square;
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
  const holes = holesOn(panel, piece);
  const askedHole = holes.some(({ name }) => from.includes(name));
  return corners.map((corner, i) => {
    const ownCost = ({ pair: [first, second], sine }: SquarePair) =>
      (awkwardness(sheet, first, corner, reach) + awkwardness(sheet, second, corner, reach)) / sine;
    const held = askedHole ? heldToHoles(holes, edges, corner).filter(isNamed(from)) : [];
    if (held.length > 0) return cheapest(held, ownCost).pair;
    const serves = (pair: Pair) => pair.every((datum) => !tapeTrouble(sheet, datum, corner, reach));
    if (serves(shared.pair)) return shared.pair;
    const own = cheapest(pairs, (pair) => costAt(pair, i));
    if (serves(own.pair) || from.length > 0) return own.pair;
    // Where no two edges serve, the tape runs along a lip of the panel, and from there square in; or it is held to a hole.
    const lips = alongLips(panel, corner, piece).map((pair) => ({ pair, sine: 1 }));
    return cheapest([own, ...lips, ...heldToHoles(holes, edges, corner)], ownCost).pair;
  });
}

interface SquarePair {
  pair: Pair;
  sine: number;
}

const LEAST_SINE = Math.sin((LEAST_ANGLE * Math.PI) / 180) + 1e-6;
const isNamed =
  (from: readonly string[]) =>
  ({ pair }: SquarePair): boolean =>
    from.every((name) => pair.some((datum) => datum.name === name));
/** These two, where they fix a corner together. */
const squared = (first: Datum, second: Datum): SquarePair[] => {
  const sine = Math.abs(cross(inward(first), inward(second)));
  return sine > LEAST_SINE ? [{ pair: [first, second], sine }] : [];
};

/** Every two that fix a corner together. */
const pairsOf = (all: readonly Datum[]): SquarePair[] =>
  all.flatMap((first, i) => all.slice(i + 1).flatMap((second) => squared(first, second)));

/** A corner by the way to the middle of a hole, and by an edge or another hole. */
function heldToHoles(holes: readonly HoleToMeasureFrom[], edges: readonly Datum[], corner: Point): SquarePair[] {
  const held = holes.flatMap((hole) => fromHole(hole, corner) ?? []);
  return [...pairsOf(held), ...held.flatMap((hole) => edges.flatMap((edge) => squared(edge, hole)))];
}
