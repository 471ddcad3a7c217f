/* What is bought by weight and by volume: one of the inch shop's measures in grams and litres. */
export const GRAMS_PER_OUNCE = 28.349_5;
export const LITRES_PER_CU_FT = 28.316_8;
/** US quart: cans are sold by it. */
export const LITRES_PER_QUART = 0.946_353;
/** US fluid ounces in a quart. */
const OUNCES_PER_QUART = 32;

/** A volume as a shop says it: litres and millilitres, or quarts and fluid ounces. */
export function volumeText(litres: number, unit: 'mm' | 'in'): string {
  if (unit === 'mm') return litres < 0.1 ? `${Math.ceil(litres * 1000)} ml` : `${Number(litres.toFixed(1))} l`;
  const quarts = litres / LITRES_PER_QUART;
  return quarts < 0.25 ? `${Math.ceil(quarts * OUNCES_PER_QUART)} fl oz` : `${Number(quarts.toFixed(1))} qt`;
}
