import { CLOSING_WORDS, FASTENER_WORDS, JOINT_WORDS, type JointsView } from '@aspecta/contract/repair';
import type { Panel } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { cautionsFor, DEFERENCE } from '@aspecta/core/safety';
import { formatLength, inUnits, type PersonUnits } from '@aspecta/core/units';
import { whereOnJoint } from '@aspecta/core/weld';
import { POINTS_PER_MM, fitted, numbered, pdfOf, stroked } from '../files/pdf.ts';

const MARGIN = 15 * POINTS_PER_MM;

export interface DrillMapContext {
  vehicle: string;
  panel: Panel;
  /** In what it is read. */
  units: PersonUnits;
  by: string;
  on: string;
}

/** The drill map on A4, for the car: every fastener numbered in its place, and joint by joint how many, how far apart, what is hidden. */
export async function drillMap(view: JointsView, context: DrillMapContext): Promise<Buffer> {
  const { panel, units } = context;
  return pdfOf({ size: 'A4', margin: MARGIN, title: `Drill map: ${panel.name}` }, (pdf) => {
    pdf.font('Helvetica-Bold').fontSize(17).fillColor('#111').text(`Drill map – ${panel.name}`);
    pdf.font('Helvetica').fontSize(9).fillColor('#555').text(`${context.vehicle} · ${context.by}, ${context.on}`);
    const opened = view.fasteners.filter(({ state }) => state !== 'holds').length;
    pdf.moveDown(0.4).fontSize(10).fillColor('#111');
    pdf.text(`${view.fasteners.length} fasteners, ${opened} of them opened or loose (crossed out).`).moveDown(0.3);
    drawing(pdf, view);
    view.joints.forEach((joint, i) => jointText(pdf, { view, i, panel, units }));
    pdf.moveDown(0.6).font('Helvetica-Bold').fontSize(10).fillColor('#111').text('Before you drill');
    pdf
      .font('Helvetica')
      .fontSize(8.5)
      .text('• Upper sheet only; a small hole first, so that the cutter does not wander.');
    for (const { title, text } of cautionsFor('cut')) pdf.text(`• ${title}. ${inUnits(text, units)}`);
    pdf.moveDown(0.4).fillColor('#555').text(DEFERENCE);
  });
}

function drawing(pdf: PDFKit.PDFDocument, { piece, joints, fasteners }: JointsView): void {
  const { place, left, bottom } = fitted(pdf, piece, 90);
  pdf.lineWidth(0.5).strokeColor('#bbb');
  stroked(pdf, piece, { place, closed: true });
  pdf.lineWidth(1).strokeColor('#666');
  for (const { line } of joints) stroked(pdf, line as Point[], { place });
  const marks = fasteners.map(({ n, at, state, hidden }) => ({ n, at: place(at), state, hidden }));
  for (const {
    at: [x, y],
    state,
    hidden,
  } of marks) {
    pdf.lineWidth(0.7).strokeColor('#111');
    pdf.circle(x, y, 2.2);
    if (hidden) pdf.dash(1, { space: 1 }).stroke().undash();
    else pdf.stroke();
    if (state !== 'holds')
      pdf
        .moveTo(x - 3, y - 3)
        .lineTo(x + 3, y + 3)
        .stroke();
  }
  numbered(pdf, marks);
  pdf.font('Helvetica').fontSize(7).fillColor('#777');
  pdf.text('Not to scale. Dashed: hidden under sealer, trim or another flange.', left, bottom + 8).moveDown(0.6);
}

/** One joint in words: its fasteners by number, the first of them by the tape, their distance, how it is closed again. */
function jointText(
  pdf: PDFKit.PDFDocument,
  { view, i, panel, units }: { view: JointsView; i: number; panel: Panel; units: PersonUnits },
): void {
  const joint = view.joints[i]!;
  const own = view.fasteners.filter((fastener) => fastener.joint === i);
  const said = (mm: number) => formatLength({ mm, unit: units.length }).text;
  const name = `${JOINT_WORDS[joint.kind] ?? joint.kind}${joint.kind === 'cut' ? '' : `, ${joint.name}`}`;
  pdf.font('Helvetica-Bold').fontSize(9.5).fillColor('#111').text(name);
  const facts = [said(joint.length), `closed again: ${CLOSING_WORDS[joint.closing].toLowerCase()}`];
  if (own.length > 0) {
    const [one, many] = FASTENER_WORDS[joint.kind] ?? ['fastener', 'fasteners'];
    const first = own[0]!;
    const { mm, end } = whereOnJoint(panel, joint.line as Point[], first.at);
    facts.push(
      `${own.length} ${own.length === 1 ? one : many}, No. ${first.n} to ${own.at(-1)!.n}`,
      `every ${said(joint.pitch ?? 0)}, No. ${first.n} lies ${said(mm)} from the ${end}`,
    );
  }
  if ((joint.sheets ?? 2) > 2) facts.push(`${joint.sheets} sheets: they part in an order`);
  if (joint.hidden) facts.push('hidden');
  pdf.font('Helvetica').fontSize(9).text(facts.join(' · ')).moveDown(0.25);
}
