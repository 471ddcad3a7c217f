import { Colors, DxfWriter, point3d } from '@tarikjabiri/dxf';
import type { OutlineFileInput } from '@aspecta/contract/shape';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { POINTS_PER_MM, pdfOf } from '../files/pdf.ts';
import { ServerProblem } from '../http/problems.ts';

type Lines = readonly (readonly Point[])[];

/** Outlines to cut and lines to bend, slit and mark, mm, v up; drawn at 1:1. */
export interface OutlineDrawing {
  title: string;
  cut: Lines;
  mark: Lines;
  bend?: Lines;
  slit?: Lines;
  /** What stands beside a line. */
  words?: readonly { at: Point; text: string }[];
}

/** More sheets of paper than this are a mistake in the size. */
const MOST_SHEETS = 120;

/** An outline as a file of the kind that was asked for. */
export async function outlineFile({
  as,
  ...drawing
}: OutlineDrawing & { as: OutlineFileInput['as'] | 'svg' }): Promise<Uint8Array> {
  if (as === 'svg') return Buffer.from(outlineSvg(drawing));
  if (as === 'dxf' || as === 'dxf-r12') return Buffer.from(as === 'dxf' ? outlineDxf(drawing) : outlineDxfR12(drawing));
  const paper = as === 'pdf-a4' ? 'a4' : 'letter';
  const { width, height } = shifted(drawing);
  const { across, up } = tilesOf(width, height, paper);
  if (across * up > MOST_SHEETS)
    throw new ServerProblem(
      'invalid',
      `This would take ${across * up} sheets of paper; at most ${MOST_SHEETS} are drawn.`,
      'cut',
    );
  return outlinePdf(drawing, paper);
}

/** With the lower left corner at nothing. */
function shifted({ title, cut, mark, bend = [], slit = [], words = [] }: OutlineDrawing) {
  const box = boxOf([...cut, ...mark, ...bend, ...slit].flat());
  const move = (p: Point): Point => [p[0] - box.minU, p[1] - box.minV];
  const moved = (lines: Lines) => lines.map((line) => line.map(move));
  return {
    title,
    cut: moved(cut),
    mark: moved(mark),
    bend: moved(bend),
    slit: moved(slit),
    words: words.map(({ at, text }) => ({ at: move(at), text })),
    width: box.maxU - box.minU,
    height: box.maxV - box.minV,
  };
}

/** DXF 2000 and later, mm: layer CUT closed polylines; BEND, SLIT and MARK open ones. */
export function outlineDxf(drawing: OutlineDrawing): string {
  const { cut, mark, bend, slit, words } = shifted(drawing);
  const dxf = new DxfWriter();
  dxf.setUnits(4); // mm
  dxf.addLayer('CUT', Colors.White, 'CONTINUOUS');
  dxf.addLayer('MARK', Colors.Red, 'CONTINUOUS');
  const add = (lines: readonly (readonly Point[])[], flags: number) => {
    for (const line of lines)
      dxf.addLWPolyline(
        line.map(([x, y]) => ({ point: { x, y } })),
        { flags },
      );
  };
  dxf.setCurrentLayerName('CUT');
  add(cut, 1);
  dxf.setCurrentLayerName('MARK');
  add(mark, 0);
  for (const { at, text } of words) dxf.addText(point3d(at[0], at[1], 0), 4, text);
  for (const [name, lines, colour] of [
    ['BEND', bend, Colors.Blue],
    ['SLIT', slit, Colors.Green],
  ] as const) {
    if (lines.length === 0) continue;
    dxf.addLayer(name, colour, 'CONTINUOUS');
    dxf.setCurrentLayerName(name);
    add(lines, 0);
  }
  return dxf.stringify();
}

/** DXF R12 for old cutters: POLYLINE entities only, which every reader knows. */
export function outlineDxfR12(drawing: OutlineDrawing): string {
  const { cut, mark, bend, slit } = shifted(drawing);
  const polyline = (points: readonly Point[], layer: string, closed: boolean) => [
    ...['0', 'POLYLINE', '8', layer, '66', '1', '70', closed ? '1' : '0'],
    ...points.flatMap(([x, y]) => ['0', 'VERTEX', '8', layer, '10', x.toFixed(4), '20', y.toFixed(4), '30', '0.0']),
    ...['0', 'SEQEND', '8', layer],
  ];
  return [
    ...['0', 'SECTION', '2', 'HEADER', '9', '$ACADVER', '1', 'AC1009', '0', 'ENDSEC'],
    ...['0', 'SECTION', '2', 'ENTITIES'],
    ...cut.flatMap((ring) => polyline(ring, 'CUT', true)),
    ...mark.flatMap((line) => polyline(line, 'MARK', false)),
    ...bend.flatMap((line) => polyline(line, 'BEND', false)),
    ...slit.flatMap((line) => polyline(line, 'SLIT', false)),
    ...['0', 'ENDSEC', '0', 'EOF', ''],
  ].join('\r\n');
}

/** What stands in a drawing as words. */
export const escapeXml = (text: string) => text.replace(/[<>&"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** SVG at 1:1 with a 100 mm check bar below it; a group for each kind of line. */
export function outlineSvg(drawing: OutlineDrawing): string {
  const { title, cut, mark, bend, slit, words, width, height } = shifted(drawing);
  const [margin, bar] = [12, 16];
  const size = [Math.max(width, 100) + 2 * margin, height + 2 * margin + bar].map((mm) => mm.toFixed(2));
  const at = ([u, v]: Point) => `${(u + margin).toFixed(2)},${(height - v + margin).toFixed(2)}`;
  const path = (line: readonly Point[], closed: boolean) => `M${line.map(at).join('L')}${closed ? 'Z' : ''}`;
  const group = (id: string, lines: Lines, look: string, closed = false) =>
    lines.length === 0
      ? []
      : [`<path id="${id}" d="${lines.map((line) => path(line, closed)).join('')}" fill="none" ${look}/>`];
  const foot = height + 2 * margin + bar - margin / 2;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${size[0]}mm" height="${size[1]}mm" viewBox="0 0 ${size.join(' ')}">`,
    `<title>${escapeXml(title)}</title>`,
    ...group('cut', cut, 'stroke="#000" stroke-width="0.25"', true),
    ...group('bend', bend, 'stroke="#2a35b8" stroke-width="0.25" stroke-dasharray="4 2"'),
    ...group('slit', slit, 'stroke="#000" stroke-width="0.25"'),
    ...group('mark', mark, 'stroke="#a3241b" stroke-width="0.2"'),
    ...words.map(
      ({ at: [u, v], text }) =>
        `<text x="${(u + margin).toFixed(2)}" y="${(height - v + margin).toFixed(2)}" font-size="4" font-family="sans-serif" fill="#2a35b8">${escapeXml(text)}</text>`,
    ),
    `<path id="check-100mm" d="M${margin},${foot}h100M${margin},${foot - 3}v6M${margin + 100},${foot - 3}v6" stroke="#000" stroke-width="0.3"/>`,
    `<text x="${margin + 50}" y="${foot - 2}" font-size="4" text-anchor="middle" font-family="sans-serif">100 mm</text>`,
    '</svg>',
  ].join('\n');
}

/** mm. */
const PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const;
export type Paper = keyof typeof PAPERS;
const MARGIN = 10;
/** mm by which neighbouring sheets overlap, so that they can be laid onto each other's crosses. */
const OVERLAP = 10;
/** mm at the foot of each sheet for its name and the check bar. */
const FOOT = 14;

/** How many sheets across and up a drawing takes. */
export function tilesOf(
  width: number,
  height: number,
  paper: Paper,
): { across: number; up: number; tile: [number, number] } {
  const tile: [number, number] = [PAPERS[paper][0] - 2 * MARGIN, PAPERS[paper][1] - 2 * MARGIN - FOOT];
  const count = (size: number, room: number) => Math.max(1, Math.ceil((size - OVERLAP) / (room - OVERLAP) - 1e-9));
  return { across: count(width, tile[0]), up: count(height, tile[1]), tile };
}

/** PDF at 1:1 on as many sheets as it takes, with crosses where they overlap and a 100 mm bar on each. */
export async function outlinePdf(drawing: OutlineDrawing, paper: Paper): Promise<Buffer> {
  const { title, cut, mark, bend, slit, words, width, height } = shifted(drawing);
  const { across, up, tile } = tilesOf(width, height, paper);
  const [pageWidth, pageHeight] = PAPERS[paper];
  return pdfOf(
    {
      size: [pageWidth * POINTS_PER_MM, pageHeight * POINTS_PER_MM],
      margin: 0,
      autoFirstPage: false,
      title,
    },
    (pdf) => {
      for (let row = up - 1; row >= 0; row--)
        for (let col = 0; col < across; col++) {
          pdf.addPage();
          const [fromU, fromV] = [col * (tile[0] - OVERLAP), row * (tile[1] - OVERLAP)];
          const at = ([u, v]: Point): [number, number] => [
            (MARGIN + u - fromU) * POINTS_PER_MM,
            (MARGIN + tile[1] - (v - fromV)) * POINTS_PER_MM,
          ];
          pdf.save();
          pdf
            .rect(MARGIN * POINTS_PER_MM, MARGIN * POINTS_PER_MM, tile[0] * POINTS_PER_MM, tile[1] * POINTS_PER_MM)
            .clip();
          const trace = (line: readonly Point[], closed: boolean) => {
            line.forEach((p, i) => (i === 0 ? pdf.moveTo(...at(p)) : pdf.lineTo(...at(p))));
            if (closed) pdf.closePath();
            pdf.stroke();
          };
          pdf.lineWidth(0.6).strokeColor('#000');
          for (const ring of cut) trace(ring, true);
          for (const line of slit) trace(line, false);
          pdf.lineWidth(0.4).strokeColor('#2a35b8').dash(4, { space: 3 });
          for (const line of [...bend, ...mark]) trace(line, false);
          pdf.undash().fontSize(7).fillColor('#2a35b8');
          for (const word of words) pdf.text(word.text, ...at(word.at), { lineBreak: false });
          // Crosses at the middle of each overlap: those of the neighbour lie on the same places.
          pdf.lineWidth(0.4).strokeColor('#a3241b');
          for (let c = 0; c <= across; c++)
            for (let r = 0; r <= up; r++) {
              const place: Point = [c * (tile[0] - OVERLAP) + OVERLAP / 2, r * (tile[1] - OVERLAP) + OVERLAP / 2];
              const [x, y] = at(place);
              pdf
                .moveTo(x - 8, y)
                .lineTo(x + 8, y)
                .moveTo(x, y - 8)
                .lineTo(x, y + 8)
                .stroke();
            }
          pdf.restore();
          const foot = (pageHeight - MARGIN - 4) * POINTS_PER_MM;
          const left = MARGIN * POINTS_PER_MM;
          pdf
            .lineWidth(0.6)
            .strokeColor('#000')
            .moveTo(left, foot)
            .lineTo(left + 100 * POINTS_PER_MM, foot)
            .stroke();
          for (const x of [left, left + 100 * POINTS_PER_MM])
            pdf
              .moveTo(x, foot - 6)
              .lineTo(x, foot + 6)
              .stroke();
          pdf
            .fontSize(8)
            .fillColor('#222')
            .text(
              `100 mm: measure it before cutting.  ${title}, sheet ${col + 1} of ${across} across, ${row + 1} of ${up} up; face up.`,
              left,
              foot - 20,
              { lineBreak: false },
            );
        }
    },
  );
}
