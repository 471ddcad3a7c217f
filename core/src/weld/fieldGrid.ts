import { between, inRing, toSegment, type Point } from '../geometry/index.ts';
import type { FieldStitch, Grid } from './field.ts';

/** Two neighbouring cells with the open joint between them, and when it is welded there (s; Infinity: never). */
export interface GapEdge {
  a: number;
  b: number;
  closes: number;
  /** Where, mm. */
  at: Point;
  /** Set by whoever has taken note of it. */
  closed: boolean;
}

/** A joint that stands open until it is welded: mm; the ends of a closed one meet. */
export interface OpenJoint {
  points: readonly Point[];
  closed: boolean;
  width: number;
}

/** Where open joints separate neighbouring cells. */
export function gapEdges(joints: readonly OpenJoint[], stitches: readonly FieldStitch[], grid: Grid): GapEdge[] {
  return joints.flatMap((joint) => edgesOf(joint, stitches, grid));
}

function edgesOf({ points, closed, width }: OpenJoint, stitches: readonly FieldStitch[], grid: Grid): GapEdge[] {
  const { cols, rows, cell } = grid;
  const found = new Map<string, { a: number; b: number; at: Point }>();
  points.slice(closed ? 0 : 1).forEach((q, i) => {
    const p = points.at(i - (closed ? 1 : 0))!;
    // Rows whose line of centres is crossed separate cells left and right; columns, cells below and above.
    crossings(p[1], q[1], cell, rows, (row, share) => {
      const u = p[0] + (q[0] - p[0]) * share;
      const col = Math.floor(u / cell - 0.5);
      if (col >= 0 && col + 1 < cols) {
        const a = row * cols + col;
        found.set(`r${a}`, { a, b: a + 1, at: [u, (row + 0.5) * cell] });
      }
    });
    crossings(p[0], q[0], cell, cols, (col, share) => {
      const v = p[1] + (q[1] - p[1]) * share;
      const row = Math.floor(v / cell - 0.5);
      if (row >= 0 && row + 1 < rows) {
        const a = row * cols + col;
        found.set(`u${a}`, { a, b: a + cols, at: [(col + 0.5) * cell, v] });
      }
    });
  });
  const reach = 0.75 * cell + width / 2;
  return [...found.values()].map(({ a, b, at }) => ({
    a,
    b,
    at,
    closed: false,
    closes: stitches.reduce(
      (first, s) => (s.at < first && toSegment(at, s.start, s.end) <= reach ? s.at : first),
      Infinity,
    ),
  }));
}

/** Lines of cell centres that a piece from `from` to `to` crosses; a centre on the start counts, on the end not. */
function crossings(
  from: number,
  to: number,
  cell: number,
  count: number,
  note: (index: number, share: number) => void,
): void {
  if (from === to) return;
  const [low, high] = [Math.min(from, to), Math.max(from, to)];
  for (let k = Math.max(0, Math.ceil(low / cell - 0.5)); k < count; k++) {
    const centre = (k + 0.5) * cell;
    if (centre >= high) break;
    note(k, (centre - from) / (to - from));
  }
}

/** Cells into which a stitch puts its heat, with their shares; evenly along it, between the four nearest centres. */
export function stitchCells({ start, end }: FieldStitch, { cols, rows, cell }: Grid): [number, number][] {
  const samples = Math.max(1, Math.ceil((2 * between(start, end)) / cell));
  const shares = new Map<number, number>();
  const limit = (x: number, n: number) => Math.min(n - 1, Math.max(0, x));
  for (let k = 0; k < samples; k++) {
    const share = (k + 0.5) / samples;
    const x = limit((start[0] + (end[0] - start[0]) * share) / cell - 0.5, cols);
    const y = limit((start[1] + (end[1] - start[1]) * share) / cell - 0.5, rows);
    const [c, r] = [Math.min(cols - 2, Math.floor(x)), Math.min(rows - 2, Math.floor(y))];
    const [fx, fy] = [x - c, y - r];
    for (const [row, col, part] of [
      [r, c, (1 - fx) * (1 - fy)],
      [r, c + 1, fx * (1 - fy)],
      [r + 1, c, (1 - fx) * fy],
      [r + 1, c + 1, fx * fy],
    ] as const)
      if (part > 0) shares.set(row * cols + col, (shares.get(row * cols + col) ?? 0) + part / samples);
  }
  return [...shares];
}

/** Cells whose centre lies inside a ring. */
export function coveredCells(ring: readonly Point[], { cols, rows, cell }: Grid): number[] {
  const cells: number[] = [];
  for (let row = 0; row < rows; row++)
    for (let col = 0; col < cols; col++)
      if (inRing([(col + 0.5) * cell, (row + 0.5) * cell], ring)) cells.push(row * cols + col);
  return cells;
}
