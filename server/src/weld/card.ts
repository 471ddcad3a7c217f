import { PROCESS_WORDS, STEP_WORDS, type WeldPlanView } from '@aspecta/contract/weld';
import type { Panel } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { cautionsFor, DEFERENCE } from '@aspecta/core/safety';
import { formatLength, inUnits, type PersonUnits } from '@aspecta/core/units';
import { whereOnJoint, type WeldStep } from '@aspecta/core/weld';
import { POINTS_PER_MM, fitted, numbered, pdfOf, stroked } from '../files/pdf.ts';

const PAGE = { width: 210, height: 297, margin: 15 };
const COLUMNS = [12, 44, 84, 20].map((mm) => mm * POINTS_PER_MM);
const ROW = 13;

export interface WeldCardContext {
  vehicle: string;
  panel: Panel;
  /** In what it is read. */
  units: PersonUnits;
  by: string;
  on: string;
}

/** The weld card on A4, for the wall: how the welder is set, the joints with their welds numbered, every step with its place and its wait. */
export async function weldCard(view: WeldPlanView, context: WeldCardContext): Promise<Buffer> {
  return pdfOf(
    {
      size: 'A4',
      margin: PAGE.margin * POINTS_PER_MM,
      title: `Weld card: ${context.panel.name}`,
    },
    (pdf) => {
      const said = (text: string) => inUnits(text, context.units);
      pdf.font('Helvetica-Bold').fontSize(17).fillColor('#111').text(`Weld card – ${context.panel.name}`);
      pdf.font('Helvetica').fontSize(9).fillColor('#555');
      pdf.text(`${context.vehicle} · ${context.by}, ${context.on}`).moveDown(0.4);
      pdf
        .fontSize(10)
        .fillColor('#111')
        .text(said(settingsText(view)))
        .moveDown(0.4);
      drawing(pdf, view, context.panel);
      stepsTable(pdf, view, context);
      pdf.moveDown(0.8).font('Helvetica-Bold').fontSize(10).fillColor('#111');
      pdf.text('Before you weld', pdf.page.margins.left).font('Helvetica').fontSize(8.5);
      for (const caution of cautionsFor('weld')) pdf.text(`• ${caution.title}. ${said(caution.text)}`);
      pdf.moveDown(0.4).fillColor('#555').text(DEFERENCE);
    },
  );
}

function settingsText({ input, plan: { settings, totalTime, waitTime } }: WeldPlanView): string {
  const figures = [
    ...(settings.tackCurrent === null ? [] : [`tacks ${settings.tackCurrent} A`]),
    ...(settings.seamCurrent === null ? [] : [`seams ${settings.seamCurrent} A`]),
    ...(settings.volts === null ? [] : [`${settings.volts} V`]),
    ...(settings.filler === null ? [] : [`wire or rod ${settings.filler} mm`]),
    ...(settings.polarity ? [settings.polarity] : []),
    settings.gas,
    ...(settings.gasFlow === null ? [] : [`${settings.gasFlow} l/min`]),
  ];
  const minutes = (seconds: number) => `${Math.round(seconds / 60)} min`;
  return `${PROCESS_WORDS[input.process]}: ${figures.join(', ')}. About ${minutes(totalTime)}, ${minutes(waitTime)} of it waiting. Weld again below ${input.handWarm} °C.`;
}

/** The joints with their welds numbered, fitted to the width of the page; not at 1:1, and it says so. */
function drawing(pdf: PDFKit.PDFDocument, { joints, plan }: WeldPlanView, panel: Panel): void {
  const points = joints.flatMap((joint) => joint.points as Point[]);
  const { place, left, bottom } = fitted(pdf, points.length > 0 ? points : panel.outline, 78);
  pdf.lineWidth(0.8).strokeColor('#888');
  for (const { points: line, closed } of joints) stroked(pdf, line as Point[], { place, closed });
  const marks = plan.steps.flatMap(({ n, from, to }) =>
    from && to ? [{ n, at: place([(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]) }] : [],
  );
  for (const { at } of marks) pdf.circle(...at, 1.6).fill('#b3261e');
  numbered(pdf, marks);
  pdf.font('Helvetica').fontSize(7).fillColor('#777');
  pdf.text('Not to scale; numbers are the order of the welds.', left, bottom + 8);
  pdf.moveDown(0.6);
}

function stepsTable(pdf: PDFKit.PDFDocument, view: WeldPlanView, { panel, units }: WeldCardContext): void {
  const done = new Set(view.done.map(({ n }) => n));
  row(pdf, ['No.', 'Step', 'Where', 'Wait'], true);
  for (const step of view.plan.steps) {
    const joint = view.joints[step.seam];
    row(
      pdf,
      [
        `${done.has(step.n) ? '(done) ' : ''}${step.n}`,
        STEP_WORDS[step.kind][0],
        inUnits(whereText(step, view, panel, units) || (joint ? joint.name : step.text), units),
        step.wait > 0 ? clock(step.wait) : '',
      ],
      false,
    );
  }
}

/** How far along its joint, and from which end. */
function whereText(
  { from, to, seam }: WeldStep,
  { joints }: WeldPlanView,
  panel: Panel,
  { length: unit }: PersonUnits,
): string {
  const joint = joints[seam];
  if (!from || !to || !joint) return '';
  const line = (joint.closed ? [...joint.points, joint.points[0]!] : joint.points) as Point[];
  const { mm, end } = whereOnJoint(panel, line, [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2]);
  return `${joint.name}: ${formatLength({ mm, unit }).text} from the ${end}`;
}

function row(pdf: PDFKit.PDFDocument, cells: readonly string[], bold: boolean): void {
  if (pdf.y + ROW > pdf.page.height - pdf.page.margins.bottom) pdf.addPage();
  const y = pdf.y;
  let x = pdf.page.margins.left;
  cells.forEach((cell, i) => {
    pdf
      .font(bold ? 'Helvetica-Bold' : 'Helvetica')
      .fontSize(bold ? 8.5 : 9)
      .fillColor('#111');
    pdf.text(cell, x, y, { width: COLUMNS[i]!, height: ROW, ellipsis: true, lineBreak: false });
    x += COLUMNS[i]!;
  });
  pdf.x = pdf.page.margins.left;
  pdf.y = y + ROW;
}

const clock = (seconds: number): string =>
  `${Math.floor(seconds / 60)}:${String(Math.round(seconds % 60)).padStart(2, '0')}`;
