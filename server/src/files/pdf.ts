import PDFDocument from 'pdfkit';

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
