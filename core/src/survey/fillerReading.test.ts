import { describe, expect, it } from 'vitest';
import { fillerReading } from './index.ts';

describe('survey.fillerDepth', () => {
  // T-17: ordinary filler up to 6 mm, metal-filled up to 12 mm, good work 1.5 mm or less.
  it.each([
    [120, 0, 'original', /No filler/],
    [1500, 1.15, 'filler', /skim/],
    [4000, 3.65, 'filler', /Ordinary/],
    [9000, 8.65, 'filler', /metal-filled/],
    [20_000, 19.65, 'filler', /Deeper/],
  ])('%d µm is %d mm of filler', (coating, depth, name, product) => {
    const found = fillerReading({ coating });
    expect(found.depth).toBeCloseTo(depth, 9);
    expect(found.class).toBe(name);
    expect(found.product).toMatch(product);
  });

  it('over the range is at least that, and refuses rubbish', () => {
    expect(fillerReading({ coating: 900, over: true })).toMatchObject({ class: 'filler', atLeast: true });
    expect(() => fillerReading({ coating: Number.NaN })).toThrow(expect.objectContaining({ field: 'coating' }));
  });
});
