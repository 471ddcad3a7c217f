import type { HandProcess, Holding, Strategy } from '@aspecta/core/weld';

/** How this shop welds where nobody has said anything else; null: as it welded last. */
export interface WeldingSchools {
  process: HandProcess | null;
  strategy: Exclude<Strategy, 'continuous'> | null;
  holding: Holding | null;
  /** How cold a place is before it is welded again. */
  heat: HeatSchool | null;
}
/** Hand-warm before each next stitch, or one hot quick pass once it is well tacked. */
export type HeatSchool = 'cool' | 'pass';
/** °C below which a place is welded again; common practice, no published source. */
const WELD_AGAIN: Readonly<Record<HeatSchool, number>> = { cool: 50, pass: 150 };
export const HEAT_WORDS: Readonly<Record<HeatSchool, string>> = {
  cool: 'Short stitches, cold in between',
  pass: 'One hot quick pass',
};

/** Settings of a weld plan that the schools of the shop say. */
export const settingsBy = ({ heat, ...others }: WeldingSchools) => ({
  ...Object.fromEntries(Object.entries(others).filter(([, choice]) => choice !== null)),
  ...(heat ? { handWarm: WELD_AGAIN[heat] } : {}),
});
export type WeldingQuestion = keyof WeldingSchools;
export type WeldingChoice<Q extends WeldingQuestion = WeldingQuestion> = NonNullable<WeldingSchools[Q]>;

export const NO_WELDING: WeldingSchools = { process: null, strategy: null, holding: null, heat: null };

/** What each school of welding stands for, in a sentence; common practice, no published source. */
export const WELDING_WORDS: { readonly [Q in WeldingQuestion]: Readonly<Record<WeldingChoice<Q>, string>> } = {
  process: {
    mig: 'Fast, and one hand is free; its bead is hard, and is ground rather than worked.',
    tig: 'A small soft bead that can be planished; slower, and it forgives no dirt and no gap.',
    gas: 'The original look and full penetration; the sheet is annealed and warm far around.',
  },
  strategy: {
    coolest: 'Wherever the sheet is coolest next, so that no place is welded warm.',
    skip: 'The ends first, then halves: each stitch as far from the last as there is room.',
    backstep: 'Along the joint in short runs, each of them back towards the one before.',
  },
  holding: {
    clamps: 'Nothing is left to weld up; they need an edge to hold on to.',
    screws: 'Sheets lie tight wherever they are wanted; every hole is welded up afterwards.',
  },
  heat: {
    cool: 'A stitch as long as a thumb is wide, then elsewhere until one can lay a hand on it; slow, and it warps least.',
    pass: 'Well tacked, then on before it has gone cold: the heat is over quickly and pulls once. For those who do it every day.',
  },
};

/** What a school comes to on a typical patch, reckoned as a weld plan is. */
export interface WeldingCost {
  question: WeldingQuestion;
  choice: WeldingChoice;
  /** s from the first arc to the last, waits included; s of it that one waits. */
  total: number;
  wait: number;
  /** How much it pulls, as a share of what the one that pulls least does; 1 and more. */
  pull: number;
}
/** On what the ways of welding are compared, as one says it. */
export const TYPICAL_PATCH = { width: 180, height: 120, thickness: 0.9 } as const;
