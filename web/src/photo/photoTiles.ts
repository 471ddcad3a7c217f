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

type Place = [number, number];

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
      const [p, q, r, t] = corners.map(([cx, cy]) => onPanel(matrix, cx, cy)!) as [Place, Place, Place, Place];
      // The slopes of its two middle lines, laid through the middle of its corners: what strays, strays evenly.
      const [a, b] = [0, 1].map((i) => (q[i]! + t[i]! - p[i]! - r[i]!) / (2 * w)) as Place;
      const [c, d] = [0, 1].map((i) => (r[i]! + t[i]! - p[i]! - q[i]!) / (2 * h)) as Place;
      const [u, v] = [0, 1].map((i) => (p[i]! + q[i]! + r[i]! + t[i]!) / 4) as Place;
      const [mx, my] = [x + w / 2, y + h / 2];
      tiles.push({
        key: `${row}-${column}`,
        x: x - OVERLAP / 2,
        y: y - OVERLAP / 2,
        width: w + OVERLAP,
        height: h + OVERLAP,
        matrix: [a, b, c, d, u - a * mx - c * my, v - b * mx - d * my],
      });
    }
  }
  return tiles;
}
