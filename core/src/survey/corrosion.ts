import { finite, isWordOf } from '../check.ts';
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
/** Years up to which the power law holds; from then on the loss goes on at the rate it has then (ISO 9224). */
const POWER_LAW_YEARS = 20;

/** Loss after so many years as a multiple of the first year's: t^b, and its tangent beyond twenty years. */
export function growthOfLoss(years: number, metal: 'steel' | 'zinc' = 'steel'): number {
  const b = EXPONENT[metal];
  if (years <= POWER_LAW_YEARS) return years ** b;
  return POWER_LAW_YEARS ** b + b * POWER_LAW_YEARS ** (b - 1) * (years - POWER_LAW_YEARS);
}

/** After how many years the loss is so many times that of the first year. */
function yearsUntil(growth: number): number {
  const b = EXPONENT.steel;
  const atTwenty = POWER_LAW_YEARS ** b;
  if (growth <= atTwenty) return growth ** (1 / b);
  return POWER_LAW_YEARS + (growth - atTwenty) / (b * POWER_LAW_YEARS ** (b - 1));
}

/**
 * How much metal does open weather take? D = r·t^b with the first year's loss r of the
 * category, from its lower to its upper end; linear beyond twenty years.
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
  const rates = FIRST_YEAR[category];
  if (!isWordOf(FIRST_YEAR, category))
    return refuse('unknown-category', 'category', 'category must be C1, C2, C3, C4, C5 or CX.');
  finite('years', years, { min: 0, max: 100 });
  if (typeof zinc !== 'boolean') refuse('not-a-flag', 'zinc', 'zinc must be true or false.');
  const metal = zinc ? 'zinc' : 'steel';
  const [low, high] = rates[metal];
  const growth = growthOfLoss(years, metal);
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
  /** Years until it is there, at the earliest that has to be reckoned with. */
  earliest: number;
  /** Months after which to look again: half of that, between 1 and 12. */
  months: number;
}

const looking = (earliest: number): LookAgain => ({
  earliest,
  // Half of the earliest time is common practice, no published source.
  months: Math.min(12, Math.max(1, Math.floor((earliest * 12) / 2))),
});

/**
 * A sheet is left as it is and watched: when is it down to its limit if it goes on bare, and
 * when should somebody look again? By the fast end of the category.
 *
 * @param metal left now, mm
 * @param limit below which it cannot be welded to, mm
 * Source: `corrosion` turned round.
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
  const { high } = corrosion({ category, years: 1 });
  const spare = Math.max(
    0,
    finite('metal', metal, { min: 0, unit: 'mm' }) - finite('limit', limit, { min: 0, unit: 'mm' }),
  );
  return looking(yearsUntil((spare * 1000) / high));
}

/**
 * Pits are left and watched: when is the deepest through? A pit goes on as it has begun: how
 * many times the even loss it has taken so far is kept as a factor on the rate. Of rate and
 * category nothing is left in it then, only the shape of the loss over time: depth after t more
 * years = depth now · D(years + t)/D(years).
 *
 * @param depth of the deepest pit now, mm: its P90, because the earliest date is asked for
 * @param thickness of the sheet, mm
 * @param years that it has been going on so far; where only the age of the car is known, rust
 *   that began later is faster, so a third of the age is taken as the least (common practice, no published source)
 * Source: ISO 9224 for the shape of the loss; the kept pitting factor is common practice, no published source.
 */
export function lookAtPits({
  depth,
  thickness,
  years,
}: {
  depth: number;
  thickness: number;
  years: number;
}): LookAgain {
  finite('depth', depth, { min: 0, max: 1000, unit: 'mm' });
  finite('thickness', thickness, { above: 0, max: 1000, unit: 'mm' });
  const begun = Math.max(1, finite('years', years, { min: 0, max: 200 }) / 3);
  if (depth >= thickness) return looking(0);
  if (depth === 0) return looking(Infinity);
  return looking(Math.max(0, yearsUntil((growthOfLoss(begun) * thickness) / depth) - begun));
}
