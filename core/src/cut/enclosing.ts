import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface EnclosingInput {
  rows: number;
  cols: number;
  /** Cost of cutting at each cell, above 0, row by row. */
  cost: readonly number[] | Float64Array;
  /** Cells that must lie inside. */
  source: readonly number[];
  /** Cells that the line may not touch. */
  blocked?: readonly number[];
}
export interface Enclosing {
  /** Sum of the capacities of the edges that are cut. */
  value: number;
  /** Cells inside the line, in rising order; the fewest that reach the value. */
  inside: number[];
}

const MOST_CELLS = 1_000_000;

/**
 * Where does the cheapest closed line around these cells run? Minimum s–t cut on the
 * 4-neighbour grid between the source cells and the outside, which is every cell of the
 * outermost rows and columns; an edge costs the mean of its two cells. Cell (row, col) has
 * index row·cols + col.
 *
 * @param rows,cols 3 and more, at most a million cells
 * @throws Problem naming the field; `no-line` where blocked cells join damage and outside
 * Source: Ford & Fulkerson 1956; Boykov & Kolmogorov 2004.
 */
export function enclosing({ rows, cols, cost, source, blocked = [] }: EnclosingInput): Enclosing {
  for (const [field, size] of [
    ['rows', rows],
    ['cols', cols],
  ] as const) {
    finite(field, size, { min: 3, max: MOST_CELLS });
    if (!Number.isInteger(size)) refuse('not-whole', field, `${field} must be a whole number.`);
  }
  const n = rows * cols;
  if (n > MOST_CELLS) refuse('too-large', 'rows', `The grid has ${n} cells; at most ${MOST_CELLS} can be taken.`);
  const costs = cost instanceof Float64Array ? cost : list<number>('cost', cost, 0, MOST_CELLS);
  if (costs.length !== n) refuse('different-length', 'cost', `cost has ${costs.length} entries; rows × cols is ${n}.`);
  for (let i = 0; i < n; i++)
    if (!(costs[i]! > 0 && costs[i]! <= 1e12)) finite(`cost[${i}]`, costs[i], { above: 0, max: 1e12 });
  const cells = (field: string, all: readonly number[], fewest: number) =>
    list<number>(field, all, fewest, n).map((cell, i) => {
      finite(`${field}[${i}]`, cell, { min: 0, max: n - 1 });
      if (!Number.isInteger(cell)) refuse('not-whole', `${field}[${i}]`, `${field}[${i}] must be the index of a cell.`);
      return cell;
    });
  const damage = cells('source', source, 1);
  const outer = (cell: number) => cell < cols || cell >= n - cols || cell % cols === 0 || cell % cols === cols - 1;
  const atEdge = damage.findIndex(outer);
  if (atEdge >= 0)
    refuse(
      'at-the-outside',
      `source[${atEdge}]`,
      `source[${atEdge}] lies in the outermost row or column; leave a cell around the damage.`,
    );
  const forbidden = new Uint8Array(n);
  for (const cell of cells('blocked', blocked, 0)) forbidden[cell] = 1;

  const flow = new GridFlow(rows, cols, costs, forbidden);
  for (const cell of damage) flow.root(cell, SOURCE);
  for (let cell = 0; cell < n; cell++) if (outer(cell)) flow.root(cell, SINK);
  const value = flow.run();
  if (!Number.isFinite(value))
    refuse(
      'no-line',
      'blocked',
      'Blocked cells lead from the damage to the outside: no line can pass between them. Free some of them.',
    );
  return { value, inside: flow.sourceSide() };
}

const FREE = 0;
const SOURCE = 1;
const SINK = 2;
/** Parent marks beside the four directions 0 right, 1 left, 2 next row, 3 previous row. */
const ROOT = 4;
const ORPHAN = 5;
const NONE = 6;

/**
 * Boykov–Kolmogorov maximum flow on a grid: two trees grow from both ends until they touch, the
 * path is filled, and what comes loose is adopted again.
 */
class GridFlow {
  private readonly n: number;
  private readonly step: Int32Array;
  /** Residual capacity from a cell in each direction. */
  private readonly left: [Float64Array, Float64Array, Float64Array, Float64Array];
  private readonly tree: Uint8Array;
  private readonly parent: Uint8Array;
  private readonly distance: Int32Array;
  private readonly seen: Int32Array;
  private clock = 0;
  private readonly queue: Int32Array;
  private readonly queued: Uint8Array;
  private head = 0;
  private tail = 0;
  private readonly orphans: number[] = [];

  constructor(rows: number, cols: number, cost: ArrayLike<number>, forbidden: Uint8Array) {
    const n = (this.n = rows * cols);
    this.step = Int32Array.from([1, -1, cols, -cols]);
    this.left = [new Float64Array(n), new Float64Array(n), new Float64Array(n), new Float64Array(n)];
    const join = (a: number, b: number, direction: number) => {
      const capacity = forbidden[a] || forbidden[b] ? Infinity : (cost[a]! + cost[b]!) / 2;
      this.left[direction]![a] = capacity;
      this.left[direction ^ 1]![b] = capacity;
    };
    for (let row = 0; row < rows; row++)
      for (let col = 0; col < cols; col++) {
        const cell = row * cols + col;
        if (col + 1 < cols) join(cell, cell + 1, 0);
        if (row + 1 < rows) join(cell, cell + cols, 2);
      }
    this.tree = new Uint8Array(n);
    this.parent = new Uint8Array(n).fill(NONE);
    this.distance = new Int32Array(n);
    this.seen = new Int32Array(n);
    this.queue = new Int32Array(n + 1);
    this.queued = new Uint8Array(n);
  }

  root(cell: number, tree: number): void {
    this.tree[cell] = tree;
    this.parent[cell] = ROOT;
    this.distance[cell] = 1;
    this.activate(cell);
  }

  run(): number {
    let flow = 0;
    for (let cell = this.next(); cell >= 0; cell = this.next()) {
      for (;;) {
        const touch = this.grow(cell);
        if (touch < 0) break;
        this.clock++;
        const pushed = this.augment(cell, touch);
        flow += pushed;
        if (!Number.isFinite(flow)) return Infinity;
        this.adopt();
        if (this.tree[cell] === FREE) break;
      }
    }
    return flow;
  }

  sourceSide(): number[] {
    const inside: number[] = [];
    for (let cell = 0; cell < this.n; cell++) if (this.tree[cell] === SOURCE) inside.push(cell);
    return inside;
  }

  private activate(cell: number): void {
    if (this.queued[cell]) return;
    this.queued[cell] = 1;
    this.queue[this.tail] = cell;
    this.tail = (this.tail + 1) % this.queue.length;
  }

  private next(): number {
    while (this.head !== this.tail) {
      const cell = this.queue[this.head]!;
      this.head = (this.head + 1) % this.queue.length;
      this.queued[cell] = 0;
      if (this.tree[cell] !== FREE) return cell;
    }
    return -1;
  }

  /** Takes free neighbours into the tree; returns the direction in which the other tree is touched, or −1. */
  private grow(cell: number): number {
    const own = this.tree[cell]!;
    for (let d = 0; d < 4; d++) {
      const other = cell + this.step[d]!;
      if (other < 0 || other >= this.n) continue;
      const open = own === SOURCE ? this.left[d]![cell]! : this.left[d ^ 1]![other]!;
      if (!(open > 0)) continue;
      const theirs = this.tree[other]!;
      if (theirs === FREE) {
        this.tree[other] = own;
        this.parent[other] = d ^ 1;
        this.distance[other] = this.distance[cell]! + 1;
        this.seen[other] = this.seen[cell]!;
        this.activate(other);
      } else if (theirs !== own) {
        // The touched cell may have to be asked again.
        return d;
      } else if (
        this.seen[other]! <= this.seen[cell]! &&
        this.distance[other]! > this.distance[cell]! + 1 &&
        this.parent[other]! < ROOT
      ) {
        this.parent[other] = d ^ 1;
        this.seen[other] = this.seen[cell]!;
        this.distance[other] = this.distance[cell]! + 1;
      }
    }
    return -1;
  }

  private augment(cell: number, d: number): number {
    const other = cell + this.step[d]!;
    const [s, t, across] = this.tree[cell] === SOURCE ? [cell, other, d] : [other, cell, d ^ 1];
    let least = this.left[across]![s]!;
    for (let p = s; this.parent[p] !== ROOT;) {
      const up = this.parent[p]!;
      const q = p + this.step[up]!;
      least = Math.min(least, this.left[up ^ 1]![q]!);
      p = q;
    }
    for (let p = t; this.parent[p] !== ROOT;) {
      const up = this.parent[p]!;
      least = Math.min(least, this.left[up]![p]!);
      p += this.step[up]!;
    }
    if (!Number.isFinite(least)) return Infinity;
    this.left[across]![s]! -= least;
    this.left[across ^ 1]![t]! += least;
    for (let p = s; this.parent[p] !== ROOT;) {
      const up = this.parent[p]!;
      const q = p + this.step[up]!;
      this.left[up]![p]! += least;
      this.left[up ^ 1]![q]! -= least;
      if (!(this.left[up ^ 1]![q]! > 0)) this.orphan(p);
      p = q;
    }
    for (let p = t; this.parent[p] !== ROOT;) {
      const up = this.parent[p]!;
      const q = p + this.step[up]!;
      this.left[up ^ 1]![q]! += least;
      this.left[up]![p]! -= least;
      if (!(this.left[up]![p]! > 0)) this.orphan(p);
      p = q;
    }
    for (const p of this.orphans) this.parent[p] = ORPHAN;
    return least;
  }

  /** Marked after the walk: the walk still needs the way to the root. */
  private orphan(cell: number): void {
    this.orphans.push(cell);
  }

  private adopt(): void {
    for (let k = 0; k < this.orphans.length; k++) this.adoptOne(this.orphans[k]!);
    this.orphans.length = 0;
  }

  private adoptOne(cell: number): void {
    const own = this.tree[cell]!;
    let best = NONE;
    let nearest = 0x7fffffff;
    for (let d = 0; d < 4; d++) {
      const other = cell + this.step[d]!;
      if (other < 0 || other >= this.n || this.tree[other] !== own) continue;
      const open = own === SOURCE ? this.left[d ^ 1]![other]! : this.left[d]![cell]!;
      if (!(open > 0)) continue;
      const away = this.toRoot(other);
      if (away < nearest) [nearest, best] = [away, d];
    }
    if (best !== NONE) {
      this.parent[cell] = best;
      this.seen[cell] = this.clock;
      this.distance[cell] = nearest + 1;
      return;
    }
    for (let d = 0; d < 4; d++) {
      const other = cell + this.step[d]!;
      if (other < 0 || other >= this.n || this.tree[other] !== own) continue;
      const open = own === SOURCE ? this.left[d ^ 1]![other]! : this.left[d]![cell]!;
      if (open > 0) this.activate(other);
      const up = this.parent[other]!;
      if (up < ROOT && other + this.step[up]! === cell) {
        this.parent[other] = ORPHAN;
        this.orphans.push(other);
      }
    }
    this.tree[cell] = FREE;
    this.parent[cell] = NONE;
  }

  /** Cells up to the root; a very large number where the way ends at an orphan. Marks the way, so that it is walked once. */
  private toRoot(from: number): number {
    let away = 0;
    let cell = from;
    for (;;) {
      if (this.seen[cell] === this.clock) {
        away += this.distance[cell]!;
        break;
      }
      const up = this.parent[cell]!;
      away++;
      if (up === ROOT) {
        this.seen[cell] = this.clock;
        this.distance[cell] = 1;
        break;
      }
      if (up >= ORPHAN) return 0x7fffffff;
      cell += this.step[up]!;
    }
    for (let p = from, d = away; this.seen[p] !== this.clock; p += this.step[this.parent[p]!]!) {
      this.seen[p] = this.clock;
      this.distance[p] = d--;
    }
    return away;
  }
}
