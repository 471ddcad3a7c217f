import { celsiusOf, fahrenheitOf, parseLength, type PersonUnits } from '@aspecta/core/units';
import { readNumber } from '../shell/typedNumber.ts';
import type { BookField, Writer } from './page.ts';

/** What is counted in other units by other people, besides lengths: the word, and how a number of it becomes ours. */
interface Measure {
  word: string;
  ours(value: number): number;
  theirs(value: number): number;
}
const counted = (word: string, per: number): Measure => ({
  word,
  ours: (value) => value * per,
  theirs: (value) => value / per,
});
const CELSIUS = counted('°C', 1);
const FAHRENHEIT: Measure = { word: '°F', ours: celsiusOf, theirs: fahrenheitOf };
/** Each kind of measure in the two ways it is counted: first ours, then the other one. */
const MEASURES = {
  heat: [CELSIUS, FAHRENHEIT],
  coating: [counted('µm', 1), counted('mil', 25.4)],
  area: [counted('cm²', 1), counted('sq in', 6.4516)],
  heatInput: [counted('kJ/mm', 1), counted('kJ/in', 1 / 25.4)],
} as const;
export type MeasureKind = keyof typeof MEASURES;

const isMeasure = (kind: BookField['kind']): kind is MeasureKind => kind in MEASURES;
const isLength = (kind: BookField['kind']) => kind === 'length' || kind === 'sheet';
function measureOf(kind: MeasureKind, person: PersonUnits): Measure {
  const other = { heat: person.heat === 'F', coating: person.coating === 'mil' }[kind as string];
  return MEASURES[kind][(other ?? person.length === 'in') ? 1 : 0];
}

/** The unit of a bare number in this field, as its label names it; none for what is no number. */
export function unitOf(field: BookField, person: PersonUnits): string | undefined {
  if (isMeasure(field.kind)) return measureOf(field.kind, person).word;
  if (field.kind === 'length' || field.kind === 'sheet') return undefined;
  return field.unit;
}

const plain = (value: number) => String(Number(value.toPrecision(4)));

/** What stands in a field at first, as this person reads it. */
export function usualText(field: BookField, write: Writer): string {
  const { usual, kind } = field;
  if (typeof usual === 'string') return write.unit === 'in' ? (field.usualInches ?? usual) : usual;
  if (kind === 'length') return write.length(usual);
  if (kind === 'sheet') return write.unit === 'in' ? write.sheet(usual) : `${usual} mm`;
  if (isMeasure(kind)) return plain(measureOf(kind, write.person).theirs(usual));
  return String(usual);
}

/** Value of what was typed: mm, °C, µm, cm², kJ/mm, numbers or words; throws in words. A mark of another unit is believed. */
export function readField(field: BookField, text: string, write: Writer): number | string {
  // A usual value is kept exact, however it is shown.
  if (typeof field.usual === 'number' && text.trim() === usualText(field, write)) return field.usual;
  if (isLength(field.kind)) return parseLength({ text, unit: write.unit }).mm;
  if (isMeasure(field.kind)) {
    const bare = measureOf(field.kind, write.person);
    const marked = MEASURES[field.kind].find(({ word }) => text.trim().endsWith(word));
    const value = readNumber(marked ? text.trim().slice(0, -marked.word.length) : text);
    if (value === null) throw new Error(`${field.label} must be a number in ${bare.word}.`);
    return (marked ?? bare).ours(value);
  }
  if (field.kind !== 'number') return text;
  const value = readNumber(text);
  if (value === null) throw new Error(`${field.label} must be a number${field.unit ? ` in ${field.unit}` : ''}.`);
  return value;
}

/** The same text with its unit, so that it means the same to whoever follows a link to it. */
export function markedText(field: BookField, text: string, write: Writer): string {
  if (readNumber(text) === null && !/^\s*(\d+\s+)?\d+\/\d+\s*$/.test(text)) return text;
  if (isLength(field.kind)) return write.unit === 'in' ? `${text.trim()}"` : `${text.trim()} mm`;
  return isMeasure(field.kind) ? `${text.trim()} ${measureOf(field.kind, write.person).word}` : text;
}
