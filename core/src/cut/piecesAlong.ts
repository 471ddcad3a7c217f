import { along, between, type Point } from '../geometry/index.ts';

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
