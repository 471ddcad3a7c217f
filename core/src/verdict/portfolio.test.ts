import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { portfolio, type PortfolioInput } from './index.ts';

/** Every choice of options with its sums, the carriage counted once for each supplier. */
function allPlans({ repairs, suppliers }: PortfolioInput) {
  return repairs
    .reduce<PortfolioInput['repairs'][number]['options'][]>(
      (plans, { options }) => plans.flatMap((plan) => options.map((option) => [...plan, option])),
      [[]],
    )
    .map((options) => {
      const used = new Set(options.flatMap(({ buys = [] }) => buys.map(({ supplier }) => supplier)));
      const fees = suppliers.filter(({ id }) => used.has(id)).reduce((sum, { carriage }) => sum + carriage, 0);
      const paid = options.flatMap(({ buys = [] }) => buys).reduce((sum, { price }) => sum + price, 0);
      return {
        hours: options.reduce((sum, { hours }) => sum + hours, 0),
        money: options.reduce((sum, { money }) => sum + money, 0) + paid + fees,
        keeps: options.reduce((sum, { keeps }) => sum + keeps, 0),
      };
    });
}

describe('plans for the whole car', () => {
  const option = fc.record({
    hours: fc.integer({ min: 1, max: 30 }),
    money: fc.integer({ min: 0, max: 200 }),
    keeps: fc.integer({ min: 0, max: 5 }),
    from: fc.constantFrom('x', 'y', 'z', null),
    price: fc.integer({ min: 0, max: 300 }),
  });
  const car = fc
    .record({
      options: fc.array(fc.array(option, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 5 }),
      carriage: fc.array(fc.integer({ min: 0, max: 120 }), { minLength: 3, maxLength: 3 }),
      hourRate: fc.integer({ min: 0, max: 40 }),
    })
    .map(({ options, carriage, hourRate }): PortfolioInput => ({
      repairs: options.map((own, i) => ({
        id: `r${i}`,
        options: own.map(({ from, price, ...rest }, k) => ({
          ...rest,
          id: `o${k}`,
          ...(from ? { buys: [{ supplier: from, price }] } : {}),
        })),
      })),
      suppliers: ['x', 'y', 'z'].map((id, k) => ({ id, carriage: carriage[k]! })),
      hourRate,
    }));

  it('are exactly those that no other beats, as trying every choice shows', () => {
    fc.assert(
      fc.property(car, (input) => {
        const all = allPlans(input);
        const { plans, cheapest, quickest, mostOriginal } = portfolio(input);
        const beaten = (p: { hours: number; money: number }) =>
          all.some((q) => q.hours <= p.hours && q.money <= p.money && (q.hours < p.hours || q.money < p.money));
        const front = new Set(all.filter((p) => !beaten(p)).map(({ hours, money }) => `${hours} ${money}`));
        expect(new Set(plans.map(({ hours, money }) => `${hours} ${money}`))).toEqual(front);
        expect(plans).toHaveLength(front.size);
        expect(plans.map(({ hours }) => hours)).toEqual(plans.map(({ hours }) => hours).sort((a, b) => a - b));
        const worth = ({ money, hours }: { money: number; hours: number }) => money + hours * input.hourRate;
        expect(worth(cheapest)).toBe(Math.min(...all.map(worth)));
        expect(quickest.hours).toBe(Math.min(...all.map(({ hours }) => hours)));
        expect(mostOriginal.keeps).toBe(Math.max(...all.map(({ keeps }) => keeps)));
        for (const { choice, hours } of plans)
          expect(
            input.repairs.reduce(
              (sum, { id, options }) => sum + options.find((one) => one.id === choice[id])!.hours,
              0,
            ),
          ).toBe(hours);
      }),
      { numRuns: 150 },
    );
  });

  it.each([
    [{ repairs: [] }, 'repairs'],
    [{ repairs: [{ id: 'a', options: [] }] }, 'repairs[0].options'],
    [
      {
        repairs: [
          { id: 'a', options: [{ id: 'o', hours: 1, money: 1, keeps: 0, buys: [{ supplier: '?', price: 1 }] }] },
        ],
      },
      'repairs[0].options[0].buys[0].supplier',
    ],
    [{ hourRate: -1 }, 'hourRate'],
  ])('%j is refused at its field', (over, field) => {
    const base = {
      repairs: [{ id: 'a', options: [{ id: 'o', hours: 1, money: 1, keeps: 0 }] }],
      suppliers: [],
      hourRate: 1,
    };
    expect(() => portfolio({ ...base, ...over })).toThrowError(expect.objectContaining({ field }));
  });
});
