import { figureText, sharedEdges, toNextCorner, troublesOf, type CutPlanView } from '@aspecta/contract/cut';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import { cautionsFor, DEFERENCE } from '@aspecta/core/safety';
import { formatLength, inUnits, type PersonUnits } from '@aspecta/core/units';
import { POINTS_PER_MM, pdfOf } from '../files/pdf.ts';

const PAGE = { width: 210, height: 297, margin: 15 };

export interface CardContext {
  vehicle: string;
  panel: string;
  panelOutline: Ring;
  /** In what it is read. */
  units: PersonUnits;
  by: string;
  on: string;
}

/** The cut card on A4: the line on its panel, tape offsets for each corner, cautions, and a check bar. */
export async function cutCard(plan: CutPlanView, context: CardContext): Promise<Buffer> {
  return pdfOf(
    {
      size: 'A4',
      margin: PAGE.margin * POINTS_PER_MM,
      title: `Cut card: ${context.panel}`,
    },
    (pdf) => {
      const said = (text: string) => inUnits(text, context.units);

      heading(
        pdf,
        `Cut card – ${context.panel}`,
        `${context.vehicle} · layer ${plan.layer}, ${said(`${plan.thickness} mm`)} as built · ${context.by}, ${context.on}`,
      );
      drawing(pdf, plan, context.panelOutline);
      pdf
        .fontSize(9)
        .fillColor('#222')
        .text(
          `Final line ${formatLength({ mm: plan.line.cutLength, unit: context.units.length, denominator: 32 }).text} to cut and weld. `.concat(
            said(
              `Rough line 12 mm inside it first; then the final line. Blade ${plan.settings.kerf} mm. Round the inside corners to ${plan.settings.cornerRadius} mm or more.`,
            ),
          ),
        );
      pdf.moveDown(0.6);
      offsetsTable(pdf, plan);
      pdf.moveDown(0.8).font('Helvetica-Bold').fontSize(10).text('Before you cut').font('Helvetica').fontSize(8.5);
      for (const caution of cautionsFor('cut')) pdf.text(`• ${caution.title}. ${said(caution.text)}`);
      pdf.moveDown(0.4).fillColor('#555').text(DEFERENCE);
      checkBar(pdf, context.units.length);
    },
  );
}

function heading(pdf: PDFKit.PDFDocument, title: string, line: string): void {
  pdf.font('Helvetica-Bold').fontSize(17).fillColor('#111').text(title);
  pdf.font('Helvetica').fontSize(9).fillColor('#555').text(line).moveDown(0.6);
}

/** The panel with its lines, fitted to the width of the page; not at 1:1, and it says so. */
function drawing(pdf: PDFKit.PDFDocument, plan: CutPlanView, outline: Ring): void {
  const box = boxOf(outline);
  const width = (PAGE.width - 2 * PAGE.margin) * POINTS_PER_MM;
  const height = 88 * POINTS_PER_MM;
  const scale = Math.min(width / (box.maxU - box.minU), height / (box.maxV - box.minV));
  const left = pdf.x;
  const top = pdf.y;
  const drawn = (box.maxV - box.minV) * scale;
  const place = ([u, v]: Point): [number, number] => [
    left + (u - box.minU) * scale,
    top + drawn - (v - box.minV) * scale,
  ];
  const ring = (points: Ring, closed = true) => {
    pdf.moveTo(...place(points[0]!));
    for (const p of points.slice(1)) pdf.lineTo(...place(p));
    if (closed) pdf.closePath();
  };
  ring(outline);
  pdf.lineWidth(0.8).strokeColor('#444').stroke();
  ring(plan.line.rough);
  pdf.lineWidth(0.6).dash(3, { space: 2 }).strokeColor('#888').stroke().undash();
  ring(plan.line.outline);
  pdf.lineWidth(1.4).strokeColor('#b3261e').stroke();
  plan.line.corners.forEach((corner, i) => {
    const [x, y] = place(corner);
    pdf.circle(x, y, 6).fillColor('#fff').fillAndStroke('#fff', '#b3261e');
    pdf
      .fillColor('#b3261e')
      .font('Helvetica-Bold')
      .fontSize(7)
      .text(String(i + 1), x - 6, y - 3, { width: 12, align: 'center', lineBreak: false });
  });
  pdf
    .font('Helvetica')
    .fontSize(7)
    .fillColor('#777')
    .text('Drawing not to scale; red: final line, grey: rough line.', left, top + drawn + 4);
  pdf.moveDown(0.8);
  pdf.x = left;
}

function offsetsTable(pdf: PDFKit.PDFDocument, plan: CutPlanView): void {
  const columns = [14, 58, 58, 46].map((mm) => mm * POINTS_PER_MM);
  const left = pdf.page.margins.left;
  const row = (cells: readonly string[], bold: boolean, size = bold ? 8.5 : 10) => {
    const y = pdf.y;
    let x = left;
    cells.forEach((cell, i) => {
      pdf
        .font(bold ? 'Helvetica-Bold' : i === 0 ? 'Helvetica' : 'Courier')
        .fontSize(size)
        .fillColor('#111')
        .text(cell, x, y, { width: columns[i]!, lineBreak: false });
      x += columns[i]!;
    });
    pdf.x = left;
    pdf.y = y + 15;
  };
  const edges = sharedEdges(plan);
  const longest = Math.max(...(edges ?? []).map((name) => name.length), 0);
  row(
    ['Corner', ...(edges ?? ['one edge', 'the other']).map((name) => `from ${name}`), 'to next corner'],
    true,
    longest > 30 ? 7 : undefined,
  );
  plan.corners.forEach((corner, i) => {
    row([String(i + 1), ...corner.offsets.map(figureText), toNextCorner(plan, i)], false);
    if (!edges) row(['', ...corner.offsets.map(({ datum }) => `from ${datum}`), ''], true, 7);
  });
  for (const trouble of troublesOf(plan)) pdf.font('Helvetica').fontSize(8.5).fillColor('#b3261e').text(trouble, left);
  const note = plan.mirror
    ? `Offsets are square to the edge. On ${plan.mirror} the same figures hold from the mirrored edges.`
    : 'Offsets are square to the edge.';
  pdf.font('Helvetica').fontSize(8).fillColor('#555').text(note, left);
}

/** A bar that measures a round length on the person's rule when it is printed at 100 %. */
const BARS = { mm: { mm: 100, text: '100 mm' }, in: { mm: 101.6, text: '4"' } } as const;

function checkBar(pdf: PDFKit.PDFDocument, unit: keyof typeof BARS): void {
  const bar = BARS[unit];
  const x = PAGE.margin * POINTS_PER_MM;
  const y = (PAGE.height - PAGE.margin - 2) * POINTS_PER_MM;
  const length = bar.mm * POINTS_PER_MM;
  pdf
    .lineWidth(0.8)
    .strokeColor('#000')
    .moveTo(x, y)
    .lineTo(x + length, y)
    .moveTo(x, y - 4)
    .lineTo(x, y + 4)
    .moveTo(x + length, y - 4)
    .lineTo(x + length, y + 4)
    .stroke();
  pdf
    .font('Helvetica')
    .fontSize(7)
    .fillColor('#000')
    .text(`Check bar: ${bar.text} when printed at 100 %`, x, y - 12, { lineBreak: false });
}
