import { refuse } from '../problem.ts';
import { gaugeToMm } from './gauge.ts';

export type LengthUnit = 'mm' | 'in';

const MM_PER: Readonly<Record<string, number>> = {
  mm: 1,
  cm: 10,
  m: 1000,
  in: 25.4,
  inch: 25.4,
  inches: 25.4,
  '"': 25.4,
  ft: 304.8,
  "'": 304.8,
};

/** Fractions that are one sign, ½ to ⅞ and ↉: each stands for two numbers and a stroke. */
const VULGAR = /[\u00bc-\u00be\u2150-\u215e\u2189]/g;

/** 100 m: longer than any vehicle or coil of strip; beyond it a unit was forgotten. */
const LONGEST_MM = 100_000;

/**
 * What length did the person write? Takes millimetres and inches as restorers write
 * them: `412,5`, `16 1/4`, `6-3/4"`, `2' 3 1/2"`, `½`, `18 ga`, with or without a mark.
 *
 * @param text what was typed; a bare number is taken in `unit`
 * @param unit the person's own unit, for numbers that carry no mark
 * @returns the length in mm, zero or more
 * @throws Problem `ambiguous-length` or `not-a-length`, field `text`
 * Source: 1 in = 25.4 mm exactly (international yard, 1959).
 * @example parseLength({ text: '6 3/4', unit: 'in' }).mm // 171.45
 */
export function parseLength({ text, unit }: { text: string; unit: LengthUnit }): { mm: number } {
  if (typeof text !== 'string' || text.trim() === '')
    refuse('not-a-length', 'text', 'Enter a length, for example 412.5 or 16 1/4".');
  if (unit !== 'mm' && unit !== 'in') refuse('unknown-unit', 'unit', 'unit must be "mm" or "in".');
  // A thousand written with an apostrophe looks like feet.
  if (/\d['’‘′]\d{3}(?!\d)/.test(text)) ambiguous(text);
  const plain = normalise(text);
  const gauge = /^(\d+)\s*(?:ga|gauge)$/.exec(plain);
  const mm = gauge ? sheetGauge(Number(gauge[1]), text) : sumOfParts(plain, unit, text);
  if (mm > LONGEST_MM) refuse('not-a-length', 'text', `"${text}" is longer than 100 m; check the unit.`);
  return { mm };
}

function normalise(text: string): string {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/[″”“]/g, '"')
    .replace(/[′’‘]/g, "'")
    .replace(/''/g, '"')
    .replace(VULGAR, (sign) => ` ${sign.normalize('NFKC')}`)
    .replace(/[⁄∕]/g, '/');
  return plain.replace(/\s+/g, ' ').trim();
}

function sheetGauge(gauge: number, text: string): number {
  return (
    gaugeToMm(gauge) ??
    refuse('not-a-length', 'text', `There is no steel sheet gauge "${text}" in the table; gauges 10 to 26 are known.`)
  );
}

/** Adds parts such as `2 ft` + `3 1/2 in`: each smaller in unit than the one before. */
function sumOfParts(plain: string, unit: LengthUnit, text: string): number {
  const part =
    /\s*(?:(\d+(?:[.,]\d+)?|[.,]\d+)(?:(?:\s+|\s*-\s*)(\d+)\s*\/\s*(\d+))?|(\d+)\s*\/\s*(\d+))\s*(mm|cm|m|inches|inch|in|ft|"|')?/y;
  let total = 0;
  let lastUnit = Infinity;
  let at = 0;
  let parts = 0;
  while (at < plain.length) {
    // A fraction alone (1/2) must not be read as the whole number 1: try it first.
    const alone = /\s*(\d+)\s*\/\s*(\d+)\s*(mm|cm|m|inches|inch|in|ft|"|')?(?![\d/.,])/y;
    alone.lastIndex = at;
    part.lastIndex = at;
    const fraction = alone.exec(plain);
    const match = fraction ?? part.exec(plain);
    if (!match || match[0] === '') return notALength(text);
    const [whole, top, bottom, mark] = fraction
      ? ['0', fraction[1], fraction[2], fraction[3]]
      : [match[1], match[2], match[3], match[6]];
    const used = mark ?? unit;
    const factor = MM_PER[used]!;
    if (factor >= lastUnit) ambiguous(text);
    // Feet are followed by inches: a bare number after them is none where bare numbers are millimetres.
    if (!mark && parts > 0 && lastUnit === MM_PER['ft'] && unit === 'mm') ambiguous(text);
    if (!mark && parts > 0 && at + match[0].length < plain.length) return notALength(text);
    total += (decimal(whole!, text, used) + ratio(top, bottom, text)) * factor;
    lastUnit = factor;
    at += match[0].length;
    parts++;
    if (!mark && at < plain.length) return notALength(text);
  }
  return total;
}

/** `1,234` could be a thousand or a decimal: refused; `412,5` and `0,875` are decimals. */
function decimal(digits: string, text: string, unit: string): number {
  const thousands = /^[1-9]\d{0,2}[.,]\d{3}$/.test(digits);
  if (thousands && digits.includes(',') && MM_PER[unit] === 1) {
    refuse(
      'ambiguous-length',
      'text',
      `"${text}" may mean thousands or decimals; write ${digits.replace(',', '')} or ${digits.replace(',', '.')}.`,
    );
  }
  return Number(digits.replace(',', '.').replace(/^\./, '0.'));
}

function ratio(top: string | undefined, bottom: string | undefined, text: string): number {
  if (top === undefined || bottom === undefined) return 0;
  if (Number(bottom) === 0) return notALength(text);
  return Number(top) / Number(bottom);
}

function ambiguous(text: string): never {
  return refuse(
    'ambiguous-length',
    'text',
    `"${text}" can be read in more than one way; write one number with its unit.`,
  );
}

function notALength(text: string): never {
  return refuse('not-a-length', 'text', `"${text}" is not a length; write for example 412.5, 16 1/4" or 2' 3 1/2".`);
}
