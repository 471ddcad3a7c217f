import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { majorUnits, minorUnits } from './money.ts';

describe('money as it is typed', () => {
  it.each([
    ['380', 38_000],
    ['380.5', 38_050],
    ['380,50', 38_050],
    [' 1 250,00 ', 125_000],
    ['€1.250,00', 125_000],
    ['1,250.00', 125_000],
    ['1’234’567.89', 123_456_789],
    ['€12', 1200],
    ['0', 0],
  ])('%s', (text, minor) => expect(minorUnits(text, 'EUR', 'price')).toBe(minor));

  it.each(['', 'dear', '-5', '1.250', '1,2,3', '1.234.56', '1.5e3', '12.345', '1.25,00', 'none', 'Infinity'])(
    'passes %j on as it is, so that it is refused at its field',
    (text) => expect(minorUnits(text, 'EUR', 'price')).toBe(text),
  );

  it('comes back to what it was, however it is written', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (minor) => {
        expect(minorUnits(majorUnits(minor), 'EUR', 'price')).toBe(minor);
        const [whole, part] = majorUnits(minor).split('.');
        const grouped = whole!.replace(/\B(?=(\d{3})+$)/g, '.');
        expect(minorUnits(`${grouped},${part}`, 'EUR', 'price')).toBe(minor);
      }),
    );
  });

  it.each([
    ['£380', 'EUR'],
    ['380 €', 'GBP'],
    ['$ 20', 'EUR'],
    ['GBP 20', 'EUR'],
    ['20 zł', 'EUR'],
  ])('%s is no money of a shop that reckons in %s', (text, currency) => {
    expect(() => minorUnits(text, currency, 'price')).toThrow(
      expect.objectContaining({ field: 'price', message: expect.stringContaining(`reckons in ${currency}`) }),
    );
  });
  it.each([
    ['£380', 'GBP', 38_000],
    ['380 €', 'EUR', 38_000],
    ['$20.50', 'CAD', 2050],
    ['CHF 1’250.00', 'CHF', 125_000],
    ['a lot', 'EUR', 'a lot'],
  ])('%s in %s is taken as it is meant', (text, currency, minor) => {
    expect(minorUnits(text, currency, 'price')).toBe(minor);
  });
});
