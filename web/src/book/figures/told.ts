import type { Figure } from './shape.ts';

/** How a figure is told; given by the page, in the person's units. */
export interface Teller {
  length(mm: number): string;
  area(mm2: number): string;
  money(minor: number): string;
  heat(celsius: number): string;
}
/** Rows of a table that are shown; of the rest it is said how many there are. */
const MOST_ROWS = 200;
const MOST_ITEMS = 60;

export interface ToldTable {
  title: string;
  heads: readonly string[];
  rows: readonly (readonly string[])[];
  left: number;
}
export interface Told {
  lines: readonly { name: string; text: string }[];
  tables: readonly ToldTable[];
  /** Outlines and lines of the answer, for a drawing. */
  rings: readonly (readonly (readonly [number, number])[])[];
}

const number = (value: number) => String(Number(value.toPrecision(6)));
function scalar(figure: Figure, value: unknown, tell: Teller): string {
  if (value === null || value === undefined) return '–';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value !== 'number') return typeof value === 'string' ? value : JSON.stringify(value);
  const unit = figure.shape.kind === 'number' ? figure.shape.unit : null;
  if (unit === 'mm') return tell.length(value);
  if (unit === 'money') return tell.money(value);
  if (unit === 'celsius') return tell.heat(value);
  if (/mm²/.test(figure.label)) return tell.area(value);
  return `${number(value)}${figure.unitWord ? ` ${figure.unitWord}` : ''}`;
}
function listed(values: readonly unknown[], mm: (value: number) => string): string {
  const texts = values
    .slice(0, MOST_ITEMS)
    .map((value) =>
      Array.isArray(value)
        ? `(${listed(value, mm)})`
        : typeof value === 'number'
          ? mm(value)
          : typeof value === 'object'
            ? JSON.stringify(value)
            : String(value),
    );
  return `${texts.join(', ')}${values.length > MOST_ITEMS ? `, … ${values.length} in all` : ''}` || 'none';
}
const isPoint = (value: unknown): value is [number, number] =>
  Array.isArray(value) && value.length === 2 && value.every((part) => typeof part === 'number');
const isRing = (value: unknown): value is [number, number][] =>
  Array.isArray(value) && value.length >= 2 && value.every(isPoint);

/** All rings and lines within a value, however deep they lie. */
export function ringsIn(value: unknown): [number, number][][] {
  if (isRing(value)) return [value];
  if (Array.isArray(value)) return value.flatMap(ringsIn);
  return value && typeof value === 'object' ? Object.values(value).flatMap(ringsIn) : [];
}

/** Outlines of a figure; spans of time are none. */
function drawnOf({ shape, unitWord }: Figure, value: unknown): ReturnType<typeof ringsIn> {
  if (unitWord === 'h' || !value || typeof value !== 'object') return [];
  if (shape.kind === 'group')
    return shape.fields.flatMap((field) => drawnOf(field, (value as Record<string, unknown>)[field.key]));
  if (shape.kind === 'rows')
    return Object.values(value as Record<string, Record<string, unknown>>).flatMap((row) =>
      shape.columns.flatMap((column) => drawnOf(column, row[column.key])),
    );
  return ringsIn(value);
}
/** From and to as one reads them; all else as it is. */
const spanText = (value: unknown): unknown =>
  Array.isArray(value) && value.length === 2 && value.every((one) => typeof one === 'number')
    ? value.map(number).join('–')
    : value;

/** An answer as lines, tables and a drawing instead of a file for machines. */
export function told(figures: readonly Figure[], result: Record<string, unknown>, tell: Teller): Told {
  const lines: { name: string; text: string }[] = [];
  const tables: ToldTable[] = [];
  const add = (figure: Figure, name: string, value: unknown): void => {
    const { shape } = figure;
    if (shape.kind === 'group' && value && typeof value === 'object') {
      for (const field of shape.fields)
        add(field, `${name}: ${field.label}`, (value as Record<string, unknown>)[field.key]);
    } else if (shape.kind === 'rows' && value && typeof value === 'object') {
      const named = Object.entries(value as Record<string, Record<string, unknown>>);
      const cells = (row: Record<string, unknown>) =>
        shape.columns.map((column) =>
          Array.isArray(row[column.key])
            ? listed((row[column.key] as unknown[]).map(spanText), number)
            : scalar(column, row[column.key], tell),
        );
      tables.push({
        title: name,
        heads: [...(shape.keyed ? ['name'] : []), ...shape.columns.map((column) => column.label)],
        rows: named.slice(0, MOST_ROWS).map(([key, row]) => [...(shape.keyed ? [key] : []), ...cells(row)]),
        left: Math.max(0, named.length - MOST_ROWS),
      });
    } else if (Array.isArray(value)) {
      const mm = 'unit' in shape && shape.unit === 'mm' ? tell.length : number;
      if (ringsIn(value).length === 0) lines.push({ name, text: listed(value, mm) });
      else lines.push({ name, text: `${ringsIn(value).length} drawn` });
    } else if (value && typeof value === 'object') {
      const entries = Object.entries(value);
      lines.push({
        name,
        text: listed(
          entries.map(([key, one]) => `${key}: ${asText(one)}`),
          number,
        ),
      });
    } else if (value !== undefined) lines.push({ name, text: scalar(figure, value, tell) });
  };
  for (const figure of figures) add(figure, figure.label, result[figure.key]);
  return { lines, tables, rings: figures.flatMap((figure) => drawnOf(figure, result[figure.key])) };
}
const asText = (value: unknown) =>
  typeof value === 'number' ? number(value) : typeof value === 'object' ? JSON.stringify(value) : String(value);

/** An answer in one line, with all its figures, for the notes of a car. */
export const inOneLine = (title: string, { lines, tables }: Told): string =>
  `${title}: ${[
    ...lines.map(({ name, text }) => `${name} ${text}`),
    ...tables.map(
      ({ title: of, heads, rows }) =>
        `${of}: ${rows
          .slice(0, 20)
          .map((row) => row.map((cell, i) => (i === 0 ? cell : `${heads[i]} ${cell}`)).join(', '))
          .join(' / ')}`,
    ),
  ].join('; ')}`;
