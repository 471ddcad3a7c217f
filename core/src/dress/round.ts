import { finite, list } from '../check.ts';
import type { FitPlace } from '../fit/index.ts';
import { refuse } from '../problem.ts';
import type { Metalwork } from '../repair/index.ts';
import { fillLayers } from './fillStages.ts';

/** mm: up to there it is level; good work for filler; most for ordinary filler; most for metal-filled; least feather on each side (T-17, T-39). */
export const DRESS_LIMITS = { level: 0.3, good: 1.5, ordinary: 6, metal: 12, feather: 25 };

/** What lies under a straight edge at a place: above it is proud, below it low; mm. */
export interface DressReading {
  place: string;
  /** + proud, − low. */
  mm: number;
}

/**
 * level: nothing to do. shrink: proud, tapped down. fill: low enough for filler alone. stretch: the weld is
 * stretched before anything is filled. build: too low for that alone: metal is built up. again: a strip, or cut anew.
 */
export const DRESS_ACTS = ['level', 'shrink', 'fill', 'stretch', 'build', 'again'] as const;
export type DressAct = (typeof DRESS_ACTS)[number];

/** Filler that it would take as it lies now. */
export interface Fill {
  kind: 'fine' | 'ordinary' | 'metal';
  /** Of what is left on it, ml, and one standard deviation. */
  ml: number;
  sd: number;
  /** To be mixed, with what is sanded off again, g. */
  grams: number;
  layers: number;
  /** Deepest place, mm. */
  deepest: number;
}

export interface DressResult {
  places: { place: string; mm: number; act: DressAct }[];
  /** Lowest and proudest of the readings, mm; 0 where there is none. */
  low: number;
  proud: number;
  /** Null where nothing is to be filled, where it is too deep, or where filler has no business. */
  fill: Fill | null;
  /** All of it is level, low enough for good work with filler, or left as it is. */
  good: boolean;
}

/** mm by which one reads a straight edge off; common practice, no published source. */
const READING_SD = 0.25;
/** Grams a ml; share that stays when it is blocked: common practice, from memory. */
const DENSITY = 1.8;
const STAYS = 0.5;

const actOf = (mm: number, filler: boolean, finish: Metalwork['finish']): DressAct => {
  // Where the weld is left for its strength, or nobody sees it, small differences stay.
  if (!filler && Math.abs(mm) <= DRESS_LIMITS.ordinary) return 'level';
  if (mm > DRESS_LIMITS.level) return 'shrink';
  if (mm >= -DRESS_LIMITS.level) return 'level';
  // Brought up until no filler is needed.
  if (mm >= -DRESS_LIMITS.good) return finish === 'metal' ? 'stretch' : 'fill';
  if (mm >= -DRESS_LIMITS.ordinary) return 'stretch';
  return mm >= -DRESS_LIMITS.metal ? 'build' : 'again';
};

/**
 * A straight edge was laid across the welds: what is tapped down, stretched, filled or done again, and how
 * much filler it would take as it lies now? Between two places of a joint the low runs straight; it is
 * feathered out on both sides.
 *
 * @param input places of the joints (mm along each), readings (mm), filler: false where it counts for nothing; there the weld is left but for what is far off; finish: by filler where it is left out, else brought up until none is needed
 * @returns acts by place; filler in ml with one standard deviation, and g to mix
 * @throws Problem naming the field
 * Source: limits of filler T-17, T-39, common practice, no published source; volume of the two wedges by the trapezium rule.
 * @example dressRound({ places: [{ id: '0:0', joint: 0, along: 0, at: [0, 0], normal: [0, 1] }], readings: [{ place: '0:0', mm: -1 }], filler: true }).places[0].act // → "fill"
 */
export function dressRound({
  places,
  readings,
  filler,
  finish = 'filler',
}: {
  places: readonly FitPlace[];
  readings: readonly DressReading[];
  filler: boolean;
  finish?: Metalwork['finish'];
}): DressResult {
  const at = new Map(places.map((place) => [place.id, place]));
  const read = list<DressReading>('readings', readings, 0, 300).map(({ place, mm }, i) => {
    finite(`readings[${i}].mm`, mm, { min: -50, max: 50, unit: 'mm' });
    if (!at.has(place)) refuse('unknown-place', `readings[${i}].place`, 'This place lies on no joint.');
    return { place, mm, act: actOf(mm, filler, finish) };
  });
  const low = Math.max(0, ...read.map(({ mm }) => -mm));
  const proud = Math.max(0, ...read.map(({ mm }) => mm));
  const good = read.length > 0 && read.every(({ act }) => act === 'level' || act === 'fill');
  const fillable = filler && finish === 'filler' && low > DRESS_LIMITS.level && low <= DRESS_LIMITS.metal;
  return { places: read, low, proud, fill: fillable ? fillOf(read, { at, low }) : null, good };
}

function fillOf(read: readonly DressReading[], { at, low }: { at: ReadonlyMap<string, FitPlace>; low: number }): Fill {
  const along = [...read]
    .map(({ place, mm }) => ({ ...at.get(place)!, depth: Math.max(0, -mm) }))
    .sort((a, b) => a.joint - b.joint || a.along - b.along);
  let [area, variance] = [0, 0];
  along.forEach((here, i) => {
    // Each reading stands for the stretch to half-way to its neighbours on the same joint.
    const near = [along[i - 1], along[i + 1]].filter((other) => other?.joint === here.joint);
    const reach = near.reduce((sum, other) => sum + Math.abs(other!.along - here.along) / 2, 0);
    const stretch = near.length > 0 ? reach : DRESS_LIMITS.feather;
    area += here.depth * stretch;
    if (here.depth > 0) variance += (stretch * READING_SD) ** 2;
  });
  // Two wedges, each as high as it is deep and as wide as its feather: together depth × feather.
  const ml = (area * DRESS_LIMITS.feather) / 1000;
  const kind = low <= DRESS_LIMITS.good ? 'fine' : low <= DRESS_LIMITS.ordinary ? 'ordinary' : 'metal';
  return {
    kind,
    ml,
    sd: (Math.sqrt(variance) * DRESS_LIMITS.feather) / 1000,
    grams: (ml * DENSITY) / STAYS,
    layers: fillLayers(kind, low).reduce((sum, { layers }) => sum + layers, 0),
    deepest: low,
  };
}
