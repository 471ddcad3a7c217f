import Joi from 'joi';
import { calibrate, compare, simulate } from '@aspecta/core/verdict';
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
  table,
  word,
} from './kit.ts';

export const verdictCalculations = [
  calculation({
    id: 'verdict.simulate',
    title: 'Add up doubtful quantities',
    question: 'How much may a sum or product come to?',
    sources: ['Malcolm et al. 1959 (PERT)', 'Monte Carlo, seeded'],
    needs: {
      variables: table(
        'by name: triangular or pert {min, mode, max}, lognormal {median, sigma of the log}, fixed {value}',
      ),
      expression: table('{op: sum or product, of: [name or expression]}'),
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
      repair: table('panel, zones and offer; lengths mm, areas mm², money minor units'),
      rates: table('hour, sheetDm2, weldMetre, coatDm2; minor units'),
    },
    may: { house: table('rules of the shop') },
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
            elements: many(table('name, count, unit, minutes, rule, hours'), 'counted work'),
            for: many(word('reason'), 'what speaks for it'),
            against: many(word('reason'), 'what speaks against it'),
            ruledOut: maybe(word('why it cannot be done')),
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
];
