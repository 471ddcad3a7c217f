/** What a coat is; every kind has its usual figures, and a shop enters those of its own products. */
export const COAT_KINDS = ['converter', 'epoxy', 'zinc', 'sealer', 'chip', 'underbody', 'bed', 'wax', 'paint'] as const;
export type CoatKind = (typeof COAT_KINDS)[number];

export interface CoatProduct {
  kind: CoatKind;
  /** Hours at 20 °C until the next coat may follow, and at most without scuffing it; null where nothing ends it. */
  hours: number;
  latest: number | null;
  /** °C under which it does not dry. */
  least: number;
  /** m² that a litre covers once. */
  coverage: number;
  /** May be welded through. */
  weldThrough: boolean;
  /** Grit with which it is scuffed when the next coat comes too late; null where that does not help. */
  grit: number | null;
}

/**
 * Usual figures of each kind; the sheet of the maker goes before them. Common practice, no published source
 * (T-19, T-44, T-45); coverage and least temperature written from memory.
 */
export const usualProducts: Readonly<Record<CoatKind, CoatProduct>> = {
  converter: { kind: 'converter', hours: 24, latest: 72, least: 8, coverage: 12, weldThrough: false, grit: null },
  epoxy: { kind: 'epoxy', hours: 24, latest: 120, least: 10, coverage: 8, weldThrough: false, grit: 120 },
  zinc: { kind: 'zinc', hours: 1, latest: null, least: 5, coverage: 7, weldThrough: true, grit: null },
  sealer: { kind: 'sealer', hours: 4, latest: null, least: 5, coverage: 3, weldThrough: false, grit: null },
  chip: { kind: 'chip', hours: 12, latest: null, least: 8, coverage: 2, weldThrough: false, grit: 240 },
  underbody: { kind: 'underbody', hours: 48, latest: null, least: 5, coverage: 1.5, weldThrough: false, grit: null },
  bed: { kind: 'bed', hours: 48, latest: null, least: 10, coverage: 1.5, weldThrough: false, grit: null },
  wax: { kind: 'wax', hours: 12, latest: null, least: 5, coverage: 4, weldThrough: false, grit: null },
  paint: { kind: 'paint', hours: 24, latest: null, least: 10, coverage: 9, weldThrough: false, grit: 400 },
};

/** Keeps rust away from a face by itself: a converter needs a coat over it, and sealer covers seams only. */
export const protects = (kind: CoatKind): boolean => kind !== 'converter' && kind !== 'sealer';

/** Share of a coat that goes beside the face or stays in the gun; common practice, no published source. */
const LOST = 0.35;

/**
 * How much of a product do so many coats take?
 *
 * @param area mm²
 * @returns litres
 * @example litres(1_000_000, usualProducts.epoxy, 2) // → 0.385 (rounded)
 */
export const litres = (area: number, { coverage }: Pick<CoatProduct, 'coverage'>, coats = 1): number =>
  (coats * (area / 1e6)) / (coverage * (1 - LOST));
