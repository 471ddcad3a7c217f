import Joi from 'joi';
import { basket, landed, latest } from '@aspecta/core/order';
import { calculation, flag, many, money, number, object, PRACTICE, share, table } from './kit.ts';

export const orderCalculations = [
  calculation({
    id: 'order.landed',
    title: 'Landed price',
    question: 'What does each line of a parcel cost in all?',
    sources: [`${PRACTICE}; shares by the largest remainder`],
    needs: {
      lines: many(
        object({ price: money('each, before tax'), quantity: number('pieces') }, '', { weight: number('each', 'kg') }),
        'lines of the parcel',
      ),
      carriage: money('of the parcel, before tax'),
      taxRate: share('tax'),
      taxOnCarriage: flag('carriage is taxed too'),
    },
    may: { shareBy: Joi.valid('value', 'weight').description('how carriage is shared') },
    gives: {
      lines: many(
        object({
          goods: money('goods'),
          carriage: money('its share'),
          tax: money('tax'),
          landed: money('in all'),
          landedEach: money('for one piece'),
        }),
        'lines',
      ),
      goods: money('goods'),
      carriage: money('carriage'),
      tax: money('tax'),
      total: money('in all'),
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
  calculation({
    id: 'order.basket',
    title: 'From whom to order',
    question: 'From whom is each panel ordered, so that all costs least and comes in time?',
    sources: ['mixed integer programme, branch and bound (YALPS library)'],
    needs: {
      items: many(
        object({ id: Joi.string().description('name'), quantity: number('pieces') }, '', {
          latest: number('must be there by', 'days'),
        }),
        'what is wanted',
      ),
      offers: many(
        object({
          item: Joi.string().description('item'),
          supplier: Joi.string().description('supplier'),
          price: money('each, before tax'),
          lead: number('until it is there', 'days'),
        }),
        'offers',
      ),
      suppliers: many(
        object({ id: Joi.string().description('name'), carriage: money('of a parcel, before tax') }, '', {
          freeFrom: money('no carriage from goods of this value on'),
        }),
        'suppliers',
      ),
      taxRate: share('tax'),
    },
    gives: {
      choice: table('supplier of each item'),
      goods: money('goods'),
      carriage: money('carriage'),
      tax: money('tax'),
      total: money('in all'),
    },
    example: {
      items: [
        { id: 'sill', quantity: 1, latest: 14 },
        { id: 'arch', quantity: 2 },
      ],
      offers: [
        { item: 'sill', supplier: 'north', price: 9000, lead: 3 },
        { item: 'sill', supplier: 'south', price: 7500, lead: 21 },
        { item: 'arch', supplier: 'north', price: 4200, lead: 3 },
        { item: 'arch', supplier: 'south', price: 3900, lead: 21 },
      ],
      suppliers: [
        { id: 'north', carriage: 1500, freeFrom: 15_000 },
        { id: 'south', carriage: 1200 },
      ],
      taxRate: 0.2,
    },
    heavy: true,
    run: basket,
  }),
  calculation({
    id: 'order.latest',
    title: 'Order by',
    question: 'By which day must it be ordered, so that it is there in time?',
    sources: ['conjugate normal on the log, predictive quantile (Gelman et al., §3.3)'],
    needs: {
      neededOn: Joi.alternatives(number('day'), Joi.string()).description('needed on: a date, or the number of a day'),
      quoted: number('delivery as quoted', 'days'),
      history: many(object({ quoted: number('quoted', 'days'), actual: number('took', 'days') }), 'what came before'),
      confidence: share('chance to be in time'),
    },
    gives: {
      orderBy: Joi.alternatives(number('day'), Joi.string()).description('order by'),
      lead: object({ p50: number('P50', 'days'), p90: number('P90', 'days') }, 'delivery'),
    },
    example: {
      neededOn: '2026-05-29',
      quoted: 10,
      history: [
        { quoted: 7, actual: 9 },
        { quoted: 10, actual: 21 },
        { quoted: 5, actual: 5 },
      ],
      confidence: 0.9,
    },
    run: latest,
  }),
];
