import Joi from 'joi';
import { braces, design, gaps, register, square, tapeNetwork } from '@aspecta/core/hold';
import {
  calculation,
  degrees,
  flag,
  many,
  maybe,
  mm,
  number,
  numbers,
  share,
  object,
  point,
  points,
  PRACTICE,
  QUALIFIED,
  word,
} from './kit.ts';

const places = (what: string) =>
  many(Joi.array().items(Joi.number().unsafe()).length(3), `${what}: [[x, y, z], …], mm`);
const members = (what: string) =>
  many(Joi.array().items(Joi.number().unsafe()).length(2), `${what}: pairs of joint numbers`);

export const holdCalculations = [
  calculation({
    id: 'hold.register',
    title: 'Before and after',
    question: 'How has the body moved between two measurements?',
    sources: ['Kabsch 1976', 'Umeyama 1991'],
    needs: { baseline: places('first measurement'), measured: places('second, in the same order') },
    may: { weights: numbers('of the points') },
    gives: {
      rotation: numbers('row by row: measured ≈ rotation · baseline + translation'),
      translation: numbers('x, y, z', 'mm'),
      residuals: numbers('that each point is still off', 'mm'),
      rms: mm('of the residuals'),
    },
    example: {
      baseline: [
        [0, 0, 0],
        [1000, 0, 0],
        [0, 500, 0],
        [0, 0, 300],
      ],
      measured: [
        [2, 1, 0],
        [1002, 3, 0],
        [1, 501, 0],
        [2, 1, 300],
      ],
    },
    run: register,
  }),
  calculation({
    id: 'hold.tapeNetwork',
    title: 'Tape network',
    question: 'Where are the points really, and which tape is a blunder?',
    sources: ['Ghilani, Adjustment Computations, 6th ed.', 'Baarda 1968'],
    needs: {
      points: many(
        object({ id: Joi.string().description('name'), x: mm('rough place'), y: mm('rough place') }, '', {
          z: mm('rough place'),
          fixed: many(Joi.string(), 'coordinates that are kept'),
        }),
        'points',
      ),
      tapes: many(
        object({
          from: Joi.string().description('point'),
          to: Joi.string().description('point'),
          length: mm('taped'),
          sd: mm('standard deviation'),
        }),
        'tapes',
      ),
    },
    gives: {
      points: many(
        object(
          {
            id: word('name'),
            x: mm('adjusted'),
            y: mm('adjusted'),
            sd: object({ x: mm('x'), y: mm('y') }, 'standard deviations', { z: mm('z') }),
          },
          '',
          { z: mm('adjusted') },
        ),
        'points',
      ),
      sigma0: maybe(number('standard deviation of unit weight; null without redundancy')),
      redundancy: number('tapes more than needed'),
      tapes: many(
        object({
          residual: mm('adjusted − taped'),
          normalised: maybe(number('residual / (sd·√redundancy number)')),
          redundancyNumber: number('0 to 1'),
        }),
        'tapes',
      ),
      suspect: maybe(number('index of the tape that does not fit')),
      alike: numbers('indexes of tapes that are as suspect'),
    },
    example: {
      points: [
        { id: 'A', x: 0, y: 0, fixed: ['x', 'y'] },
        { id: 'B', x: 1000, y: 0, fixed: ['y'] },
        { id: 'C', x: 1000, y: 800 },
        { id: 'D', x: 0, y: 800 },
        { id: 'E', x: 500, y: 400 },
      ],
      tapes: [
        ['A', 'B', 1000.4],
        ['B', 'C', 800.2],
        ['C', 'D', 999.7],
        ['D', 'A', 799.8],
        ['A', 'C', 1280.9],
        ['B', 'D', 1290.6],
        ['A', 'E', 640.2],
        ['B', 'E', 640.5],
        ['C', 'E', 640.4],
        ['D', 'E', 640.1],
      ].map(([from, to, length]) => ({ from, to, length, sd: 1 })),
    },
    run: tapeNetwork,
  }),
  calculation({
    id: 'hold.gaps',
    title: 'Gaps and shims',
    question: 'Which movement explains these gaps, and which shims bring the panel back?',
    sources: ['small rigid movements, least squares', `${PRACTICE}`],
    cautions: [
      'A bent or rotten mount is rebuilt first: shims do not mend it. Judge gaps with all neighbours in place.',
    ],
    needs: {
      readings: many(
        object({
          u: mm('right'),
          v: mm('up'),
          normal: Joi.alternatives(
            Joi.number().unsafe(),
            Joi.array().items(Joi.number().unsafe()).length(2),
          ).description('out of the panel: [x, y], or degrees from u'),
          gap: mm('read'),
          wanted: mm('wanted'),
        }),
        'gaps',
      ),
      mounts: many(object({ id: Joi.string().description('name'), x: mm('right'), y: mm('up') }), 'places of shims'),
    },
    may: { shimStep: mm('thinnest shim at hand') },
    gives: {
      movement: object({ u: mm('right'), v: mm('up'), turn: degrees('anticlockwise') }, 'that explains the gaps'),
      about: point('middle of the readings, about which it turns'),
      residuals: numbers('gap that no movement explains', 'mm'),
      rms: mm('of the residuals'),
      mounts: many(
        object({ id: word('name'), u: mm('to move'), v: mm('to move'), shimU: mm('in steps'), shimV: mm('in steps') }),
        'mounts',
      ),
    },
    example: {
      readings: [
        { u: 0, v: 0, normal: 180, gap: 4, wanted: 5 },
        { u: 0, v: 900, normal: 180, gap: 6.5, wanted: 5 },
        { u: 1000, v: 100, normal: 0, gap: 6, wanted: 5 },
        { u: 1000, v: 800, normal: 0, gap: 4, wanted: 5 },
        { u: 500, v: 0, normal: -90, gap: 5.5, wanted: 5 },
      ],
      mounts: [
        { id: 'upper hinge', x: 0, y: 750 },
        { id: 'lower hinge', x: 0, y: 200 },
      ],
    },
    run: gaps,
  }),
  calculation({
    id: 'hold.braces',
    title: 'Brace check',
    question: 'Does the opening keep its shape while sides are missing, and does no brace buckle?',
    sources: ['Maxwell 1864, Laman 1970 (rigidity)', 'Euler 1744 (buckling)', `reserve: ${PRACTICE}`],
    cautions: [QUALIFIED, 'In the plane only, joints taken as hinges. Brace first, unbrace last.'],
    needs: {
      joints: points('corners of the opening and further joints'),
      sides: members('sides of the opening'),
      lost: members('sides that are lost'),
      braces: members('braces'),
      tube: object({ outer: mm('outer diameter'), wall: mm('wall') }, 'round tube'),
      load: number('greatest push along a brace', 'N'),
    },
    may: { modulus: number('Young’s modulus', 'MPa'), endFactor: number('effective length over length') },
    gives: {
      triangulated: flag('the shape cannot change'),
      loose: number('movements still open'),
      swings: numbers('joints that swing'),
      braces: many(
        object({
          length: mm('length'),
          buckling: number('buckling load', 'N'),
          reserve: number('buckling load over load'),
          slenderness: number('slenderness'),
        }),
        'braces',
      ),
      usualReserve: number('that is usual'),
    },
    example: {
      joints: [
        [0, 0],
        [1000, 0],
        [1000, 1100],
        [0, 1100],
      ],
      sides: [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 0],
      ],
      lost: [[0, 1]],
      braces: [
        [0, 2],
        [1, 3],
      ],
      tube: { outer: 25, wall: 1.5 },
      load: 1500,
    },
    run: braces,
  }),
  calculation({
    id: 'hold.square',
    title: 'Is it square?',
    question: 'Four corners and two diagonals: is the opening square, and do the tapes agree?',
    sources: ['Ghilani, Adjustment Computations', 'Baarda 1968'],
    needs: {
      sides: numbers('ab, bc, cd, da', 'mm'),
      diagonals: numbers('ac, bd', 'mm'),
      sd: mm('doubt of a tape'),
    },
    gives: {
      difference: mm('ac less bd'),
      corners: numbers('at a, b, c, d', 'degrees'),
      residuals: numbers('adjusted less taped: ab, bc, cd, da, ac, bd', 'mm'),
      closes: flag('the tapes agree'),
      over: mm('by which the middle of cd stands beside that of ab, towards b'),
      at: points('a, b, c, d by the adjusted lengths'),
      moves: object(
        { c: point('along ab, away from ab'), d: point('likewise') },
        'what makes it even, a and b as they are',
      ),
    },
    example: { sides: [1180, 905, 1184, 902], diagonals: [1492, 1483], sd: 1 },
    run: square,
  }),
  calculation({
    id: 'hold.design',
    title: 'Which tapes to take',
    question: 'Which tapes need be taken, so that every blunder is caught?',
    sources: ['Baarda 1968', 'Grafarend 1974'],
    heavy: true,
    needs: {
      points: many(object({ id: word('name'), x: mm('x'), y: mm('y') }, '', { z: mm('z') }), 'points'),
      tapes: many(numbers('points, from 0'), 'tapes that can be stretched'),
      sd: mm('doubt of a tape'),
      want: share('of a blunder that the others must show'),
    },
    gives: { chosen: many(numbers('points'), 'tapes to take'), weakest: share('shown of a blunder in the weakest') },
    example: {
      points: [
        { id: 'hinge post, top', x: 0, y: 900 },
        { id: 'hinge post, foot', x: 20, y: 0 },
        { id: 'lock post, foot', x: 1180, y: 10 },
        { id: 'lock post, top', x: 1110, y: 930 },
        { id: 'roof, middle', x: 560, y: 1180 },
      ],
      tapes: [
        [0, 1],
        [1, 2],
        [2, 3],
        [3, 4],
        [4, 0],
        [0, 2],
        [1, 3],
        [1, 4],
        [2, 4],
        [0, 3],
      ],
      sd: 1,
      want: 0.1,
    },
    run: design,
  }),
];
