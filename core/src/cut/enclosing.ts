import { finite, list } from '../check.ts';
import { gridCut } from '../geometry/index.ts';
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
  /** What it costs that a cell lies inside, 0 or more, row by row; without it nothing. */
  inside?: readonly number[] | Float64Array;
}
export interface Enclosing {
  /** Sum of the capacities of the edges that are cut, and of the inside costs of all cells inside. */
  value: number;
  /** Cells inside the line, in rising order; the fewest that reach the value. */
  inside: number[];
}

const MOST_CELLS = 1_000_000;

/**
 * Where does the cheapest closed line around these cells run? Minimum s–t cut on the
 * 4-neighbour grid between the source cells and the outside, which is every cell of the
 * outermost rows and columns; an edge costs the mean of its two cells, and a cell that comes to
 * lie inside costs what `inside` says: making the metal, remaking the edge that runs through it. Cell (row, col) has
 * index row·cols + col.
 *
 * @param rows,cols 3 and more, at most a million cells
 * @throws Problem naming the field; `no-line` where blocked cells join damage and outside
 * Source: Ford & Fulkerson 1956; Boykov & Jolly 2001 (inside costs); Boykov & Kolmogorov 2004.
 * @example enclosing({ rows: 3, cols: 3, cost: [1, 1, 1, 1, 1, 1, 1, 1, 1], source: [4] }) // → { value: 4, inside: [4] }
 */
export function enclosing({ rows, cols, cost, source, blocked = [], inside: insideCosts }: EnclosingInput): Enclosing {
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
  if (insideCosts && insideCosts.length !== n)
    refuse('different-length', 'inside', `inside has ${insideCosts.length} entries; rows × cols is ${n}.`);
  for (let i = 0; insideCosts && i < n; i++)
    if (!(insideCosts[i]! >= 0 && insideCosts[i]! <= 1e12))
      finite(`inside[${i}]`, insideCosts[i], { min: 0, max: 1e12 });
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

  const right = new Float64Array(n);
  const down = new Float64Array(n);
  const between = (a: number, b: number) => (forbidden[a] || forbidden[b] ? Infinity : (costs[a]! + costs[b]!) / 2);
  for (let cell = 0; cell < n; cell++) {
    if ((cell + 1) % cols > 0) right[cell] = between(cell, cell + 1);
    if (cell + cols < n) down[cell] = between(cell, cell + cols);
  }
  const ifOutside = new Float64Array(n);
  for (const cell of damage) ifOutside[cell] = Infinity;
  const ifInside = insideCosts ? Float64Array.from(insideCosts) : new Float64Array(n);
  for (let cell = 0; cell < n; cell++) if (outer(cell)) ifInside[cell] = Infinity;
  const { value, inside: lies } = gridCut({ rows, cols, right, down, ifOutside, ifInside });
  if (!Number.isFinite(value))
    refuse(
      'no-line',
      'blocked',
      'Blocked cells lead from the damage to the outside: no line can pass between them. Free some of them.',
    );
  const within: number[] = [];
  for (let cell = 0; cell < n; cell++) if (lies[cell]) within.push(cell);
  return { value, inside: within };
}
