import Joi from 'joi';
import { coats, dewPoint, exposure, order } from '@aspecta/core/close';
import { calculation, celsius, flag, many, maybe, number, object, PRACTICE, word } from './kit.ts';

const hours = (what: string) => number(what, 'h');
const id = Joi.string().description('name');
const faces = (what: string) => many(Joi.string(), what);

export const closeCalculations = [
  calculation({
    id: 'close.order',
    title: 'Order of closing',
    question: 'In which order, so that every face is coated before it is closed, and which are forgotten?',
    sources: ['order by links (Kahn 1962)'],
    needs: {
      faces: faces('faces'),
      steps: many(
        object({ id }, '', {
          closes: faces('faces it closes'),
          coats: faces('faces it coats'),
          needs: faces('faces it has to reach'),
          after: faces('steps it comes after'),
        }),
        'steps',
      ),
    },
    gives: {
      order: faces('steps in order'),
      bare: faces('closed and never coated'),
      lastChance: many(object({ face: word('face'), step: word('first step that closes it') }), 'last chances'),
    },
    example: {
      faces: ['inside of the inner', 'inside of the outer', 'back of the lip'],
      steps: [
        { id: 'weld the outer', closes: ['inside of the inner', 'inside of the outer'] },
        { id: 'prime the inner', coats: ['inside of the inner'] },
        { id: 'weld the lip', closes: ['back of the lip'], after: ['weld the outer'] },
        { id: 'wax the outer', coats: ['inside of the outer'] },
      ],
    },
    run: order,
  }),
  calculation({
    id: 'close.coats',
    title: 'Coats and their windows',
    question: 'When does each coat go on, and between which hours may the next one follow?',
    sources: ['rule of thumb of reaction speed: twice as fast for 10 °C more', `windows: the maker’s own; ${PRACTICE}`],
    cautions: ['The maker’s sheet of the product counts. Two-pack paint: air-fed mask, gloves, nobody else near.'],
    needs: {
      coats: many(
        object({ id, hours: hours('at 20 °C until the next may follow') }, '', {
          latest: maybe(hours('at 20 °C until it must be sanded first')),
        }),
        'coats in order',
      ),
      start: hours('at which the first goes on'),
      temperature: many(object({ from: hours('from'), celsius: celsius('temperature') }), 'temperature'),
      least: celsius('under which nothing dries'),
    },
    gives: {
      coats: many(
        object({
          id: word('name'),
          at: hours('goes on at'),
          next: object({ earliest: hours('next one from'), latest: maybe(hours('next one until')) }, 'window'),
        }),
        'coats',
      ),
    },
    example: {
      coats: [
        { id: 'epoxy primer', hours: 24, latest: 96 },
        { id: 'seam sealer', hours: 6, latest: null },
        { id: 'stone chip', hours: 12 },
      ],
      start: 19,
      temperature: [
        { from: 0, celsius: 16 },
        { from: 30, celsius: 4 },
        { from: 54, celsius: 18 },
      ],
      least: 8,
    },
    run: coats,
  }),
  calculation({
    id: 'close.dewPoint',
    title: 'Dew point',
    question: 'May the steel be coated now, or does it sweat?',
    sources: ['Magnus formula, WMO guide no. 8 (Sonntag 1990)', 'ISO 8502-4: steel 3 K above the dew point'],
    needs: { air: celsius('air'), humidity: number('humidity of the air', '%'), steel: celsius('steel') },
    gives: {
      dewPoint: celsius('dew point'),
      margin: number('steel above it', 'K'),
      apply: flag('at least 3 K above'),
    },
    example: { air: 14, humidity: 78, steel: 12 },
    run: dewPoint,
  }),
  calculation({
    id: 'close.exposure',
    title: 'Hours of wetness',
    question: 'For how many hours is bare metal wet, and when has it been so too long?',
    sources: ['time of wetness, ISO 9223'],
    needs: {
      hours: many(object({ celsius: celsius('temperature'), humidity: number('humidity', '%') }), 'hour by hour'),
      limit: hours('of wetness that it may have'),
    },
    gives: {
      wet: hours('wet in all'),
      at: maybe(number('hour, from 0, by whose end it is too much')),
    },
    example: {
      hours: [
        { celsius: 9, humidity: 74 },
        { celsius: 6, humidity: 88 },
        { celsius: 4, humidity: 93 },
        { celsius: -1, humidity: 96 },
        { celsius: 5, humidity: 91 },
      ],
      limit: 3,
    },
    run: exposure,
  }),
];
