import { along, between, type Point, type Ring } from './point.ts';
import { inRing } from './ring.ts';

/** mm. So long is a piece of a line at most of which its middle speaks. */
export const PIECE = 10;

/** A line in short pieces: the middle of each and its length, mm. */
export function piecesAlong(line: readonly Point[]): { at: Point; length: number }[] {
  return line.slice(1).flatMap((q, i) => {
    const p = line[i]!;
    const length = between(p, q);
    const parts = Math.max(1, Math.ceil(length / PIECE));
    return Array.from({ length: parts }, (_, k) => ({ at: along(p, q, (k + 0.5) / parts), length: length / parts }));
  });
}

/** How much of a line lies within these rings, mm, to a piece of it. */
export const lengthWithin = (line: readonly Point[], rings: readonly Ring[]): number =>
  rings.length === 0
    ? 0
    : piecesAlong(line)
        .filter(({ at }) => rings.some((ring) => inRing(at, ring)))
        .reduce((sum, { length }) => sum + length, 0);
