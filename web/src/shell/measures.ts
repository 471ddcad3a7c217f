/* What is bought by weight and by volume: one of the inch shop's measures in grams and litres. */
export const GRAMS_PER_OUNCE = 28.349_5;
export const LITRES_PER_CU_FT = 28.316_8;
/** US quart: cans are sold by it. */
export const LITRES_PER_QUART = 0.946_353;
