import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Problem } from '../problem.ts';
import { calendar } from './calendar.ts';
import type { CalendarInput } from './calendarTypes.ts';
import { replanned } from './replan.ts';
import { evenings, expectKept, instances } from './testing.ts';

/** The plan of a job; null where it has none. */
const planOf = (input: CalendarInput) => {
  try {
    return calendar(input);
  } catch {
    return null;
  }
};
const weldThenCure: CalendarInput = {
  tasks: [
    { id: 'weld', hours: 1 },
    { id: 'coat', hours: 1, after: [{ id: 'weld', within: 48 }] },
    { id: 'cure', hours: 24, by: [], after: [{ id: 'coat' }] },
    { id: 'other side', hours: 2 },
  ],
  people: { Ada: evenings(30) },
};

describe('a step of a plan that is moved', () => {
  const plan = calendar(weldThenCure);

  it('takes along what waits for it, lets others come sooner, and keeps what must follow soon', () => {
    expect(plan.tasks['weld']!.pieces[0]![0]).toBe(18);
    const later = replanned(weldThenCure, plan, { task: 'weld', from: 96 });
    expect(later.tasks['weld']!.pieces).toEqual([[114, 115]]);
    expect(later.tasks['coat']!.pieces).toEqual([[115, 116]]);
    expect(later.tasks['cure']!.pieces).toEqual([[116, 140]]);
    expect(later.tasks['other side']!.pieces).toEqual([[18, 20]]);
    // Only the coat is put off: what is bare for 48 h at most is bared later, too.
    const coat = replanned(weldThenCure, plan, { task: 'coat', from: 120 });
    expect(coat.broken).toEqual([]);
    expect(coat.tasks['weld']!.pieces[0]![0]).toBeGreaterThanOrEqual(coat.tasks['coat']!.pieces[0]![0] - 50);
  });
  it('may begin sooner again: the hour that is said stands for the one before', () => {
    const held = {
      ...weldThenCure,
      tasks: weldThenCure.tasks.map((task, i) => (i === 0 ? { ...task, release: 200 } : task)),
    };
    const back = replanned(held, calendar(held), { task: 'weld', from: 0 });
    expect(back.tasks['weld']!.pieces).toEqual([[18, 19]]);
    expect(back.tasks['coat']!.pieces).toEqual([[43, 44]]);
  });
  it.each([
    [{ task: 'paint', from: 0 }, 'move.task', 'unknown-task'],
    [{ task: 'weld', from: -1 }, 'move.from', 'too-small'],
    [{ task: 'weld', from: Number.NaN }, 'move.from', 'not-a-number'],
    [{ task: 'weld', from: 5000 }, 'people', 'no-time'],
  ])('%j is refused at its field', (move, field, code) => {
    const broken = () => replanned(weldThenCure, plan, move);
    expect(broken).toThrowError(expect.objectContaining({ field, code }));
  });
  it('says so where the plan is of another job', () => {
    const without = { tasks: { weld: plan.tasks['weld']! } };
    expect(() => replanned(weldThenCure, without, { task: 'weld', from: 0 })).toThrowError(/says nothing of coat/);
  });

  it('breaks no rule, whatever is moved where', () => {
    fc.assert(
      fc.property(instances, fc.nat(99), fc.integer({ min: 0, max: 300 }), (input, which, from) => {
        const known = planOf(input);
        fc.pre(known !== null);
        const task = input.tasks[which % input.tasks.length]!.id;
        const moved = {
          ...input,
          tasks: input.tasks.map((one) => (one.id === task ? { ...one, release: from } : one)),
        };
        try {
          expectKept(moved, replanned(input, known!, { task, from }));
        } catch (error) {
          // So late nobody is there any more, or no money comes: told, not planned.
          if (!(error instanceof Problem)) throw error;
          expect(error.code).toMatch(/no-time|no-money/);
        }
      }),
      { numRuns: 150 },
    );
  });
  it('moves nothing at all to a later hour where its bar is put back to where it lay', () => {
    fc.assert(
      fc.property(instances, fc.nat(99), ({ cash: _cash, tasks, ...rest }, which) => {
        // What holds the welder over a pause holds it longer when it begins sooner, and what takes no time
        // may lie within something else: without such things.
        const alone = tasks.map(({ needs: _needs, after = [], ...task }) => ({
          ...task,
          hours: Math.max(1, task.hours),
          after: after.map(({ id, lag = 0 }) => ({ id, lag })),
        }));
        const input = { ...rest, tasks: alone };
        const known = planOf(input);
        fc.pre(known !== null);
        const { id } = tasks[which % tasks.length]!;
        const same = replanned(input, known!, { task: id, from: known!.tasks[id]!.pieces[0]![0] });
        for (const one of tasks)
          expect(same.tasks[one.id]!.pieces.at(-1)![1]).toBeLessThanOrEqual(
            known!.tasks[one.id]!.pieces.at(-1)![1] + 1e-6,
          );
      }),
      { numRuns: 150 },
    );
  });
});
