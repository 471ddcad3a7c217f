import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { expectedIn } from './expected.ts';
import { ORDER_STATES } from './states.ts';

const noon = (day: string) => Date.parse(`${day}T12:00:00Z`);

describe('in how many hours a part is here', () => {
  it('is by the day it is due, whatever was quoted', () =>
    expect(
      expectedIn({ state: 'ordered', due: '2026-03-11', since: '2026-03-01', quotedDays: 3 }, noon('2026-03-01')),
    ).toEqual({ hours: 240, undated: false }));

  it('counts from the day of the order: it comes nearer day by day, and is never counted on before two days', () => {
    const ordered = { state: 'ordered', due: null, since: '2026-03-01', quotedDays: 10 } as const;
    expect(['2026-03-01', '2026-03-05', '2026-03-30'].map((day) => expectedIn(ordered, noon(day)).hours / 24)).toEqual([
      10, 6, 2,
    ]);
  });

  it('that is not ordered counts from now', () =>
    expect(
      expectedIn({ state: 'wanted', due: null, since: '2026-01-01', quotedDays: 4 }, noon('2026-03-01')).hours,
    ).toBe(96));

  it('on back order without a date is a guess, six weeks from the day it was put off', () => {
    const put = { state: 'back-order', due: null, since: '2026-03-01', quotedDays: 4 } as const;
    expect(expectedIn(put, noon('2026-03-08'))).toEqual({ hours: 35 * 24, undated: true });
    expect(expectedIn(put, noon('2026-09-01'))).toEqual({ hours: 7 * 24, undated: true });
    expect(expectedIn({ ...put, due: '2026-03-20' }, noon('2026-03-08'))).toEqual({ hours: 12 * 24, undated: false });
  });

  it('is ahead of us, and no later when time has passed', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...ORDER_STATES),
        fc.option(fc.integer({ min: -60, max: 200 }), { nil: null }),
        fc.integer({ min: 0, max: 90 }),
        fc.integer({ min: 0, max: 100 }),
        (state, due, quotedDays, later) => {
          const start = noon('2026-03-01');
          const day = (days: number) => new Date(start + days * 86_400_000).toISOString().slice(0, 10);
          const part = { state, due: due === null ? null : day(due), since: '2026-03-01', quotedDays };
          const [now, then] = [expectedIn(part, start), expectedIn(part, start + later * 3_600_000)];
          expect(now.hours).toBeGreaterThanOrEqual(0);
          expect(then.hours).toBeLessThanOrEqual(now.hours);
        },
      ),
    ));
});
