import { Colors, DxfWriter } from '@tarikjabiri/dxf';
import type { OutlineFileInput } from '@aspecta/contract/shape';
import { boxOf, type Point } from '@aspecta/core/geometry';
import { POINTS_PER_MM, pdfOf } from '../files/pdf.ts';
import { ServerProblem } from '../http/problems.ts';

/** Outlines to cut and lines to mark, mm, v up; drawn at 1:1. */
export interface OutlineDrawing {
  title: string;
  cut: readonly (readonly Point[])[];
  mark: readonly (readonly Point[])[];
}

/** More sheets of paper than this are a mistake in the size. */
const MOST_SHEETS = 120;

/** An outline as a file of the kind that was asked for. */
export async function outlineFile({
  as,
  ...drawing
}: OutlineDrawing & { as: OutlineFileInput['as'] }): Promise<Uint8Array> {
  if (as === 'dxf' || as === 'dxf-r12') return Buffer.from(as === 'dxf' ? outlineDxf(drawing) : outlineDxfR12(drawing));
  const paper = as === 'pdf-a4' ? 'a4' : 'letter';
  const box = boxOf([...drawing.cut.flat(), ...drawing.mark.flat()]);
  const { across, up } = tilesOf(box.maxU - box.minU, box.maxV - box.minV, paper);
  if (across * up > MOST_SHEETS)
    throw new ServerProblem(
      'invalid',
      `This would take ${across * up} sheets of paper; at most ${MOST_SHEETS} are drawn.`,
      'cut',
    );
  return outlinePdf(drawing, paper);
}

function shifted({ title, cut, mark }: OutlineDrawing): OutlineDrawing & { width: number; height: number } {
  const box = boxOf([...cut.flat(), ...mark.flat()]);
  const move = (p: Point): Point => [p[0] - box.minU, p[1] - box.minV];
  return {
    title,
    cut: cut.map((ring) => ring.map(move)),
    mark: mark.map((line) => line.map(move)),
    width: box.maxU - box.minU,
    height: box.maxV - box.minV,
  };
}

/** DXF 2000 and later, mm: layer CUT closed polylines, layer MARK open ones. */
export function outlineDxf(drawing: OutlineDrawing): string {
  const { cut, mark } = shifted(drawing);
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
  return dxf.stringify();
}

/** DXF R12 for old cutters: POLYLINE entities only, which every reader knows. */
export function outlineDxfR12(drawing: OutlineDrawing): string {
  const { cut, mark } = shifted(drawing);
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
    ...['0', 'ENDSEC', '0', 'EOF', ''],
  ].join('\r\n');
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
  const { title, cut, mark, width, height } = shifted(drawing);
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
          pdf.lineWidth(0.4).strokeColor('#2a35b8').dash(4, { space: 3 });
          for (const line of mark) trace(line, false);
          pdf.undash();
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
