import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isAwaited, landed, nextStates, ORDER_STATES } from './index.ts';

describe('order.landed', () => {
  // Worked by hand: 120.00 + 2 × 40.00 goods, 25.00 carriage, 20 % on both.
  // Carriage by value 15.00 and 10.00; tax 27.00 and 18.00; landed 162.00 and 108.00.
  it('agrees with the example worked by hand', () => {
    const result = landed({
      lines: [
        { price: 12_000, quantity: 1 },
        { price: 4_000, quantity: 2 },
      ],
      carriage: 2_500,
      taxRate: 0.2,
      taxOnCarriage: true,
    });
    expect(result.lines.map((line) => line.landed)).toEqual([16_200, 10_800]);
    expect(result.lines[1]!.landedEach).toBe(5_400);
    expect(result).toMatchObject({ goods: 20_000, carriage: 2_500, tax: 4_500, total: 27_000 });
  });

  it('shares by weight, and without tax on carriage', () => {
    const result = landed({
      lines: [
        { price: 10_000, quantity: 1, weight: 9 },
        { price: 10_000, quantity: 1, weight: 1 },
      ],
      carriage: 1_000,
      taxRate: 0.1,
      taxOnCarriage: false,
      shareBy: 'weight',
    });
    expect(result.lines.map((line) => line.carriage)).toEqual([900, 100]);
    expect(result.tax).toBe(2_000);
  });

  it('adds up to the cent, whatever the parcel', () => {
    const line = fc.record({ price: fc.integer({ min: 0, max: 100_000 }), quantity: fc.integer({ min: 1, max: 9 }) });
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 1, maxLength: 12 }),
        fc.integer({ min: 0, max: 20_000 }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.boolean(),
        (lines, carriage, taxRate, taxOnCarriage) => {
          const result = landed({ lines, carriage, taxRate, taxOnCarriage });
          expect(result.lines.reduce((sum, l) => sum + l.landed, 0)).toBe(result.total);
          for (const l of result.lines) expect(Number.isInteger(l.landed)).toBe(true);
        },
      ),
    );
  });

  it.each([
    [{ lines: [], carriage: 0, taxRate: 0, taxOnCarriage: false }, 'lines'],
    [{ lines: [{ price: -1, quantity: 1 }], carriage: 0, taxRate: 0, taxOnCarriage: false }, 'lines[0].price'],
    [{ lines: [{ price: 1.5, quantity: 1 }], carriage: 0, taxRate: 0, taxOnCarriage: false }, 'lines[0].price'],
    [{ lines: [{ price: 1, quantity: 1 }], carriage: 0, taxRate: 20, taxOnCarriage: false }, 'taxRate'],
  ])('refuses bad input by field (%#)', (input, field) =>
    expect(() => landed(input)).toThrow(expect.objectContaining({ field })),
  );
});

describe('the way of an ordered panel', () => {
  it('leads from wanted to fitted, and lets nothing skip the check', () => {
    expect(nextStates('arrived')).toContain('checked');
    expect(nextStates('arrived')).not.toContain('fitted');
    const reached = new Set<string>(['wanted']);
    for (const state of reached) for (const next of nextStates(state as 'wanted')) reached.add(next);
    expect(reached.size).toBe(ORDER_STATES.length);
    expect(ORDER_STATES.filter(isAwaited)).toEqual(['ordered', 'confirmed', 'back-order']);
  });
});
