import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PACKS, shelf, SHELF_KINDS, type ShelfItem } from './index.ts';

const item = (over: Partial<ShelfItem> = {}): ShelfItem => ({
  ...{ id: 'a', kind: 'epoxy', counted: 2, since: 0, least: 0, useBy: null },
  ...over,
});

describe('what is on the shelf', () => {
  it('goes down by what was used since it was counted, and not by what was used before', () => {
    const [line] = shelf({
      items: [item({ since: 100 })],
      used: [
        { kind: 'epoxy', amount: 0.5, at: 50 },
        { kind: 'epoxy', amount: 0.7, at: 150 },
        { kind: 'wax', amount: 9, at: 150 },
      ],
      needs: [],
      now: 200,
    });
    expect(line!.there).toBeCloseTo(1.3, 9);
    expect(line!.short).toBe(0);
  });
  it('is taken from what ends first; what is over is not counted, and not used', () => {
    const [line] = shelf({
      items: [item({ id: 'late', useBy: 900 }), item({ id: 'soon', useBy: 300, counted: 1 }), item({ id: 'keeps' })],
      used: [{ kind: 'epoxy', amount: 1.5, at: 200 }],
      needs: [{ kind: 'epoxy', amount: 3 }],
      now: 500,
    });
    expect(line!.left).toEqual([
      { id: 'late', amount: 1.5, over: false },
      { id: 'soon', amount: 0, over: true },
      { id: 'keeps', amount: 2, over: false },
    ]);
    expect(line).toMatchObject({ there: 3.5, needed: 3, short: 0 });
    const over = shelf({ items: [item({ useBy: 300 })], used: [], needs: [{ kind: 'epoxy', amount: 1 }], now: 300 });
    expect(over[0]).toMatchObject({ there: 0, short: 1, packs: 1 });
  });
  it('is bought in packs, for what is planned and what is to stay there', () => {
    const [wire, gas] = shelf({
      items: [item({ kind: 'wire', counted: 400, least: 300 })],
      used: [],
      needs: [
        { kind: 'wire', amount: 5200 },
        { kind: 'gas', amount: 10 },
      ],
      now: 1,
    });
    expect(wire).toMatchObject({ kind: 'wire', short: 5100, packs: 2 });
    expect(gas).toMatchObject({ kind: 'gas', there: 0, short: 10, packs: 1 });
  });
  it('is never less than nothing, and nothing of it comes from nowhere', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom(...SHELF_KINDS),
            counted: fc.nat(5000),
            since: fc.nat(100),
            least: fc.nat(100),
            useBy: fc.option(fc.nat(200)),
          }),
          { maxLength: 8 },
        ),
        fc.array(fc.record({ kind: fc.constantFrom(...SHELF_KINDS), amount: fc.nat(3000), at: fc.nat(200) })),
        (drawn, used) => {
          const items = drawn.map((one, i) => ({ ...one, id: String(i) }));
          for (const line of shelf({ items, used, needs: [], now: 150 })) {
            const counted = items.filter(({ kind }) => kind === line.kind).reduce((sum, one) => sum + one.counted, 0);
            const taken = used.filter(({ kind }) => kind === line.kind).reduce((sum, one) => sum + one.amount, 0);
            const left = line.left.reduce((sum, { amount }) => sum + amount, 0);
            expect(line.left.every(({ amount }) => amount >= 0)).toBe(true);
            expect(left).toBeLessThanOrEqual(counted);
            expect(left).toBeGreaterThanOrEqual(counted - taken);
            expect(line.packs * PACKS[line.kind]).toBeGreaterThanOrEqual(line.short - 1e-6);
          }
        },
      ),
    );
  });
});
