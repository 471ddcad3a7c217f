import type { Metalwork } from '@aspecta/core/repair';

/** What a house rule asks of how it works on metal. */
export type MetalworkQuestion = keyof Metalwork;

/** Each school of the trade by its name and what it stands for, in a sentence; common practice, no published source. */
export const METALWORK_WORDS: {
  readonly [Q in MetalworkQuestion]: Readonly<Record<Metalwork[Q], { name: string; sentence: string }>>;
} = {
  cutBack: {
    bright: {
      name: 'Back to bright metal',
      sentence: 'All that is rusty comes out; nothing goes on below the paint, and the pieces become large.',
    },
    holes: {
      name: 'What is gone or too thin',
      sentence:
        'Pitted metal that can still be welded to stays, is treated and coated, but not near a mount; small pieces, and one looks again every year.',
    },
  },
  rust: {
    neutralise: {
      name: 'Neutralise, then epoxy',
      sentence: 'Washed with acid, rinsed, dried and primed the same day; it asks for care in every corner.',
    },
    convert: {
      name: 'Convert',
      sentence:
        'Brushed on over what cannot be got out, and a day to harden before anything goes over it; what flakes is not held by it.',
    },
    blast: {
      name: 'Blast to white metal',
      sentence: 'Nothing is left to come back; dust everywhere, thin sheet warps, and it must be primed within hours.',
    },
  },
  finish: {
    filler: {
      name: 'Level, then filler',
      sentence:
        'Dressed until it is low enough for a skim of filler; quick, and sound as long as the metal under it is.',
    },
    metal: {
      name: 'Metal until none is needed',
      sentence: 'Planished and filed flat; it lasts and can be shown bare, and takes the longest.',
    },
  },
  primed: {
    after: {
      name: 'When it is in',
      sentence: 'Nothing burns off and nothing is scratched; backs and flanges are reached with lance and brush.',
    },
    before: {
      name: 'Before it is fitted',
      sentence: 'Every side is reached on the bench; what burns or is scratched at the joints is made good afterwards.',
    },
  },
  lowEdge: {
    open: {
      name: 'Left unsealed',
      sentence: 'What gets in runs out between the welds; never a water trap.',
    },
    shut: {
      name: 'Sealed from end to end',
      sentence: 'Spray is kept out; all water then leaves by the drains, so they are cleared every year.',
    },
  },
  passage: {
    cheapest: {
      name: 'Whatever costs less',
      sentence: 'Hours, seams and what may break are weighed for each way in.',
    },
    sections: {
      name: 'Part the piece',
      sentence: 'It goes in by sections that are joined inside: more seams, and nothing else is touched.',
    },
    neighbour: {
      name: 'Take off what is in the way',
      sentence: 'It goes in whole; the panel beside it is opened, put back and aligned again.',
    },
  },
};

/** On what they are compared, as one says it. */
export const TYPICAL_METALWORK: Readonly<Record<MetalworkQuestion, string>> = {
  cutBack: 'a hole with a hand’s breadth of pitting around it in a boot floor, far from any mount',
  rust: 'two hands’ breadths of pitting in a floor that are treated',
  finish: 'a patch over a hand’s breadth of rust low in a rear quarter, its step of filling included',
  primed: 'a patch in a floor, all of its steps up to the last coat',
  lowEdge: 'a patch at the low edge of an outer sill',
  passage: 'a boot floor that is too wide for the opening of its lid',
};

/** What a school comes to on such a repair. */
export interface MetalworkCost {
  question: MetalworkQuestion;
  choice: Metalwork[MetalworkQuestion];
  hours: number;
  /** Minor units. */
  cost: number;
  /** Hours that it dries in the meantime; left out where the question is not about that. */
  dries?: number;
}
