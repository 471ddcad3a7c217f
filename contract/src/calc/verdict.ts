import Joi from 'joi';
import { calibrate, compare, portfolio, simulate } from '@aspecta/core/verdict';
import {
  calculation,
  many,
  maybe,
  money,
  number,
  object,
  PRACTICE,
  QUALIFIED,
  share,
  spread,
  word,
  byName,
  flag,
  mm,
} from './kit.ts';

const joint = object(
  {
    kind: Joi.string().description('spot, hem, bolt, rivet, fold, lip …'),
    length: mm('length'),
    fasteners: number('fasteners'),
  },
  '',
  { sheets: number('sheets'), hidden: flag('hidden') },
).unknown();

const carPlan = object({
  choice: Joi.object().pattern(Joi.string(), Joi.string()).description('option of each repair'),
  hours: number('work', 'h'),
  money: money('paid out'),
  keeps: number('how much stays original'),
});

export const verdictCalculations = [
  calculation({
    id: 'verdict.simulate',
    title: 'Add up doubtful quantities',
    question: 'How much may a sum or product come to?',
    sources: ['Malcolm et al. 1959 (PERT)', 'Monte Carlo, seeded'],
    needs: {
      variables: byName(
        object({ kind: Joi.string().description('triangular, pert, lognormal or fixed') }, '', {
          min: number('least, triangular and pert'),
          mode: number('likeliest'),
          max: number('most'),
          median: number('median, lognormal'),
          sigma: number('spread of the log, lognormal'),
          value: number('value, fixed'),
        }).unknown(),
        'doubtful quantities, by name',
      ),
      expression: object(
        {
          op: Joi.string().description('sum or product'),
          of: many(Joi.alternatives(Joi.string(), Joi.object()), 'names of quantities, or expressions'),
        },
        'what is made of them',
      ).unknown(),
      runs: number('draws'),
      seed: number('start of the stream'),
    },
    gives: { mean: number('mean'), p10: number('P10'), p50: number('P50'), p90: number('P90') },
    example: {
      variables: { cut: { kind: 'pert', min: 1, mode: 2, max: 5 }, weld: { kind: 'lognormal', median: 3, sigma: 0.3 } },
      expression: { op: 'sum', of: ['cut', 'weld'] },
      runs: 10_000,
      seed: 1,
    },
    heavy: true,
    run: simulate,
  }),
  calculation({
    id: 'verdict.compare',
    title: 'Treat, patch or panel',
    question: 'Which repair costs and takes least?',
    sources: [`counted elements: ${PRACTICE}`, 'Malcolm et al. 1959 (PERT)'],
    cautions: [QUALIFIED],
    needs: {
      repair: object(
        {
          panel: object(
            {
              area: number('area', 'mm²'),
              jointLength: mm('joints that hold the whole panel'),
              spotWelds: number('as-built spots in them'),
              thickness: mm('sheet'),
            },
            'panel',
            {
              name: word('panel'),
              curvature: Joi.string().description('flat, single or double curvature'),
              material: Joi.string().description('steel or aluminium'),
              bolted: flag('bolted on'),
              structural: flag('load bearing'),
              visible: flag('visible when the car is finished'),
              joints: many(joint, 'joints one by one, in place of their length and spots'),
            },
          ).unknown(),
          zones: many(
            object(
              {
                area: number('damage', 'mm²'),
                patchPerimeter: mm('cut in the sheet around the patch'),
                patchArea: number('patch', 'mm²'),
              },
              '',
              {
                class: Joi.string().description(
                  'through, thin, pitted, filler, old-repair, missing, hole, opening or dent',
                ),
                patchUnseen: mm('of that cut under trim, which nobody sees'),
                toMount: mm('to the nearest mount').allow(null),
                joints: many(joint, 'edges of the panel that the patch takes in'),
              },
            ).unknown(),
            'damage',
          ),
        },
        'repair',
        {
          layers: number('layers on which it lies'),
          offer: object({ landed: money('landed price'), leadDays: number('delivery', 'days') }, 'bought panel')
            .unknown()
            .allow(null),
        },
      ).unknown(),
      rates: object(
        {
          hour: money('an hour of work'),
          sheetDm2: money('a square decimetre of sheet'),
          weldMetre: money('wire, gas and discs for a metre of weld'),
          coatDm2: money('a square decimetre of coating'),
        },
        'rates',
      ).unknown(),
    },
    may: {
      house: object({}, 'rules of the shop', {
        mountRadius: mm('around a mount, where only welded metal counts'),
        pace: number('own hours for one counted hour'),
        hiddenSigma: number('spread of what is hidden, of the log'),
        hiddenMedian: number('median of found over seen'),
        runs: number('draws'),
        overlay: flag('laying a sheet over is weighed'),
        hoursPerDay: number('such work in a day', 'h'),
      }).unknown(),
    },
    gives: {
      options: many(
        object(
          {
            id: word('option'),
            title: word('its name'),
            hours: spread('work', 'h'),
            cost: spread('work, material and panel', 'minor units'),
            outlay: money('what is paid out'),
            waitDays: number('until it can begin', 'days'),
            elements: many(
              object({
                name: word('element'),
                count: number('count'),
                unit: word('of what'),
                minutes: Joi.any().description('minutes of each'),
                rule: word('rule'),
                hours: Joi.any().description('hours'),
              }).unknown(),
              'counted work',
            ),
            for: many(word('reason'), 'what speaks for it'),
            against: many(word('reason'), 'what speaks against it'),
            ruledOut: maybe(word('why it cannot be done')),
            lasts: flag('ends the damage'),
            cheapest: share('chance that it is the cheapest'),
            quickest: share('chance that it is the quickest'),
          },
          '',
          { days: spread('calendar days', 'days') },
        ),
        'options',
      ),
      proposed: maybe(word('option')),
      why: word('in words'),
      damageShare: share('damaged share of the panel'),
      breakEvenShare: maybe(share('damaged share from which the next option is cheaper')),
      costByShare: maybe(
        object(
          {
            patch: many(
              object({ share: share('damaged share'), cost: spread('of patching', 'minor units') }),
              'by share',
            ),
            whole: spread('of the whole panel', 'minor units'),
          },
          'both costs over the damaged share',
        ),
      ),
      mountCaution: maybe(word('where damage is near a mount')),
    },
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
    heavy: true,
    run: compare,
  }),
  calculation({
    id: 'verdict.calibrate',
    title: 'Learn from past estimates',
    question: 'By how much does this shop’s work differ from what was counted?',
    sources: ['Gelman et al., Bayesian Data Analysis, 3rd ed., §3.3', `prior: ${PRACTICE}`],
    needs: {
      element: Joi.string().description('what was estimated'),
      history: many(
        object({ estimated: number('estimated, any unit'), actual: number('actual, same unit') }),
        'past cases',
      ),
    },
    gives: {
      element: word('what was estimated'),
      factor: number('multiply estimates by this'),
      low: number('of the factor, 80 %'),
      high: number('of the factor, 80 %'),
      next: object({ low: number('80 %'), high: number('80 %') }, 'where the next case lies'),
      cases: number('cases'),
    },
    example: {
      element: 'fit and trim',
      history: [
        { estimated: 2, actual: 3 },
        { estimated: 4, actual: 5.5 },
        { estimated: 1.5, actual: 1.6 },
      ],
    },
    run: calibrate,
  }),
  calculation({
    id: 'verdict.portfolio',
    title: 'Plans for the whole car',
    question: 'Go on with patches, or order it all? Which plans does no other beat in hours and money?',
    sources: ['exact: unbeaten sums (Nemhauser & Ullmann 1969) for each set of suppliers'],
    heavy: true,
    needs: {
      repairs: many(
        object({
          id: Joi.string().description('name'),
          options: many(
            object(
              {
                id: Joi.string().description('name'),
                hours: number('work', 'h'),
                money: money('paid out, without what is bought'),
                keeps: number('how much stays original'),
              },
              '',
              {
                buys: many(
                  object({ supplier: Joi.string().description('supplier'), price: money('price') }),
                  'what is bought',
                ),
              },
            ),
            'options',
          ),
        }),
        'repairs',
      ),
      suppliers: many(object({ id: Joi.string().description('name'), carriage: money('once') }), 'suppliers'),
      hourRate: money('an hour is worth'),
    },
    gives: {
      plans: many(carPlan, 'plans that no other beats, by rising hours'),
      cheapest: carPlan.description('cheapest, each hour at its rate'),
      quickest: carPlan.description('quickest'),
      mostOriginal: carPlan.description('keeps most'),
    },
    example: {
      repairs: [
        {
          id: 'sill, left',
          options: [
            { id: 'patch', hours: 14, money: 2500, keeps: 70 },
            { id: 'whole', hours: 9, money: 1500, keeps: 0, buys: [{ supplier: 'Northgate', price: 9800 }] },
          ],
        },
        {
          id: 'sill, right',
          options: [
            { id: 'patch', hours: 11, money: 2000, keeps: 80 },
            { id: 'whole', hours: 9, money: 1500, keeps: 0, buys: [{ supplier: 'Northgate', price: 9800 }] },
          ],
        },
        {
          id: 'boot floor',
          options: [
            { id: 'patch', hours: 8, money: 1800, keeps: 60 },
            { id: 'make', hours: 16, money: 3000, keeps: 0 },
          ],
        },
      ],
      suppliers: [{ id: 'Northgate', carriage: 4500 }],
      hourRate: 3000,
    },
    run: portfolio,
  }),
];
