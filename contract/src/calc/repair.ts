import { joints } from '@aspecta/core/repair';
import { calculation, many, maybe, mm, number, object, point, PRACTICE, ring, word } from './kit.ts';

export const repairCalculations = [
  calculation({
    id: 'repair.joints',
    title: 'Joints of a piece',
    question: 'Which joints does a piece have, how long are they, and how many fasteners are in them?',
    sources: [PRACTICE, 'plane geometry'],
    needs: {
      outline: ring('panel'),
      edges: many(
        object({ from: point('from'), to: point('to'), kind: word('spot, hem, bolt, rivet, fold, lip, free …') }, '', {
          pitch: mm('pitch'),
          sheets: number('sheets'),
          height: mm('width of the fold or lip'),
        }),
        'edges of the panel, once round it, from corner to corner',
      ),
      piece: ring('piece'),
    },
    gives: {
      stretches: many(
        object({
          kind: word('joint'),
          edge: maybe(number('index of the edge, none where it is cut')),
          length: mm('length'),
          fasteners: number('fasteners'),
        }),
        'joints in the order of the piece',
      ),
      cut: mm('cut within the sheet'),
      own: mm('on edges of the panel'),
      fasteners: number('fasteners in all'),
    },
    example: {
      outline: [
        [0, 0],
        [400, 0],
        [400, 300],
        [0, 300],
      ],
      edges: [
        { from: [0, 0], to: [400, 0], kind: 'spot', pitch: 40, sheets: 2 },
        { from: [400, 0], to: [400, 300], kind: 'hem', height: 10 },
        { from: [400, 300], to: [0, 300], kind: 'free' },
        { from: [0, 300], to: [0, 0], kind: 'free' },
      ],
      piece: [
        [250, 0],
        [400, 0],
        [400, 120],
        [250, 120],
      ],
    },
    run: joints,
  }),
];
