import { parseLength, type LengthUnit } from '@aspecta/core/units';
import { Problem } from '@aspecta/core';
import type { ReadingInput } from '@aspecta/contract/survey';

export type EntryKind = 'metal' | 'coating' | 'probe';
export type Values = Pick<ReadingInput, 'metalMm' | 'coatingUm' | 'coatingOver' | 'probe'>;

const DIGITS: Readonly<Record<string, string>> = {
  zero: '0',
  nought: '0',
  oh: '0',
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  point: '.',
  comma: '.',
  decimal: '.',
};
const PROBE: Readonly<Record<string, NonNullable<ReadingInput['probe']>>> = {
  sound: 'sound',
  hard: 'sound',
  soft: 'soft',
  through: 'through',
  hole: 'through',
};

/**
 * What was typed or dictated, as values one after another: `0.82 0,79`, `nought point eight
 * two`, `>1500`, `through`. Metal and coating in the shop's units where none is written.
 *
 * @param unit what a bare number of metal is in
 * @param coating what a bare number of coating is in
 * @throws Problem with field `value`
 */
export function parseEntry(text: string, kind: EntryKind, unit: LengthUnit, coating: 'um' | 'mil' = 'um'): Values[] {
  const words = spoken(text.trim().toLowerCase());
  if (words.length === 0)
    throw new Problem('empty', 'value', kind === 'probe' ? 'Say sound, soft or through.' : 'Enter a number.');
  return words.map((word) => valueOf(word, kind, unit, coating));
}

/** Marks of a unit that are written apart from their number: `0.82 mm`, `20 ga`. */
const MARKS = new Set(['mm', 'ga', 'gauge', 'in', 'inch', 'inches', '"', 'µm', 'um', 'mil', 'mils']);

/** Number words become digits; a run of them is one number, with the unit after it. */
function spoken(text: string): string[] {
  const out: string[] = [];
  let running = false;
  for (const word of text.split(/[\s;]+/).filter(Boolean)) {
    const digit = DIGITS[word];
    if (MARKS.has(word) && out.length > 0) out[out.length - 1] += word;
    else if (digit === undefined) out.push(word);
    else if (running) out[out.length - 1] += digit;
    else out.push(digit);
    running = digit !== undefined;
  }
  return out;
}

function valueOf(word: string, kind: EntryKind, unit: LengthUnit, coating: 'um' | 'mil'): Values {
  const probe = PROBE[word];
  if (probe) return { probe };
  if (kind === 'probe')
    throw new Problem('not-a-verdict', 'value', `"${word}" is no verdict of the probe; say sound, soft or through.`);
  if (kind === 'metal') return { metalMm: metal(word, unit) };
  const over = /^(>|over)/.test(word);
  const [, digits = '', mark = ''] = /^(?:>|over)?([^a-zµ]*)(µm|um|mils?)?$/.exec(word) ?? [];
  const value = digits === '' ? NaN : Number(digits.replace(',', '.'));
  const isMil = mark === '' ? coating === 'mil' : mark.startsWith('mil');
  const micrometres = isMil ? Math.round(value * 25.4 * 10) / 10 : value;
  if (!Number.isFinite(micrometres))
    throw new Problem(
      'not-a-number',
      'value',
      coating === 'mil'
        ? `"${word}" is not a number; write for example 5.5, or >60 where the gauge is over range.`
        : `"${word}" is not a number; write for example 140, or >1500 where the gauge is over range.`,
    );
  return over ? { coatingUm: micrometres, coatingOver: true } : { coatingUm: micrometres };
}

function metal(word: string, unit: LengthUnit): number {
  const negative = /^[-−]/.test(word);
  try {
    const { mm } = parseLength({ text: negative ? word.slice(1) : word, unit });
    // The server says at its field why a negative thickness cannot be.
    return negative ? -mm : mm;
  } catch {
    throw new Problem(
      'not-a-number',
      'value',
      `"${word}" is not a thickness; write for example 0.82, 0,82, 0.032" or 20ga.`,
    );
  }
}
