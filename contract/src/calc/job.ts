import Joi from 'joi';
import { bodyPlan } from '@aspecta/core/body';
import { jobSteps, type JobHouse, type JobRepair } from '@aspecta/core/job';
import type { OrderState } from '@aspecta/core/order';
import type { OptionId } from '@aspecta/core/verdict';
import { calculation, flag, many, maybe, named, number, object, PRACTICE, share, word } from './kit.ts';

const hours = (what: string) => number(what, 'h');
const name = (what: string) => Joi.string().description(what);
const order = object(
  {
    state: Joi.valid(
      'wanted',
      'ordered',
      'confirmed',
      'back-order',
      'arrived',
      'checked',
      'kept',
      'fitted',
    ).description('how far its order has come'),
    leadHours: hours('until it is here'),
  },
  'what is bought for it',
);

interface Input {
  body: string;
  repairs: readonly (Pick<JobRepair, 'id' | 'panel' | 'hours'> & { choice: OptionId } & Partial<JobRepair>)[];
  parts?: readonly { id: string; title: string; order: { state: OrderState; leadHours: number } }[];
  finds?: readonly { id: string; panel: string; text: string }[];
  undecided?: readonly string[];
  house?: Partial<JobHouse>;
}

export const jobCalculations = [
  calculation({
    id: 'job.steps',
    title: 'Steps of a job',
    question: 'What has to be done at this car, in which order, and why?',
    sources: [PRACTICE],
    cautions: ['The order is a proposal: local rules and a qualified person go before it.'],
    needs: {
      body: name('body: saloon, pickup, platform or offroader'),
      repairs: many(
        object(
          {
            id: name('name'),
            panel: name('panel'),
            choice: Joi.valid('treat', 'patch', 'part', 'whole', 'make', 'overlay', 'open').description('decided'),
            hours: hours('decided on'),
          },
          '',
          {
            work: many(object({ name: name('counted work'), hours: hours('of it') }), 'what the hours consist of'),
            order: maybe(order),
            done: flag('done'),
            opened: maybe(share('of its joints opened')),
            welded: maybe(share('of its welds done')),
          },
        ),
        'repairs',
      ),
    },
    may: {
      parts: many(object({ id: name('name'), title: name('what it is'), order }), 'parts of no repair'),
      finds: many(object({ id: name('name'), panel: name('panel'), text: name('what was found') }), 'open finds'),
      undecided: many(Joi.string(), 'panels without a decision'),
      house: named('hours of what is not counted by the metre'),
    },
    gives: {
      steps: many(
        object({
          id: word('name'),
          kind: word('kind'),
          title: word('what is done'),
          hours: hours('of it'),
          after: many(
            object({ id: word('step'), why: word('why') }, '', {
              lag: hours('at least after its end'),
              within: hours('at most after its end'),
            }),
            'what it waits for',
          ),
          share: share('done'),
          waits: flag('nobody works on it'),
          dry: flag('only in the dry'),
          needs: many(Joi.string(), 'what it needs'),
          closes: many(Joi.string(), 'cavities it shuts'),
        }),
        'steps',
      ),
    },
    example: {
      body: 'saloon',
      repairs: [
        {
          id: 'sill',
          panel: 'sill-l',
          choice: 'whole',
          hours: 16,
          work: [
            { name: 'Drill out spot welds', hours: 3 },
            { name: 'Fit, adjust, fit again', hours: 3 },
            { name: 'Plug or spot weld', hours: 4 },
            { name: 'Dress welds', hours: 1.5 },
            { name: 'Coat inside and out', hours: 2 },
          ],
          order: { state: 'ordered', leadHours: 120 },
        },
      ],
      finds: [{ id: 'drain', panel: 'sill-l', text: 'drain is blocked' }],
    },
    run: ({ body, repairs, parts = [], finds = [], undecided = [], house }: Input) => ({
      steps: jobSteps({
        body: bodyPlan(body),
        repairs: repairs.map((repair) => ({
          done: false,
          work: [],
          order: null,
          opened: null,
          welded: null,
          ...repair,
        })),
        parts,
        finds,
        undecided,
        ...(house ? { house } : {}),
      }).map(({ id, kind, title, hours: own, after, share: done, waits, dry, needs, closes }) => ({
        id,
        kind,
        title,
        hours: own,
        after,
        share: done,
        waits,
        dry,
        needs,
        closes,
      })),
    }),
  }),
];
