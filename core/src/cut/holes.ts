import { endName, type Hole, type Panel } from '../body/index.ts';
import { between, boxOf, inRing, minus, plus, scaled, unit, type Point, type Ring } from '../geometry/index.ts';
import type { Datum } from './datums.ts';

/** mm. In a wider hole no tape is held to its middle. */
const WIDEST = 80;
/** mm. Nearer to its middle a place is not found by the way to it. */
const NEAREST = 10;

/** A hole that a tape is held to: its middle, and how it is told from its like. */
export interface HoleToMeasureFrom {
  name: string;
  at: Point;
}

/**
 * Which holes of the panel can be measured from? Those that stay in when the piece comes out, small enough that a tape
 * is held to their middle; of several of one name each says which it is.
 *
 * @example holesOn(panelOf(bodyPlan('saloon'), 'sill-l')).map(({ name }) => name) // → ["middle of sill drain 1 from the front end", "middle of sill drain 2 from the front end", "middle of sill drain 3 from the front end"]
 */
export function holesOn(panel: Panel, piece: Ring = []): HoleToMeasureFrom[] {
  const holes = panel.holes.filter(({ kind, outline }) => kind !== 'opening' && widthOf(outline) <= WIDEST);
  const toFront: Point = endName(panel, [1, 0]).startsWith('front') ? [1, 0] : [-1, 0];
  const place = ({ outline }: Hole) => middleOf(outline);
  const fromFront = holes.toSorted((a, b) => toFront[0] * (place(b)[0] - place(a)[0]) || place(a)[1] - place(b)[1]);
  return holes
    .map((hole) => {
      const alike = fromFront.filter(({ name }) => name === hole.name);
      const which = alike.length > 1 ? ` ${alike.indexOf(hole) + 1} from the ${endName(panel, toFront)}` : '';
      return { name: `middle of ${hole.name.toLowerCase()}${which}`, at: place(hole) };
    })
    .filter(({ at }) => !inRing(at, piece));
}

/** A hole as what a place is measured from: the tape is held to its middle and runs straight to the place. */
export function fromHole({ name, at }: HoleToMeasureFrom, place: Point): Datum | undefined {
  if (between(at, place) < NEAREST) return undefined;
  const way = unit(minus(place, at));
  // The place lies on its left, square to it.
  return { name, a: at, b: plus(at, scaled([way[1], -way[0]], NEAREST)), hole: at };
}

function widthOf(outline: Ring): number {
  const { minU, minV, maxU, maxV } = boxOf(outline);
  return Math.max(maxU - minU, maxV - minV);
}
function middleOf(outline: Ring): Point {
  const { minU, minV, maxU, maxV } = boxOf(outline);
  return [(minU + maxU) / 2, (minV + maxV) / 2];
}
