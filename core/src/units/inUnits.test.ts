import convert from 'convert-units';
import { describe, expect, it } from 'vitest';
import { celsiusOf, fahrenheitOf, inUnits, milOf, parseLength, type PersonUnits } from './index.ts';

const metric: PersonUnits = { length: 'mm', coating: 'um', heat: 'C' };
const imperial: PersonUnits = { length: 'in', coating: 'mil', heat: 'F' };
const first = (text: string) => Number(/[-\d.]+/.exec(text)![0]);

describe('a sentence in the units of the person', () => {
  it.each([
    ['Keep 25 to 40 mm from it.', 'Keep 1" to 1 9/16" from it.'],
    ['metalMm is 9 mm; it must be at most 4.9 mm.', 'metalMm is 3/8"; it must be at most 0.193".'],
    ['Stitch 12 mm back to the last tack', 'Stitch 1/2" back to the last tack'],
    ['the coating in it is 1800 µm', 'the coating in it is 70.9 mil'],
    ['No stitch starts above 50 °C.', 'No stitch starts above 122 °F.'],
    ['gas, 10 l/min, tubes 30 × 30 × 2 mm', 'gas, 21 cu ft/h, tubes 1 3/16" × 1 3/16" × 0.079"'],
    ['Torn over 12 cm²; 3 m of joint', 'Torn over 1.86 sq in; 9.84 ft of joint'],
    ['travel 5 mm/s, 0.2 kJ/mm', 'travel 11.8 in/min, 5.08 kJ/in'],
    ['−10 °C outside', '14 °F outside'],
    // What is no quantity stays.
    ['Corner 3, made in 1964, mm of it', 'Corner 3, made in 1964, mm of it'],
    ['M8 bolts, 2 mounts', 'M8 bolts, 2 mounts'],
    ['as 171,5 mm', 'as 171,5 mm'],
  ])('%s', (metricText, text) => {
    expect(inUnits(metricText, imperial)).toBe(text);
    expect(inUnits(metricText, metric)).toBe(metricText);
  });

  it('is by kind: a shop of inches may read coatings in µm and heat in °C', () => {
    expect(inUnits('9 mm, 25.4 µm, 20 °C', { length: 'in', coating: 'um', heat: 'C' })).toBe('3/8", 25.4 µm, 20 °C');
    expect(inUnits('9 mm, 25.4 µm, 20 °C', { length: 'mm', coating: 'mil', heat: 'F' })).toBe('9 mm, 1 mil, 68 °F');
  });

  it('has the factors of another library', () => {
    const pairs = [
      ['cm²', 'cm2', 'in2'],
      ['mm²', 'mm2', 'in2'],
      ['m', 'm', 'ft'],
      ['kg', 'kg', 'lb'],
      ['°C', 'C', 'F'],
    ] as const;
    for (const [unit, from, to] of pairs)
      for (const value of [2, 17.5, 340]) {
        const theirs = convert(value).from(from).to(to);
        const step = unit === '°C' ? 0.5 : theirs * 0.006;
        expect(Math.abs(first(inUnits(`${value} ${unit}`, imperial)) - theirs), `${value} ${unit}`).toBeLessThanOrEqual(
          step,
        );
      }
    // cu ft/h: the library has litres and cubic feet, a minute is a sixtieth of an hour.
    const gas = convert(10).from('l').to('ft3') * 60;
    expect(Math.abs(first(inUnits('10 l/min', imperial)) - gas)).toBeLessThan(0.5);
    expect(milOf(convert(1).from('in').to('mm') * 1000)).toBeCloseTo(1000, 3);
    for (const c of [-40, 0, 100]) {
      expect(fahrenheitOf(c)).toBeCloseTo(convert(c).from('C').to('F'), 9);
      expect(celsiusOf(fahrenheitOf(c))).toBeCloseTo(c, 9);
    }
  });

  it('writes lengths so that they can be read back', () => {
    for (const mm of [0.8, 1.2, 5.9, 6, 25, 171.45, 1400]) {
      const written = inUnits(`${mm} mm`, imperial);
      expect(Math.abs(parseLength({ text: written, unit: 'mm' }).mm - mm)).toBeLessThanOrEqual(mm < 6 ? 0.0128 : 0.8);
    }
  });

  it('does not take long over what somebody has made up', () => {
    const long = `${'1 to 2 and '.repeat(20_000)}x`;
    expect(inUnits(long, imperial)).toBe(long);
  });
});
