import Joi from 'joi';
import { calendar, criticalPath, forecast, schedule } from '@aspecta/core/plan';
import { byName, calculation, flag, many, maybe, money, named, number, object, share, word } from './kit.ts';

const hours = (what: string) => number(what, 'h');
const windows = (what: string) =>
  many(Joi.array().items(Joi.number().unsafe()).length(2), `${what}: [[from, to], …], h`);
const after = Joi.array()
  .items(
    Joi.string(),
    object({ id: Joi.string().description('task') }, '', {
      kind: Joi.string().description('FS, SS, FF or SF'),
      lag: hours('in between'),
    }),
  )
  .description('what it waits for');
const task = { id: Joi.string().description('name'), duration: hours('work') };

export const planCalculations = [
  calculation({
    id: 'plan.criticalPath',
    title: 'Critical path',
    question: 'How long does the job take, and which tasks must not slip?',
    sources: ['Kelley & Walker 1959'],
    needs: { tasks: many(object(task, '', { after }), 'tasks') },
    gives: {
      length: hours('whole job'),
      tasks: many(
        object({
          id: word('name'),
          earlyStart: hours('early start'),
          earlyFinish: hours('early finish'),
          lateStart: hours('late start'),
          lateFinish: hours('late finish'),
          totalFloat: hours('total float'),
          freeFloat: hours('free float'),
          critical: flag('no float'),
        }),
        'times',
      ),
      critical: many(word('name'), 'critical tasks'),
    },
    example: {
      tasks: [
        { id: 'cut', duration: 3 },
        { id: 'inner sill', duration: 6, after: [{ id: 'cut', kind: 'FS', lag: 0 }] },
        { id: 'prime inside', duration: 1, after: ['inner sill'] },
        { id: 'outer sill', duration: 5, after: [{ id: 'prime inside', kind: 'FS', lag: 24 }] },
        { id: 'make patch', duration: 4, after: [{ id: 'cut', kind: 'SS', lag: 1 }] },
      ],
    },
    run: criticalPath,
  }),
  calculation({
    id: 'plan.schedule',
    title: 'Schedule with few hands',
    question: 'When does each task start, so that nothing is overdrawn and the whole is short?',
    sources: ['Kolisch & Hartmann 2006', 'Tormos & Lova 2001'],
    needs: {
      tasks: many(
        object(task, '', { after, needs: named('units of each resource'), release: hours('not before') }),
        'tasks',
      ),
      resources: named('units of each resource that are there'),
    },
    may: { seconds: number('how much search', 's') },
    gives: {
      makespan: hours('until all is done'),
      starts: named('start of each task, h'),
      lowerBound: hours('no schedule is shorter'),
    },
    example: {
      tasks: [
        { id: 'strip', duration: 4, needs: { hand: 1, bay: 1 } },
        { id: 'cut', duration: 3, needs: { hand: 1, bay: 1 }, after: ['strip'] },
        { id: 'patch', duration: 4, needs: { hand: 1 }, after: [{ id: 'strip', kind: 'FS', lag: 0 }] },
        { id: 'weld', duration: 5, needs: { hand: 1, bay: 1, welder: 1 }, after: ['cut', 'patch'] },
      ],
      resources: { hand: 2, bay: 1, welder: 1 },
      seconds: 0.1,
    },
    heavy: true,
    run: schedule,
  }),
  calculation({
    id: 'plan.calendar',
    title: 'Plan with evenings, cures, weather and money',
    question: 'When is each step done and by whom, and when is all of it done?',
    sources: ['Kolisch & Hartmann 2006', 'Franck, Neumann & Schwindt 2001 (calendars)'],
    heavy: true,
    needs: {
      tasks: many(
        object(
          { id: Joi.string().description('name'), hours: hours('work, or calendar time where nobody works') },
          '',
          {
            unbroken: flag('in one piece'),
            by: many(Joi.string(), 'who may do it; left out for all, nobody for what dries or is on its way'),
            needs: named('units of each resource'),
            dry: flag('only in the dry'),
            outlay: money('paid when it starts'),
            after: many(
              object({ id: Joi.string().description('task') }, '', {
                lag: hours('at least after its end'),
                within: hours('at most after its end'),
              }),
              'what it waits for',
            ),
            release: hours('not before'),
          },
        ),
        'tasks',
      ),
      people: byName(windows('when he is there'), 'people'),
    },
    may: {
      resources: named('units of each resource that are there'),
      dry: windows('when it is dry'),
      cash: many(object({ at: hours('from'), amount: money('comes in') }), 'money'),
      seconds: number('how much search', 's'),
    },
    gives: {
      tasks: byName(object({ pieces: windows('pieces'), by: maybe(word('who does it')) }), 'tasks'),
      finish: hours('until all is done'),
      lowerBound: hours('no plan is sooner'),
      broken: many(
        object({ task: word('task'), after: word('after'), late: hours('too late') }),
        'links that are too long',
      ),
    },
    example: {
      tasks: [
        { id: 'cut', hours: 3 },
        { id: 'panel on its way', hours: 60, by: [], outlay: 18_000 },
        { id: 'coat inside', hours: 1, dry: true, after: [{ id: 'cut' }] },
        {
          id: 'weld',
          hours: 4,
          dry: true,
          needs: { welder: 1 },
          after: [{ id: 'panel on its way' }, { id: 'coat inside', lag: 24 }],
        },
        { id: 'prime', hours: 1, dry: true, after: [{ id: 'weld', within: 48 }] },
      ],
      people: {
        Ines: [
          [18, 20],
          [42, 44],
          [66, 68],
          [90, 92],
          [106, 112],
          [130, 132],
        ],
      },
      resources: { welder: 1 },
      dry: [
        [0, 50],
        [60, 140],
      ],
      cash: [{ at: 0, amount: 25_000 }],
    },
    run: calendar,
  }),
  calculation({
    id: 'plan.forecast',
    title: 'Hours in the end',
    question: 'How many hours will it take in the end, by what has been done so far?',
    sources: ['earned value, PMI Practice Standard for Earned Value Management'],
    needs: {
      tasks: many(object({ planned: hours('planned'), done: share('done'), spent: hours('spent') }), 'tasks'),
    },
    gives: {
      planned: hours('planned'),
      earned: hours('planned of what is done'),
      spent: hours('spent'),
      efficiency: maybe(number('earned for one spent')),
      expected: maybe(hours('in the end')),
    },
    example: {
      tasks: [
        { planned: 6, done: 1, spent: 8.5 },
        { planned: 12, done: 0.5, spent: 7 },
        { planned: 20, done: 0, spent: 0 },
      ],
    },
    run: forecast,
  }),
];
