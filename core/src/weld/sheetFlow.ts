import type { Grid } from './field.ts';
import type { GapEdge } from './fieldGrid.ts';

interface Heat {
  cells: readonly (readonly [number, number])[];
  /** K/s of one bare cell for the whole source. */
  power: number;
}

/** Thomas factors of lines of cells. */
interface Line {
  inverse: Float64Array;
  lower: Float64Array;
  upper: Float64Array;
}

/** Factors for one length of step: of each row, those that no open joint crosses sharing one; and of all columns. */
interface Factors {
  h: number;
  plain: Line;
  rows: Line[];
  columns: Line;
}

/** Lengths of step whose factors are kept. */
const MOST_KEPT = 8;

/**
 * Heat flow in a sheet by alternating directions: half a step implicit along the rows, half
 * along the columns. Stable for any step, second order, and conservative.
 * Source: Peaceman & Rachford 1955.
 */
export class SheetFlow {
  private readonly cells: Float64Array;
  /** By which all cells have still to be multiplied. */
  private factor = 1;
  /** Heat in the sheet, K of bare cells; only kept without copper behind it. */
  private total = 0;
  private readonly grid: Grid;
  /** 1/s: how fast a cell follows one neighbour. */
  private readonly rate: number;
  private readonly share: Float64Array | undefined;
  private readonly right: Float64Array;
  /** One row, half a step on. */
  private readonly half: Float64Array;
  /** 1 where a cell conducts to the next one in its row (column), 0 over the open joint and at the edge. */
  private readonly toRight: Uint8Array;
  private readonly toUp: Uint8Array;
  private factors = new Map<number, Factors>();

  constructor(grid: Grid, rate: number, share: Float64Array | undefined) {
    const n = grid.cols * grid.rows;
    this.grid = grid;
    this.rate = rate;
    this.share = share;
    this.cells = new Float64Array(n);
    this.right = new Float64Array(n);
    this.half = new Float64Array(grid.cols);
    this.toRight = new Uint8Array(n).fill(1);
    this.toUp = new Uint8Array(n).fill(1);
    for (let row = 0; row < grid.rows; row++) this.toRight[row * grid.cols + grid.cols - 1] = 0;
    this.toUp.fill(0, n - grid.cols);
  }

  /** The joint stands open between these cells. */
  open(edges: readonly GapEdge[]): void {
    for (const { a, b } of edges) this.conduct(a, b, 0);
    this.factors.clear();
  }

  /** The joint is welded between these cells. */
  close(edges: readonly GapEdge[]): void {
    if (edges.length === 0) return;
    for (const edge of edges) {
      edge.closed = true;
      this.conduct(edge.a, edge.b, 1);
    }
    // Only the lines of cells across these edges follow other equations now, from the edge on.
    const { cols } = this.grid;
    const n = this.toUp.length;
    for (const factors of this.factors.values())
      for (const { a, b } of edges)
        if (b === a + 1) {
          const row = Math.floor(a / cols);
          factors.rows[row] = this.rowLine(row, factors);
        } else for (let i = a; i < n; i += cols) this.columnCell(factors, i);
  }

  private conduct(a: number, b: number, how: number): void {
    if (b === a + 1) this.toRight[a] = how;
    else this.toUp[a] = how;
  }

  /** Lets both faces lose heat; returns how much, in K of bare cells. */
  lose(loss: number): number {
    if (loss === 0) return 0;
    const { share } = this;
    if (!share) {
      // The same share of every cell: kept as one factor until the cells are next walked.
      const keep = Math.exp(-loss);
      const lost = this.total * (1 - keep);
      this.factor *= keep;
      this.total -= lost;
      return lost;
    }
    const cells = this.cells;
    let lost = 0;
    for (let i = 0; i < cells.length; i++) {
      const gone = -cells[i]! * Math.expm1(-loss / share[i]!);
      lost += gone * share[i]!;
      cells[i]! -= gone;
    }
    return lost;
  }

  /** K of each cell; the caller may look, and add by `add`. */
  get rise(): Float64Array {
    if (this.factor !== 1) {
      for (let i = 0; i < this.cells.length; i++) this.cells[i]! *= this.factor;
      this.factor = 1;
    }
    return this.cells;
  }

  /** Puts heat in at once, K of bare cells. */
  add(heat: number, where: Heat['cells']): void {
    const cells = this.rise;
    for (const [i, part] of where) cells[i]! += (heat * part) / (this.share ? this.share[i]! : 1);
    this.total += heat;
  }

  /** One step of dt seconds; returns the power of the sources, in K/s of bare cells. */
  step(dt: number, sources: readonly Heat[]): number {
    const h = (this.rate * dt) / 2;
    const factors = this.factorsFor(dt, h);
    // Explicit along the columns, then implicit along the rows.
    this.alongColumns(h);
    this.heat(this.right, sources, dt / 2);
    solveRows(this.right, this.half, factors.rows, this.grid, this.share);
    this.heat(this.right, sources, dt / 2);
    solveColumns(this.right, this.cells, factors.columns, this.grid);
    const power = sources.reduce((sum, source) => sum + source.power, 0);
    this.total += power * dt;
    return power;
  }

  private alongColumns(h: number): void {
    const { right, share } = this;
    const cells = share ? this.rise : this.cells;
    explicitColumns(cells, right, this.toUp, this.factor, h, this.grid);
    if (share) for (let i = 0; i < right.length; i++) right[i]! += (share[i]! - 1) * cells[i]!;
    this.factor = 1;
  }

  private heat(into: Float64Array, sources: readonly Heat[], time: number): void {
    for (const { cells, power } of sources) for (const [i, part] of cells) into[i]! += power * part * time;
  }

  private factorsFor(dt: number, h: number): Factors {
    // Steps that differ by rounding only are the same step.
    const key = Math.round(dt * 1e9);
    const known = this.factors.get(key);
    if (known) return known;
    if (this.factors.size >= MOST_KEPT) this.factors.delete(this.factors.keys().next().value!);
    const { cols, rows } = this.grid;
    const made: Factors = { h, plain: freshLine(cols), rows: [], columns: freshLine(cols * rows) };
    for (let col = 0; col < cols; col++) factorCell(made.plain, col, 1, col > 0 ? h : 0, col < cols - 1 ? h : 0, 1);
    for (let row = 0; row < rows; row++) made.rows.push(this.rowLine(row, made));
    for (let i = 0; i < cols * rows; i++) this.columnCell(made, i);
    this.factors.set(key, made);
    return made;
  }

  /** Factors of one row: the plain ones where nothing sets it apart from others. */
  private rowLine(row: number, { h, plain }: Factors): Line {
    const { cols } = this.grid;
    const at = row * cols;
    if (!this.share && this.toRight.subarray(at, at + cols - 1).every((conducts) => conducts === 1)) return plain;
    const line = freshLine(cols);
    for (let col = 0; col < cols; col++) {
      const i = at + col;
      factorCell(line, col, 1, col > 0 ? h * this.toRight[i - 1]! : 0, h * this.toRight[i]!, this.share?.[i] ?? 1);
    }
    return line;
  }

  private columnCell({ h, columns }: Factors, i: number): void {
    const { cols } = this.grid;
    factorCell(columns, i, cols, i < cols ? 0 : h * this.toUp[i - cols]!, h * this.toUp[i]!, this.share?.[i] ?? 1);
  }
}

const freshLine = (n: number): Line => ({
  inverse: new Float64Array(n),
  lower: new Float64Array(n),
  upper: new Float64Array(n),
});

/** Thomas factors of a cell that conducts `back` and `onward` along its line, from those of the cell `step` before it. */
function factorCell(line: Line, i: number, step: number, back: number, onward: number, share: number): void {
  const before = i < step ? 0 : back * line.upper[i - step]!;
  const pivot = 1 / (share + back + onward - before);
  line.inverse[i] = pivot;
  line.lower[i] = back * pivot;
  line.upper[i] = onward * pivot;
}

/** What each cell has after half a step of exchange with the cells below and above, before which all are multiplied by the factor. */
function explicitColumns(
  cells: Float64Array,
  out: Float64Array,
  toUp: Uint8Array,
  factor: number,
  h: number,
  { cols, rows }: Grid,
): void {
  const top = (rows - 1) * cols;
  const hf = h * factor;
  for (let i = 0; i < cols; i++) out[i] = factor * cells[i]! + hf * toUp[i]! * (cells[i + cols]! - cells[i]!);
  for (let i = cols; i < top; i++) {
    const t = cells[i]!;
    out[i] = factor * t + hf * (toUp[i]! * (cells[i + cols]! - t) + toUp[i - cols]! * (cells[i - cols]! - t));
  }
  for (let i = top; i < top + cols; i++)
    out[i] = factor * cells[i]! + hf * toUp[i - cols]! * (cells[i - cols]! - cells[i]!);
}

/** Solves along the rows; leaves in `right` what is explicit along the rows, which follows from the equations just solved. */
function solveRows(
  right: Float64Array,
  half: Float64Array,
  lines: readonly Line[],
  { cols, rows }: Grid,
  share: Float64Array | undefined,
): void {
  for (let row = 0; row < rows; row++) {
    const at = row * cols;
    const { inverse, lower, upper } = lines[row]!;
    let previous = 0;
    for (let col = 0; col < cols; col++)
      half[col] = previous = right[at + col]! * inverse[col]! + lower[col]! * previous;
    let next = 0;
    for (let col = cols - 1; col >= 0; col--) {
      next = half[col]! + upper[col]! * next;
      half[col] = next;
      right[at + col] = 2 * next - right[at + col]!;
    }
    if (share) for (let col = 0; col < cols; col++) right[at + col]! += 2 * (share[at + col]! - 1) * half[col]!;
  }
}

/** All columns at once, row by row, so that memory is walked in its order. */
function solveColumns(
  right: Float64Array,
  out: Float64Array,
  { inverse, lower, upper }: Line,
  { cols, rows }: Grid,
): void {
  for (let i = 0; i < cols; i++) out[i] = right[i]! * inverse[i]!;
  for (let i = cols; i < rows * cols; i++) out[i] = right[i]! * inverse[i]! + lower[i]! * out[i - cols]!;
  for (let i = (rows - 1) * cols - 1; i >= 0; i--) out[i] = out[i]! + upper[i]! * out[i + cols]!;
}
