import type { Closing, Schools } from '@aspecta/core/repair';

/** What a house rule asks: how a cut in sheet that is seen, one that stays hidden, and a spot-welded flange are closed. */
export type SchoolQuestion = keyof Schools;

/** What each school of the trade stands for, in a sentence; common practice, no published source. */
export const SCHOOL_WORDS: Readonly<Record<SchoolQuestion, Partial<Record<Closing, string>>>> = {
  seen: {
    butt: 'Flush and one layer thick; it asks for the closest fit and the most patience with heat.',
    lap: 'Easy to fit and stiff against heat; it stands proud, and water stays between the sheets.',
    joggle: 'A lap that is sunk flush: stiff and quick to fit, and water stays in the step all the same.',
  },
  hidden: {
    butt: 'One layer thick, nothing holds water; it asks for the closest fit.',
    lap: 'Quick where nobody looks; both faces are coated before it closes, and its edge is sealed.',
    joggle: 'Stiff and level for the carpet; its step is coated and sealed like any lap.',
  },
  flange: {
    plug: 'One side is enough, with the welder that is there; as good as each hole is filled.',
    spot: 'As the factory did it, clean and quick; the arms have to reach both sides.',
  },
};

/** On what the schools are compared, as one says it. */
export const TYPICAL_REPAIRS: Readonly<Record<SchoolQuestion, string>> = {
  seen: 'a patch over a hand’s breadth of rust low in a rear quarter',
  hidden: 'a patch over a hand’s breadth of rust in the middle of a floor',
  flange: 'a patch at the edge of a floor, over its flange to the sill',
};

/** What a school comes to on such a repair, at half of the cases, by the rates and paces of the shop. */
export interface SchoolCost {
  question: SchoolQuestion;
  choice: Closing;
  hours: number;
  /** Minor units. */
  cost: number;
}
