import { CELL_CODES, type CellCode, type ThicknessMap } from '@aspecta/core/survey';

export type Rgb = readonly [number, number, number];
export interface MapColours {
  sound: Rgb;
  worn: Rgb;
  thin: Rgb;
  failing: Rgb;
  through: Rgb;
  hatch: Rgb;
  paper: Rgb;
}

/** Pixels for each cell: enough for a hatch that shows doubt. */
export const PIXELS = 6;
/** Between these probabilities of being under the limit a cell is in doubt and is hatched. */
const DOUBT = [0.1, 0.9] as const;

/**
 * The map as pixels, row 0 at the top. Colour is the class of the metal; diagonal lines say
 * that it may lie on either side of the weldable limit; what is not measured stays clear.
 */
export function paintMap(
  map: ThicknessMap,
  colours: MapColours,
): { width: number; height: number; data: Uint8ClampedArray } {
  const width = map.columns * PIXELS;
  const height = map.rows * PIXELS;
  const data = new Uint8ClampedArray(width * height * 4);
  for (let y = 0; y < height; y++) {
    const row = map.rows - 1 - Math.floor(y / PIXELS);
    for (let x = 0; x < width; x++) {
      const cell = row * map.columns + Math.floor(x / PIXELS);
      const name = CELL_CODES[map.classes[cell]!]!;
      if (name === 'off' || name === 'unmeasured') continue;
      const under = map.under[cell]!;
      const doubt = under > DOUBT[0] && under < DOUBT[1] && (x + y) % PIXELS === 0;
      const mark = !doubt && marked(name, x, y);
      const [r, g, b] = doubt
        ? colours.hatch
        : mark
          ? name === 'through'
            ? colours.paper
            : colours.hatch
          : colours[name];
      data.set([r, g, b, doubt ? 190 : 235], (y * width + x) * 4);
    }
  }
  return { width, height, data };
}

/** Marks that tell the worst classes apart without colour: sparse dots, dots, crosses. */
function marked(name: CellCode, x: number, y: number): boolean {
  const [u, v] = [x % PIXELS, y % PIXELS];
  const dot = (u === 2 || u === 3) && (v === 2 || v === 3);
  if (name === 'thin') return dot && (Math.floor(x / PIXELS) + Math.floor(y / PIXELS)) % 2 === 0;
  if (name === 'failing') return dot;
  return name === 'through' && (u === v || u === PIXELS - 1 - v);
}
