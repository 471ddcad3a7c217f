import type { Reading } from './reading.ts';

/** A reading with who took it when, for a file. */
export interface KeptReading extends Reading {
  at: string;
  by: string;
  instrument: string;
}

/** Columns of a file of readings, in their order; the first seven are all that an import needs. */
export const READING_COLUMNS = [
  'panel',
  'layer',
  'u_mm',
  'v_mm',
  'coating_um',
  'metal_mm',
  'note',
  'probe',
  'instrument',
  'at',
  'by',
] as const;

/**
 * A reading as the cells of a line. Over and under range are written as `>2000` and `<0.5`;
 * reading them in again gives the same reading, to the last digit.
 */
export function readingCells(reading: KeptReading): (string | number)[] {
  const beyond = (value: number | undefined, mark: string, is: boolean | undefined) =>
    value === undefined ? '' : is ? `${mark}${value}` : value;
  return [
    reading.panel,
    reading.layer,
    reading.u,
    reading.v,
    beyond(reading.coatingUm, '>', reading.coatingOver),
    beyond(reading.metalMm, '<', reading.metalUnder),
    textCell(reading.note ?? ''),
    reading.probe ?? '',
    textCell(reading.instrument),
    reading.at,
    textCell(reading.by),
  ];
}

/** Text that a spreadsheet would take for a formula gets a leading apostrophe; an import takes it off again. */
export const textCell = (text: string): string => (/^\s*[=+\-@']|^[\t\r\n]/.test(text) ? `'${text}` : text);
export const fromTextCell = (text: string): string => (/^'(\s*[=+\-@']|[\t\r\n])/.test(text) ? text.slice(1) : text);
