import Fraction from 'fraction.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Problem } from '../problem.ts';
import { formatLength, parseLength, roundingStep, type LengthUnit } from './index.ts';

const mm = (text: string, unit: LengthUnit = 'mm') => parseLength({ text, unit }).mm;

describe('units.parseLength', () => {
  // Manufacturers' Standard Gauge, handbook table of sheet metal gauges (figures written from memory).
  it.each([
    ['16 ga', 0.0598],
    ['18 ga', 0.0478],
    ['20 gauge', 0.0359],
    ['22ga', 0.0299],
  ])('reads %s as the handbook thickness', (text, inches) => {
    expect(mm(text)).toBeCloseTo(inches * 25.4, 6);
  });

  // 1 in = 25.4 mm exactly: international yard and pound agreement of 1959.
  it.each([
    ['6 3/4', 'in', 171.45],
    ['6-3/4"', 'mm', 171.45],
    ['2\' 3 1/2"', 'mm', 698.5],
    ['7 1/16', 'in', 179.3875],
    ['½', 'in', 12.7],
    ['1½"', 'mm', 38.1],
    ['1/2', 'in', 12.7],
    ['412,5', 'mm', 412.5],
    ['412.5', 'mm', 412.5],
    ['41.25 cm', 'mm', 412.5],
    ['1.2m', 'mm', 1200],
    ['0,875', 'in', 22.225],
    ["3'", 'mm', 914.4],
    ['10″', 'mm', 254],
  ] as const)('reads %s (%s)', (text, unit, expected) => {
    expect(mm(text, unit)).toBeCloseTo(expected, 6);
  });

  it.each([
    '',
    '  ',
    'abc',
    '12 34',
    '1,234',
    '3/0',
    '-5',
    '1e5',
    '5 5/8 7',
    '3" 2\'',
    '12mm 3mm',
    '99 ga',
    '1..2',
    'NaN',
  ])('refuses %j and says how to write it', (text) => {
    expect(() => mm(text)).toThrow(Problem);
  });
});

describe('units.formatLength', () => {
  it.each([
    [171.45, 'in', undefined, '6 3/4"'],
    [12.7, 'in', undefined, '1/2"'],
    [0, 'in', undefined, '0"'],
    [25.3, 'in', 16, '1"'],
    [412.6, 'mm', undefined, '412.5 mm'],
    [412.8, 'mm', undefined, '413 mm'],
    [-0.1, 'mm', undefined, '0 mm'],
  ] as const)('writes %d mm in %s', (value, unit, denominator, text) => {
    expect(formatLength({ mm: value, unit, denominator }).text).toBe(text);
  });

  it('refuses what is no number', () => {
    expect(() => formatLength({ mm: Number.NaN, unit: 'mm' })).toThrow(/number/);
    expect(() => formatLength({ mm: 1, unit: 'in', denominator: 10 })).toThrow(/power of two/);
  });

  it('is read back within half a step, whatever the length', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 5000, noNaN: true }),
        fc.constantFrom<LengthUnit>('mm', 'in'),
        fc.constantFrom(8, 16, 32),
        (length, unit, denominator) => {
          const { text } = formatLength({ mm: length, unit, denominator });
          expect(Math.abs(parseLength({ text, unit }).mm - length)).toBeLessThanOrEqual(
            roundingStep(unit, denominator) / 2 + 1e-9,
          );
        },
      ),
    );
  });
});

describe('lengths as restorers type them', () => {
  it.each([
    ['.75', 'in', 19.05],
    ['.038"', 'in', 0.9652],
    ['.038"', 'mm', 0.9652],
    [',5', 'mm', 0.5],
    ['5/8', 'in', 15.875],
    ['⅓', 'in', 25.4 / 3],
    ['2⅔"', 'mm', (25.4 * 8) / 3],
    ['1 ⅕', 'in', 25.4 * 1.2],
    ["2' 3", 'in', 27 * 25.4],
    ['2\' 3"', 'mm', 27 * 25.4],
  ] as const)('%s in a shop of %s', (text, unit, mm) => expect(parseLength({ text, unit }).mm).toBeCloseTo(mm, 9));

  it.each([
    ['1’000', 'mm'],
    ["1'000", 'in'],
    ["2' 3", 'mm'],
    ["2' 3 1/2", 'mm'],
  ] as const)('%s in a shop of %s can be read in two ways', (text, unit) =>
    expect(() => parseLength({ text, unit })).toThrow(expect.objectContaining({ code: 'ambiguous-length' })),
  );

  it('agrees with a second library on every sixty-fourth of an inch, however it is written', () => {
    for (let n = 1; n < 64 * 3; n++) {
      const exact = new Fraction(n, 64);
      const written = exact.toFraction(true);
      for (const text of [written, `${written}"`, exact.toFraction(), exact.toString(10)])
        if (!text.includes('('))
          expect(parseLength({ text, unit: 'in' }).mm, text).toBeCloseTo(exact.valueOf() * 25.4, 6);
    }
  });
});
