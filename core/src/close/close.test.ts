import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coats, dewPoint, exposure, order, type ClosingStep } from './index.ts';

describe('dew point', () => {
  // Dew points to a tenth of a degree as tables of coating inspectors give them (ISO 8502-4, from memory).
  it.each([
    [20, 50, 9.3],
    [20, 60, 12.0],
    [25, 70, 19.1],
    [10, 80, 6.7],
    [30, 85, 27.2],
    [5, 95, 4.3],
  ])('of air at %d °C and %d %% is %d °C', (air, humidity, dew) => {
    expect(Math.abs(dewPoint({ air, humidity, steel: air }).dewPoint - dew)).toBeLessThan(0.11);
  });
  it('is the air itself when it can hold no more, and steel has to be 3 K above', () => {
    const wet = dewPoint({ air: 14, humidity: 100, steel: 17 });
    expect(wet.dewPoint).toBeCloseTo(14, 9);
    expect(wet).toMatchObject({ apply: true });
    expect(dewPoint({ air: 14, humidity: 100, steel: 16.9 }).apply).toBe(false);
  });
  it.each([
    [{ humidity: 0 }, 'humidity'],
    [{ humidity: 101 }, 'humidity'],
    [{ air: Number.NaN }, 'air'],
    [{ steel: 900 }, 'steel'],
  ])('%j is refused at its field', (over, field) => {
    expect(() => dewPoint({ air: 20, humidity: 50, steel: 20, ...over })).toThrowError(
      expect.objectContaining({ field }),
    );
  });
});

describe('hours of wetness', () => {
  const hours = [
    { celsius: 4, humidity: 81 },
    { celsius: 0, humidity: 99 },
    { celsius: 9, humidity: 80 },
    { celsius: 9, humidity: 90 },
    { celsius: 9, humidity: 90 },
  ];
  it('counts what is above 0 °C and over 80 %, and says by the end of which hour it is too much (ISO 9223)', () => {
    expect(exposure({ hours, limit: 2 })).toEqual({ wet: 3, at: 3 });
    expect(exposure({ hours, limit: 4 })).toEqual({ wet: 3, at: null });
  });
});

describe('coats', () => {
  it('dry half as fast ten degrees colder, and not at all when it is too cold', () => {
    const two = [
      { id: 'epoxy', hours: 24, latest: 72 },
      { id: 'sealer', hours: 4 },
    ];
    const mild = coats({ coats: two, start: 5, temperature: [{ from: 0, celsius: 20 }], least: 5 }).coats;
    expect(mild).toEqual([
      { id: 'epoxy', at: 5, next: { earliest: 29, latest: 77 } },
      { id: 'sealer', at: 29, next: { earliest: 33, latest: null } },
    ]);
    const night = [
      { from: 0, celsius: 10 },
      { from: 12, celsius: 2 },
      { from: 36, celsius: 20 },
    ];
    // 12 h at half speed are 6, then a day of nothing, then 18 more.
    expect(coats({ coats: two, start: 0, temperature: night, least: 5 }).coats[0]!.next.earliest).toBeCloseTo(54, 9);
  });
  it('is what small steps of time add up to', () => {
    const weather = fc.array(
      fc.record({ from: fc.integer({ min: 0, max: 200 }), celsius: fc.integer({ min: -5, max: 35 }) }),
      {
        minLength: 1,
        maxLength: 6,
      },
    );
    fc.assert(
      fc.property(weather, fc.integer({ min: 1, max: 60 }), (some, hours) => {
        const temperature = [{ from: 0, celsius: 15 }, ...some, { from: 201, celsius: 20 }];
        const { next } = coats({ coats: [{ id: 'a', hours }], start: 0, temperature, least: 5 }).coats[0]!;
        const at = (hour: number) =>
          [...temperature]
            .sort((a, b) => a.from - b.from)
            .filter(({ from }) => from <= hour)
            .at(-1)!.celsius;
        let [done, hour] = [0, 0];
        const step = 0.01;
        for (; done < hours; hour += step) {
          const celsius = at(hour + step / 2);
          done += celsius < 5 ? 0 : step * 2 ** ((celsius - 20) / 10);
        }
        expect(Math.abs(next.earliest - hour)).toBeLessThan(0.1);
      }),
      { numRuns: 60 },
    );
  });
  it('says what never dries, and a window that ends before it begins', () => {
    const cold = { coats: [{ id: 'epoxy', hours: 24 }], start: 0, temperature: [{ from: 0, celsius: 4 }], least: 5 };
    expect(() => coats(cold)).toThrowError(/epoxy never dries/);
    const short = { ...cold, coats: [{ id: 'epoxy', hours: 24, latest: 12 }], temperature: [{ from: 0, celsius: 20 }] };
    expect(() => coats(short)).toThrowError(expect.objectContaining({ field: 'coats[0].latest' }));
    expect(() => coats({ ...short, start: -4 })).toThrowError(expect.objectContaining({ field: 'temperature' }));
  });
});

describe('the order of closing', () => {
  const sill = {
    faces: ['inside of the inner', 'inside of the outer', 'floor edge'],
    steps: [
      { id: 'weld the outer', closes: ['inside of the inner', 'inside of the outer'] },
      { id: 'prime the inner', coats: ['inside of the inner'] },
      { id: 'weld the inner', closes: ['floor edge'] },
      { id: 'look behind', needs: ['inside of the outer'] },
    ],
  };
  it('coats and reaches every face before it is closed, and names those that nobody coats', () => {
    const found = order(sill);
    expect(found.order).toEqual(['prime the inner', 'weld the inner', 'look behind', 'weld the outer']);
    expect(found.bare).toEqual(['inside of the outer', 'floor edge']);
    expect(found.lastChance).toContainEqual({ face: 'floor edge', step: 'weld the inner' });
  });
  it('names the circle where it is impossible', () => {
    const steps = [
      { id: 'weld', closes: ['a'] },
      { id: 'wax', coats: ['a'], after: ['weld'] },
    ];
    expect(() => order({ faces: ['a'], steps })).toThrowError(/weld before wax before weld|wax before weld before wax/);
  });
  it.each([
    [{ steps: [{ id: 'a', coats: ['x'] }] }, 'steps[0].coats[0]'],
    [{ steps: [{ id: 'a' }, { id: 'a' }] }, 'steps[1].id'],
    [{ steps: [{ id: 'a', after: ['b'] }] }, 'steps[0].after[0]'],
    [{ steps: [] }, 'steps'],
  ])('%j is refused at its field', (over, field) => {
    expect(() => order({ ...sill, ...over })).toThrowError(expect.objectContaining({ field }));
  });
  it('finds an order exactly where trying all orders finds one', () => {
    const faces = ['f', 'g', 'h'];
    const step = fc.record({
      closes: fc.subarray(faces, { maxLength: 1 }),
      coats: fc.subarray(faces, { maxLength: 2 }),
      needs: fc.subarray(faces, { maxLength: 1 }),
      after: fc.subarray([0, 1, 2, 3, 4], { maxLength: 1 }),
    });
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 5 }), (given) => {
        const steps = given.map((one, i): ClosingStep => ({
          ...one,
          id: `s${i}`,
          after: one.after.filter((k) => k < given.length && k !== i).map((k) => `s${k}`),
        }));
        const fits = (way: readonly ClosingStep[]) =>
          way.every(({ id, coats: own = [], needs = [], after = [] }, i) => {
            const closed = way.slice(0, i).flatMap(({ closes = [] }) => closes);
            const before = way.slice(0, i).map((one) => one.id);
            return (
              [...own, ...needs].every((face) => !closed.includes(face)) &&
              after.every((one) => before.includes(one)) &&
              id !== ''
            );
          });
        const possible = allOrders(steps).some(fits);
        if (!possible) expect(() => order({ faces, steps })).toThrowError(expect.objectContaining({ code: 'cycle' }));
        else {
          const found = order({ faces, steps });
          expect(fits(found.order.map((id) => steps.find((one) => one.id === id)!))).toBe(true);
          for (const { face, step: id } of found.lastChance)
            expect(found.order.find((one) => steps.find(({ id: own }) => own === one)!.closes!.includes(face))).toBe(
              id,
            );
        }
      }),
      { numRuns: 200 },
    );
  });
});

function allOrders<T>(items: readonly T[]): T[][] {
  if (items.length === 0) return [[]];
  return items.flatMap((item, i) =>
    allOrders([...items.slice(0, i), ...items.slice(i + 1)]).map((rest) => [item, ...rest]),
  );
}
