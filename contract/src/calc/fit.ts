import { trim } from '@aspecta/core/fit';
import { calculation, many, mm, number, numbers, object, PRACTICE } from './kit.ts';

export const fitCalculations = [
  calculation({
    id: 'fit.trim',
    title: 'Trim a wedge',
    question: 'The gap runs to nothing: which straight cut opens it best, and in which rounds?',
    sources: ['least squares', `${PRACTICE}: gap less wanted gap at both ends; half of what is left each time`],
    needs: {
      stations: many(
        object({ at: mm('along the joint'), gap: mm('gap'), wanted: mm('gap that is wanted') }),
        'stations',
      ),
    },
    may: {
      hold: number('station, from 0, at which nothing is taken off'),
      kerf: mm('width of the blade'),
    },
    gives: {
      line: numbers('opened at each station', 'mm'),
      trim: numbers('taken off there', 'mm'),
      residual: numbers('still lacking', 'mm'),
      rms: mm('still lacking, root mean square'),
    },
    mayGive: { rounds: numbers('taken off at the widest place in each round', 'mm') },
    example: {
      stations: [
        { at: 0, gap: 4.5, wanted: 4 },
        { at: 350, gap: 2.5, wanted: 4 },
        { at: 700, gap: 1.5, wanted: 4 },
        { at: 1050, gap: 0, wanted: 4 },
      ],
      kerf: 1,
    },
    run: trim,
  }),
];
