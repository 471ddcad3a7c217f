const BINS = 24;
const BIN_WIDTH = 256 / BINS;
/** Share of the model that any colour has: a colour never seen is unlikely, not impossible. */
const ANY_COLOUR = 1e-3;

/** Index of the bin of a colour given as 0–255 for red, green and blue. */
const bin = (r: number, g: number, b: number) =>
  (Math.floor(r / BIN_WIDTH) * BINS + Math.floor(g / BIN_WIDTH)) * BINS + Math.floor(b / BIN_WIDTH);

/** Spreads each bin over its neighbours along one colour, 1 : 2 : 1. */
function spreadAlong(model: Float64Array, stride: number): Float64Array {
  const out = new Float64Array(model.length);
  for (let at = 0; at < model.length; at++) {
    const place = Math.floor(at / stride) % BINS;
    const below = place > 0 ? model[at - stride]! : model[at]!;
    const above = place < BINS - 1 ? model[at + stride]! : model[at]!;
    out[at] = (below + 2 * model[at]! + above) / 4;
  }
  return out;
}

/**
 * How unlikely is each colour among these pixels? A histogram of red, green and blue in 24 steps
 * each, smoothed over its neighbours, as −ln of the probability of a step.
 *
 * @param rgb 0–255, three for each pixel
 * @param weight share of each pixel in the model, 0 or more
 * @returns a function from a pixel's index to −ln p
 * Source: Boykov & Jolly 2001 (intensity histograms of the strokes).
 */
export function colourModel(rgb: ArrayLike<number>, weight: ArrayLike<number>): (pixel: number) => number {
  let model: Float64Array = new Float64Array(BINS ** 3);
  let all = 0;
  for (let pixel = 0; pixel < weight.length; pixel++) {
    if (!(weight[pixel]! > 0)) continue;
    model[bin(rgb[3 * pixel]!, rgb[3 * pixel + 1]!, rgb[3 * pixel + 2]!)]! += weight[pixel]!;
    all += weight[pixel]!;
  }
  // The fewer the pixels, the farther each one speaks for colours beside its own.
  const rounds = all < 100 ? 4 : all < 500 ? 3 : 1;
  for (let round = 0; round < rounds; round++)
    for (const stride of [1, BINS, BINS * BINS]) model = spreadAlong(model, stride);
  const unlikely = model.map(
    (share) => -Math.log((1 - ANY_COLOUR) * (all > 0 ? share / all : 0) + ANY_COLOUR / model.length),
  );
  return (pixel) => unlikely[bin(rgb[3 * pixel]!, rgb[3 * pixel + 1]!, rgb[3 * pixel + 2]!)]!;
}
