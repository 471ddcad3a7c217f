import { formatLength, parseLength, type LengthUnit } from '@aspecta/core/units';
import { readNumber } from '../../shell/typedNumber.ts';
import type { Figure, FigureShape, FigureUnit } from './shape.ts';

/** How a person types and reads: lengths in his unit, money and temperatures as the shop reckons. */
export interface Tongue {
  length: LengthUnit;
  heat: 'C' | 'F';
}
/** What is typed: text for most, rows of texts for a table, a record for a group. */
export type Draft = string | boolean | readonly DraftRecord[] | DraftRecord;
export interface DraftRecord {
  [key: string]: Draft;
}

/** A figure that cannot be read, at its field. */
export class Unreadable extends Error {
  readonly field: string;
  constructor(field: string, message: string) {
    super(message);
    this.field = field;
  }
}
/** Column of the names where several stand under names. */
export const NAME = 'name';
/** What is written where a list is to be empty and not left out. */
const NOBODY = 'nobody';

// ---- value → what stands in the form

const plain = (value: number) => String(Number(value.toPrecision(12)));
function numberText(value: number, unit: FigureUnit, tongue: Tongue): string {
  if (unit === 'money') return (value / 100).toFixed(2);
  if (unit === 'celsius' && tongue.heat === 'F') return plain((value * 9) / 5 + 32);
  if (unit !== 'mm' || tongue.length === 'mm') return plain(value);
  // A fraction where it is one; else the decimal, so that nothing is lost on the way.
  const { text } = formatLength({ mm: Math.abs(value), unit: 'in', denominator: 64 });
  const exact = Math.abs(parseLength({ text, unit: 'in' }).mm - Math.abs(value)) < 1e-6;
  return exact ? `${value < 0 ? '-' : ''}${text.replace(/\s*(in|")$/, '')}` : plain(value / 25.4);
}
const pointText = (point: readonly number[], unit: FigureUnit, tongue: Tongue) =>
  point.map((value) => numberText(value, unit, tongue)).join(', ');

/** Outlines, or one outline alone. */
function ringsText(value: unknown, unit: FigureUnit, tongue: Tongue): string {
  const rings = (value as number[][][] | number[][] | undefined) ?? [];
  const all = typeof rings[0]?.[0] === 'number' ? [rings as number[][]] : (rings as number[][][]);
  return all.map((ring) => ring.map((p) => pointText(p, unit, tongue)).join('\n')).join('\n\n');
}

/** What stands in the form for a value; for one that is not given the form is empty. */
export function draftOf(shape: FigureShape, value: unknown, tongue: Tongue): Draft {
  switch (shape.kind) {
    case 'number':
      return typeof value === 'number' ? numberText(value, shape.unit, tongue) : '';
    case 'text':
      return typeof value === 'string' ? value : typeof value === 'number' ? plain(value) : '';
    case 'flag':
      return value === true;
    case 'numbers':
      return ((value as number[] | undefined) ?? []).map(plain).join(' ');
    case 'words':
      return shape.nobody && (value as string[] | undefined)?.length === 0
        ? NOBODY
        : ((value as string[] | undefined) ?? []).join('\n');
    case 'points':
      return ((value as number[][] | undefined) ?? []).map((p) => pointText(p, shape.unit, tongue)).join('\n');
    case 'rings':
      return ringsText(value, shape.unit, tongue);
    case 'polygons':
      return ((value as unknown[] | undefined) ?? [])
        .map((polygon) => ringsText(polygon, shape.unit, tongue))
        .join('\n---\n');
    case 'named':
      return Object.entries((value as Record<string, number> | undefined) ?? {})
        .map(([name, count]) => `${name} ${plain(count)}`)
        .join('\n');
    case 'spans':
      return Object.entries((value as Record<string, number[][]> | undefined) ?? {})
        .map(([name, spans]) => `${name} ${spans.map((span) => span.map(plain).join('-')).join(', ')}`)
        .join('\n');
    case 'rows':
      return rowsOf(shape, value).map((row) => record(shape.columns, row, tongue, shape.keyed));
    case 'group':
      return record(shape.fields, (value as Record<string, unknown> | undefined) ?? {}, tongue, false);
    case 'any':
      return value === undefined ? '' : JSON.stringify(value);
  }
}

function rowsOf(shape: FigureShape & { kind: 'rows' }, value: unknown): Record<string, unknown>[] {
  if (shape.keyed)
    return Object.entries((value as Record<string, object> | undefined) ?? {}).map(([name, row]) => ({
      ...row,
      [NAME]: name,
    }));
  return ((value as (object | string)[] | undefined) ?? []).map((row) =>
    typeof row === 'string' ? { [shape.columns[0]!.key]: row } : { ...row },
  );
}

function record(fields: readonly Figure[], row: Record<string, unknown>, tongue: Tongue, keyed: boolean): DraftRecord {
  const own = fields.map((field) => [field.key, draftOf(field.shape, row[field.key], tongue)] as const);
  return { ...(keyed ? { [NAME]: String(row[NAME] ?? '') } : {}), ...Object.fromEntries(own) };
}

/** Kinds that are typed line by line. */
const ON_LINES: ReadonlySet<FigureShape['kind']> = new Set(['points', 'words', 'named', 'spans']);

/** A table within a cell, as one line: rows by semicolons, columns by commas. */
export function cellText(shape: FigureShape, draft: Draft): string {
  if (shape.kind === 'rows')
    return (draft as DraftRecord[])
      .map((row) => {
        const cells = [...(shape.keyed ? [row[NAME]] : []), ...shape.columns.map(({ key }) => row[key])].map(String);
        while (cells.length > 1 && cells.at(-1) === '') cells.pop();
        return cells.join(', ');
      })
      .join('; ');
  if (ON_LINES.has(shape.kind)) return String(draft).replaceAll('\n', '; ');
  return String(draft);
}
export function cellDraft(shape: FigureShape, text: string): Draft {
  if (shape.kind === 'rows')
    return parts(text, ';').map((row) => {
      const cells = row.split(',').map((cell) => cell.trim());
      const keys = [...(shape.keyed ? [NAME] : []), ...shape.columns.map(({ key }) => key)];
      return Object.fromEntries(keys.map((key, i) => [key, cells[i] ?? '']));
    });
  if (ON_LINES.has(shape.kind)) return text.replaceAll(';', '\n');
  return text;
}

// ---- what stands in the form → value

const parts = (text: string, by: string | RegExp) =>
  text
    .split(by)
    .map((part) => part.trim())
    .filter((part) => part !== '');

function readFigure(text: string, unit: FigureUnit, tongue: Tongue, field: string, label: string): number {
  if (unit === 'mm')
    try {
      return parseLength({ text, unit: tongue.length }).mm;
    } catch (error) {
      // A coordinate may lie to the left or below.
      const negative = /^[-−]\s*(.+)$/.exec(text.trim());
      if (negative) return -readFigure(negative[1]!, unit, tongue, field, label);
      throw new Unreadable(field, `${label}: ${(error as Error).message}`);
    }
  const value = readNumber(text);
  if (value === null) throw new Unreadable(field, `${label}: “${text}” is no number; write digits only.`);
  if (unit === 'money') return Math.round(value * 100);
  if (unit === 'celsius' && tongue.heat === 'F') return ((value - 32) * 5) / 9;
  return value;
}
function readPoint(line: string, unit: FigureUnit, tongue: Tongue, field: string, label: string): number[] {
  const coordinates = line.includes(',') ? parts(line, ',') : parts(line, /\s+/);
  return coordinates.map((text) => readFigure(text, unit, tongue, field, label));
}

/** The value of what stands in the form; undefined where an optional field is empty. */
export function valueOf(figure: Figure, draft: Draft, tongue: Tongue, path = figure.key): unknown {
  const { shape, label, optional, nullable } = figure;
  if (nullable && isEmpty(draft)) return null;
  if (optional && isEmpty(draft)) return undefined;
  const text = typeof draft === 'string' ? draft : '';
  switch (shape.kind) {
    case 'number':
      if (text.trim() === '') throw new Unreadable(path, `${label} is missing; fill it in.`);
      return readFigure(text, shape.unit, tongue, path, label);
    case 'text':
      return shape.orNumber ? (readNumber(text) ?? text) : text;
    case 'flag':
      return draft === true || draft === 'yes';
    case 'numbers':
      return parts(text, /[\s;]+/).map((one) => readFigure(one, null, tongue, path, label));
    case 'words':
      return shape.nobody && text.trim() === NOBODY ? [] : parts(text, '\n');
    case 'spans':
      return Object.fromEntries(
        parts(text, '\n').map((line) => {
          const [, name, spans] = /^(.*?)[\s:]+([\d.].*)$/.exec(line) ?? [];
          if (!name || !spans) throw new Unreadable(path, `${label}: write a name and hours, as “Ines 18-20, 42-44”.`);
          const read = parts(spans, ',').map((span) =>
            parts(span, /[-–]/).map((one) => readFigure(one, null, tongue, path, label)),
          );
          return [name, read];
        }),
      );
    case 'points':
      return parts(text, '\n').map((line) => readPoint(line, shape.unit, tongue, path, label));
    case 'rings':
    case 'polygons': {
      const rings = (all: string) =>
        parts(all, /\n\s*\n/).map((ring) =>
          parts(ring, '\n').map((line) => readPoint(line, shape.unit, tongue, path, label)),
        );
      return shape.kind === 'rings' ? rings(text) : parts(text, /\n-{3,}\n/).map(rings);
    }
    case 'named':
      return Object.fromEntries(
        parts(text, '\n').map((line) => {
          const [, name, count] = /^(.*?)[\s:=]+(\S+)$/.exec(line) ?? [];
          if (!name || !count) throw new Unreadable(path, `${label}: write a name and a number, as “hand 2”.`);
          return [name, readFigure(count, null, tongue, path, label)];
        }),
      );
    case 'rows': {
      const rows = (draft as DraftRecord[]).filter((row) => !isEmpty(row));
      const read = rows.map((row, i) => recordOf(shape.columns, row, tongue, `${path}[${i}]`));
      if (!shape.keyed) return read;
      return Object.fromEntries(
        read.map((row, i) => {
          const name = String(rows[i]![NAME] ?? '').trim();
          if (name === '') throw new Unreadable(path, `${label}: row ${i + 1} has no name.`);
          return [name, row];
        }),
      );
    }
    case 'group':
      return recordOf(shape.fields, draft as DraftRecord, tongue, path);
    case 'any':
      try {
        return JSON.parse(text);
      } catch (error) {
        throw new Unreadable(path, `${label}: ${(error as Error).message}`);
      }
  }
}

/** All fields of a record; those that are left out are not in it. */
export function recordOf(
  fields: readonly Figure[],
  row: DraftRecord,
  tongue: Tongue,
  path: string,
): Record<string, unknown> {
  return Object.fromEntries(
    fields
      .map((field) => [
        field.key,
        valueOf(field, row[field.key] ?? '', tongue, path ? `${path}.${field.key}` : field.key),
      ])
      .filter(([, value]) => value !== undefined),
  ) as Record<string, unknown>;
}

export function isEmpty(draft: Draft): boolean {
  if (typeof draft === 'string') return draft.trim() === '';
  if (typeof draft === 'boolean') return !draft;
  if (Array.isArray(draft)) return (draft as Draft[]).every(isEmpty);
  return Object.values(draft as DraftRecord).every(isEmpty);
}
