import { describe, expect, it } from 'vitest';
import { planRepair, weldSupplies, type WeldStep } from './index.ts';

const step = (kind: WeldStep['kind'], length = 0): WeldStep => ({
  n: 1,
  kind,
  seam: 0,
  from: [0, 0],
  to: [length, 0],
  wait: 0,
  start: 0,
  duration: 2,
  temperature: 20,
  text: '',
});
const settings = { filler: 0.6, gasFlow: 9 };
const of = (steps: WeldStep[], over: object = {}) =>
  weldSupplies({ plan: { steps, settings }, process: 'mig', thickness: 1, hole: 8, ...over });

describe('what a plan of welds takes', () => {
  it('is wire by the metal of its welds: ten plugs worked by hand', () => {
    const { filler, gas, discs } = of(Array.from({ length: 10 }, () => step('plug')));
    // 10 × 1.3 × π/4 · 8² · 1 = 653 mm³; a twentieth is lost; 0.6 mm wire has 0.283 mm²; 7.85 g/cm³.
    expect(filler!.metres).toBeCloseTo(653.5 / 0.95 / 0.2827 / 1000, 2);
    expect(filler!.grams).toBeCloseTo((653.5 / 0.95) * 7.85e-3, 1);
    // Each 2 s of arc and 1.5 s before and after, at 9 l/min.
    expect(gas).toBeCloseTo((9 / 60) * 10 * 5, 6);
    expect(discs).toBe(1);
  });

  it('grows with the square of the sheet along a seam, and with the cube for tacks', () => {
    const grams = (steps: WeldStep[], thickness: number) => of(steps, { thickness }).filler!.grams;
    expect(grams([step('stitch', 100)], 2) / grams([step('stitch', 100)], 1)).toBeCloseTo(4, 9);
    expect(grams([step('tack')], 2) / grams([step('tack')], 1)).toBeCloseTo(8, 9);
  });

  it('is nothing where nothing is melted on: spots, checks, bolts', () => {
    expect(of([step('spot'), step('check'), step('bolt')])).toEqual({ filler: null, gas: null, discs: 0 });
    expect(
      weldSupplies({
        plan: { steps: [step('tack')], settings: { filler: 1.6, gasFlow: null } },
        process: 'gas',
        thickness: 1,
        hole: 5,
      }).gas,
    ).toBeNull();
  });

  it('stands on every plan of a repair', () => {
    const { supplies } = planRepair({
      process: 'mig',
      thickness: 0.9,
      joints: [
        {
          name: 'edge',
          kind: 'cut',
          closing: 'butt',
          welds: 0,
          line: [
            [0, 0],
            [300, 0],
          ],
        },
      ],
    });
    // A sheet of 0.9 mm takes 1.3 mm² of metal for each mm: 300 mm about 3 g, and its tacks.
    expect(supplies!.filler!.grams).toBeGreaterThan(3);
    expect(supplies!.filler!.grams).toBeLessThan(6);
    expect(supplies!.gas).toBeGreaterThan(1);
  });
});
