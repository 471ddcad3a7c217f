import { between, lineLength, type Point, type Ring } from '../geometry/index.ts';
import { crossingsOf } from '../cut/index.ts';
import type { PieceJoint } from '../repair/index.ts';
import { asLine, type PartingLine } from './parting.ts';

/** mm. A crossing at the very edge of the piece parts nothing. */
const LEAST = 1;

/**
 * Where are the sections of a piece joined again that went in parted? Along each line from edge to edge of the
 * piece; where an opening lies between, in several stretches.
 *
 * @param piece outline, mm
 * @param lines along which it was parted, mm from its left and lower edges; one beyond the piece parts nothing
 * @param used which of them, from 0; all where it is left out
 * @returns joints in mm, named by the letter of their line
 * @example partingSeams([[0, 0], [400, 0], [400, 300], [0, 300]], [{ across: true, at: 150 }]).map(({ kind, name, length }) => [kind, name, length]) // → [["seam", "between the sections at A", 300]]
 */
export function partingSeams(
  piece: Ring,
  lines: readonly PartingLine[],
  used: readonly number[] = lines.map((_, i) => i),
): PieceJoint[] {
  return used.flatMap((i) => {
    const parting = lines[i];
    const crossings = parting ? crossingsOf(piece, asLine(piece, parting)) : [];
    return stretchesAlong(crossings.map(({ at }) => at)).map((line): PieceJoint => ({
      kind: 'seam',
      name: `between the sections at ${letterOf(i)}`,
      line,
      length: lineLength(line),
      fasteners: 0,
    }));
  });
}

/** A, B, C … as the lines are listed. */
export const letterOf = (i: number): string => String.fromCharCode(65 + i);

/** Between each second pair of places along a line it runs through the piece, mm. */
export function stretchesAlong(places: readonly Point[]): [Point, Point][] {
  const along = [...places].sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const out: [Point, Point][] = [];
  for (let i = 0; i + 1 < along.length; i += 2)
    if (between(along[i]!, along[i + 1]!) > LEAST) out.push([along[i]!, along[i + 1]!]);
  return out;
}
