import { CELL_CODES, type ThicknessMap } from '@aspecta/core/survey';

export type Rgb = readonly [number, number, number];
export interface MapColours {
  sound: Rgb;
  worn: Rgb;
  thin: Rgb;
  failing: Rgb;
  through: Rgb;
  hatch: Rgb;
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
      const line = under > DOUBT[0] && under < DOUBT[1] && (x + y) % PIXELS === 0;
      const [r, g, b] = line ? colours.hatch : colours[name];
      data.set([r, g, b, line ? 190 : 235], (y * width + x) * 4);
    }
  }
  return { width, height, data };
}
