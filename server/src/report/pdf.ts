import { existsSync } from 'node:fs';
import { personUnits } from '@aspecta/contract/shop';
import { boxOf, type Point, type Ring } from '@aspecta/core/geometry';
import { cautionsFor, DEFERENCE } from '@aspecta/core/safety';
import { inUnits } from '@aspecta/core/units';
import { CELL_CODES, signOf, type ThicknessMap } from '@aspecta/core/survey';
import { pdfOf, POINTS_PER_MM } from '../files/pdf.ts';
import type { Inspection, PanelReport, ShownPicture } from './inspection.ts';
import { tellsDay } from '../shop/day.ts';
import { panelSentences, percent, stateWords, type Reader } from './words.ts';

const MM = POINTS_PER_MM;
const PAGE = { width: 210 * MM, height: 297 * MM, margin: 16 * MM };
const WIDTH = PAGE.width - 2 * PAGE.margin;
const MAP_HEIGHT = 52 * MM;
const THUMB = 30 * MM;
/** Pictures side by side on paper; of one panel no more are shown. */
const IN_A_ROW = 5;
const INK = '#1f2328';
const SOFT = '#5c626b';
const ALARM = '#a3261b';
const FILLS: Readonly<Record<string, string>> = {
  sound: '#bfd0bf',
  worn: '#e3d58f',
  thin: '#dd9b45',
  failing: '#a9512f',
  through: '#471c1c',
};

/** The inspection as a document on A4, for the workshop or in plain words for a customer. */
export async function inspectionPdf(inspection: Inspection, reader: Reader): Promise<Buffer> {
  return pdfOf(
    {
      size: 'A4',
      margin: PAGE.margin,
      bufferPages: true,
      title: `Inspection: ${inspection.vehicle.nickname}`,
    },
    (pdf) => {
      opening(pdf, inspection, reader);
      structural(pdf, inspection);
      for (const report of inspection.panels) panelPart(pdf, report, inspection, reader);
      for (const { title, lines, shown } of inspection.chapters) {
        heading(pdf, title);
        for (const text of lines) line(pdf, `• ${inUnits(text, personUnits(inspection.shop))}`);
        thumbs(pdf, shown);
      }
      notInspected(pdf, inspection, reader);
      cautions(pdf);
      footers(pdf, inspection);
    },
  );
}

type Pdf = PDFKit.PDFDocument;

function room(pdf: Pdf, height: number): void {
  if (pdf.y + height > PAGE.height - PAGE.margin - 20) pdf.addPage();
  pdf.x = PAGE.margin;
}

function heading(pdf: Pdf, text: string, size = 13): void {
  room(pdf, size * 3);
  pdf
    .moveDown(0.7)
    .font('Helvetica-Bold')
    .fontSize(size)
    .fillColor(INK)
    .text(text, PAGE.margin, pdf.y, { width: WIDTH });
  pdf.moveDown(0.25).font('Helvetica').fontSize(9.5);
}

function line(pdf: Pdf, text: string, colour = INK): void {
  room(pdf, 14);
  pdf.font('Helvetica').fontSize(9.5).fillColor(colour).text(text, PAGE.margin, pdf.y, { width: WIDTH });
}

function opening(pdf: Pdf, { vehicle, shop, on, by, walk, coverage, panels }: Inspection, reader: Reader): void {
  pdf.font('Helvetica-Bold').fontSize(20).fillColor(INK).text(`Inspection: ${vehicle.nickname}, ${vehicle.year}`);
  pdf.font('Helvetica').fontSize(10).fillColor(SOFT).text(`${vehicle.plan.name} · ${shop.name} · ${by}, ${on}`);
  pdf.moveDown(0.6);
  const looked = walk.places.filter((place) => place.state === 'looked').length;
  const counts = new Map<string, number>();
  for (const { state } of panels) counts.set(state.state, (counts.get(state.state) ?? 0) + 1);
  line(
    pdf,
    reader === 'customer'
      ? `We measured ${percent(coverage)} of the body and looked at ${looked} of ${walk.places.length} places where such a body rusts first. What was not measured may be good or bad; this report says nothing of it.`
      : `Within reach of a reading: ${percent(coverage)} of the panels’ area. Walk-round: ${looked} of ${walk.places.length} places, ${percent(walk.coverage)} of the risk.`,
  );
  line(
    pdf,
    [...counts].map(([state, n]) => `${n} × ${stateWords(state, reader)}`).join('; ') ||
      'Nothing has been measured yet.',
  );
}

function structural(pdf: Pdf, { walk, vehicle }: Inspection): void {
  const grave = walk.finds.filter((find) => !find.closed && find.structural && signOf(find.sign).weight >= 0.5);
  if (grave.length === 0) return;
  heading(pdf, 'First: found on load-bearing metal');
  for (const find of grave) {
    const panel = vehicle.plan.panels.find((candidate) => candidate.id === find.panel);
    line(
      pdf,
      `• ${panel?.name ?? find.panel}: ${signOf(find.sign).title.toLowerCase()}. ${signOf(find.sign).meaning}`,
      ALARM,
    );
  }
  line(
    pdf,
    'Load-bearing metal is repaired as the law of the country and the maker’s manual say, by or under a qualified person.',
    SOFT,
  );
}

function panelPart(pdf: Pdf, report: PanelReport, { shop }: Inspection, reader: Reader): void {
  heading(pdf, `${report.panel.name}: ${stateWords(report.state.state, reader)}`, 11.5);
  for (const text of panelSentences(report, reader, personUnits(shop), tellsDay(shop.timeZone))) line(pdf, text);
  for (const { map, name } of report.maps) {
    room(pdf, MAP_HEIGHT + 26);
    pdf.moveDown(0.3);
    drawMap(pdf, report, map);
    const key =
      'Green sound, yellow worn, orange thin, red failing, dark through; blank: not measured; slashes: could be either side of the limit; outlined: damage zones.';
    pdf.font('Helvetica').fontSize(7.5).fillColor(SOFT).text(`${name}. ${key}`, PAGE.margin, pdf.y, { width: WIDTH });
  }
  thumbs(pdf, report.photos.slice(0, IN_A_ROW));
}

function drawMap(pdf: Pdf, report: PanelReport, map: ThicknessMap): void {
  const box = boxOf(report.panel.outline);
  const scale = Math.min(WIDTH / box.maxU, MAP_HEIGHT / box.maxV);
  const [left, top] = [PAGE.margin, pdf.y];
  const place = ([u, v]: Point): [number, number] => [left + u * scale, top + (box.maxV - v) * scale];
  const ring = (points: Ring) => {
    pdf.moveTo(...place(points[0]!));
    for (const p of points.slice(1)) pdf.lineTo(...place(p));
    pdf.closePath();
  };
  const size = map.cell * scale;
  // Cells of one class in a row are one rectangle: a map is then a few hundred shapes.
  for (let row = 0; row < map.rows; row++) {
    for (let column = 0; column < map.columns;) {
      const code = map.classes[row * map.columns + column]!;
      let end = column + 1;
      while (end < map.columns && map.classes[row * map.columns + end] === code) end++;
      const fill = FILLS[CELL_CODES[code]!];
      const [x, y] = place([map.origin[0] + column * map.cell, map.origin[1] + (row + 1) * map.cell]);
      if (fill) pdf.rect(x, y, size * (end - column), size).fill(fill);
      column = end;
    }
  }
  pdf.lineWidth(0.5).strokeColor('#33302a');
  for (let i = 0; i < map.under.length; i += 2) {
    const p = map.under[i]!;
    if (!(p > 0.1 && p < 0.9)) continue;
    const [x, y] = place([
      map.origin[0] + (i % map.columns) * map.cell,
      map.origin[1] + Math.floor(i / map.columns) * map.cell,
    ]);
    pdf.moveTo(x, y).lineTo(x + size, y - size);
  }
  pdf.stroke();
  ring(report.panel.outline);
  for (const hole of report.panel.holes.filter((h) => h.kind === 'opening')) ring(hole.outline);
  pdf.lineWidth(0.9).strokeColor('#33302a').stroke();
  for (const zone of report.zones) {
    ring(zone.ring);
    pdf.lineWidth(1.1).strokeColor('#2b3bc4').stroke();
  }
  pdf.y = top + box.maxV * scale + 5;
}

/** Pictures side by side, each with what it shows below it; what is no more there is left out. */
function thumbs(pdf: Pdf, pictures: readonly ShownPicture[]): void {
  const shown = pictures.filter(({ path }) => existsSync(path));
  for (let first = 0; first < shown.length; first += IN_A_ROW) {
    room(pdf, THUMB + 24);
    pdf.moveDown(0.4);
    const top = pdf.y;
    shown.slice(first, first + IN_A_ROW).forEach(({ path, caption }, i) => {
      const x = PAGE.margin + i * (THUMB + 8);
      pdf.image(path, x, top, { fit: [THUMB, THUMB], valign: 'bottom' });
      pdf
        .font('Helvetica')
        .fontSize(7)
        .fillColor(SOFT)
        .text(caption, x, top + THUMB + 2, { width: THUMB, lineBreak: false });
    });
    pdf.y = top + THUMB + 14;
  }
}

function notInspected(pdf: Pdf, inspection: Inspection, reader: Reader): void {
  heading(pdf, 'Not inspected');
  const skipped = inspection.walk.places.filter((place) => place.state === 'skipped');
  if (inspection.notInspected.length > 0)
    line(pdf, `Nothing is known of: ${inspection.notInspected.map((panel) => panel.name).join('; ')}.`);
  if (skipped.length > 0) line(pdf, `Skipped on the walk-round: ${skipped.map((place) => place.title).join('; ')}.`);
  line(
    pdf,
    reader === 'customer'
      ? 'Rust that does not show is the rule with old bodies. Expect more work where nothing could be seen yet.'
      : 'What shows is never all of it: plan a second survey after stripping and after the rough cut.',
    SOFT,
  );
}

function cautions(pdf: Pdf): void {
  heading(pdf, 'Cautions');
  for (const caution of cautionsFor('survey')) line(pdf, `• ${caution.title}. ${caution.text}`);
  line(pdf, DEFERENCE, SOFT);
}

function footers(pdf: Pdf, { vehicle, on }: Inspection): void {
  const { start, count } = pdf.bufferedPageRange();
  for (let i = start; i < start + count; i++) {
    pdf.switchToPage(i);
    pdf.page.margins.bottom = 0;
    pdf
      .font('Helvetica')
      .fontSize(8)
      .fillColor(SOFT)
      .text(`${vehicle.nickname} · ${on} · page ${i + 1} of ${count}`, PAGE.margin, PAGE.height - 11 * MM, {
        width: WIDTH,
        align: 'center',
        lineBreak: false,
      });
  }
}
