import type { ShelfKind } from '@aspecta/core/shelf';
import type { LengthUnit } from '@aspecta/core/units';
import { GRAMS_PER_OUNCE, LITRES_PER_CU_FT, LITRES_PER_QUART } from '../shell/measures.ts';

/** How a person counts a kind: its unit, and what one of it is in the unit in which it is kept. */
interface Counted {
  word: string;
  one: number;
  digits: number;
}

/** Grams, litres and pieces of one kind, as they are counted in a shop. */
export function countedIn(kind: ShelfKind, unit: LengthUnit): Counted {
  const inch = unit === 'in';
  if (kind === 'wire' || kind === 'rod')
    return inch ? { word: 'oz', one: GRAMS_PER_OUNCE, digits: 1 } : { word: 'g', one: 1, digits: 0 };
  if (kind === 'gas')
    return inch ? { word: 'cu ft', one: LITRES_PER_CU_FT, digits: 1 } : { word: 'l', one: 1, digits: 0 };
  if (kind === 'disc') return { word: 'pieces', one: 1, digits: 1 };
  return inch ? { word: 'qt', one: LITRES_PER_QUART, digits: 2 } : { word: 'l', one: 1, digits: 2 };
}

/** An amount with its unit. */
export function amountText(amount: number, kind: ShelfKind, unit: LengthUnit): string {
  const { word, one, digits } = countedIn(kind, unit);
  return `${Number((amount / one).toFixed(digits))} ${word}`;
}
