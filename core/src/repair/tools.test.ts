import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Ring } from '../geometry/index.ts';
import { spotReach, tooLong } from './tools.ts';

const sheet: Ring = [
  [0, 0],
  [1000, 0],
  [1000, 600],
  [0, 600],
];
const joint = (v: number) => ({
  closing: 'spot' as const,
  line: [
    [200, v],
    [800, v],
  ] as [number, number][],
});

describe('what the tools of a shop reach', () => {
  it('is as far in from the nearest edge as the arms of the spot welder are long (property)', () => {
    const depth = fc.integer({ min: 0, max: 300 });
    fc.assert(
      fc.property(depth, fc.integer({ min: 1, max: 600 }), (v, arm) => {
        // Its ends lie 200 mm from the sides of the sheet: that is as far in as they are.
        expect(spotReach(joint(v), [sheet], arm) === null).toBe(Math.min(v, 200) <= arm);
      }),
    );
  });

  it('is farther through an opening, and nothing without a welder; other closings do not ask for one', () => {
    const opening: Ring = [
      [300, 250],
      [300, 350],
      [700, 350],
      [700, 250],
    ];
    expect(spotReach(joint(240), [sheet], 150)).toMatch(/lies up to 200 mm in .* reach 150 mm/);
    expect(spotReach(joint(240), [sheet, opening], 150)).toBeNull();
    expect(spotReach(joint(0), [sheet], null)).toMatch(/No spot welder/);
    expect(spotReach({ ...joint(240), closing: 'plug' }, [sheet], null)).toBeNull();
  });

  it('is a fold up to the length of the bender, or what goes over a bar by hand', () => {
    const bends = [{ length: 250 }, { length: 600 }, { length: 1200 }];
    expect(tooLong(bends, 1000).map(({ length }) => length)).toEqual([1200]);
    expect(tooLong(bends, null).map(({ length }) => length)).toEqual([600, 1200]);
  });
});
