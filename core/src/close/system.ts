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

/** Sides of metal for which a system of coats is told. */
export const COATED_SIDES = ['hollow', 'behindSeen', 'behindHidden', 'seen', 'hidden'] as const;
export type CoatedSide = (typeof COATED_SIDES)[number];
/** What each side gets, first coat first. */
export type CoatSystems = Readonly<Record<CoatedSide, readonly SystemCoat[]>>;

const PRIMED: SystemCoat = { kind: 'epoxy', coats: 2 };
/** Primed twice, then what lies over it there (T-19, T-44); common practice, no published source. */
export const usualSystems: CoatSystems = {
  hollow: [PRIMED, { kind: 'wax', coats: 1 }],
  behindSeen: [PRIMED, { kind: 'wax', coats: 1 }],
  behindHidden: [PRIMED, { kind: 'underbody', coats: 1 }],
  seen: [PRIMED, { kind: 'paint', coats: 3 }],
  hidden: [PRIMED, { kind: 'chip', coats: 1 }],
};

type CoatedFace = Pick<Face, 'kind'> & { visible: boolean };

/** Which side of the metal a face is; visible: of a panel that is seen on the finished car. */
export const sideOf = ({ kind, visible }: CoatedFace): CoatedSide =>
  kind === 'hollow'
    ? 'hollow'
    : kind === 'back'
      ? visible
        ? 'behindSeen'
        : 'behindHidden'
      : visible
        ? 'seen'
        : 'hidden';

/** What a face needs, first coat first. */
export const systemOf = (face: CoatedFace, systems = usualSystems): readonly SystemCoat[] => systems[sideOf(face)];

/** Coats on bare metal, on which the others stand. */
const UNDER: readonly CoatKind[] = ['converter', 'epoxy', 'zinc'];

/**
 * What lies over the primer of a face at last? Paint is a job of its own, for the whole car.
 *
 * @example coversOf({ kind: 'back', visible: false }) // → ["underbody"]
 */
export const coversOf = (face: CoatedFace, systems = usualSystems): CoatKind[] =>
  systemOf(face, systems)
    .map(({ kind }) => kind)
    .filter((kind) => !UNDER.includes(kind) && kind !== 'paint');

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
 * @param systems what each side gets; as is usual where it is left out
 * @returns litres and full cans by kind, only where something is missing
 * @example coatNeeds([{ kind: 'hollow', visible: false, area: 1e6, on: [] }]).map(({ kind, cans }) => [kind, cans]) // → [["epoxy", 1], ["wax", 1]]
 */
export function coatNeeds(
  faces: readonly (Pick<Face, 'kind' | 'area'> & { visible: boolean; on: readonly CoatKind[] })[],
  products: Readonly<Partial<Record<CoatKind, Pick<CoatProduct, 'coverage'>>>> = {},
  systems = usualSystems,
): CoatNeed[] {
  const sums = new Map<CoatKind, number>();
  for (const face of faces) {
    // Any primer that keeps rust away stands for the primer of the system.
    const on = [...face.on];
    for (const { kind, coats } of systemOf(face, systems)) {
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
