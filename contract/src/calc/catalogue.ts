import Joi, { type ObjectSchema } from 'joi';
import { combine, distance, grow, minimumWidth } from '@aspecta/core/geometry';
import { cutLine, cutOffsets } from '@aspecta/core/cut';
import { landed } from '@aspecta/core/order';
import { corrosion, krige, nextReadings, pits, rectifyPhoto, spread } from '@aspecta/core/survey';
import { formatLength, parseLength } from '@aspecta/core/units';
import { compare, simulate } from '@aspecta/core/verdict';
import { cooling, heatInput, lineSource, planWelds, settings, tacks } from '@aspecta/core/weld';

/** A calculation that can be reached by its id: JSON in, JSON out. */
export interface Calculation {
  id: string;
  title: string;
  /** The question it answers. */
  question: string;
  source: string;
  input: ObjectSchema;
  example: Record<string, unknown>;
  run(input: never): unknown;
}

const n = Joi.number().unsafe();
const point = Joi.array().items(n).length(2);
const ring = Joi.array().items(point);
const polygon = Joi.array().items(ring);
const practice = 'common practice, no published source';
const square = [
  [
    [0, 0],
    [100, 0],
    [100, 100],
    [0, 100],
  ],
];

function calculation<I>(
  entry: Omit<Calculation, 'run' | 'input'> & { input: Record<string, Joi.Schema>; run: (input: I) => unknown },
): Calculation {
  return { ...entry, input: Joi.object(entry.input), run: entry.run as Calculation['run'] };
}

/** Every calculation of Aspecta, in the order of the work. */
export const catalogue: readonly Calculation[] = [
  calculation({
    id: 'units.parseLength',
    title: 'Read a length',
    question: 'What length did the person write?',
    source: '1 in = 25.4 mm (1959); sheet gauge table (memory)',
    input: { text: Joi.string().allow('').required(), unit: Joi.valid('mm', 'in').required() },
    example: { text: '6 3/4', unit: 'in' },
    run: parseLength,
  }),
  calculation({
    id: 'units.formatLength',
    title: 'Write a length',
    question: 'How does this length read on the rule?',
    source: practice,
    input: { mm: n.required(), unit: Joi.valid('mm', 'in').required(), denominator: n },
    example: { mm: 171.45, unit: 'in' },
    run: formatLength,
  }),
  calculation({
    id: 'geometry.combine',
    title: 'Combine two areas',
    question: 'What do two areas make together?',
    source: 'Vatti 1992 (Clipper library)',
    input: { op: Joi.string().required(), a: polygon.required(), b: polygon.required() },
    example: {
      op: 'union',
      a: square,
      b: [
        [
          [50, 50],
          [150, 50],
          [150, 150],
          [50, 150],
        ],
      ],
    },
    run: combine,
  }),
  calculation({
    id: 'geometry.grow',
    title: 'Grow an area',
    question: 'What does an area become when its edge moves?',
    source: 'Clipper library; Steiner formula',
    input: { a: polygon.required(), by: n.required(), join: Joi.string() },
    example: { a: square, by: 20, join: 'round' },
    run: grow,
  }),
  calculation({
    id: 'geometry.minimumWidth',
    title: 'Narrowest way through',
    question: 'Through how narrow a slot does this piece pass?',
    source: 'Toussaint 1983',
    input: { a: polygon.required() },
    example: { a: square },
    run: minimumWidth,
  }),
  calculation({
    id: 'geometry.distance',
    title: 'Distance of two areas',
    question: 'How far apart are two areas?',
    source: 'Euclid',
    input: { a: polygon.required(), b: polygon.required() },
    example: {
      a: square,
      b: [
        [
          [150, 0],
          [200, 0],
          [200, 50],
        ],
      ],
    },
    run: distance,
  }),
  calculation({
    id: 'survey.krige',
    title: 'Map between readings',
    question: 'What is the value between the readings, and how sure is it?',
    source: 'Journel & Huijbregts 1978; Cressie 1993',
    input: {
      points: Joi.array()
        .items(Joi.object({ u: n, v: n, value: n }))
        .required(),
      model: Joi.object({ kind: Joi.string(), nugget: n, partialSill: n, range: n }),
      at: Joi.array()
        .items(Joi.object({ u: n, v: n }))
        .required(),
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
    run: krige,
  }),
  calculation({
    id: 'survey.nextReadings',
    title: 'Where to read next',
    question: 'Where does the next reading tell most?',
    source: 'Bryan et al. 2006 (level sets); kriging variance',
    input: {
      points: Joi.array()
        .items(Joi.object({ u: n, v: n, value: n }))
        .required(),
      outline: Joi.array().required(),
      limit: n.required(),
      count: n.required(),
      minSpacing: n.required(),
      model: Joi.object({ kind: Joi.string(), nugget: n, partialSill: n, range: n }),
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
    run: nextReadings,
  }),
  calculation({
    id: 'survey.pits',
    title: 'Deepest pit',
    question: 'How deep is the deepest pit of the whole panel, and is it through?',
    source: 'Gumbel 1958; ISO 14802',
    input: {
      depths: Joi.array().items(n).required(),
      sampledArea: n.required(),
      totalArea: n.required(),
      thickness: n.required(),
      method: Joi.string(),
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
    id: 'survey.corrosion',
    title: 'Loss over time',
    question: 'How much metal does open weather take?',
    source: 'ISO 9223 (memory), ISO 9224',
    input: { category: Joi.string().required(), years: n.required(), zinc: Joi.boolean() },
    example: { category: 'C4', years: 5 },
    run: corrosion,
  }),
  calculation({
    id: 'survey.spread',
    title: 'What does not show',
    question: 'How large will the damage be when it is opened?',
    source: `${practice} (T-26); Gelman et al., Bayesian Data Analysis`,
    input: {
      visible: polygon.required(),
      evidence: Joi.string().required(),
      history: Joi.array()
        .items(Joi.object({ predicted: n, found: n }))
        .required(),
      sheet: polygon,
    },
    example: { visible: square, evidence: 'blister', history: [{ predicted: 6000, found: 9000 }] },
    run: spread,
  }),
  calculation({
    id: 'survey.rectifyPhoto',
    title: 'Picture to true size',
    question: 'Where on the panel is what the picture shows?',
    source: 'Hartley & Zisserman 2004, algorithm 4.2',
    input: {
      pairs: Joi.array()
        .items(Joi.object({ x: n, y: n, u: n, v: n }))
        .required(),
      points: Joi.array()
        .items(Joi.object({ x: n, y: n }))
        .required(),
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
    id: 'verdict.simulate',
    title: 'Add up doubtful quantities',
    question: 'How much may a sum or product come to?',
    source: 'Malcolm et al. 1959 (PERT)',
    input: {
      variables: Joi.object().required(),
      expression: Joi.object().required(),
      runs: n.required(),
      seed: n.required(),
    },
    example: {
      variables: { cut: { kind: 'pert', min: 1, mode: 2, max: 5 }, weld: { kind: 'lognormal', median: 3, sigma: 0.3 } },
      expression: { op: 'sum', of: ['cut', 'weld'] },
      runs: 10_000,
      seed: 1,
    },
    run: simulate,
  }),
  calculation({
    id: 'verdict.compare',
    title: 'Treat, patch or panel',
    question: 'Which repair costs and takes least?',
    source: `${practice} (T-08 to T-32)`,
    input: { repair: Joi.object().required(), rates: Joi.object().required(), house: Joi.object() },
    example: {
      repair: {
        panel: {
          name: 'Panel',
          area: 900_000,
          jointLength: 3200,
          spotWelds: 84,
          bolted: false,
          thickness: 0.9,
          curvature: 'double',
          structural: false,
          visible: true,
        },
        zones: [{ class: 'through', area: 9000, patchPerimeter: 560, patchArea: 19_600, toMount: null }],
        offer: { landed: 38_000, leadDays: 10 },
      },
      rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
    },
    run: compare,
  }),
  calculation({
    id: 'cut.line',
    title: 'Cut line',
    question: 'Where does the saw go?',
    source: `${practice} (T-01, T-12, T-13)`,
    input: { panel: Joi.object().required(), damage: polygon.required(), margin: n.required(), house: Joi.object() },
    example: {
      panel: {
        outline: [
          [0, 0],
          [800, 0],
          [800, 500],
          [0, 500],
        ],
      },
      damage: [
        [
          [300, 200],
          [420, 210],
          [400, 300],
          [310, 290],
        ],
      ],
      margin: 20,
    },
    run: cutLine,
  }),
  calculation({
    id: 'cut.offsets',
    title: 'Tape offsets',
    question: 'Which two tape figures mark each corner?',
    source: practice,
    input: {
      line: ring.required(),
      datums: Joi.array()
        .items(Joi.object({ name: Joi.string(), a: point, b: point }))
        .required(),
      unit: Joi.valid('mm', 'in'),
    },
    example: {
      line: [
        [120, 80],
        [300, 80],
        [300, 210],
      ],
      datums: [
        { name: 'lower edge', a: [0, 0], b: [800, 0] },
        { name: 'front edge', a: [0, 500], b: [0, 0] },
      ],
      unit: 'in',
    },
    run: cutOffsets,
  }),
  calculation({
    id: 'weld.settings',
    title: 'Welder settings',
    question: 'How is the welder set for this sheet?',
    source: `${practice} (T-06); IEC 60974-1 (memory)`,
    input: { process: Joi.string().required(), thickness: n.required(), position: Joi.string() },
    example: { process: 'mig', thickness: 0.9, position: 'flat' },
    run: settings,
  }),
  calculation({
    id: 'weld.heatInput',
    title: 'Heat input',
    question: 'How much heat goes into a millimetre of weld?',
    source: 'EN 1011-1',
    input: { process: Joi.string().required(), volts: n.required(), amps: n.required(), speed: n.required() },
    example: { process: 'mig', volts: 24, amps: 200, speed: 5 },
    run: heatInput,
  }),
  calculation({
    id: 'weld.cooling',
    title: 'Cooling time t8/5',
    question: 'How long from 800 to 500 °C in thin sheet?',
    source: 'EN 1011-2, two-dimensional',
    input: { heatInput: n.required(), thickness: n.required(), preheat: n.required(), f2: n },
    example: { heatInput: 0.5, thickness: 6, preheat: 20 },
    run: cooling,
  }),
  calculation({
    id: 'weld.tacks',
    title: 'Tacks',
    question: 'Where do the tacks go, and in which order?',
    source: `${practice} (T-07, T-08)`,
    input: {
      seam: Joi.alternatives(n, Joi.object({ length: n })).required(),
      pitch: n.required(),
      closed: Joi.boolean(),
    },
    example: { seam: { length: 400 }, pitch: 25 },
    run: tacks,
  }),
  calculation({
    id: 'weld.lineSource',
    title: 'Warmth beside a short weld',
    question: 'How much warmer is the sheet at a distance and time?',
    source: 'Carslaw & Jaeger §10.3; Rosenthal 1946',
    input: {
      energy: n.required(),
      thickness: n.required(),
      conductivity: n,
      density: n,
      heat: n,
      film: n,
      distance: n.required(),
      time: n.required(),
    },
    example: { energy: 900, thickness: 0.9, distance: 20, time: 30 },
    run: lineSource,
  }),
  calculation({
    id: 'weld.sequence',
    title: 'Order of welding',
    question: 'Which stitch next, and how long to wait?',
    source: `${practice} (T-06 to T-09); thin-plate line source`,
    input: {
      seams: Joi.array()
        .items(Joi.object({ points: ring, closed: Joi.boolean() }))
        .required(),
      process: Joi.string().required(),
      thickness: n.required(),
      position: Joi.string(),
      handWarm: n,
      ambient: n,
      strategy: Joi.string(),
      pitch: n,
      stitch: n,
    },
    example: {
      seams: [
        {
          points: [
            [0, 0],
            [120, 0],
            [120, 80],
            [0, 80],
          ],
          closed: true,
        },
      ],
      process: 'mig',
      thickness: 0.9,
      strategy: 'coolest',
    },
    run: planWelds,
  }),
  calculation({
    id: 'order.landed',
    title: 'Landed price',
    question: 'What does each line of a parcel cost in all?',
    source: practice,
    input: {
      lines: Joi.array()
        .items(Joi.object({ price: n, quantity: n, weight: n }))
        .required(),
      carriage: n.required(),
      taxRate: n.required(),
      taxOnCarriage: Joi.boolean().required(),
      shareBy: Joi.valid('value', 'weight'),
    },
    example: {
      lines: [
        { price: 12_000, quantity: 1 },
        { price: 4000, quantity: 2 },
      ],
      carriage: 2500,
      taxRate: 0.2,
      taxOnCarriage: true,
    },
    run: landed,
  }),
];
