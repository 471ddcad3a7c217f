import { inspectionOf, type Gathered } from './inspection.ts';
import { inspectionPdf } from './pdf.ts';
import { inspectionCsv, inspectionXlsx } from './tables.ts';
import type { Reader } from './words.ts';

export type { Reader } from './words.ts';
export type ReportFormat = 'pdf' | 'csv' | 'xlsx';

/** An inspection as a file: its maps are made, then it is written. */
export async function inspectionFile({
  gathered,
  format,
  reader,
}: {
  gathered: Gathered;
  format: ReportFormat;
  reader: Reader;
}): Promise<Uint8Array> {
  const inspection = inspectionOf(gathered);
  if (format === 'csv') return inspectionCsv(inspection);
  return format === 'xlsx' ? inspectionXlsx(inspection) : inspectionPdf(inspection, reader);
}
