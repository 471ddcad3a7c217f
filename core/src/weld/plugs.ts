import { finite } from '../check.ts';
import { refuse } from '../problem.ts';
import { wholeUp } from '../tolerances.ts';

export interface Plugs {
  /** Hole in the upper sheet, mm. */
  hole: number;
  /** Even distance between holes, mm; null where one hole is enough. */
  pitch: number | null;
  /** mm along the flange. */
  positions: number[];
  /** Indexes of positions in the order of welding: from the centre outwards. */
  order: number[];
  /** Least diameter of the weld at the joint, mm, after 4√t and 5√t. */
  nugget: { least: number; usual: number };
}

/** Sheets up to this take the small hole; common practice (T-10), no published source. mm */
const THIN = 1.2;
const SMALL = { hole: 5, pitch: 38 };
const LARGE = { hole: 8, pitch: 50 };
const MOST_PLUGS = 2000;

/**
 * Which holes does a plug-welded flange get, where, and in which order? Even pitch, no wider than
 * asked for, with both ends kept; welded from the centre outwards, so that the sheet is never
 * trapped between two welded ends (T-11).
 *
 * @param length of the flange, mm; thickness of one sheet, 0.5 to 6 mm
 * @param pitch widest distance, mm; by the sheet when left out (T-10)
 * @param endMargin from each end to the first hole, mm
 * @throws Problem naming the field
 * Source: common practice (T-10, T-11); nugget 4√t to 5√t after ISO 14373 (memory).
 */
export function plugs({
  length,
  thickness,
  pitch,
  endMargin,
}: {
  length: number;
  thickness: number;
  pitch?: number;
  endMargin: number;
}): Plugs {
  finite('length', length, { above: 0, max: 1e5, unit: 'mm' });
  finite('thickness', thickness, { min: 0.5, max: 6, unit: 'mm' });
  finite('endMargin', endMargin, { min: 0, max: 1e4, unit: 'mm' });
  const usual = thickness <= THIN ? SMALL : LARGE;
  if (pitch !== undefined) finite('pitch', pitch, { min: usual.hole, max: 1e4, unit: 'mm' });
  if (2 * endMargin > length)
    refuse(
      'too-large',
      'endMargin',
      `Two end margins of ${endMargin} mm are longer than the flange of ${length} mm; make them smaller.`,
    );
  const span = length - 2 * endMargin;
  const gaps = span < usual.hole ? 0 : wholeUp(span / (pitch ?? usual.pitch));
  if (gaps >= MOST_PLUGS) refuse('too-many', 'pitch', `This makes ${gaps + 1} plugs; take a wider pitch.`);
  const positions =
    gaps === 0 ? [length / 2] : Array.from({ length: gaps + 1 }, (_, i) => endMargin + (i * span) / gaps);
  const middle = length / 2;
  const root = Math.sqrt(thickness);
  return {
    hole: usual.hole,
    pitch: gaps === 0 ? null : span / gaps,
    positions,
    order: positions
      .map((_, i) => i)
      .sort((a, b) => Math.abs(positions[a]! - middle) - Math.abs(positions[b]! - middle) || a - b),
    nugget: { least: 4 * root, usual: 5 * root },
  };
}
