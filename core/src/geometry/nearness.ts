import { toSegment, type Point } from './point.ts';
import { boxOf, type Box } from './ring.ts';

/** Pieces that lie one after the other and share a box. */
const TOGETHER = 8;

interface Stretch extends Box {
  pieces: (readonly [Point, Point])[];
}

/**
 * How far is the nearest of these lines? For asking at thousands of places: stretches whose box is
 * farther off than the nearest piece so far are passed over, and the stretch that was nearest last
 * time is asked first.
 *
 * @param lines open lines, mm; a ring is closed by repeating its first place
 * @param farthest mm; beyond it the answer is Infinity
 * @returns distance in mm from a place; Infinity where there is no line
 */
export function nearness(lines: readonly (readonly Point[])[], farthest = Infinity): (p: Point) => number {
  const stretches = lines.flatMap(stretchesOf);
  let last = 0;
  return (p) => {
    let least = farthest;
    let found = Infinity;
    const ask = (i: number) => {
      const stretch = stretches[i]!;
      if (beyond(p, stretch) > least * least) return;
      for (const piece of stretch.pieces) {
        const here = toSegment(p, piece[0], piece[1]);
        if (here > least) continue;
        least = found = here;
        last = i;
      }
    };
    const first = last;
    if (first < stretches.length) ask(first);
    for (let i = 0; i < stretches.length; i++) if (i !== first) ask(i);
    return found;
  };
}

function stretchesOf(line: readonly Point[]): Stretch[] {
  const ends = line.length === 1 ? [line[0]!, line[0]!] : line;
  const stretches: Stretch[] = [];
  for (let from = 0; from < ends.length - 1; from += TOGETHER) {
    const places = ends.slice(from, from + TOGETHER + 1);
    stretches.push({ ...boxOf(places), pieces: places.slice(1).map((b, i) => [places[i]!, b]) });
  }
  return stretches;
}

/** Square of the distance of a place from a box, mm²; zero inside. */
function beyond(p: Point, box: Box): number {
  const u = Math.max(box.minU - p[0], p[0] - box.maxU, 0);
  const v = Math.max(box.minV - p[1], p[1] - box.maxV, 0);
  return u * u + v * v;
}
