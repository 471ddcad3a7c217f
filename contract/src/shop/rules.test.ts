import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { schoolDefaults, usualMetalwork } from '@aspecta/core/repair';
import { usualLimits } from '@aspecta/core/survey';
import { changedRules, ratePer, ruleWords, type Shop } from './index.ts';

const rules: Omit<Shop, 'id' | 'version'> = {
  name: 'Testbench',
  currency: 'EUR',
  unit: 'mm',
  taxRate: 0.2,
  rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
  overlay: false,
  paints: false,
  schools: schoolDefaults,
  limits: usualLimits,
  welding: { process: null, strategy: null, holding: null, heat: null },
  metalwork: usualMetalwork,
  temperature: 20,
  timeZone: null,
  coatingUnit: 'um',
  heatUnit: 'C',
};

describe('what was changed of the house rules', () => {
  it('is nothing where nothing was', () => expect(changedRules(rules, { ...rules })).toEqual([]));

  it.each<[Partial<typeof rules>, string]>([
    [{ name: 'Lane End' }, 'Name of the shop: Testbench → Lane End'],
    [{ taxRate: 0.075 }, 'Tax, %: 20 → 7.5'],
    [{ timeZone: 'America/New_York' }, 'By the clock of: the device → America/New York'],
    [{ coatingUnit: 'mil' }, 'Coatings are read in: Micrometres → Mil'],
    [{ heatUnit: 'F' }, 'Temperatures are read in: °C → °F'],
    [{ limits: { ...usualLimits, weldableShare: 0.75 } }, 'Weldable from, % of as built: 70 → 75'],
    [{ welding: { process: 'tig', strategy: null, holding: null, heat: null } }, 'Process: as welded last → TIG'],
    [{ limits: { ...usualLimits, weldableMm: 0.8 } }, 'And at least so thick: 0.60 mm → 0.80 mm'],
    [{ limits: { ...usualLimits, mountRadius: 250 } }, 'Near a mount, within: 300 mm → 250 mm'],
    [{ limits: { ...usualLimits, thinShare: 0.6 } }, 'Thin down to, % of as built: 50 → 60'],
    [{ limits: { ...usualLimits, heavyUm: 800 } }, 'Heavy paint up to, filler above: 1000 µm → 800 µm'],
    [{ limits: { ...usualLimits, certainty: 0.95 } }, 'A class is called when it is so sure, %: 90 → 95'],
    [
      { welding: { process: null, strategy: null, holding: null, heat: 'pass' } },
      'Heat: as welded last → One hot quick pass',
    ],
    [
      { metalwork: { ...usualMetalwork, cutBack: 'holes' } },
      'Cut out: Back to bright metal → What is gone or too thin',
    ],
    [
      { tools: { spotArm: 300, bender: null, turns: true } },
      'Spot welder, its arms reach: not said → 300 mm\nSheet bender, folds up to: not said → none\nThe body can be turned: not said → yes',
    ],
    [{ overlay: true }, 'Weigh laying a new sheet over the old one: no → yes'],
    [
      { schools: { ...schoolDefaults, seen: 'joggle' } },
      'A cut in sheet that is seen is closed by: Butt weld → Joggled lap',
    ],
  ])('%o is told in words', (over, text) => expect(changedRules(rules, { ...rules, ...over }).join('\n')).toBe(text));

  it('is money in the currency of now, where the currency itself was changed', () =>
    expect(changedRules(rules, { ...rules, currency: 'USD', rates: { ...rules.rates, hour: 7550 } })).toEqual([
      'Currency: EUR → USD',
      'An hour of work: 45.00 USD → 75.50 USD',
    ]));

  it('names no square decimetre and no metre in a shop of inches', () => {
    const rates = { hour: 1, sheetDm2: 1, weldMetre: 1, coatDm2: 1 };
    const told = changedRules({ ...rules, unit: 'in' }, { ...rules, unit: 'in', rates }).join('\n');
    expect(told).toMatch(/a sq ft.*\n.*1 ft.*\n.*a sq ft/);
    expect(told).not.toMatch(/dm²| 1 m\b/);
  });

  it('has a rate for a square foot that is that for as many square decimetres (1 ft = 304.8 mm, exactly)', () => {
    expect(ratePer('sheetDm2', 'in')).toBeCloseTo((304.8 / 100) ** 2, 9);
    expect(ratePer('weldMetre', 'in')).toBeCloseTo(304.8 / 1000, 12);
    expect(ratePer('hour', 'in')).toBe(1);
  });

  it('is one sentence for each rule that is otherwise, whichever those are', () =>
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), fc.integer({ min: -20, max: 45 }), (paints, overlay, temperature) => {
        const told = changedRules(rules, { ...rules, paints, overlay, temperature });
        expect(told).toHaveLength(Number(paints) + Number(overlay) + Number(temperature !== 20));
        for (const text of told)
          expect(Object.values(ruleWords('mm')).some((word) => text.startsWith(word))).toBe(true);
      }),
    ));
});
