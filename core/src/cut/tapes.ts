import { sheetOf } from '../body/index.ts';
import { between, type Point } from '../geometry/index.ts';
import { formatLength, type LengthUnit } from '../units/index.ts';
import { tapeTrouble, type TapeTrouble } from './datums.ts';
import { chooseDatums, type Measuring, type Pair } from './measureFrom.ts';
import type { CutLine } from './laid.ts';
import { cutOffsets, OFFSET_DENOMINATOR, type CornerOffsets } from './offsets.ts';

/** A corner with the two edges that it is measured from, and what keeps either tape from being laid. */
export interface TapedCorner extends CornerOffsets {
  datums: Pair;
  troubles: (TapeTrouble | null)[];
}

/** What is read off a tape for a line: two figures for each corner, and the way to the next one. */
export interface Tapes {
  corners: TapedCorner[];
  runs: { mm: number; text: string }[];
}

type Reading = Omit<Measuring, 'piece'> & { unit: LengthUnit };

/** How is this line marked on this panel? In the person's unit. @throws Problem where the panel has no two edges to measure from */
export function tapesFor({ line, unit, ...measuring }: Reading & { line: CutLine }): Tapes {
  const { corners } = line;
  const pairs = chooseDatums({ ...measuring, piece: line.outline }, corners);
  return {
    corners: corners.map((corner, i) => taped(measuring, corner, pairs[i]!, unit)),
    runs: corners.map((corner, i) => {
      const mm = between(corner, corners[(i + 1) % corners.length]!);
      return { mm, text: formatLength({ mm, unit, denominator: OFFSET_DENOMINATOR }).text };
    }),
  };
}

/** The two figures of one place, for a corner that is being moved. @throws Problem as `tapesFor` */
export function tapesAt({
  corner,
  piece,
  unit,
  ...measuring
}: Reading & Pick<Measuring, 'piece'> & { corner: Point }): TapedCorner {
  return taped(measuring, corner, chooseDatums({ ...measuring, piece }, [corner])[0]!, unit);
}

function taped({ panel, reach }: Measuring, corner: Point, datums: Pair, unit: LengthUnit): TapedCorner {
  const sheet = sheetOf(panel);
  return {
    ...cutOffsets({ line: [corner], datums, unit }).corners[0]!,
    datums,
    troubles: datums.map((datum) => tapeTrouble(sheet, datum, corner, reach)),
  };
}
