import { describe, expect, it } from 'vitest';
import { LITRES_PER_QUART, volumeText } from './measures.ts';

describe('volumes as a shop says them', () => {
  it.each([
    [0.004, '4 ml', '1 fl oz'],
    [0.06, '60 ml', '3 fl oz'],
    [0.5, '0.5 l', '0.5 qt'],
    [1, '1 l', '1.1 qt'],
  ])('%s l are never nothing', (litres, metric, inch) => {
    expect(volumeText(litres, 'mm')).toBe(metric);
    expect(volumeText(litres, 'in')).toBe(inch);
  });
  it('a quarter of a quart is eight ounces (US customary, NIST Handbook 44, from memory)', () => {
    expect(volumeText(LITRES_PER_QUART / 4 - 1e-9, 'in')).toBe('8 fl oz');
  });
});
