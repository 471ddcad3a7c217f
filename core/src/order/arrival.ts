import { finite } from '../check.ts';

/** What is looked at when a part is here, before anything is cut. */
export const ARRIVAL_POINTS = ['hand', 'thickness', 'size', 'flanges', 'holes', 'fit', 'rust'] as const;
export type ArrivalPoint = (typeof ARRIVAL_POINTS)[number];

/** What becomes of it: used as it is, used after work on it, kept for its sheet, sent back. */
export const ARRIVAL_OUTCOMES = ['fits', 'rework', 'keep', 'return'] as const;
export type ArrivalOutcome = (typeof ARRIVAL_OUTCOMES)[number];

export interface ArrivalInput {
  /** true: as it should be; false: not; a point that nobody has looked at is left out. */
  points: Partial<Record<ArrivalPoint, boolean>>;
  /** Sheet as measured on the part and as it is on the car, mm; null where not known. */
  thickness: number | null;
  expected: number | null;
  /** By how much it is too short, mm; 0 where it is not. */
  short: number;
  /** Of an hour of work, of the goods and of their carriage, before tax, minor units. */
  rate: number;
  price: number;
  carriage: number;
}

const UNSEEN = 'Nobody has looked at it yet: hold it against the car first.';

export interface ArrivalAdvice {
  outcome: ArrivalOutcome;
  /** That work on it would take before it can be used, whether it pays or not. */
  hours: number;
  /** That work in money, and what is lost when it is sent back: its carriage there and back. Minor units. */
  rework: number;
  back: number;
  /** Width of the strip that makes it long enough, mm; 0 where none is needed. */
  strip: number;
  /** Points that nobody has looked at. */
  open: ArrivalPoint[];
  /** Whole sentences. */
  why: string[];
}

/** Hours to put a fault right; common practice, no published source. */
const REWORK: Readonly<Record<Exclude<ArrivalPoint, 'hand' | 'thickness'>, number>> = {
  size: 1,
  flanges: 1.5,
  holes: 0.5,
  fit: 1.5,
  rust: 0.5,
};
/** A part that is short by more than this is another part; up to it a strip and a second seam help. Common practice. */
const MOST_SHORT = 60;
/** Hours of a strip: cut, folded, fitted, its seam welded and dressed. Common practice. */
const STRIP_HOURS = 2;
/** A sheet thinner than this share of what is on the car is no match for it. Common practice. */
const LEAST_SHEET = 0.85;
/** Work on a new part that costs more than this share of its price is better sent back. Common practice. */
const MOST_REWORK = 0.5;

const FAULTS: Readonly<Record<ArrivalPoint, string>> = {
  hand: 'It is for the other side: no work makes it fit.',
  thickness: 'Its sheet is not that of the car.',
  size: 'Its size is wrong; it has to be cut or let in.',
  flanges: 'A flange is wrong and has to be folded anew or let in.',
  holes: 'Holes are missing or in the wrong place.',
  fit: 'It does not lie on the car; it has to be worked to its shape.',
  rust: 'It has rust, which has to come off before it is primed.',
};

/**
 * Here is the part: is it used, worked on, kept for its sheet, or sent back? Work on it is weighed
 * against its price, and its price against the carriage of sending it back.
 *
 * @param input money in minor units, lengths in mm
 * @returns a proposal with its reasons; the person decides
 * @throws Problem naming the field
 * Source: common practice, no published source.
 * @example adviseArrival({ points: { hand: false }, thickness: null, expected: null, short: 0, rate: 5000, price: 9000, carriage: 1500 }).outcome // → "return"
 */
export function adviseArrival({
  points,
  thickness,
  expected,
  short,
  rate,
  price,
  carriage,
}: ArrivalInput): ArrivalAdvice {
  if (thickness !== null) finite('thickness', thickness, { above: 0, max: 20, unit: 'mm' });
  if (expected !== null) finite('expected', expected, { above: 0, max: 20, unit: 'mm' });
  finite('short', short, { min: 0, max: 2000, unit: 'mm' });
  for (const [field, amount] of Object.entries({ rate, price, carriage })) finite(field, amount, { min: 0, max: 1e10 });
  const thin = thickness !== null && expected !== null && thickness < expected * LEAST_SHEET;
  const wrong = ARRIVAL_POINTS.filter(
    (point) => points[point] === false || (point === 'thickness' && thin && points.thickness === undefined),
  );
  const strip = short > 0 && short <= MOST_SHORT ? short : 0;
  const hours =
    (strip > 0 ? STRIP_HOURS : 0) +
    wrong.reduce(
      (sum, point) =>
        sum + (point === 'hand' || point === 'thickness' || (point === 'size' && short > 0) ? 0 : REWORK[point]),
      0,
    );
  const rework = Math.round(hours * rate);
  const back = carriage * 2;
  const hopeless = wrong.includes('hand') || wrong.includes('thickness') || short > MOST_SHORT;
  const dear = rework > price * MOST_REWORK;
  const why = [
    ...wrong.map((point) => FAULTS[point]),
    ...(short > MOST_SHORT ? ['It is too short for a strip to help.'] : []),
    ...(strip > 0 ? ['It is short: a strip lets it in, with a second seam.'] : []),
    ...(!hopeless && hours > 0 && dear ? ['The work on it costs more than half of its price.'] : []),
  ];
  const open = ARRIVAL_POINTS.filter(
    (point) => points[point] === undefined && !(point === 'thickness' && thickness !== null),
  );
  const common = { hours, rework, back, strip, open, why };
  const isUnseen = common.open.length === ARRIVAL_POINTS.length && thickness === null;
  if (!hopeless && !(hours > 0 && dear))
    return {
      ...common,
      outcome: hours > 0 ? 'rework' : 'fits',
      why: why.length > 0 ? why : [isUnseen ? UNSEEN : 'Nothing is wrong with what was looked at.'],
    };
  if (back < price) return { ...common, outcome: 'return' };
  return { ...common, outcome: 'keep', why: [...why, 'Sending it back costs as much as it did: keep it as sheet.'] };
}
