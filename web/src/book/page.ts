import type { LengthUnit, PersonUnits } from '@aspecta/core/units';
import type { Offer } from '@aspecta/contract/verdict';
import type { Chart } from '../charts/chart.ts';
import type { Drawing } from './drawing.ts';
import type { MeasureKind } from './fields.ts';

/** How a person reads and types lengths, heat and money; given to pages so that they do it alike. */
export interface Writer {
  unit: LengthUnit;
  person: PersonUnits;
  length(mm: number): string;
  sheet(mm: number): string;
  money(minor: number): string;
  /** mm of a typed length; null where it is none. */
  read(text: string): number | null;
  /** A sentence that speaks of mm, µm and °C, as this person reads it. */
  said(text: string): string;
}

export interface BookField {
  key: string;
  label: string;
  kind: 'length' | 'sheet' | MeasureKind | 'number' | 'choice' | 'text' | 'lines';
  /** As it stands there at first; lengths in mm, areas in cm², the rest as `fields` counts it. */
  usual: number | string;
  /** The same where lengths are typed in inches: for texts of several figures. */
  usualInches?: string;
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

/** Where in a car an answer goes on, with what is typed for it in the address. */
export interface Into {
  station: 'hold' | 'fit' | 'weld';
  query: Record<string, string>;
}

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
  input(values: Values, write: Writer): Record<string, unknown>;
  /** May speak in mm, µm and °C: what the person reads is put in his units. */
  answer(result: never, values: Values, write: Writer): BookAnswer;
  /** The piece; a page may have a chart instead. */
  draw?: (result: never, values: Values, write: Writer) => Drawing;
  /** How it goes over time or distance. */
  chart?: (result: never, values: Values, write: Writer) => Chart;
  /** 1:1 outline to cut, mm, for a file. */
  outline?: (result: never) => readonly (readonly (readonly [number, number])[])[];
  /** Where the page has found out what one panel costs. */
  price?: (values: Values) => PanelPrice | null;
  /**
   * The station of a car that goes on with what was typed here, and how it is told in its address; `given` is what
   * stands in a field, with its unit.
   */
  into?: (given: (key: string) => string) => Into;
  /** Bend lines, slits and arrows that go with it. */
  marks?: (result: never) => readonly (readonly (readonly [number, number])[])[];
}

export const GROUPS = ['Measure', 'Inspect', 'Hold', 'Cut', 'Shape', 'Weld', 'Buy and plan'] as const;
export type BookGroup = (typeof GROUPS)[number];

/** Keeps the types of a page together: what its calculation gives goes into answer and draw. */
export function page<R>(
  given: Omit<BookPage, 'answer' | 'draw' | 'chart' | 'outline' | 'marks'> & {
    answer(result: R, values: Values, write: Writer): BookAnswer;
    draw?: (result: R, values: Values, write: Writer) => Drawing;
    chart?: (result: R, values: Values, write: Writer) => Chart;
    outline?: (result: R) => readonly (readonly (readonly [number, number])[])[];
    marks?: (result: R) => readonly (readonly (readonly [number, number])[])[];
  },
): BookPage {
  return given as unknown as BookPage;
}

/** Non-empty lines of a text. */
export const linesOf = (text: unknown): string[] =>
  String(text)
    .split(/\n|;/)
    .map((line) => line.trim())
    .filter((line) => line !== '');

/** Words of a line; a number with its fraction is one word, as 39 3/8. */
export const wordsOf = (line: string): string[] => line.match(/[-−]?\d+ \d+\/\d+"?|[^\s;]+/g) ?? [];

/** Lengths of a text, mm, by spaces, semicolons or lines; a word that is none throws with its place. */
export function lengthsOf(text: unknown, what: string, { read }: Pick<Writer, 'read'>): number[] {
  return wordsOf(String(text)).map((word, i) => {
    const value = read(word);
    if (value === null) throw new Error(`“${word}” (number ${i + 1} of ${what}) is no length.`);
    return value;
  });
}

export const round = (value: number, digits = 1) => value.toFixed(digits).replace(/\.0+$/, '');
