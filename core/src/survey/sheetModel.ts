import { empiricalVariogram, fitVariogram, type Sample, type VariogramModel } from './variogram.ts';

/** mm. Standard deviation of a thickness gauge on prepared sheet; common practice, no published source. */
export const GAUGE_SD = 0.02;
/** With fewer readings a variogram cannot be fitted with any trust; the usual one of a rusting sheet is taken. */
const FEWEST_FOR_FIT = 30;
/** mm. Between these a fitted range is believed: readings crowd where it is bad, and make the sheet look more restless than it is. */
const SHORTEST_RANGE = 150;
const LONGEST_RANGE = 600;

/**
 * How does metal left vary over a sheet? Fitted where there is enough to fit, otherwise the
 * usual model of a rusting sheet (common practice, no published source); never surer than
 * the gauge.
 *
 * @param asBuilt thickness as built, mm
 */
export function modelOfSheet(samples: readonly Sample[], asBuilt: number): VariogramModel {
  const usual: VariogramModel = {
    kind: 'spherical',
    nugget: GAUGE_SD ** 2,
    partialSill: (0.2 * asBuilt) ** 2,
    range: 400,
  };
  const fitted = samples.length >= FEWEST_FOR_FIT ? fitVariogram(empiricalVariogram(samples)) : undefined;
  if (!fitted) return usual;
  return {
    kind: fitted.kind,
    nugget: Math.max(fitted.nugget, GAUGE_SD ** 2),
    // A run of good readings must not persuade that the rest is as good.
    partialSill: Math.max(fitted.partialSill, usual.partialSill / 4),
    range: Math.min(LONGEST_RANGE, Math.max(SHORTEST_RANGE, fitted.range)),
  };
}
