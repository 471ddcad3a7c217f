/** Steps of the table: the mean of a distribution is met to a hundred-thousandth of its width. */
const STEPS = 1024;
const FINE = 4096;

/**
 * Quantiles of a PERT distribution (beta with shape 1 + 4·(mode − min)/(max − min)), so that one
 * uniform number gives one draw: thousands of draws an option must not take seconds.
 * Source: Malcolm et al. 1959; inverse transform.
 */
export function pertTable([min, mode, max]: readonly [number, number, number]): (uniform: number) => number {
  if (!(max > min)) return () => mode;
  const a = (4 * (mode - min)) / (max - min);
  const b = (4 * (max - mode)) / (max - min);
  const density = (x: number) => x ** a * (1 - x) ** b;
  const sums = new Float64Array(FINE + 1);
  for (let i = 1; i <= FINE; i++) sums[i] = sums[i - 1]! + density((i - 0.5) / FINE);
  const total = sums[FINE]!;
  const quantiles = new Float64Array(STEPS + 1);
  for (let q = 0, i = 0; q <= STEPS; q++) {
    const wanted = (total * q) / STEPS;
    while (i < FINE - 1 && sums[i + 1]! < wanted) i++;
    const step = sums[i + 1]! - sums[i]!;
    const share = step > 0 ? Math.min(1, Math.max(0, (wanted - sums[i]!) / step)) : 0;
    quantiles[q] = min + ((i + share) / FINE) * (max - min);
  }
  return (uniform) => {
    const at = uniform * STEPS;
    const k = Math.min(STEPS - 1, Math.floor(at));
    return quantiles[k]! + (quantiles[k + 1]! - quantiles[k]!) * (at - k);
  };
}

/** Tables by their three figures, made once each. */
export function pertTables(): (minutes: readonly [number, number, number]) => (uniform: number) => number {
  const known = new Map<string, (uniform: number) => number>();
  return (minutes) => {
    const key = minutes.join(' ');
    const table = known.get(key) ?? pertTable(minutes);
    known.set(key, table);
    return table;
  };
}
