import { between, toSegment, type Point, type Ring } from './point.ts';

/** Drops corners of an open line that stray less than `by` mm from the chord (Douglas & Peucker 1973). */
export function simplifyLine(line: readonly Point[], by: number): Point[] {
  if (line.length <= 2) return [...line];
  const first = line[0]!;
  const last = line[line.length - 1]!;
  let farthest = 0;
  let most = -1;
  for (let i = 1; i < line.length - 1; i++) {
    const stray = toSegment(line[i]!, first, last);
    if (stray > most) [most, farthest] = [stray, i];
  }
  if (most <= by) return [first, last];
  return [...simplifyLine(line.slice(0, farthest + 1), by).slice(0, -1), ...simplifyLine(line.slice(farthest), by)];
}

/** simplifyLine for a closed ring: it is opened at the two corners that lie farthest apart from the first. */
export function simplifyRing(ring: Ring, by: number): Ring {
  if (ring.length <= 4) return ring;
  let far = 1;
  for (let i = 1; i < ring.length; i++) if (between(ring[0]!, ring[i]!) > between(ring[0]!, ring[far]!)) far = i;
  const there = simplifyLine(ring.slice(0, far + 1), by);
  const back = simplifyLine([...ring.slice(far), ring[0]!], by);
  const simple = [...there.slice(0, -1), ...back.slice(0, -1)];
  return simple.length >= 3 ? simple : ring;
}
