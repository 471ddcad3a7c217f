import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Shop } from '@aspecta/contract/shop';
import { usualLimits } from '@aspecta/core/survey';
import { useUnits } from '../shell/units.ts';
import { useSurveyRules } from '../survey/useSurveyRules.ts';
import { useSession } from '../shell/session.ts';
import { signIn } from '../testing/fakeServer.ts';
import { limitsOf, typedLimits } from './typedLimits.ts';

const stored = fc.record({
  weldableShare: fc.double({ min: 0.3, max: 1, noNaN: true }),
  weldableMm: fc.double({ min: 0.2, max: 3, noNaN: true }),
  mountRadius: fc.double({ min: 0, max: 1000, noNaN: true }),
  soundShare: fc.double({ min: 0, max: 1, noNaN: true }),
  wornShare: fc.double({ min: 0, max: 1, noNaN: true }),
  thinShare: fc.double({ min: 0, max: 1, noNaN: true }),
  throughShare: fc.double({ min: 0, max: 1, noNaN: true }),
  bareUm: fc.double({ min: 1, max: 5000, noNaN: true }),
  originalUm: fc.double({ min: 1, max: 5000, noNaN: true }),
  repaintedUm: fc.double({ min: 1, max: 5000, noNaN: true }),
  heavyUm: fc.double({ min: 1, max: 5000, noNaN: true }),
  certainty: fc.double({ min: 0.5, max: 0.999, noNaN: true }),
});

describe.each(['mm', 'in'] as const)('limits in a shop of %s', (unit) => {
  beforeEach(() => signIn('owner', unit));

  it('stay what they are as long as nobody touches them', () => {
    const units = useUnits();
    fc.assert(
      fc.property(stored, (limits) => {
        expect(limitsOf(typedLimits(limits, units), limits, units)).toEqual({ ...limits });
      }),
    );
  });

  it('mean what is typed, in the units of the shop, and leave the others alone', () => {
    const units = useUnits();
    const typed = {
      ...typedLimits(usualLimits, units),
      weldableMm: unit === 'in' ? '1/32' : '0,8',
      weldableShare: '75',
      heavyUm: unit === 'in' ? '50' : '1270',
      thinShare: '60',
    };
    const meant = limitsOf(typed, usualLimits, units);
    expect(meant.weldableMm).toBeCloseTo(unit === 'in' ? 25.4 / 32 : 0.8, 9);
    expect(meant.weldableShare).toBeCloseTo(0.75, 9);
    expect(meant.heavyUm).toBeCloseTo(1270, 6);
    expect(meant.thinShare).toBeCloseTo(0.6, 9);
    expect(meant.mountRadius).toBe(300);
    expect(limitsOf({ ...typed, mountRadius: 'near' }, usualLimits, units).mountRadius).toBeNull();
  });
});

describe('a session that was kept from before there were limits', () => {
  it('is judged by the usual ones', () => {
    signIn();
    const session = useSession();
    const { limits: _limits, ...shop } = session.current!.shop;
    session.current = { ...session.current!, shop: shop as Shop };
    expect(useSurveyRules().value).toMatchObject({ weldableShare: 0.7, weldableMm: 0.6 });
  });
});
