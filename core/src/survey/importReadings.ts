import Papa from 'papaparse';
import type { BodyPlan } from '../body/index.ts';
import { Problem } from '../problem.ts';
import { fromTextCell } from './exportReadings.ts';
import { checkReading, type ProbeVerdict, type Reading } from './reading.ts';

export const MOST_ROWS = 20_000;

export interface LineError {
  /** Line of the file, the header being line 1. */
  line: number;
  column: string;
  message: string;
}

type Field = 'panel' | 'layer' | 'u' | 'v' | 'coating' | 'metal' | 'note' | 'probe' | 'instrument' | 'told';
interface Column {
  field: Field;
  /** Factor to mm (places, metal) or µm (coating). */
  factor: number;
}

const HEADERS: Readonly<Record<string, Column>> = {
  panel: { field: 'panel', factor: 1 },
  layer: { field: 'layer', factor: 1 },
  u_mm: { field: 'u', factor: 1 },
  v_mm: { field: 'v', factor: 1 },
  u_in: { field: 'u', factor: 25.4 },
  v_in: { field: 'v', factor: 25.4 },
  coating_um: { field: 'coating', factor: 1 },
  coating_mil: { field: 'coating', factor: 25.4 },
  metal_mm: { field: 'metal', factor: 1 },
  metal_in: { field: 'metal', factor: 25.4 },
  note: { field: 'note', factor: 1 },
  probe: { field: 'probe', factor: 1 },
  instrument: { field: 'instrument', factor: 1 },
  // Written by an export; who brings the file in, and when, is noted anew.
  at: { field: 'told', factor: 1 },
  by: { field: 'told', factor: 1 },
};
const NEEDED: readonly Field[] = ['panel', 'layer', 'u', 'v'];

/**
 * Which readings are in this CSV, and which lines cannot be taken? Comma, semicolon or
 * tab between the columns; decimal point or comma; inches where the header says `_in`
 * (coating in mils where it says `_mil`); `>1500` in the coating column is over range,
 * `<0.5` in the metal column under it.
 *
 * @param text the file; at most 20,000 lines of readings
 * @param plan the body whose panels are named
 * @returns readings and errors; take the readings only when there are no errors
 */
export function importReadings(text: string, plan: BodyPlan): Imported {
  return importRows(
    Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { delimiter: delimiterOf(text), skipEmptyLines: 'greedy' }).data,
    plan,
  );
}

/** A reading from a file, with what it was read with. */
export type ImportedReading = Reading & { instrument?: string };
export interface Imported {
  readings: ImportedReading[];
  errors: LineError[];
}

/** The same for rows of cells as they come from a spreadsheet; the first row names the columns. */
export function importRows(rows: readonly (readonly string[])[], plan: BodyPlan): Imported {
  const [header, ...lines] = rows;
  const wrong = (line: number, column: string, message: string) => ({
    readings: [],
    errors: [{ line, column, message }],
  });
  if (!header)
    return wrong(
      1,
      'panel',
      'The file is empty; its first line must name the columns: panel,layer,u_mm,v_mm,coating_um,metal_mm,note.',
    );
  const columns = header.map((name) => HEADERS[name.trim().toLowerCase()]);
  const unknown = header.find((_, i) => !columns[i]);
  if (unknown !== undefined)
    return wrong(1, unknown, `The column "${shorten(unknown)}" is not known; use ${Object.keys(HEADERS).join(', ')}.`);
  const missing = NEEDED.find((field) => !columns.some((column) => column?.field === field));
  if (missing)
    return wrong(
      1,
      missing,
      `The column ${missing} is missing; the first line must name panel, layer, u_mm and v_mm (or u_in and v_in).`,
    );
  if (lines.length === 0) return wrong(2, 'panel', 'There are no readings below the column names.');
  if (lines.length > MOST_ROWS)
    return wrong(
      MOST_ROWS + 2,
      'panel',
      `The file has ${lines.length} lines; at most ${MOST_ROWS} can be taken at once. Split it.`,
    );

  const readings: ImportedReading[] = [];
  const errors: LineError[] = [];
  lines.forEach((cells, index) => {
    const line = index + 2;
    if (cells.length > columns.length) {
      errors.push({
        line,
        column: 'note',
        message: `There are ${cells.length} values for ${columns.length} columns; put text with separators in "quotes" and use ; between columns when decimals have a comma.`,
      });
      return;
    }
    try {
      const read = readLine(cells, columns as Column[]);
      checkReading(plan, read);
      readings.push(read);
    } catch (error) {
      if (!(error instanceof Problem)) throw error;
      errors.push({ line, column: error.field, message: error.message });
    }
  });
  return { readings, errors };
}

function delimiterOf(text: string): string {
  const header = text.slice(0, text.search(/[\r\n]|$/));
  return [';', '\t', ','].find((candidate) => header.includes(candidate)) ?? ',';
}

function readLine(cells: readonly string[], columns: readonly Column[]): ImportedReading {
  const reading: ImportedReading = { panel: '', layer: '', u: Number.NaN, v: Number.NaN };
  columns.forEach(({ field, factor }, i) => {
    const text = (cells[i] ?? '').trim();
    if (field === 'panel' || field === 'layer') reading[field] = text;
    else if (field === 'told') return;
    else if (field === 'note') reading.note = text === '' ? undefined : fromTextCell(text);
    else if (field === 'instrument') reading.instrument = fromTextCell(text);
    else if (field === 'probe') reading.probe = probeIn(text);
    else if (text === '') {
      if (field === 'u' || field === 'v')
        throw new Problem('not-a-number', field, `${field} is empty; every reading needs its place.`);
    } else if (field === 'coating') {
      reading.coatingOver = text.startsWith('>') || undefined;
      reading.coatingUm = numberIn('coating', text.replace(/^>\s*/, '')) * factor;
    } else if (field === 'metal') {
      reading.metalUnder = text.startsWith('<') || undefined;
      reading.metalMm = numberIn('metal', text.replace(/^<\s*/, '')) * factor;
    } else reading[field] = numberIn(field, text) * factor;
  });
  return reading;
}

function probeIn(text: string): ProbeVerdict | undefined {
  if (text === '') return undefined;
  if (text !== 'sound' && text !== 'soft' && text !== 'through')
    throw new Problem(
      'unknown-probe',
      'probe',
      `"${shorten(text)}" is no verdict of the probe; write sound, soft or through.`,
    );
  return text;
}

function numberIn(field: string, text: string): number {
  const value = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN;
  if (!Number.isFinite(value))
    throw new Problem(
      'not-a-number',
      field,
      `"${shorten(text)}" in column ${field} is not a number; write for example 0.85 or 0,85.`,
    );
  return value;
}

const shorten = (text: string) => (text.length > 40 ? `${text.slice(0, 40)}…` : text);
