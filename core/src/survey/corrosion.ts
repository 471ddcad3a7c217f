import { finite } from '../check.ts';
import { refuse } from '../problem.ts';

export type CorrosivityCategory = 'C1' | 'C2' | 'C3' | 'C4' | 'C5' | 'CX';

/* First-year loss, µm: ISO 9223, from memory. */
const FIRST_YEAR: Readonly<
  Record<CorrosivityCategory, { steel: readonly [number, number]; zinc: readonly [number, number] }>
> = {
  C1: { steel: [0, 1.3], zinc: [0, 0.1] },
  C2: { steel: [1.3, 25], zinc: [0.1, 0.7] },
  C3: { steel: [25, 50], zinc: [0.7, 2.1] },
  C4: { steel: [50, 80], zinc: [2.1, 4.2] },
  C5: { steel: [80, 200], zinc: [4.2, 8.4] },
  CX: { steel: [200, 700], zinc: [8.4, 25] },
};
/** Exponents of time: ISO 9224, average of the metal. */
const EXPONENT = { steel: 0.523, zinc: 0.813 };

/**
 * How much metal does open weather take? D = r·t^b with the first year's loss r of the
 * category, from its lower to its upper end.
 *
 * @param years 0 to 100
 * @param zinc true for the zinc of a galvanised sheet
 * @returns loss of one bare face, µm
 * Source: ISO 9223 (rates, memory), ISO 9224 (exponents).
 */
export function corrosion({
  category,
  years,
  zinc = false,
}: {
  category: CorrosivityCategory;
  years: number;
  zinc?: boolean;
}): { low: number; high: number } {
  const rates = FIRST_YEAR[category] as (typeof FIRST_YEAR)[CorrosivityCategory] | undefined;
  if (!rates) return refuse('unknown-category', 'category', 'category must be C1, C2, C3, C4, C5 or CX.');
  finite('years', years, { min: 0, max: 100 });
  if (typeof zinc !== 'boolean') refuse('not-a-flag', 'zinc', 'zinc must be true or false.');
  const metal = zinc ? 'zinc' : 'steel';
  const [low, high] = rates[metal];
  const growth = years ** EXPONENT[metal];
  return { low: low * growth, high: high * growth };
}

export type Climate = 'dry' | 'temperate' | 'wet' | 'coast';
/** Which category a climate comes to for a car that is used; common practice, no published source. */
export const CATEGORY_OF: Readonly<Record<Climate, CorrosivityCategory>> = {
  dry: 'C2',
  temperate: 'C3',
  wet: 'C4',
  coast: 'C5',
};

export interface LookAgain {
  category: CorrosivityCategory;
  /** Years until the metal is down to the limit, at the fast and at the slow end of the category. */
  soonest: number;
  latest: number;
  /** Months after which to look again: half of the soonest, between 1 and 12. */
  months: number;
}

/**
 * A sheet is left as it is and watched: when does it reach its limit if it goes on bare, and
 * when should somebody look again?
 *
 * @param metal left now, mm
 * @param limit below which it cannot be welded to, mm
 * Source: corrosion turned round; half of the soonest time is common practice, no published source.
 */
export function lookAgain({
  metal,
  limit,
  category,
}: {
  metal: number;
  limit: number;
  category: CorrosivityCategory;
}): LookAgain {
  const first = corrosion({ category, years: 1 });
  const spare = Math.max(
    0,
    finite('metal', metal, { min: 0, unit: 'mm' }) - finite('limit', limit, { min: 0, unit: 'mm' }),
  );
  const until = (rate: number) => (rate === 0 ? Infinity : ((spare * 1000) / rate) ** (1 / EXPONENT.steel));
  const soonest = until(first.high);
  return {
    category,
    soonest,
    latest: until(first.low),
    months: Math.min(12, Math.max(1, Math.floor((soonest * 12) / 2))),
  };
}
