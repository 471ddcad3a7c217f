import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  COAT_KINDS,
  COATED_SIDES,
  coatNeeds,
  coversOf,
  sideOf,
  systemOf,
  usualSystems,
  litres,
  usualProducts,
  type CoatKind,
} from './index.ts';

const face = (on: CoatKind[] = [], over: object = {}) => ({
  ...{ kind: 'hollow' as const, visible: false, area: 2e6, on },
  ...over,
});
const of = (needs: ReturnType<typeof coatNeeds>, kind: CoatKind) => needs.find((need) => need.kind === kind);

describe('what the coats of a car still take', () => {
  it('is primer twice and wax in a hollow; a coat that is on is not bought again', () => {
    const all = coatNeeds([face()]);
    expect(all.map(({ kind }) => kind)).toEqual(['epoxy', 'wax']);
    expect(of(all, 'epoxy')!.litres).toBeCloseTo(litres(2e6, usualProducts.epoxy, 2), 9);
    const once = coatNeeds([face(['epoxy'])]);
    expect(of(once, 'epoxy')!.litres).toBeCloseTo(litres(2e6, usualProducts.epoxy, 1), 9);
    expect(coatNeeds([face(['epoxy', 'epoxy', 'wax'])])).toEqual([]);
    // Zinc primer stands for one coat of the other.
    expect(of(coatNeeds([face(['zinc', 'epoxy'])]), 'epoxy')).toBeUndefined();
  });

  it('is painted where it is seen, chipped where it is not, and goes by the product of the shop', () => {
    expect(coatNeeds([face([], { kind: 'outside', visible: true })]).map(({ kind }) => kind)).toEqual([
      'epoxy',
      'paint',
    ]);
    expect(coatNeeds([face([], { kind: 'outside' })]).map(({ kind }) => kind)).toEqual(['epoxy', 'chip']);
    const thick = of(coatNeeds([face()], { epoxy: { coverage: 4 } }), 'epoxy')!.litres;
    expect(thick).toBeCloseTo(2 * of(coatNeeds([face()]), 'epoxy')!.litres, 9);
  });

  it('never takes less for more faces, and always full cans', () => {
    const faces = fc.array(
      fc.record({
        kind: fc.constantFrom('hollow' as const, 'outside' as const, 'back' as const),
        visible: fc.boolean(),
        area: fc.integer({ min: 0, max: 5e6 }),
        on: fc.array(fc.constantFrom(...COAT_KINDS), { maxLength: 4 }),
      }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(faces, faces, (a, b) => {
        const few = coatNeeds(a);
        const more = coatNeeds([...a, ...b]);
        for (const need of few) expect(of(more, need.kind)!.litres).toBeGreaterThanOrEqual(need.litres - 1e-12);
        for (const { cans } of more) expect(Number.isInteger(cans)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the system of a side', () => {
  const kinds = ['hollow', 'back', 'outside'] as const;
  it('every face of the metal has one of its own, as usual or as the shop has it', () => {
    const sides = kinds.flatMap((kind) => [true, false].map((visible) => sideOf({ kind, visible })));
    expect([...new Set(sides)].sort()).toEqual([...COATED_SIDES].sort());
    const own = { ...usualSystems, hidden: [{ kind: 'bed' as const, coats: 2 }] };
    expect(systemOf({ kind: 'outside', visible: false }, own)).toBe(own.hidden);
    expect(systemOf({ kind: 'back', visible: false }, own)).toBe(usualSystems.behindHidden);
    expect(coversOf({ kind: 'outside', visible: false }, own)).toEqual(['bed']);
  });
  it('with nothing over its primer has nothing to cover it, and takes primer alone', () => {
    const own = { ...usualSystems, hollow: [{ kind: 'epoxy' as const, coats: 1 }] };
    expect(coversOf({ kind: 'hollow', visible: false }, own)).toEqual([]);
    const needs = coatNeeds([{ kind: 'hollow', visible: false, area: 1e6, on: [] }], {}, own);
    expect(needs.map(({ kind }) => kind)).toEqual(['epoxy']);
    expect(needs[0]!.litres).toBeCloseTo(litres(1e6, usualProducts.epoxy, 1), 9);
  });
});
