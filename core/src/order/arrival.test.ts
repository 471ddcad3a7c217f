import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ARRIVAL_POINTS, adviseArrival, latest, makerRecords, type ArrivalInput } from './index.ts';

const part: ArrivalInput = {
  points: {},
  thickness: null,
  expected: null,
  short: 0,
  rate: 5000,
  price: 30_000,
  carriage: 2000,
};

/* What becomes of a part that is here: common practice, no published source. */
describe('a part that has arrived', () => {
  it('is used where nothing is wrong; what nobody has looked at is named', () => {
    const advice = adviseArrival({ ...part, points: { hand: true, size: true } });
    expect(advice).toMatchObject({ outcome: 'fits', hours: 0, strip: 0 });
    expect(advice.open).toEqual(['thickness', 'flanges', 'holes', 'fit', 'rust']);
  });

  it('that nobody has looked at is not said to be right', () => {
    expect(adviseArrival(part).why).toEqual(['Nobody has looked at it yet: hold it against the car first.']);
    expect(adviseArrival({ ...part, points: { hand: true } }).why).toEqual([
      'Nothing is wrong with what was looked at.',
    ]);
    expect(adviseArrival({ ...part, thickness: 0.9, expected: 0.9 }).why[0]).toContain('Nothing is wrong');
  });

  it('for the other side goes back, and so does one of thinner sheet', () => {
    expect(adviseArrival({ ...part, points: { hand: false } }).outcome).toBe('return');
    expect(adviseArrival({ ...part, thickness: 0.7, expected: 0.9 }).outcome).toBe('return');
    expect(adviseArrival({ ...part, thickness: 0.8, expected: 0.9 }).outcome).toBe('fits');
  });

  it('that is short gets a strip as wide as what lacks; one far too short goes back', () => {
    expect(adviseArrival({ ...part, short: 30 })).toMatchObject({ outcome: 'rework', strip: 30, hours: 2 });
    expect(adviseArrival({ ...part, short: 30, points: { size: false } }).hours).toBe(2);
    expect(adviseArrival({ ...part, short: 200 })).toMatchObject({ outcome: 'return', strip: 0 });
  });

  it('with a wrong flange is worked on where it is dear, sent back where it is cheap, kept where carriage eats its price', () => {
    const points = { flanges: false };
    expect(adviseArrival({ ...part, points })).toMatchObject({ outcome: 'rework', hours: 1.5, rework: 7500 });
    expect(adviseArrival({ ...part, points, price: 9000 })).toMatchObject({
      outcome: 'return',
      hours: 1.5,
      back: 4000,
    });
    const kept = adviseArrival({ ...part, points, price: 3900 });
    expect(kept.outcome).toBe('keep');
    expect(kept.why.join(' ')).toMatch(/half of its price.*as sheet/);
  });

  it('is refused with a length that is none', () =>
    expect(() => adviseArrival({ ...part, short: -1 })).toThrow(/short/));

  it('one more fault never makes it better, and what is used after work has hours of it', () => {
    const rank = { fits: 0, rework: 1, return: 2, keep: 2 };
    const faults = fc.dictionary(fc.constantFrom(...ARRIVAL_POINTS), fc.boolean());
    fc.assert(
      fc.property(
        faults,
        fc.constantFrom(...ARRIVAL_POINTS),
        fc.integer({ min: 0, max: 100 }),
        fc.integer({ min: 0, max: 60_000 }),
        fc.integer({ min: 0, max: 9000 }),
        (points, point, short, price, carriage) => {
          const before = adviseArrival({ ...part, points, short, price, carriage });
          const after = adviseArrival({ ...part, points: { ...points, [point]: false }, short, price, carriage });
          expect(rank[after.outcome]).toBeGreaterThanOrEqual(rank[before.outcome]);
          for (const advice of [before, after]) {
            if (advice.outcome === 'rework') expect(advice.hours).toBeGreaterThan(0);
            if (advice.outcome === 'fits') expect(advice.hours).toBe(0);
            expect(advice.why.length).toBeGreaterThan(0);
          }
        },
      ),
    );
  });
});

describe('what deliveries teach of a maker', () => {
  const one = { maker: 'B', quoted: 10, actual: 20, outcome: 'fits', hours: 0 } as const;
  it('is kept apart by maker, sorted by name; what is not known is not counted', () => {
    const records = makerRecords([
      one,
      { ...one, maker: 'A', quoted: null, outcome: 'rework', hours: 3 },
      { ...one, maker: 'A', outcome: 'return', actual: null },
      { ...one, maker: 'A', outcome: null, actual: null },
    ]);
    expect(records).toMatchObject([
      { maker: 'A', timed: [], checked: 2, fitted: 0, gone: 1, rework: 3 },
      { maker: 'B', timed: [{ quoted: 10, actual: 20 }], checked: 1, fitted: 1, gone: 0, rework: 0 },
    ]);
    expect(records[0]!.factor.p50).toBeCloseTo(1, 12);
  });

  it('agrees with the day by which one must order', () => {
    const history = [
      { quoted: 10, actual: 20 },
      { quoted: 5, actual: 9 },
    ];
    const [record] = makerRecords(history.map((entry) => ({ ...one, ...entry })));
    const { lead } = latest({ neededOn: 100, quoted: 12, history, confidence: 0.9 });
    expect(12 * record!.factor.p50).toBeCloseTo(lead.p50, 9);
    expect(12 * record!.factor.p90).toBeCloseTo(lead.p90, 9);
  });
});
