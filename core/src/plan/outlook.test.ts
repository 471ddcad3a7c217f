import { describe, expect, it } from 'vitest';
import { calendar, holdingUp, outlook, type CalendarInput, type Window } from './index.ts';

const always: Window[] = [[0, 10_000]];
const input: CalendarInput = {
  tasks: [
    { id: 'long', hours: 40 },
    { id: 'after', hours: 10, after: [{ id: 'long' }] },
    { id: 'beside', hours: 5, by: ['Ben'] },
  ],
  people: { Ada: always, Ben: always },
};

describe('how sure an end is', () => {
  it('is the plan itself where nothing is in doubt', () => {
    expect(outlook(input, { runs: 5, sigma: 0 })).toEqual({
      p50: 50,
      p90: 50,
      inTime: null,
      critical: { long: 1, after: 1, beside: 0 },
    });
  });
  it('is the quantile of the sum of lognormal hours along the only way', () => {
    const one = { tasks: [{ id: 'a', hours: 100 }], people: { Ada: always } };
    const { p50, p90 } = outlook(one, { runs: 1000, sigma: 0.3 });
    // Median 100, P90 100·exp(0.3·1.2816), within what a thousand runs allow.
    expect(Math.abs(p50 - 100)).toBeLessThan(5);
    expect(Math.abs(p90 - 100 * Math.exp(0.3 * 1.2816))).toBeLessThan(8);
  });
  it('says how likely a promised hour is kept: half of the runs by the median, as the normal has it beyond', () => {
    const one = { tasks: [{ id: 'a', hours: 100 }], people: { Ada: always } };
    const by = (hour: number) => outlook(one, { runs: 1000, sigma: 0.3, by: hour }).inTime!;
    expect(Math.abs(by(100) - 0.5)).toBeLessThan(0.05);
    // Φ(1) = 0.8413.
    expect(Math.abs(by(100 * Math.exp(0.3)) - 0.8413)).toBeLessThan(0.04);
    expect([by(1), by(10_000)]).toEqual([0, 1]);
  });
  it('is the same each time it is asked', () => {
    expect(outlook(input, { runs: 20 })).toEqual(outlook(input, { runs: 20 }));
  });
  it('finds what holds the end up: what it waits for, and who is busy', () => {
    const alone = { ...input, people: { Ben: always } };
    const { tasks } = alone;
    expect(holdingUp(alone, calendar({ ...alone, seconds: 0 })).sort()).toEqual(tasks.map(({ id }) => id).sort());
  });
});
