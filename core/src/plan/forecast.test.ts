import { describe, expect, it } from 'vitest';
import { forecast } from './index.ts';

describe('what it will take in the end', () => {
  it('is spent + (planned − earned) / efficiency, as the standard on earned value reckons', () => {
    // Budget 100, earned 40 for 50 spent: efficiency 0.8, 125 at completion (formula of the standard; figures from memory).
    const tasks = [
      { planned: 40, done: 1, spent: 50 },
      { planned: 60, done: 0, spent: 0 },
    ];
    expect(forecast({ tasks })).toEqual({ planned: 100, earned: 40, spent: 50, efficiency: 0.8, expected: 125 });
  });
  it('is as planned before anything is spent, unknown where nothing came of it, and what was spent when all is done', () => {
    expect(forecast({ tasks: [{ planned: 10, done: 0, spent: 0 }] })).toMatchObject({ efficiency: null, expected: 10 });
    expect(forecast({ tasks: [{ planned: 10, done: 0, spent: 4 }] })).toMatchObject({ efficiency: 0, expected: null });
    expect(forecast({ tasks: [{ planned: 10, done: 1, spent: 14 }] })).toMatchObject({ expected: 14 });
  });
  it.each([
    [[], 'tasks'],
    [[{ planned: 1, done: 2, spent: 0 }], 'tasks[0].done'],
    [[{ planned: 1, done: 0, spent: -1 }], 'tasks[0].spent'],
  ])('%j is refused at its field', (tasks, field) => {
    expect(() => forecast({ tasks })).toThrowError(expect.objectContaining({ field }));
  });
});
