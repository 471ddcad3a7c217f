import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EVERY, incomeBetween } from './index.ts';

const DAY = 86_400_000;
const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10);
const day = fc.integer({ min: Date.UTC(2020, 0, 1) / DAY, max: Date.UTC(2040, 0, 1) / DAY }).map((n) => dayOf(n * DAY));

describe('pay days', () => {
  it('fall on the day of the month, on its last one where it is too short, leap years and all', () => {
    const on = (first: string, from: string, to: string) =>
      incomeBetween({ amount: 1, first, every: 'month' }, from, to).map((pay) => pay.on);
    expect(on('2026-01-31', '2026-01-01', '2026-05-31')).toEqual([
      '2026-01-31',
      '2026-02-28',
      '2026-03-31',
      '2026-04-30',
      '2026-05-31',
    ]);
    expect(on('2027-12-30', '2028-02-01', '2028-03-01')).toEqual(['2028-02-29']);
    // Centuries are leap years only every fourth time.
    expect(on('2099-12-31', '2100-02-01', '2100-03-01')).toEqual(['2100-02-28']);
  });

  it('are those that a walk through the calendar day by day finds', () => {
    fc.assert(
      fc.property(day, day, fc.integer({ min: 0, max: 500 }), fc.constantFrom(...EVERY), (first, from, span, every) => {
        const to = dayOf(Date.parse(from) + span * DAY);
        const found: string[] = [];
        for (let at = Date.parse(from); at <= Date.parse(to); at += DAY) {
          const since = (at - Date.parse(first)) / DAY;
          if (since < 0) continue;
          const lastOfMonth = dayOf(at + DAY).slice(8) === '01';
          const wanted = Number(first.slice(8));
          const today = Number(dayOf(at).slice(8));
          const isPay = {
            once: since === 0,
            week: since % 7 === 0,
            fortnight: since % 14 === 0,
            month: today === wanted || (lastOfMonth && today < wanted),
          }[every];
          if (isPay) found.push(dayOf(at));
        }
        expect(incomeBetween({ amount: 500, first, every }, from, to)).toEqual(
          found.map((on) => ({ on, amount: 500 })),
        );
      }),
    );
  });

  it('refuse what is no day and no amount, by the field', () => {
    const refused = (over: object) => () =>
      incomeBetween({ amount: 1, first: '2026-01-01', every: 'week', ...over }, '2026-01-01', '2026-02-01');
    expect(refused({ first: '2026-02-30' })).toThrow(expect.objectContaining({ field: 'first', code: 'no-such-day' }));
    expect(refused({ first: 'soon' })).toThrow(expect.objectContaining({ field: 'first' }));
    expect(refused({ amount: -1 })).toThrow(expect.objectContaining({ field: 'amount' }));
  });
});
