const FREE = 0;
const SOURCE = 1;
const SINK = 2;
/** Parent marks beside the four directions 0 right, 1 left, 2 next row, 3 previous row. */
const ROOT = 4;
const ORPHAN = 5;
const NONE = 6;

/** A grid of cells, row by row: cell (row, col) has index row·cols + col. */
export interface CellGrid {
  rows: number;
  cols: number;
  /** What it costs to part a cell from its right neighbour; Infinity: they stay together. */
  right: Float64Array;
  /** What it costs to part a cell from its neighbour in the next row. */
  down: Float64Array;
  /** What it costs that a cell lies outside; Infinity: it must lie inside. */
  ifOutside: Float64Array;
  /** What it costs that a cell lies inside; Infinity: it must lie outside. */
  ifInside: Float64Array;
}

export interface GridCut {
  /** Least cost; Infinity where what must lie inside cannot be parted from what must lie outside. */
  value: number;
  /** 1 for a cell that lies inside, else 0; the fewest that reach the value. */
  inside: Uint8Array;
}

/**
 * Which cells lie inside at the least cost of what is parted, and of what lies inside or outside?
 * Minimum s–t cut with neighbour links and terminal links (Boykov & Jolly 2001), by the maximum
 * flow of Boykov & Kolmogorov 2004. All costs are 0 or more, in one unit.
 */
export function gridCut(grid: CellGrid): GridCut {
  const flow = new GridFlow(grid);
  const value = flow.run();
  return { value, inside: flow.inside() };
}

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

  /** What a cell can still take from the source (above 0) or give to the sink (below 0). */
  private readonly end: Float64Array;
  /** Flow that passes straight through single cells. */
  private flow = 0;

  constructor({ rows, cols, right, down, ifOutside, ifInside }: CellGrid) {
    const n = (this.n = rows * cols);
    this.step = Int32Array.from([1, -1, cols, -cols]);
    this.left = [right.slice(), new Float64Array(n), down.slice(), new Float64Array(n)];
    for (let row = 0; row < rows; row++) this.left[0][row * cols + cols - 1] = 0;
    for (let cell = n - cols; cell < n; cell++) this.left[2][cell] = 0;
    for (let cell = 0; cell + 1 < n; cell++) this.left[1][cell + 1] = this.left[0][cell]!;
    for (let cell = 0; cell + cols < n; cell++) this.left[3][cell + cols] = this.left[2][cell]!;
    this.tree = new Uint8Array(n);
    this.parent = new Uint8Array(n).fill(NONE);
    this.distance = new Int32Array(n);
    this.seen = new Int32Array(n);
    this.queue = new Int32Array(n + 1);
    this.queued = new Uint8Array(n);
    this.end = new Float64Array(n);
    for (let cell = 0; cell < n; cell++) {
      const through = Math.min(ifOutside[cell]!, ifInside[cell]!);
      this.flow += through;
      if (!Number.isFinite(through)) continue;
      const end = ifOutside[cell]! - ifInside[cell]!;
      this.end[cell] = end;
      if (end !== 0) this.root(cell, end > 0 ? SOURCE : SINK);
    }
  }

  private root(cell: number, tree: number): void {
    this.tree[cell] = tree;
    this.parent[cell] = ROOT;
    this.distance[cell] = 1;
    this.activate(cell);
  }

  run(): number {
    if (!Number.isFinite(this.flow)) return Infinity;
    for (let cell = this.next(); cell >= 0; cell = this.next()) {
      for (;;) {
        const touch = this.grow(cell);
        if (touch < 0) break;
        this.clock++;
        const pushed = this.augment(cell, touch);
        this.flow += pushed;
        if (!Number.isFinite(pushed)) return Infinity;
        this.adopt();
        if (this.tree[cell] === FREE) break;
      }
    }
    return this.flow;
  }

  inside(): Uint8Array {
    return this.tree.map((tree) => (tree === SOURCE ? 1 : 0));
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
    let from = s;
    while (this.parent[from] !== ROOT) {
      const up = this.parent[from]!;
      const q = from + this.step[up]!;
      least = Math.min(least, this.left[up ^ 1]![q]!);
      from = q;
    }
    let to = t;
    while (this.parent[to] !== ROOT) {
      const up = this.parent[to]!;
      least = Math.min(least, this.left[up]![to]!);
      to += this.step[up]!;
    }
    least = Math.min(least, this.end[from]!, -this.end[to]!);
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
    this.end[from]! -= least;
    if (!(this.end[from]! > 0)) this.orphan(from);
    this.end[to]! += least;
    if (!(this.end[to]! < 0)) this.orphan(to);
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
