import { finite, list } from '../check.ts';
import {
  along,
  anticlockwise,
  area,
  between,
  clip,
  firstCrossing,
  offset,
  simpleRing,
  toSegment,
  type Point,
  type Ring,
} from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { SAME_PLACE } from '../tolerances.ts';
import { roundCorners } from './enclose.ts';
import { groundOf, type CutTask, type Ground } from './ground.ts';
import { lineFrom, type CutLine } from './laid.ts';
import { WHY } from './runs.ts';
import type { Followed } from './snap.ts';

/** Most corners of a line that a person lays: enough to follow a wheel arch. */
const MOST_CORNERS = 80;

/**
 * Where does the saw go when the person says where? The corners are his; lengths, margin, thin
 * metal, drains, joints and cost follow as for a line that was found. Where a corner lies beyond the
 * edge of the panel, the piece goes out to the edge.
 *
 * @param corners of the line, mm, in order; 3 to 80. They are rounded by the rules of the shop unless `sharp`
 * @throws Problem naming the field: a line that crosses itself, corners on one another, a line beside the panel or the damage
 * Source: common practice, no published source.
 * @example lineByHand({ panel: { outline: [[0, 0], [600, 0], [600, 400], [0, 400]] }, damage: [[[100, 100], [160, 100], [160, 150], [100, 150]]], margin: 20, corners: [[70, 70], [190, 70], [190, 180], [70, 180]] }).cutLength.toFixed(0) // → '434'
 */
export function lineByHand({
  corners,
  sharp = false,
  ...task
}: CutTask & { corners: readonly (readonly number[])[]; sharp?: boolean }): CutLine {
  const ground = groundOf(task);
  const places = list<readonly number[]>('corners', corners, 3, MOST_CORNERS).map((corner, i): Point => [
    finite(`corners[${i}][0]`, corner?.[0], { unit: 'mm' }),
    finite(`corners[${i}][1]`, corner[1], { unit: 'mm' }),
  ]);
  places.forEach((corner, i, all) => {
    if (between(corner, all[(i + 1) % all.length]!) < SAME_PLACE)
      refuse(
        'corners-meet',
        `corners[${i}]`,
        `Corners ${i + 1} and ${((i + 1) % all.length) + 1} lie on one another; take one of them away.`,
      );
  });
  const crossing = firstCrossing(places);
  if (crossing)
    refuse(
      'crossing-line',
      'corners',
      `The line crosses itself: run ${crossing[0] + 1} meets run ${crossing[1] + 1}. Move a corner so that they no longer cross.`,
    );
  const laid = anticlockwise(simpleRing('corners', places));
  const taken = ground.damage.reduce((sum, polygon) => sum + clip('intersection', [laid], polygon).area, 0);
  if (taken === 0)
    refuse('misses-damage', 'corners', 'This line takes out none of the damage; lay it around the damage.');
  return {
    ...lineFrom(ground, {
      laid,
      rounded: (inset) => roundedWithin(laid, inset, sharp ? 0 : ground.rules.cornerRadius),
      followedAt: (place) => followed(place, laid, ground),
      whyFree: WHY.hand,
    }),
    leastCost: null,
    alternatives: [],
  };
}

/** The ring moved in, its corners sharp where they were, then rounded. */
function roundedWithin(laid: Ring, inset: number, radius: number): Ring {
  const inner =
    inset === 0
      ? laid
      : offset([[laid]], -inset, 'miter').polygons.reduce<Ring>(
          (most, polygon) => (most.length === 0 || area(polygon) > area([most]) ? polygon[0]! : most),
          [],
        );
  // Of a piece that is narrower than the blade nothing is left: it is marked as it is.
  const ring = inner.length > 2 ? inner : laid;
  return radius === 0 ? ring : roundCorners(ring, Math.max(1, radius - inset));
}

/** mm. A run that is laid so near to a crease, all along, follows it. */
const BESIDE = 12;
/** What the side of the line that passes a place follows. */
function followed(place: Point, laid: Ring, { panel }: Ground): Pick<Followed, 'follows' | 'name'> {
  const sides = laid.map((a, i) => [a, laid[(i + 1) % laid.length]!] as const);
  const [a, b] = sides.reduce((x, y) => (toSegment(place, ...y) < toSegment(place, ...x) ? y : x));
  const crease = (panel.creases ?? []).find(({ line }) =>
    [a, along(a, b, 0.5), b].every((p) => line.slice(1).some((q, i) => toSegment(p, line[i]!, q) <= BESIDE)),
  );
  return crease ? { follows: 'crease', name: crease.name } : { follows: 'free', name: 'laid by hand' };
}
