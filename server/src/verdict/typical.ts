import type { Ring } from '@aspecta/core/geometry';

/* What the comparisons of schools share. */
/** Of chance; the same for all, so that they differ by their work alone: enough for a comparison. */
export const RUNS = 1000;

/** Damage as a rectangle, mm. */
export const block = (u: number, v: number, width: number, height: number): Ring => [
  [u, v],
  [u + width, v],
  [u + width, v + height],
  [u, v + height],
];
