import { contours } from 'd3-contour';
import { finite, list } from '../check.ts';
import { gridCut, type Polygon } from '../geometry/index.ts';
import { refuse } from '../problem.ts';
import { colourModel } from './colourModel.ts';

export interface RegionInput {
  /** Pixels. */
  width: number;
  height: number;
  /** 0–255, red, green and blue of each pixel, row by row from the top. */
  rgb: ArrayLike<number>;
  /** Pixels [x, y] on the place that is marked; x to the right and y down, from 0. */
  inside: readonly (readonly number[])[];
  /** Pixels that do not belong to it. */
  outside?: readonly (readonly number[])[];
}
export interface Region {
  /** 1 for a pixel that belongs to the place, else 0, row by row. */
  mask: number[];
  /** Outer ring and holes of each part, in pixels from the top left corner of the picture. */
  outlines: Polygon[];
}

const MOST_PIXELS = 4_000_000;
/** Pixels of the picture on which the place is first looked for. */
const COARSE_PIXELS = 40_000;
/** Weight of a boundary between like pixels against the colours on both sides of it (Rother et al. 2004). */
const SMOOTH = 50;
/** Pixels beside a stroke that are taken to look like it: the width of a fingertip's stroke. */
const BESIDE = 2;
/** Times that colours are learnt again from what has been found. */
const ROUNDS = 5;

/** A picture, or a part of it, with what is known of each pixel. */
interface Picture {
  width: number;
  height: number;
  rgb: ArrayLike<number>;
  /** INSIDE or OUTSIDE where it is known, else OPEN. */
  known: Uint8Array;
}
const OPEN = 0;
const INSIDE = 1;
const OUTSIDE = 2;

/**
 * What looks like the marked place on a picture? The colours of the strokes are learnt, then
 * learnt again from what was found; the boundary runs along edges of the picture where it can.
 * Large pictures are looked at coarsely first and finely along the boundary. What is not joined
 * to a stroke is left out.
 *
 * @param input pixels 0–255; at least one inside; at most 4 megapixels
 * @throws Problem naming the field; `both` where a pixel is marked as inside and outside
 * Source: Boykov & Jolly 2001; Rother, Kolmogorov & Blake 2004 (learning again, weights).
 * @example region({ width: 3, height: 1, rgb: [200, 80, 40, 205, 82, 41, 20, 90, 160], inside: [[0, 0]], outside: [[2, 0]] }).mask // → [1, 1, 0]
 */
export function region({ width, height, rgb, inside, outside = [] }: RegionInput): Region {
  const whole = readPicture({ width, height, rgb, inside, outside });
  const factor = Math.max(1, Math.ceil(Math.sqrt((width * height) / COARSE_PIXELS)));
  const coarse = shrink(whole, factor);
  let found = new Uint8Array(coarse.known.length);
  let ways = firstModels(coarse);
  for (let round = 0; round < ROUNDS; round++) {
    const next = part(coarse, ways);
    const same = next.every((lies, pixel) => lies === found[pixel]);
    found = next;
    ways = models(coarse, found);
    if (same) break;
  }
  const mask = factor === 1 ? found : refine(whole, coarse, found, factor);
  keepJoined(mask, whole);
  return { mask: Array.from(mask), outlines: outlinesOf(mask, width, height) };
}

function readPicture({ width, height, rgb, inside, outside = [] }: RegionInput): Picture {
  for (const [field, size] of Object.entries({ width, height })) {
    finite(field, size, { min: 1, max: MOST_PIXELS, unit: 'pixels' });
    if (!Number.isInteger(size)) refuse('not-whole', field, `${field} must be a whole number of pixels.`);
  }
  const pixels = width * height;
  if (pixels > MOST_PIXELS)
    refuse('too-large', 'width', `The picture has ${pixels} pixels; at most ${MOST_PIXELS} can be taken.`);
  if (rgb?.length !== 3 * pixels)
    refuse('different-length', 'rgb', `rgb has ${rgb?.length ?? 0} entries; three for each pixel are ${3 * pixels}.`);
  for (let i = 0; i < rgb.length; i++)
    if (!(rgb[i]! >= 0 && rgb[i]! <= 255)) finite(`rgb[${i}]`, rgb[i], { min: 0, max: 255 });
  const known = new Uint8Array(pixels);
  const mark = (field: string, places: readonly (readonly number[])[], as: number, fewest: number) =>
    list<readonly number[]>(field, places, fewest, pixels).forEach((place, i) => {
      list(`${field}[${i}]`, place, 2, 2);
      const x = Math.floor(finite(`${field}[${i}][0]`, place[0], { min: 0, max: width - 1, unit: 'pixels' }));
      const y = Math.floor(finite(`${field}[${i}][1]`, place[1], { min: 0, max: height - 1, unit: 'pixels' }));
      const pixel = y * width + x;
      if (known[pixel] && known[pixel] !== as)
        refuse('both', `${field}[${i}]`, `Pixel ${x}, ${y} is marked as inside and as outside; take one of them away.`);
      known[pixel] = as;
    });
  mark('inside', inside, INSIDE, 1);
  mark('outside', outside, OUTSIDE, 0);
  return { width, height, rgb, known };
}

/** The picture at 1/factor of its size: means of blocks; a stroke in a block marks the block, inside first. */
function shrink(picture: Picture, factor: number): Picture {
  if (factor === 1) return picture;
  const width = Math.ceil(picture.width / factor);
  const height = Math.ceil(picture.height / factor);
  const rgb = new Float64Array(3 * width * height);
  const share = new Float64Array(width * height);
  const known = new Uint8Array(width * height);
  for (let y = 0; y < picture.height; y++)
    for (let x = 0; x < picture.width; x++) {
      const from = y * picture.width + x;
      const to = Math.floor(y / factor) * width + Math.floor(x / factor);
      share[to]!++;
      for (let c = 0; c < 3; c++) rgb[3 * to + c]! += picture.rgb[3 * from + c]!;
      if (picture.known[from] && known[to] !== INSIDE) known[to] = picture.known[from]!;
    }
  for (let i = 0; i < rgb.length; i++) rgb[i]! /= share[Math.floor(i / 3)]!;
  return { width, height, rgb, known };
}

type Models = Record<'inside' | 'outside', (pixel: number) => number>;

/** Colours of the strokes with the pixels beside them, and of the picture's border with the strokes outside. */
function firstModels({ width, height, rgb, known }: Picture): Models {
  const inside = new Uint8Array(known.length);
  const outside = new Uint8Array(known.length);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const pixel = y * width + x;
      const border = x === 0 || y === 0 || x === width - 1 || y === height - 1;
      if (known[pixel] === OUTSIDE || (border && known[pixel] === OPEN)) outside[pixel] = 1;
      if (known[pixel] !== INSIDE) continue;
      for (let j = Math.max(0, y - BESIDE); j <= Math.min(height - 1, y + BESIDE); j++)
        for (let i = Math.max(0, x - BESIDE); i <= Math.min(width - 1, x + BESIDE); i++)
          if (known[j * width + i] !== OUTSIDE) inside[j * width + i] = 1;
    }
  return { inside: colourModel(rgb, inside), outside: colourModel(rgb, outside) };
}

/** Colours of what is taken as the place, and of all the rest. */
function models({ rgb }: Picture, found: Uint8Array): Models {
  return {
    inside: colourModel(rgb, found),
    outside: colourModel(
      rgb,
      found.map((lies) => 1 - lies),
    ),
  };
}

/** Which pixels lie inside by colour and by the edges of the picture? */
function part({ width, height, rgb, known }: Picture, { inside, outside }: Models): Uint8Array<ArrayBuffer> {
  const n = width * height;
  const apart = (a: number, b: number) =>
    (rgb[3 * a]! - rgb[3 * b]!) ** 2 +
    (rgb[3 * a + 1]! - rgb[3 * b + 1]!) ** 2 +
    (rgb[3 * a + 2]! - rgb[3 * b + 2]!) ** 2;
  const right = new Float64Array(n);
  const down = new Float64Array(n);
  let sum = 0;
  let pairs = 0;
  for (let pixel = 0; pixel < n; pixel++) {
    if ((pixel + 1) % width > 0) sum += right[pixel] = (pairs++, apart(pixel, pixel + 1));
    if (pixel + width < n) sum += down[pixel] = (pairs++, apart(pixel, pixel + width));
  }
  const sharpness = sum > 0 ? pairs / (2 * sum) : 0;
  const ifOutside = new Float64Array(n);
  const ifInside = new Float64Array(n);
  for (let pixel = 0; pixel < n; pixel++) {
    right[pixel] = (pixel + 1) % width > 0 ? SMOOTH * Math.exp(-sharpness * right[pixel]!) : 0;
    down[pixel] = pixel + width < n ? SMOOTH * Math.exp(-sharpness * down[pixel]!) : 0;
    // What speaks against inside is paid inside, and the other way about; a stroke is beyond argument.
    ifOutside[pixel] = known[pixel] === OPEN ? outside(pixel) : known[pixel] === INSIDE ? Infinity : 0;
    ifInside[pixel] = known[pixel] === OPEN ? inside(pixel) : known[pixel] === OUTSIDE ? Infinity : 0;
  }
  return new Uint8Array(gridCut({ rows: height, cols: width, right, down, ifOutside, ifInside }).inside);
}

/** Looks again, pixel by pixel, at a band along the boundary that was found coarsely. */
function refine(whole: Picture, coarse: Picture, found: Uint8Array, factor: number): Uint8Array<ArrayBuffer> {
  const { width, height } = whole;
  const band = 2 * factor;
  const nearBoundary = new Uint8Array(found.length);
  for (let y = 0; y < coarse.height; y++)
    for (let x = 0; x < coarse.width; x++) {
      const at = y * coarse.width + x;
      const differs =
        (x + 1 < coarse.width && found[at] !== found[at + 1]) ||
        (y + 1 < coarse.height && found[at] !== found[at + coarse.width]);
      if (!differs) continue;
      for (let j = Math.max(0, y - 1); j <= Math.min(coarse.height - 1, y + 2); j++)
        for (let i = Math.max(0, x - 1); i <= Math.min(coarse.width - 1, x + 2); i++)
          nearBoundary[j * coarse.width + i] = 1;
    }
  const mask = new Uint8Array(width * height);
  let [left, top, rightmost, bottom] = [width, height, -1, -1];
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const at = Math.floor(y / factor) * coarse.width + Math.floor(x / factor);
      mask[y * width + x] = found[at]!;
      if (!nearBoundary[at]) continue;
      [left, rightmost] = [Math.min(left, x), Math.max(rightmost, x)];
      [top, bottom] = [Math.min(top, y), Math.max(bottom, y)];
    }
  if (rightmost < 0) return mask;
  [left, top] = [Math.max(0, left - band), Math.max(0, top - band)];
  [rightmost, bottom] = [Math.min(width - 1, rightmost + band), Math.min(height - 1, bottom + band)];
  const [w, h] = [rightmost - left + 1, bottom - top + 1];
  const rgb = new Float64Array(3 * w * h);
  const known = new Uint8Array(w * h);
  const before = new Uint8Array(w * h);
  for (let y = 0; y < h; y++)
    for (let x = 0; x < w; x++) {
      const from = (y + top) * width + x + left;
      const to = y * w + x;
      for (let c = 0; c < 3; c++) rgb[3 * to + c] = whole.rgb[3 * from + c]!;
      before[to] = mask[from]!;
      const at = Math.floor((y + top) / factor) * coarse.width + Math.floor((x + left) / factor);
      known[to] = whole.known[from]! || (nearBoundary[at] ? OPEN : mask[from] ? INSIDE : OUTSIDE);
    }
  const fine: Picture = { width: w, height: h, rgb, known };
  const parted = part(fine, models(fine, before));
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) mask[(y + top) * width + x + left] = parted[y * w + x]!;
  return mask;
}

/** Leaves out what no stroke is joined to; changes the mask. */
function keepJoined(mask: Uint8Array, { width, height, known }: Picture): void {
  const joined = new Uint8Array(mask.length);
  const open: number[] = [];
  const reach = (pixel: number) => {
    if (joined[pixel] || !mask[pixel]) return;
    joined[pixel] = 1;
    open.push(pixel);
  };
  known.forEach((mark, pixel) => mark === INSIDE && reach(pixel));
  while (open.length) {
    const pixel = open.pop()!;
    const x = pixel % width;
    if (x > 0) reach(pixel - 1);
    if (x + 1 < width) reach(pixel + 1);
    if (pixel >= width) reach(pixel - width);
    if (pixel < width * (height - 1)) reach(pixel + width);
  }
  mask.set(joined);
}

function outlinesOf(mask: Uint8Array, width: number, height: number): Polygon[] {
  const [found] = contours().size([width, height]).smooth(false).thresholds([0.5])(Array.from(mask));
  const coordinates = (found?.coordinates ?? []) as unknown as Polygon[];
  return coordinates.map((polygon) => polygon.map((ring) => ring.slice(0, -1)));
}
