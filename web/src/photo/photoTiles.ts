import type { PhotoView } from '@aspecta/contract/survey';

/** A piece of a picture and the affine map (a b c d e f of SVG) that lays it on the panel. */
export interface PhotoTile {
  key: string;
  x: number;
  y: number;
  width: number;
  height: number;
  matrix: readonly [number, number, number, number, number, number];
}

/** Pieces along each side: the seams between them are then under a millimetre on a panel. */
const PIECES = 16;
/** px by which pieces overlap, so that no gap shows between them. */
const OVERLAP = 8;

/** Where a place of the picture lies on the panel, mm; null beyond the horizon. */
export function onPanel(matrix: readonly number[], x: number, y: number): [number, number] | null {
  const w = matrix[6]! * x + matrix[7]! * y + matrix[8]!;
  if (Math.abs(w) < 1e-12) return null;
  return [(matrix[0]! * x + matrix[1]! * y + matrix[2]!) / w, (matrix[3]! * x + matrix[4]! * y + matrix[5]!) / w];
}

/** A rectified picture as pieces small enough to be carried straight. SVG knows no projective maps. */
export function photoTiles({ width, height, matrix }: Pick<PhotoView, 'width' | 'height' | 'matrix'>): PhotoTile[] {
  if (!matrix) return [];
  const [w, h] = [width / PIECES, height / PIECES];
  const sign = (x: number, y: number) => Math.sign(matrix[6]! * x + matrix[7]! * y + matrix[8]!);
  const middle = sign(width / 2, height / 2);
  const tiles: PhotoTile[] = [];
  for (let row = 0; row < PIECES; row++) {
    for (let column = 0; column < PIECES; column++) {
      const [x, y] = [column * w, row * h];
      const corners = [
        [x, y],
        [x + w, y],
        [x, y + h],
        [x + w, y + h],
      ] as const;
      // What lies beyond the horizon of the sheet is not on it.
      if (corners.some(([cx, cy]) => sign(cx, cy) !== middle)) continue;
      const [p, q, r] = corners.slice(0, 3).map(([cx, cy]) => onPanel(matrix, cx, cy)!) as [number, number][] as [
        [number, number],
        [number, number],
        [number, number],
      ];
      const [a, b] = [(q[0] - p[0]) / w, (q[1] - p[1]) / w];
      const [c, d] = [(r[0] - p[0]) / h, (r[1] - p[1]) / h];
      tiles.push({
        key: `${row}-${column}`,
        x: x - OVERLAP / 2,
        y: y - OVERLAP / 2,
        width: w + OVERLAP,
        height: h + OVERLAP,
        matrix: [a, b, c, d, p[0] - a * x - c * y, p[1] - b * x - d * y],
      });
    }
  }
  return tiles;
}
