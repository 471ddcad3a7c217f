import { between, simplifyRing, toRing, type Point, type Polygon, type Ring } from '../geometry/index.ts';
import { middle } from './outline.ts';
import type { Followed } from './snap.ts';

export interface CutRun {
  from: Point;
  to: Point;
  length: number;
  follows: 'free' | 'edge' | 'crease';
  name: string;
  /** Why it lies there. */
  why: string;
  /** False where the run is the edge of the panel itself: nothing is cut or welded there. */
  cut: boolean;
}

export const WHY = {
  free: 'The shortest straight run around the damage and its margin.',
  around: 'Farther out than the margin asks for: what lies between is dear to cut, or too thin to weld to.',
  crease: 'Beside a crease the sheet is stiff: it moves less and is easier to dress.',
  edge: 'A strip left at the edge would be too narrow to weld: the piece goes out to the edge.',
  hand: 'As it was laid by hand.',
  trim: (name: string) => `Under the ${name}: nobody sees it, rough dressing is enough.`,
} as const;

/** mm. A sharp outline is thinned by so little that no corner of it is lost. */
const THINNED = 0.2;

/**
 * Sides of the sharp outline, those along one edge or one run joined.
 *
 * @param sharp corners of the piece on the sheet, mm
 * @param followedAt what the run that passes a place follows
 */
export function runsOf(
  sharp: Ring,
  sheet: Polygon,
  followedAt: (place: Point) => Pick<Followed, 'follows' | 'name'>,
  whyFree: string,
): CutRun[] {
  const ring = simplifyRing(sharp, THINNED);
  const sides = ring.map((from, i) => {
    const to = ring[(i + 1) % ring.length]!;
    const cut = !edgeLike(from, to, sheet);
    const own = cut ? followedAt(middle(from, to)) : undefined;
    return {
      from,
      to,
      length: between(from, to),
      cut,
      follows: own ? own.follows : ('edge' as const),
      name: own ? own.name : 'edge of the panel',
      why: own ? (own.follows === 'free' ? whyFree : WHY[own.follows]) : WHY.edge,
    };
  });
  // Start at a change from edge to cut so that no stretch of edge is split over the ends of the list.
  const start = sides.findIndex((side, i) => side.cut && !sides[(i + sides.length - 1) % sides.length]!.cut);
  const turned = start > 0 ? [...sides.slice(start), ...sides.slice(0, start)] : sides;
  return turned.reduce<CutRun[]>((joined, side) => {
    const last = joined.at(-1);
    if (!last || side.cut || last.cut) return [...joined, side];
    return [...joined.slice(0, -1), { ...last, to: side.to, length: last.length + side.length }];
  }, []);
}

/** mm. A side of the thinned outline counts as edge where its middle is near the edge: thinning moves it a little. */
const NEAR_EDGE = 3 * THINNED;
function edgeLike(a: Point, b: Point, sheet: Polygon): boolean {
  const near = (p: Point) => sheet.some((ring) => toRing(p, ring) < NEAR_EDGE);
  return near(a) && near(b) && near(middle(a, b));
}
