import { litres, usualProducts, type CoatKind, type CoatProduct } from './products.ts';
import type { Face } from './faces.ts';
import { wholeUp } from '../tolerances.ts';

/** So many coats of one kind. */
export interface SystemCoat {
  kind: CoatKind;
  coats: number;
}

/** Litres in a can as it is usually sold; common practice, no published source. */
export const CANS: Readonly<Record<CoatKind, number>> = {
  converter: 0.5,
  epoxy: 1,
  zinc: 0.4,
  sealer: 0.31,
  chip: 1,
  underbody: 1,
  bed: 3.8,
  wax: 0.5,
  paint: 1,
};

/** What a face needs, first coat first: primed twice, then what lies over it there (T-19, T-44); common practice, no published source. */
export function systemOf({ kind, visible }: Pick<Face, 'kind'> & { visible: boolean }): readonly SystemCoat[] {
  const primer: SystemCoat = { kind: 'epoxy', coats: 2 };
  if (kind === 'hollow') return [primer, { kind: 'wax', coats: 1 }];
  if (kind === 'back') return [primer, { kind: visible ? 'wax' : 'underbody', coats: 1 }];
  return [primer, visible ? { kind: 'paint', coats: 3 } : { kind: 'chip', coats: 1 }];
}

/**
 * What lies over the primer of a face at last? Paint is a job of its own, for the whole car.
 *
 * @example coversOf({ kind: 'back', visible: false }) // → ["underbody"]
 */
export const coversOf = (face: Parameters<typeof systemOf>[0]): CoatKind[] =>
  systemOf(face)
    .map(({ kind }) => kind)
    .filter((kind) => kind !== 'epoxy' && kind !== 'paint');

/** What is still missing of a product, over all faces. */
export interface CoatNeed {
  kind: CoatKind;
  litres: number;
  cans: number;
}

/**
 * How much of each product do these faces still take? A coat that is on counts, in the order of the system.
 *
 * @param faces with the kinds of coats that are on them, oldest first; area mm²
 * @param products by kind where the shop has its own; the usual ones else
 * @returns litres and full cans by kind, only where something is missing
 * @example coatNeeds([{ kind: 'hollow', visible: false, area: 1e6, on: [] }]).map(({ kind, cans }) => [kind, cans]) // → [["epoxy", 1], ["wax", 1]]
 */
export function coatNeeds(
  faces: readonly (Pick<Face, 'kind' | 'area'> & { visible: boolean; on: readonly CoatKind[] })[],
  products: Readonly<Partial<Record<CoatKind, Pick<CoatProduct, 'coverage'>>>> = {},
): CoatNeed[] {
  const sums = new Map<CoatKind, number>();
  for (const face of faces) {
    // Any primer that keeps rust away stands for the primer of the system.
    const on = [...face.on];
    for (const { kind, coats } of systemOf(face)) {
      let missing = coats;
      for (let i = on.length - 1; i >= 0 && missing > 0; i--)
        if (on[i] === kind || (kind === 'epoxy' && on[i] === 'zinc')) {
          on.splice(i, 1);
          missing--;
        }
      if (missing > 0)
        sums.set(kind, (sums.get(kind) ?? 0) + litres(face.area, products[kind] ?? usualProducts[kind], missing));
    }
  }
  return [...sums].map(([kind, sum]) => ({ kind, litres: sum, cans: wholeUp(sum / CANS[kind]) }));
}
