import ExcelJS from 'exceljs';

import type { ReadingInput, ReadingView } from '@aspecta/contract/survey';
import { importReadings, importRows, READING_COLUMNS, readingCells, type Imported } from '@aspecta/core/survey';
import { csvOf, workbookOf } from '../files/table.ts';
import type { BodyPlan } from '@aspecta/core/body';
import { Problem } from '@aspecta/core';
import { ServerProblem } from '../http/problems.ts';
import { asReading } from './asReading.ts';
import { checkWorkbookSize } from './workbookSize.ts';

/** A workbook of readings would not have more cells than this; anything larger is something else. */
const MOST_CELLS = 400_000;
export type ReadingsFormat = 'csv' | 'xlsx' | 'json';

/** Readings as a file: CSV, a workbook, or JSON that brings back every field exactly. */
export async function readingsFile(readings: readonly ReadingView[], format: ReadingsFormat): Promise<Buffer> {
  if (format === 'json')
    return Buffer.from(`${JSON.stringify({ format: 'aspecta-readings', version: 1, readings }, null, 1)}\n`);
  const rows = readings.map((row) =>
    readingCells({ ...asReading(row), at: row.at, by: row.by, instrument: row.instrument }),
  );
  const table = { columns: READING_COLUMNS, rows };
  return format === 'csv' ? csvOf(table) : workbookOf({ Readings: table }, 18);
}

/** What is in a file of readings, told by its content: a workbook, JSON, or CSV. */
export async function readReadings(bytes: Buffer, plan: BodyPlan): Promise<Imported & { kept?: ReadingInput[] }> {
  if (bytes.subarray(0, 2).toString('latin1') === 'PK') return importRows(await rowsOfWorkbook(bytes), plan);
  if (bytes.includes(0))
    throw new ServerProblem(
      'invalid',
      'This file is neither CSV, JSON nor a workbook, whatever its name says.',
      'file',
    );
  const text = bytes.toString('utf8');
  if (/^\uFEFF?\s*[{[]/.test(text)) return fromJson(text);
  return importReadings(text, plan);
}

async function rowsOfWorkbook(bytes: Buffer): Promise<string[][]> {
  await checkWorkbookSize(bytes);
  const book = new ExcelJS.Workbook();
  try {
    await book.xlsx.load(bytes as unknown as ExcelJS.Buffer);
  } catch {
    throw new ServerProblem('invalid', 'This workbook cannot be opened; save it again as .xlsx or CSV.', 'file');
  }
  const sheet = book.worksheets[0];
  if (!sheet) throw new ServerProblem('invalid', 'This workbook has no sheet.', 'file');
  if (sheet.rowCount * sheet.columnCount > MOST_CELLS)
    throw new ServerProblem('too-large', 'This workbook is larger than 20,000 readings; split it.', 'file');
  const rows: string[][] = [];
  sheet.eachRow((row) => {
    const cells: string[] = [];
    for (let i = 1; i <= Math.min(sheet.columnCount, 40); i++) cells.push(row.getCell(i).text ?? '');
    rows.push(cells);
  });
  return rows;
}

/** Readings of an own JSON file keep their ids, so that bringing them in twice stores them once. */
function fromJson(text: string): Imported & { kept: ReadingInput[] } {
  let body: { format?: string; readings?: unknown };
  try {
    body = JSON.parse(text.replace(/^\uFEFF/, '')) as typeof body;
  } catch {
    throw new ServerProblem('bad-json', 'This JSON file is cut off or broken; export it again.', 'file');
  }
  if (body.format !== 'aspecta-readings' || !Array.isArray(body.readings))
    throw new ServerProblem('invalid', 'This JSON file holds no readings of Aspecta.', 'file');
  if (body.readings.length === 0) throw new Problem('too-few', 'file', 'There are no readings in this file.');
  const kept = (body.readings as ReadingView[])
    .filter((reading) => !reading.withdrawn)
    .map(({ at: _at, by: _by, withdrawn: _withdrawn, takenAt, at, ...rest }) => ({ ...rest, takenAt: takenAt ?? at }));
  return { readings: [], errors: [], kept };
}
