import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { basket, type BasketInput } from './index.ts';

/* Least cost by SciPy's integer programme (optimize.milp, HiGHS): core/fixtures/reference.py writes it. */
const { baskets } = JSON.parse(readFileSync(new URL('../../fixtures/reference.json', import.meta.url), 'utf8')) as {
  baskets: (Omit<BasketInput, 'taxRate'> & { beforeTax: number })[];
};

/** Goods and carriage of a choice, or undefined where it is late. */
function costOf({ items, offers, suppliers }: BasketInput, choice: Record<string, string>): number | undefined {
  let goods = 0;
  const worth = new Map<string, number>();
  for (const item of items) {
    const offer = offers
      .filter((o) => o.item === item.id && o.supplier === choice[item.id] && o.lead <= (item.latest ?? Infinity))
      .sort((a, b) => a.price - b.price)[0];
    if (!offer) return undefined;
    goods += offer.price * item.quantity;
    worth.set(offer.supplier, (worth.get(offer.supplier) ?? 0) + offer.price * item.quantity);
  }
  return suppliers.reduce(
    (sum, s) =>
      sum + (worth.has(s.id) && !(s.freeFrom !== undefined && worth.get(s.id)! >= s.freeFrom) ? s.carriage : 0),
    goods,
  );
}

describe('order.basket', () => {
  it.each(baskets.map((given, i) => [i, given] as const))('costs as little as HiGHS finds (%i)', (_i, given) => {
    const found = basket({ ...given, taxRate: 0.2 });
    expect(found.goods + found.carriage).toBe(given.beforeTax);
    expect(found.total).toBe(found.goods + found.carriage + found.tax);
  });

  it('is the best of all choices, tried one by one', () => {
    const supplier = fc.record({
      carriage: fc.integer({ min: 0, max: 3000 }),
      freeFrom: fc.option(fc.integer({ min: 100, max: 20_000 }), { nil: undefined }),
    });
    const item = fc.record({
      quantity: fc.integer({ min: 1, max: 3 }),
      prices: fc.array(fc.integer({ min: 100, max: 9000 }), { minLength: 3, maxLength: 3 }),
    });
    fc.assert(
      fc.property(
        fc.array(supplier, { minLength: 2, maxLength: 3 }),
        fc.array(item, { minLength: 1, maxLength: 4 }),
        (senders, things) => {
          const given: BasketInput = {
            items: things.map(({ quantity }, i) => ({ id: `i${i}`, quantity })),
            suppliers: senders.map((s, k) => ({
              id: `s${k}`,
              carriage: s.carriage,
              ...(s.freeFrom === undefined ? {} : { freeFrom: s.freeFrom }),
            })),
            offers: things.flatMap(({ prices }, i) =>
              senders.map((_, k) => ({ item: `i${i}`, supplier: `s${k}`, price: prices[k]!, lead: 1 })),
            ),
            taxRate: 0,
          };
          let best = Infinity;
          for (let code = 0; code < senders.length ** things.length; code++) {
            const choice = Object.fromEntries(
              things.map((_, i) => [`i${i}`, `s${Math.floor(code / senders.length ** i) % senders.length}`]),
            );
            best = Math.min(best, costOf(given, choice)!);
          }
          const found = basket(given);
          expect(found.total).toBe(best);
          expect(costOf(given, found.choice)).toBe(found.total);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('names what nobody can deliver in time', () => {
    const given: BasketInput = {
      items: [
        { id: 'sill', quantity: 1, latest: 5 },
        { id: 'arch', quantity: 1 },
      ],
      offers: [
        { item: 'sill', supplier: 'north', price: 100, lead: 9 },
        { item: 'arch', supplier: 'north', price: 100, lead: 9 },
      ],
      suppliers: [{ id: 'north', carriage: 10 }],
      taxRate: 0.2,
    };
    expect(() => basket(given)).toThrow(/in time: sill\./);
    expect(basket({ ...given, items: [given.items[1]!], offers: [given.offers[1]!] })).toMatchObject({
      choice: { arch: 'north' },
      goods: 100,
      carriage: 10,
      tax: 22,
      total: 132,
    });
  });
});
