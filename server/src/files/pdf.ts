import PDFDocument from 'pdfkit';
import { boxOf, type Point } from '@aspecta/core/geometry';

export const POINTS_PER_MM = 72 / 25.4;

/** A document as PDF: what is drawn into it, once all of it is there. */
export async function pdfOf(
  { title, ...options }: PDFKit.PDFDocumentOptions & { title: string },
  draw: (pdf: PDFKit.PDFDocument) => void,
): Promise<Buffer> {
  const pdf = new PDFDocument({ ...options, info: { Title: title, Author: 'Aspecta' } });
  const chunks: Buffer[] = [];
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
  const ended = new Promise<void>((resolve) => pdf.on('end', () => resolve()));
  draw(pdf);
  pdf.end();
  await ended;
  return Buffer.concat(chunks);
}

/**
 * Room for a drawing under what was written last: as wide as the page's text, as high as is said (mm), the
 * points fitted into it. Gives where a point lies on the page, and where the drawing ends.
 */
export function fitted(
  pdf: PDFKit.PDFDocument,
  points: readonly Point[],
  most: number,
): { place: (at: Point) => [number, number]; left: number; bottom: number } {
  const box = boxOf(points);
  const [wide, high] = [Math.max(1, box.maxU - box.minU), Math.max(1, box.maxV - box.minV)];
  const { left: margin, right } = pdf.page.margins;
  const scale = Math.min((pdf.page.width - margin - right) / wide, (most * POINTS_PER_MM) / high);
  const [left, top] = [margin, pdf.y + 8];
  return {
    place: ([u, v]) => [left + (u - box.minU) * scale, top + (high - (v - box.minV)) * scale],
    left,
    bottom: top + high * scale,
  };
}

/** A line through these points, closed where it ends where it begins. */
export function stroked(
  pdf: PDFKit.PDFDocument,
  line: readonly Point[],
  { place, closed }: { place: (at: Point) => [number, number]; closed?: boolean },
): void {
  pdf.moveTo(...place(line[0]!));
  for (const point of line.slice(1)) pdf.lineTo(...place(point));
  if (closed) pdf.closePath();
  pdf.stroke();
}

/** Whole numbers at their places; one that would lie on another is left out. */
export function numbered(pdf: PDFKit.PDFDocument, marks: readonly { n: number; at: [number, number] }[]): void {
  const taken: [number, number][] = [];
  pdf.font('Helvetica').fontSize(6.5).fillColor('#111');
  for (const {
    n,
    at: [x, y],
  } of marks) {
    if (taken.some(([a, b]) => Math.hypot(a - x, b - y) < 11)) continue;
    taken.push([x, y]);
    pdf.text(String(n), x - 8, y - 10, { width: 16, align: 'center', lineBreak: false });
  }
}
