import { parseLength, type LengthUnit } from '@aspecta/core/units';
import type { Offer } from '@aspecta/contract/verdict';
import { readNumber } from '../shell/typedNumber.ts';
import type { Drawing } from './drawing.ts';

/** How a person reads lengths and money; given to pages so that they write them alike. */
export interface Writer {
  unit: LengthUnit;
  length(mm: number): string;
  sheet(mm: number): string;
  money(minor: number): string;
}

export interface BookField {
  key: string;
  label: string;
  kind: 'length' | 'sheet' | 'number' | 'choice' | 'text' | 'lines';
  /** As it stands there at first; lengths in mm. */
  usual: number | string;
  /** After the number. */
  unit?: string;
  hint?: string;
  options?: readonly { value: string; label: string }[];
  /** Roots of input fields that this one feeds; its own key when left out. */
  feeds?: readonly string[];
  /** Shown only where this holds. */
  when?: (values: Values) => boolean;
}

/** Read values: lengths mm, numbers, words. */
export type Values = Readonly<Record<string, number | string>>;

export interface BookAnswer {
  /** The answer, large. */
  figure: string;
  /** What it means, in one sentence. */
  sentence: string;
  rows: { name: string; text: string }[];
}

/** What a panel costs before tax, minor units: a verdict can weigh it. */
export type PanelPrice = Pick<Offer, 'price' | 'carriage'>;

export interface BookPage {
  /** In the address. */
  key: string;
  /** Calculation behind it. */
  calc: string;
  title: string;
  /** What one wants to do. */
  wants: string;
  group: BookGroup;
  /** Words by which it is found besides its title and wants. */
  words: string;
  fields: readonly BookField[];
  input(values: Values): Record<string, unknown>;
  answer(result: never, values: Values, write: Writer): BookAnswer;
  draw(result: never, values: Values, write: Writer): Drawing;
  /** 1:1 outline to cut, mm, for a file. */
  outline?: (result: never) => readonly (readonly (readonly [number, number])[])[];
  /** Where the page has found out what one panel costs. */
  price?: (values: Values) => PanelPrice | null;
  /** Bend lines, slits and arrows that go with it. */
  marks?: (result: never) => readonly (readonly (readonly [number, number])[])[];
}

export const GROUPS = ['Measure', 'Inspect', 'Hold', 'Cut', 'Shape', 'Weld', 'Buy and plan'] as const;
export type BookGroup = (typeof GROUPS)[number];

/** Keeps the types of a page together: what its calculation gives goes into answer and draw. */
export function page<R>(
  given: Omit<BookPage, 'answer' | 'draw' | 'outline' | 'marks'> & {
    answer(result: R, values: Values, write: Writer): BookAnswer;
    draw(result: R, values: Values, write: Writer): Drawing;
    outline?: (result: R) => readonly (readonly (readonly [number, number])[])[];
    marks?: (result: R) => readonly (readonly (readonly [number, number])[])[];
  },
): BookPage {
  return given as unknown as BookPage;
}

/** Reads one field; throws in words. */
export function readField(field: BookField, text: string, unit: LengthUnit): number | string {
  if (field.kind === 'length' || field.kind === 'sheet')
    return parseLength({ text, unit: field.kind === 'sheet' ? 'mm' : unit }).mm;
  if (field.kind !== 'number') return text;
  const value = readNumber(text);
  if (value === null) throw new Error(`${field.label} must be a number${field.unit ? ` in ${field.unit}` : ''}.`);
  return value;
}

/** Non-empty lines of a text. */
export const linesOf = (text: unknown): string[] =>
  String(text)
    .split(/\n|;/)
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Numbers of a text, by spaces, semicolons or lines; a word that is none throws with its place. */
export function numbersOf(text: unknown, what: string): number[] {
  return String(text)
    .split(/[\s;]+/)
    .filter((word) => word !== '')
    .map((word, i) => {
      const value = readNumber(word);
      if (value === null) throw new Error(`“${word}” (number ${i + 1} of ${what}) is no number.`);
      return value;
    });
}

export const round = (value: number, digits = 1) => value.toFixed(digits).replace(/\.0+$/, '');
