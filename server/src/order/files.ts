import { ORDER_WORDS, type OrderLine } from '@aspecta/contract/order';
import { textCell } from '@aspecta/core/survey';
import { POINTS_PER_MM, pdfOf } from '../files/pdf.ts';
import type { Table } from '../files/table.ts';

/** The order book as a table; money in major units. */
export const orderTable = (lines: readonly OrderLine[]): Table => ({
  columns: [
    ...['what', 'for_car', 'maker', 'state', 'pieces', 'price_each', 'carriage', 'tax_rate', 'landed', 'currency'],
    ...['ordered_on', 'due', 'credit', 'note'],
  ],
  rows: lines.map((line) => [
    textCell(line.panelName),
    textCell(line.vehicle),
    textCell(line.maker),
    ORDER_WORDS[line.state],
    line.quantity,
    line.price / 100,
    line.carriage / 100,
    line.taxRate,
    line.landed / 100,
    line.currency,
    line.history.find(({ state }) => state === 'ordered')?.on ?? '',
    line.due ?? '',
    line.credit === null ? '' : line.credit / 100,
    textCell(line.note),
  ]),
});

const MARGIN = 18 * POINTS_PER_MM;
const COLUMNS = [0, 92, 112, 138].map((mm) => mm * POINTS_PER_MM);

/** An order on A4, to be sent to one maker: what, for which car, how many, at which price, and what it comes to. */
export async function orderSheet(
  lines: readonly OrderLine[],
  { shop, on }: { shop: string; on: string },
): Promise<Buffer> {
  const [{ maker, currency }] = lines as [OrderLine, ...OrderLine[]];
  const money = (minor: number) => `${(minor / 100).toFixed(2)} ${currency}`;
  return pdfOf({ size: 'A4', margin: MARGIN, title: `Order to ${maker}` }, (pdf) => {
    pdf.font('Helvetica-Bold').fontSize(18).text(`Order to ${maker}`);
    pdf.font('Helvetica').fontSize(10).fillColor('#555').text(`${shop}, ${on}`).moveDown(1).fillColor('#111');
    const row = (cells: readonly string[], bold = false) => {
      pdf.font(bold ? 'Helvetica-Bold' : 'Helvetica');
      const top = pdf.y;
      let bottom = top;
      cells.forEach((cell, i) => {
        const width = (COLUMNS[i + 1] ?? pdf.page.width - 2 * MARGIN) - COLUMNS[i]! - 6;
        pdf.text(cell, MARGIN + COLUMNS[i]!, top, { width, align: i === 0 ? 'left' : 'right' });
        bottom = Math.max(bottom, pdf.y);
      });
      pdf.y = bottom + 4;
      pdf.x = MARGIN;
    };
    row(['What', 'Pieces', 'Each', 'Goods'], true);
    for (const { panelName, vehicle, quantity, price } of lines)
      row([`${panelName} (${vehicle})`, String(quantity), money(price), money(price * quantity)]);
    const sum = (of: (line: OrderLine) => number) => lines.reduce((total, line) => total + of(line), 0);
    const goods = sum(({ price, quantity }) => price * quantity);
    const carriage = sum((line) => line.carriage);
    const landed = sum((line) => line.landed);
    pdf.moveDown(0.5);
    row(['Goods', '', '', money(goods)]);
    row(['Carriage', '', '', money(carriage)]);
    row(['Tax', '', '', money(landed - goods - carriage)]);
    row(['In all', '', '', money(landed)], true);
    pdf.moveDown(1).font('Helvetica').fontSize(9).fillColor('#555');
    pdf.text('Please confirm the day of delivery. Every part is checked against the car before anything is cut.');
  });
}
