/**
 * Manufacturers' Standard Gauge for uncoated carbon-steel sheet, inches.
 * Source: the standard gauge table of handbooks (Machinery's Handbook, "Sheet metal
 * gauges"; written from memory): derived from 41.82 lb/ft² per inch of thickness.
 */
const INCHES: Readonly<Record<number, number>> = {
  10: 0.1345,
  11: 0.1196,
  12: 0.1046,
  13: 0.0897,
  14: 0.0747,
  15: 0.0673,
  16: 0.0598,
  17: 0.0538,
  18: 0.0478,
  19: 0.0418,
  20: 0.0359,
  21: 0.0329,
  22: 0.0299,
  23: 0.0269,
  24: 0.0239,
  25: 0.0209,
  26: 0.0179,
};

/** Thickness in mm of a steel sheet gauge number (10 to 26), or undefined where the table has none. */
export function gaugeToMm(gauge: number): number | undefined {
  const inches = INCHES[gauge];
  return inches === undefined ? undefined : inches * 25.4;
}
