import type { Fill } from './round.ts';

/** Which filler, or what else goes on. */
export type FillProduct = 'metal' | 'ordinary' | 'fine' | 'primer';

/**
 * One stage on the way to a surface that can be painted.
 * scuff: the ground, beyond the edge of the filler. fill: in layers, each hardened. block: dry, over a long block.
 * prime: with a guide coat over it. flat: until the guide coat is gone.
 */
export interface FillStage {
  what: 'scuff' | 'fill' | 'block' | 'prime' | 'flat';
  product: FillProduct | null;
  /** mm that this filler builds up, and in how many layers. */
  mm: number;
  layers: number;
  /** Grits of the paper, coarse to fine. */
  grits: readonly number[];
}

/** mm of one layer that cures through: of fine filler, and of the others; mm of fine filler over them; common practice, from memory. */
const LAYER = { fine: 1.5, ordinary: 3, metal: 3 } as const;
const ON_TOP = 0.5;
/** Paper for each stage; common practice, no published source. */
const GRITS = { scuff: [80], base: [80, 120], top: [180], primer: [320], paint: [400] } as const;

/** In how many layers, of which filler, is a low of this depth filled? The last half millimetre is fine filler. mm. */
export function fillLayers(
  kind: Fill['kind'],
  deepest: number,
): { product: Fill['kind']; mm: number; layers: number }[] {
  const layers = (product: Fill['kind'], mm: number) => ({ product, mm, layers: Math.ceil(mm / LAYER[product]) });
  return kind === 'fine' ? [layers('fine', deepest)] : [layers(kind, deepest - ON_TOP), layers('fine', ON_TOP)];
}

/**
 * From bare metal to what can be painted: which filler in how many layers, and which paper at each stage?
 *
 * @param fill kind of filler and the deepest place, mm
 * @returns stages in their order; lengths mm
 * Source: common practice, no published source (T-17, T-19).
 * @example fillStages({ kind: 'fine', deepest: 1 }).map(({ what, grits }) => `${what} ${grits.join()}`) // → ["scuff 80", "fill ", "block 120,180", "prime ", "flat 320,400"]
 */
export function fillStages({ kind, deepest }: Pick<Fill, 'kind' | 'deepest'>): FillStage[] {
  const stage = (what: FillStage['what'], over: Partial<FillStage> = {}): FillStage => ({
    ...{ what, product: null, mm: 0, layers: 0, grits: [] },
    ...over,
  });
  const filled = fillLayers(kind, deepest).flatMap((layer, i, all) => {
    const isTop = i === all.length - 1;
    const grits = all.length === 1 ? [GRITS.base[1], ...GRITS.top] : isTop ? GRITS.top : GRITS.base;
    return [stage('fill', layer), stage('block', { grits })];
  });
  return [
    stage('scuff', { grits: GRITS.scuff }),
    ...filled,
    stage('prime', { product: 'primer' }),
    stage('flat', { grits: [...GRITS.primer, ...GRITS.paint] }),
  ];
}
