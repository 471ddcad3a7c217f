import { CELL_CODES, COATING_CODES, type CoatingMap, type Raster, type ThicknessMap } from '@aspecta/core/survey';

export type Rgb = readonly [number, number, number];
export type CellMark = 'none' | 'sparse' | 'dots' | 'crosses' | 'waves';
/** How a cell is drawn: a colour of the look, a mark that reads without colour, and slashes where it is in doubt. */
export interface CellLook {
  colour: string;
  mark: CellMark;
  doubt: boolean;
}

/** Pixels for each cell: enough for a hatch that shows doubt. */
export const PIXELS = 6;
/** Between these probabilities a cell may lie on either side of its limit and is slashed. */
const DOUBT = [0.1, 0.9] as const;
const doubtful = (p: number) => p > DOUBT[0] && p < DOUBT[1];

const METAL: Readonly<Record<string, Omit<CellLook, 'doubt'>>> = {
  sound: { colour: '--sound', mark: 'none' },
  worn: { colour: '--worn', mark: 'none' },
  thin: { colour: '--thin', mark: 'sparse' },
  failing: { colour: '--failing', mark: 'dots' },
  through: { colour: '--through', mark: 'crosses' },
};
const COATING: Readonly<Record<string, Omit<CellLook, 'doubt'>>> = {
  bare: { colour: '--card', mark: 'none' },
  original: { colour: '--coat-1', mark: 'none' },
  repainted: { colour: '--coat-2', mark: 'none' },
  heavy: { colour: '--coat-3', mark: 'sparse' },
  filler: { colour: '--filler', mark: 'waves' },
};

/** Looks of a map of metal left; what is not measured stays clear. */
export const metalLook =
  (map: ThicknessMap) =>
  (cell: number): CellLook | null => {
    const look = METAL[CELL_CODES[map.classes[cell]!]!];
    return look ? { ...look, doubt: doubtful(map.under[cell]!) } : null;
  };
/** Looks of a map of the coating. */
export const coatingLook =
  (map: CoatingMap) =>
  (cell: number): CellLook | null => {
    const look = COATING[COATING_CODES[map.classes[cell]!]!];
    return look ? { ...look, doubt: doubtful(map.filler[cell]!) } : null;
  };

/**
 * A map as pixels, row 0 at the top. Colour and mark are the class; diagonal lines say that a
 * place may lie on either side of the limit.
 */
export function paintCells(
  { columns, rows }: Raster,
  look: (cell: number) => CellLook | null,
  rgb: (name: string) => Rgb,
): { width: number; height: number; data: Uint8ClampedArray } {
  const [width, height] = [columns * PIXELS, rows * PIXELS];
  const data = new Uint8ClampedArray(width * height * 4);
  const colours = new Map<string, Rgb>();
  const colour = (name: string): Rgb => {
    const known = colours.get(name) ?? rgb(name);
    colours.set(name, known);
    return known;
  };
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      const cell = look(row * columns + column);
      if (!cell) continue;
      for (let dy = 0; dy < PIXELS; dy++) {
        const y = (rows - 1 - row) * PIXELS + dy;
        for (let dx = 0; dx < PIXELS; dx++) {
          const x = column * PIXELS + dx;
          const slash = cell.doubt && (x + y) % PIXELS === 0;
          const mark = !slash && marked(cell.mark, x, y);
          const [r, g, b] = slash
            ? colour('--metal-line')
            : mark
              ? colour(cell.mark === 'crosses' ? '--paper' : '--metal-line')
              : colour(cell.colour);
          data.set([r, g, b, slash ? 190 : 235], (y * width + x) * 4);
        }
      }
    }
  }
  return { width, height, data };
}

/** Marks that tell the classes apart without colour. */
function marked(mark: CellMark, x: number, y: number): boolean {
  const [u, v] = [x % PIXELS, y % PIXELS];
  const dot = (u === 2 || u === 3) && (v === 2 || v === 3);
  if (mark === 'sparse') return dot && (Math.floor(x / PIXELS) + Math.floor(y / PIXELS)) % 2 === 0;
  if (mark === 'dots') return dot;
  if (mark === 'crosses') return u === v || u === PIXELS - 1 - v;
  return mark === 'waves' && v === (u < 3 ? 2 : 3);
}
