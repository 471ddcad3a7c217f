import { edgeName, type Panel } from '../body/index.ts';
import type { LengthUnit } from '../units/index.ts';
import type { CutLine } from './laid.ts';
import { chooseDatums, cutOffsets, type CornerOffsets, type Datum } from './offsets.ts';

/** What is read off a tape for a line: two edges to measure from, two figures for each corner, and the way to the next one. */
export interface Tapes {
  datums: [Datum, Datum];
  corners: CornerOffsets[];
  runs: { mm: number; text: string }[];
}

/** How is this line marked on this panel? In the person's unit. @throws Problem where the panel has no two edges to measure from */
export function tapesFor({ panel, line, unit }: { panel: Panel; line: CutLine; unit: LengthUnit }): Tapes {
  const datums = chooseDatums(panel.outline, (outward) => edgeName(panel, outward), line.corners);
  return { datums, ...cutOffsets({ line: line.corners, datums, unit }) };
}
