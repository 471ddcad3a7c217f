import Joi from 'joi';
import { criticalPath, schedule } from '@aspecta/core/plan';
import { calculation, flag, many, named, number, object, word } from './kit.ts';

const hours = (what: string) => number(what, 'h');
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
];
