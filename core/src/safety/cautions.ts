/** Steps of the work at which cautions are shown. */
export const CAUTION_STEPS = ['survey', 'strip', 'verdict', 'cut', 'weld', 'arrival'] as const;
export type CautionStep = (typeof CAUTION_STEPS)[number];

export interface Caution {
  id: string;
  title: string;
  text: string;
  steps: readonly CautionStep[];
}

/** Follows every list of cautions. */
export const DEFERENCE =
  'These are reminders, not a certificate. Follow your local code, the makers’ manuals and the advice of a qualified person.';

/** The usual hazards of the work; common practice, no published source. */
const CAUTIONS: readonly Caution[] = [
  {
    id: 'stands',
    title: 'Never under a car on a jack',
    text: 'Put it on stands on firm ground, and rock it before you go under. On a rotisserie, lock the rotation.',
    steps: ['survey', 'strip', 'cut', 'weld'],
  },
  {
    id: 'dust',
    title: 'Dust, old lead and nests',
    text: 'Mask and gloves for sanding, blasting and cleaning out. Old paint and leaded joints give off lead; rodent nests carry disease.',
    steps: ['survey', 'strip'],
  },
  {
    id: 'wheels',
    title: 'Wire wheels and discs',
    text: 'Face shield, guard on, rated speed. Wire wheels throw wires and kick; cut edges are razors.',
    steps: ['survey', 'strip', 'cut'],
  },
  {
    id: 'brace',
    title: 'Brace before you cut',
    text: 'A body can fold when it is cut. Fit braces across every opening that loses a side and take reference measurements first. Take them out last.',
    steps: ['verdict', 'cut'],
  },
  {
    id: 'structure',
    title: 'Load-bearing metal',
    text: 'Sills, floor, posts, legs and everything near a mount carry the load. How they may be repaired is a matter of law in many countries.',
    steps: ['verdict', 'cut', 'weld'],
  },
  {
    id: 'below',
    title: 'Know what lies behind',
    text: 'Look behind the sheet before cutting: wiring, fuel and brake lines, the next layer. Set the blade to the depth of one sheet.',
    steps: ['cut'],
  },
  {
    id: 'fuel',
    title: 'Fuel tank and lines out',
    text: 'Remove them from the area, the “empty” tank above all: vapour explodes. Keep gas cylinders upright and chained.',
    steps: ['cut', 'weld'],
  },
  {
    id: 'fire',
    title: 'Fire watch',
    text: 'Underseal, wax, foam and trim burn, also on the far side. Extinguisher at hand, and look again half an hour after the last spark.',
    steps: ['cut', 'weld'],
  },
  {
    id: 'battery',
    title: 'Battery and electronics off',
    text: 'Disconnect the battery and any control units; keep away from airbags and belt tensioners where they are fitted.',
    steps: ['weld'],
  },
  {
    id: 'fumes',
    title: 'Fumes',
    text: 'Grind zinc, paint and sealer off well beyond the weld and air the place. Zinc and lead fumes make ill; a closed cavity can hold solvent.',
    steps: ['weld'],
  },
  {
    id: 'eyes',
    title: 'Eyes, skin, ears',
    text: 'Welding helmet, covered skin, gloves, hearing protection; screen the arc from others. Not in the wet, and not alone.',
    steps: ['weld'],
  },
  {
    id: 'lift',
    title: 'Large panels',
    text: 'Sharp and heavy: gloves, and two people for anything wider than your arms.',
    steps: ['arrival'],
  },
];

/** Cautions that belong to a step of the work. */
export const cautionsFor = (step: CautionStep): readonly Caution[] =>
  CAUTIONS.filter((caution) => caution.steps.includes(step));
