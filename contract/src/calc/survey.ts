import Joi from 'joi';
import {
  corrosion,
  fillerReading,
  krige,
  nextReadings,
  pits,
  rectifyPhoto,
  region,
  spread,
} from '@aspecta/core/survey';
import {
  calculation,
  flag,
  many,
  mm,
  number,
  numbers,
  object,
  polygon,
  polygons,
  PRACTICE,
  share,
  sheet,
  word,
} from './kit.ts';

const square = [
  [
    [0, 0],
    [100, 0],
    [100, 100],
    [0, 100],
  ],
];
const model = object(
  {
    kind: Joi.string().description('spherical, exponential or gaussian'),
    nugget: number('nugget', 'value²'),
    partialSill: number('partial sill', 'value²'),
    range: mm('range'),
  },
  'variogram',
);
const reading = object({ u: mm('right'), v: mm('up'), value: number('reading') });
const place = object({ u: mm('right'), v: mm('up') });
const ratio = object({ p10: number('P10'), p50: number('P50'), p90: number('P90') }, 'found area over seen area');

export const surveyCalculations = [
  calculation({
    id: 'survey.krige',
    title: 'Map between readings',
    question: 'What is the value between the readings, and how sure is it?',
    sources: ['Journel & Huijbregts 1978', 'Cressie 1993', 'Dubrule 1983 (leave-one-out)'],
    needs: { points: many(reading, 'readings'), at: many(place, 'places to estimate') },
    may: { model },
    gives: {
      model,
      at: many(
        object({ u: mm('right'), v: mm('up'), mean: number('estimate'), variance: number('variance', 'value²') }),
        'estimates',
      ),
      leaveOneOutRmse: number('root mean square error when each reading is left out'),
      warnings: many(word('warning'), 'what was done to the input'),
    },
    example: {
      points: [
        { u: 0, v: 0, value: 0.9 },
        { u: 100, v: 0, value: 0.5 },
        { u: 0, v: 100, value: 0.7 },
      ],
      model: { kind: 'spherical', nugget: 0.0004, partialSill: 0.03, range: 220 },
      at: [{ u: 40, v: 30 }],
    },
    heavy: true,
    run: krige,
  }),
  calculation({
    id: 'survey.nextReadings',
    title: 'Where to read next',
    question: 'Where does the next reading tell most?',
    sources: ['Bryan et al. 2006 (level sets)', 'kriging variance'],
    needs: {
      points: many(reading, 'readings'),
      outline: sheet('panel'),
      limit: number('limit under which metal cannot be welded, in the unit of the readings'),
      count: number('places wanted'),
      minSpacing: mm('least distance of two places'),
    },
    may: { model, asBuilt: mm('sheet as built') },
    gives: {
      next: many(
        object({ u: mm('right'), v: mm('up'), reason: word('why there') }, '', { gain: number('how much it tells') }),
        'places, best first',
      ),
      called: share(
        'share of the whole area that a reading reaches and whose side of the limit is at least 90 % certain; 0 before six readings',
      ),
    },
    example: {
      points: [
        { u: 20, v: 20, value: 0.88 },
        { u: 80, v: 30, value: 0.5 },
        { u: 40, v: 80, value: 0.85 },
      ],
      outline: square,
      limit: 0.63,
      count: 2,
      minSpacing: 15,
    },
    heavy: true,
    run: nextReadings,
  }),
  calculation({
    id: 'survey.pits',
    title: 'Deepest pit',
    question: 'How deep is the deepest pit of the whole panel, and is it through?',
    sources: ['Gumbel 1958, Statistics of Extremes', 'ISO 14802'],
    cautions: ['Depths must come from equal patches taken at random, not from the worst places only.'],
    needs: {
      depths: numbers('deepest pit of each patch', 'mm'),
      sampledArea: number('area of all patches together', 'mm²'),
      totalArea: number('area of the panel', 'mm²'),
      thickness: mm('sheet'),
    },
    may: { method: Joi.string().description('mle or moments') },
    gives: {
      location: mm('λ, the most usual deepest pit of one patch'),
      scale: mm('δ, how much it differs'),
      areaRatio: number('patches that the panel has'),
      deepestExpected: mm('passed by the deepest pit of about 63 in 100 such panels'),
      deepestP50: mm('median of the deepest pit'),
      deepestP90: mm('not passed in nine of ten such panels'),
      perforationProbability: share('chance that it is through'),
      standardError: mm('of deepestExpected'),
    },
    example: {
      depths: [0.21, 0.28, 0.19, 0.33, 0.24, 0.17, 0.26, 0.2],
      sampledArea: 28_800,
      totalArea: 880_000,
      thickness: 0.9,
      method: 'mle',
    },
    run: pits,
  }),
  calculation({
    id: 'survey.fillerDepth',
    title: 'Filler depth',
    question: 'How deep is the filler under this coating reading?',
    sources: ['ISO 2808, ISO 2178 (reading principle)', `limits: ${PRACTICE}`],
    cautions: [
      'Filler over a hole in structure or at a mount is a defect, whatever its depth. A gauge over its range says “more than”.',
    ],
    needs: { coating: number('coating reading', 'µm') },
    may: { paintBuild: number('paint over the filler', 'µm'), over: flag('the gauge was over its range') },
    gives: {
      class: word('bare, original, repainted, heavy or filler'),
      depth: mm('filler'),
      atLeast: flag('the depth is at least this'),
      product: word('what such a depth means'),
    },
    example: { coating: 2900 },
    run: fillerReading,
  }),
  calculation({
    id: 'survey.corrosion',
    title: 'Loss over time',
    question: 'How much metal does open weather take?',
    sources: ['ISO 9223 (figures from memory)', 'ISO 9224 (linear beyond 20 years)'],
    cautions: ['Open weather, not a wet cavity: trapped water and salt take far more.'],
    needs: { category: Joi.string().description('C1 to C5 or CX'), years: number('exposure', 'years') },
    may: { zinc: flag('zinc instead of steel') },
    gives: { low: number('least loss', 'µm'), high: number('greatest loss', 'µm') },
    example: { category: 'C4', years: 5 },
    run: corrosion,
  }),
  calculation({
    id: 'survey.spread',
    title: 'What does not show',
    question: 'How large will the damage be when it is opened?',
    sources: [`${PRACTICE}`, 'Gelman et al., Bayesian Data Analysis, 3rd ed.'],
    cautions: ['The layer behind is to be expected too.'],
    needs: {
      visible: polygon('what shows'),
      evidence: Joi.string().description('blister, pinhole, stripped, blasted or opened'),
      history: many(
        object({ predicted: number('predicted area', 'mm²'), found: number('found area', 'mm²') }),
        'openings of this shop',
      ),
    },
    may: { sheet: polygon('the panel, to stay on it') },
    gives: { ratio, polygon50: polygons('expected, P50'), polygon90: polygons('expected, P90') },
    example: { visible: square, evidence: 'blister', history: [{ predicted: 6000, found: 9000 }] },
    run: spread,
  }),
  calculation({
    id: 'survey.rectifyPhoto',
    title: 'Picture to true size',
    question: 'Where on the panel is what the picture shows?',
    sources: ['Hartley & Zisserman 2004, algorithm 4.2'],
    needs: {
      pairs: many(
        object({ x: number('picture right', 'px'), y: number('picture down', 'px'), u: mm('right'), v: mm('up') }),
        'known places, four and more',
      ),
      points: many(
        object({ x: number('picture right', 'px'), y: number('picture down', 'px') }),
        'places to carry over',
      ),
    },
    gives: {
      matrix: numbers('projective map, row by row'),
      points: many(place, 'places on the panel'),
      rms: mm('error over the known places'),
      worst: mm('largest error'),
      residuals: numbers('error of each known place', 'mm'),
    },
    example: {
      pairs: [
        { x: 210, y: 880, u: 0, v: 0 },
        { x: 1190, y: 820, u: 300, v: 0 },
        { x: 1120, y: 190, u: 300, v: 200 },
        { x: 300, y: 140, u: 0, v: 200 },
      ],
      points: [{ x: 700, y: 500 }],
    },
    run: rectifyPhoto,
  }),
  calculation({
    id: 'survey.region',
    title: 'What looks like the marked place',
    question: 'What on a picture looks like the place that was marked?',
    sources: ['Boykov & Jolly 2001', 'Rother, Kolmogorov & Blake 2004'],
    needs: {
      width: number('pixels across'),
      height: number('pixels down'),
      rgb: numbers('red, green and blue of each pixel, row by row from the top, 0 to 255'),
      inside: many(Joi.array().items(Joi.number().unsafe()).length(2), 'pixels [right, down] on the place'),
    },
    may: {
      outside: many(Joi.array().items(Joi.number().unsafe()).length(2), 'pixels [right, down] beside it'),
    },
    gives: {
      mask: numbers('1 for each pixel that belongs to it, else 0, row by row'),
      outlines: many(Joi.array(), 'outer ring and holes of each part, in pixels'),
    },
    example: {
      width: 4,
      height: 2,
      rgb: [150, 75, 40, 152, 77, 41, 149, 74, 38, 90, 120, 140, 151, 76, 40, 150, 73, 42, 91, 121, 141, 90, 119, 139],
      inside: [[0, 0]],
      outside: [[3, 1]],
    },
    heavy: true,
    run: region,
  }),
];
