import { TENTHS, type HeatReplay } from '@aspecta/core/weld';

export type Rgb = readonly [number, number, number];
/** Colours of the look from cool to arc, and what slashes are drawn in. */
export interface HeatColours {
  cool: Rgb;
  warm: Rgb;
  hot: Rgb;
  arc: Rgb;
  slash: Rgb;
}

/** Pixels for each cell. */
export const HEAT_PIXELS = 3;
/** °C where the colours stand beyond hand-warm. */
const HOT = 150;
const ARC = 400;
/** K above the workshop from which anything is shown. */
const FELT = 3;
/** Pixels between two slashes over what may not be welded yet. */
const SLASHES = 7;

const mix = (a: Rgb, b: Rgb, share: number): Rgb => {
  const of = (i: 0 | 1 | 2) => a[i] + (b[i] - a[i]) * share;
  return [of(0), of(1), of(2)];
};

/** Colour and cover (0 to 1) of a temperature. */
export function heatColour(
  celsius: number,
  { ambient, handWarm, colours }: { ambient: number; handWarm: number; colours: HeatColours },
): { rgb: Rgb; cover: number } {
  const { cool, warm, hot, arc } = colours;
  if (celsius < ambient + FELT) return { rgb: cool, cover: 0 };
  if (celsius < handWarm) {
    const share = (celsius - ambient) / (handWarm - ambient);
    return { rgb: cool, cover: 0.25 + 0.45 * share };
  }
  if (celsius < HOT) return { rgb: mix(warm, hot, (celsius - handWarm) / (HOT - handWarm)), cover: 0.85 };
  return { rgb: mix(hot, arc, Math.min(1, (celsius - HOT) / (ARC - HOT))), cover: 0.95 };
}

/** Pixels by whole kelvins above the workshop: as they are, and slashed where the metal is too warm to be welded. */
export interface HeatTable {
  plain: Uint32Array;
  slashed: Uint32Array;
}
/** K. What is warmer looks alike. */
const MOST = 1000;

/** Looked up for each pixel: a picture must be drawn in a thirtieth of a second. */
export function heatTable(given: { ambient: number; handWarm: number; colours: HeatColours }): HeatTable {
  const table = { plain: new Uint32Array(MOST + 1), slashed: new Uint32Array(MOST + 1) };
  const packed = ([r, g, b]: Rgb, cover: number) =>
    new Uint32Array(new Uint8ClampedArray([r, g, b, 255 * cover]).buffer)[0]!;
  for (let rise = 0; rise <= MOST; rise++) {
    const celsius = given.ambient + rise;
    const { rgb, cover } = heatColour(celsius, given);
    table.plain[rise] = packed(rgb, cover);
    table.slashed[rise] = celsius >= given.handWarm ? packed(given.colours.slash, cover) : table.plain[rise]!;
  }
  return table;
}

/** One picture of a replay as pixels, its top row first. */
export function paintHeat(
  { cols, rows, rises }: Pick<HeatReplay, 'cols' | 'rows' | 'rises'>,
  frame: number,
  { plain, slashed }: HeatTable,
): { width: number; height: number; data: Uint8ClampedArray } {
  const [width, height] = [cols * HEAT_PIXELS, rows * HEAT_PIXELS];
  const pixels = new Uint32Array(width * height);
  const first = frame * cols * rows;
  /** Cells on either side of a pixel, and how far it lies between them. */
  const across = Array.from({ length: width }, (_, x) => between(x, cols));
  for (let y = 0; y < height; y++) {
    const [row, fv] = between(height - 1 - y, rows);
    const [low, high] = [first + row * cols, first + (row + 1) * cols];
    for (let x = 0; x < width; x++) {
      const [col, fu] = across[x]!;
      const below = rises[low + col]! * (1 - fu) + rises[low + col + 1]! * fu;
      const above = rises[high + col]! * (1 - fu) + rises[high + col + 1]! * fu;
      const rise = Math.min(MOST, Math.round((below * (1 - fv) + above * fv) / TENTHS));
      pixels[y * width + x] = ((x + y) % SLASHES === 0 ? slashed : plain)[rise]!;
    }
  }
  return { width, height, data: new Uint8ClampedArray(pixels.buffer) };
}

function between(pixel: number, cells: number): readonly [cell: number, share: number] {
  const at = Math.min(cells - 1, Math.max(0, (pixel + 0.5) / HEAT_PIXELS - 0.5));
  const cell = Math.min(cells - 2, Math.floor(at));
  return [cell, at - cell];
}
