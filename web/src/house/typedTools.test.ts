import fc from 'fast-check';
import { beforeEach, describe, expect, it } from 'vitest';
import { useUnits } from '../shell/units.ts';
import { signIn } from '../testing/fakeServer.ts';
import { NO_TOOLS, toolsOf, typedTools } from './typedTools.ts';

const length = fc.option(fc.double({ min: 100, max: 2000, noNaN: true }), { nil: null });
const stored = fc.record({ spotArm: length, bender: length, turns: fc.boolean() });

describe.each(['mm', 'in'] as const)('what stands in a shop of %s', (unit) => {
  beforeEach(() => signIn('owner', unit));

  it('stays what it is as long as nobody touches it', () => {
    const units = useUnits();
    fc.assert(
      fc.property(stored, (tools) => {
        expect(toolsOf(typedTools(tools, units), tools, units)).toEqual(tools);
      }),
    );
  });

  it('is not said until somebody says it; an empty length is then none, and what is no length is sent as it stands', () => {
    const units = useUnits();
    expect(toolsOf(typedTools(null, units), null, units)).toBeNull();
    const typed = { ...NO_TOOLS, said: true, bender: unit === 'in' ? '24' : '609.6' };
    const meant = toolsOf(typed, null, units);
    expect(meant).toMatchObject({ spotArm: null, turns: false });
    expect(meant?.bender).toBeCloseTo(609.6, 6);
    expect(toolsOf({ ...typed, bender: 'long' }, null, units)?.bender).toBe('long');
  });
});
