import { finite } from '../check.ts';
import { refuse } from '../problem.ts';
import type { LengthUnit } from './parseLength.ts';

/** mm. Steel rules are read to half a millimetre. */
const MM_STEP = 0.5;
/** Steel rules and tapes in inches are read to a sixteenth. */
const DEFAULT_DENOMINATOR = 16;

/**
 * How does this length read on the person's rule?
 *
 * @param mm length in mm, may be negative
 * @param unit "mm" rounds to 0.5 mm, "in" to 1/denominator inch as a reduced fraction
 * @param denominator a power of two, 2 to 128 (inches only)
 * @returns the text with its unit; parsing it again gives the length within half a step
 * @throws Problem with the field
 * Source: common practice, no published source.
 * @example formatLength({ mm: 171.45, unit: 'in' }).text // 6 3/4"
 */
export function formatLength({
  mm,
  unit,
  denominator = DEFAULT_DENOMINATOR,
}: {
  mm: number;
  unit: LengthUnit;
  denominator?: number;
}): { text: string } {
  finite('mm', mm, { unit: 'mm' });
  if (unit === 'mm') return { text: `${trim(Math.round(mm / MM_STEP) * MM_STEP)} mm` };
  if (unit !== 'in') refuse('unknown-unit', 'unit', 'unit must be "mm" or "in".');
  if (![2, 4, 8, 16, 32, 64, 128].includes(denominator))
    refuse('bad-denominator', 'denominator', 'denominator must be a power of two from 2 to 128.');
  return { text: `${inches(mm / 25.4, denominator)}"` };
}

/** The step, in mm, to which a length is rounded when it is written. */
export function roundingStep(unit: LengthUnit, denominator = DEFAULT_DENOMINATOR): number {
  return unit === 'mm' ? MM_STEP : 25.4 / denominator;
}

function inches(value: number, denominator: number): string {
  const steps = Math.round(Math.abs(value) * denominator);
  const whole = Math.floor(steps / denominator);
  let top = steps % denominator;
  let bottom = denominator;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const sign = value < 0 && steps > 0 ? '-' : '';
  if (top === 0) return `${sign}${whole}`;
  return `${sign}${whole === 0 ? '' : `${whole} `}${top}/${bottom}`;
}

function trim(value: number): string {
  return (Object.is(value, -0) ? 0 : value).toFixed(1).replace(/\.0$/, '');
}
