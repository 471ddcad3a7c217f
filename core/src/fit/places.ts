import { between, inRing, lineLength, type Point, type Ring } from '../geometry/index.ts';
import type { ClosedJoint, Closing } from '../repair/index.ts';

/** A place on a joint where its gap is read. */
export interface FitPlace {
  /** Keeps its name as long as the joint lies where it does. */
  id: string;
  joint: number;
  /** mm along the joint from where its line begins. */
  along: number;
  at: Point;
  /** Which way the edge of the piece looks, out of the piece. */
  normal: Point;
}

/** mm. A joint shorter than that is read in its middle only; common practice, no published source. */
const SHORT = 120;
/** mm from its ends: a corner says little of the joint. */
const OFF_END = 20;
/** mm between places: as far as one looks along an edge at once. */
const APART = 400;
/** mm beside the line, to see on which side the piece lies. */
const ASIDE = 1;

/** How a joint that is closed so is read: a gap that is seen, or sheets that lie on each other. */
export const isOpen = (closing: Closing): boolean => closing === 'butt';

/**
 * Where are the gaps of these joints read? At both ends and at places between, or in the middle of a short one.
 *
 * @param joints of a piece, mm; piece its outline
 */
export function fitPlaces(joints: readonly Pick<ClosedJoint, 'line' | 'closing'>[], piece: Ring): FitPlace[] {
  return joints.flatMap(({ line, closing }, joint) => {
    const length = lineLength(line);
    if (closing === 'make' || length < 1) return [];
    const alongs = between(line[0]!, line.at(-1)!) < 1 ? round(length) : fromEndToEnd(length);
    return alongs.map((along, i): FitPlace => ({ id: `${joint}:${i}`, joint, along, ...placeOn(line, along, piece) }));
  });
}

/** Round a piece that lies within the sheet: on each of its sides at two places, so that a turn shows. */
const round = (length: number): number[] => {
  const count = Math.max(8, Math.ceil(length / APART));
  return Array.from({ length: count }, (_, i) => ((i + 0.5) * length) / count);
};

const fromEndToEnd = (length: number): number[] => {
  if (length < SHORT) return [length / 2];
  const spans = Math.max(2, Math.ceil((length - 2 * OFF_END) / APART));
  return Array.from({ length: spans + 1 }, (_, i) => OFF_END + ((length - 2 * OFF_END) * i) / spans);
};

function placeOn(line: readonly Point[], along: number, piece: Ring): { at: Point; normal: Point } {
  let passed = 0;
  for (let i = 0; i + 1 < line.length; i++) {
    const [a, b] = [line[i]!, line[i + 1]!];
    const step = between(a, b);
    if (passed + step >= along || i + 2 === line.length) {
      const share = step > 0 ? Math.min(1, (along - passed) / step) : 0;
      const at: Point = [a[0] + share * (b[0] - a[0]), a[1] + share * (b[1] - a[1])];
      const out: Point = [(b[1] - a[1]) / (step || 1), -(b[0] - a[0]) / (step || 1)];
      const isInside = inRing([at[0] + ASIDE * out[0], at[1] + ASIDE * out[1]], piece);
      return { at, normal: isInside ? [-out[0], -out[1]] : out };
    }
    passed += step;
  }
  return { at: line[0]!, normal: [1, 0] };
}
