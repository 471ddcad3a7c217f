import ExcelJS from 'exceljs';
import Papa from 'papaparse';

/** A table with the names of its columns; text that people wrote goes through `textCell` first. */
export interface Table {
  columns: readonly string[];
  rows: readonly (readonly (string | number | Date | null)[])[];
}

export const csvOf = ({ columns, rows }: Table): Buffer =>
  Buffer.from(`${Papa.unparse([[...columns], ...rows.map((row) => [...row])], { newline: '\n' })}\n`);

/** A workbook with one sheet for each table, the head of each standing still; the first column as wide as is said. */
export async function workbookOf(sheets: Readonly<Record<string, Table>>, first = 30): Promise<Buffer> {
  const book = new ExcelJS.Workbook();
  for (const [name, { columns, rows }] of Object.entries(sheets)) {
    const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
    sheet.addRow([...columns]).font = { bold: true };
    for (const row of rows) sheet.addRow([...row]);
    sheet.columns.forEach((column, i) => (column.width = i === 0 ? first : 18));
  }
  return Buffer.from(await book.xlsx.writeBuffer());
}
