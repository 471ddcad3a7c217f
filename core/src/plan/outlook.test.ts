import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
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
      outside: {},
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
  it('tells in how many runs a day, rain or money kept the end waiting', () => {
    const tasks = [
      { id: 'early', hours: 5 },
      { id: 'late', hours: 5, release: 500 },
    ];
    expect(outlook({ tasks, people: { Ada: always } }, { runs: 20 })).toMatchObject({
      critical: { early: 0, late: 1 },
      outside: { late: { date: expect.closeTo(1, 9) } },
    });
  });
});

describe('what holds the end up', () => {
  const held = (given: CalendarInput) => holdingUp(given, calendar({ ...given, seconds: 0 }));
  const people = { Ada: always };

  it('is what it waits for, and who is busy', () => {
    const alone = { ...input, people: { Ben: always } };
    const { tasks } = alone;
    const { way, by } = held(alone);
    expect(way.sort()).toEqual(tasks.map(({ id }) => id).sort());
    expect(by).toBeNull();
  });
  it('is the one welder, whoever has it', () => {
    const tasks = [
      { id: 'a', hours: 30, by: ['Ada'], needs: { welder: 1 } },
      { id: 'b', hours: 5, by: ['Ben'], needs: { welder: 1 } },
    ];
    expect(held({ tasks, people: { Ada: always, Ben: always }, resources: { welder: 1 } }).way).toHaveLength(2);
  });
  it('is nothing that was over long before the day on which the last may begin', () => {
    const tasks = [
      { id: 'floor', hours: 40 },
      { id: 'leg', hours: 3, release: 2000 },
      { id: 'coat', hours: 1, after: [{ id: 'leg' }] },
    ];
    expect(held({ tasks, people })).toEqual({ way: ['coat', 'leg'], by: 'date' });
  });
  it('is the rain, or money that is not there yet', () => {
    const dry: Window[] = [[100, 10_000]];
    expect(held({ tasks: [{ id: 'weld', hours: 2, dry: true }], people, dry })).toEqual({
      way: ['weld'],
      by: 'weather',
    });
    // It was dry before anybody was there: nobody waited for the weather.
    const evenings: Window[] = [[200, 210]];
    expect(held({ tasks: [{ id: 'weld', hours: 2, dry: true }], people: { Ada: evenings }, dry }).by).toBeNull();
    const cash = [
      { at: 0, amount: 10 },
      { at: 300, amount: 500 },
    ];
    expect(held({ tasks: [{ id: 'order', hours: 1, outlay: 90 }], people, cash })).toEqual({
      way: ['order'],
      by: 'money',
    });
  });
  it('begins at the end, and each that follows was over when the one before it could begin', () => {
    const hours = fc.integer({ min: 1, max: 20 });
    const task = fc.record({ hours, release: fc.option(fc.integer({ min: 1, max: 200 })), before: fc.nat(6) });
    fc.assert(
      fc.property(fc.array(task, { minLength: 1, maxLength: 7 }), (drawn) => {
        const tasks = drawn.map(({ hours, release, before }, i) => ({
          ...{ id: `t${i}`, hours, release: release ?? 0 },
          after: before < i ? [{ id: `t${before}` }] : [],
        }));
        const given: CalendarInput = { tasks, people: { Ada: [[5, 60] as Window, [80, 5000] as Window] } };
        const plan = calendar({ ...given, seconds: 0 });
        const { way, by } = holdingUp(given, plan);
        const span = (id: string) => [plan.tasks[id]!.pieces[0]![0], plan.tasks[id]!.pieces.at(-1)![1]] as const;
        expect(span(way[0]!)[1]).toBe(plan.finish);
        way.slice(1).forEach((id, i) => expect(span(id)[1]).toBeLessThanOrEqual(span(way[i]!)[0] + 1e-6));
        if (by === 'date') expect(tasks.find(({ id }) => id === way.at(-1))!.release).toBeGreaterThan(0);
        expect(by === null || by === 'date').toBe(true);
      }),
    );
  });
});
