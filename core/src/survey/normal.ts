/** Standard normal distribution function. Source: Abramowitz & Stegun 7.1.26, error under 1.5e-7. */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail =
    t *
    (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) *
    Math.exp(-x * x);
  return z >= 0 ? 1 - tail / 2 : tail / 2;
}

/** Standard normal density. */
export const normalPdf = (z: number): number => Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI);
