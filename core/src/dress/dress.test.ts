import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FitPlace } from '../fit/index.ts';
import { DRESS_LIMITS, dressRound, fillLayers, fillStages } from './index.ts';

const place = (i: number, along: number, joint = 0): FitPlace => ({
  ...{ id: `${joint}:${i}`, joint, along, at: [along, 0], normal: [0, 1] },
});
const row = [0, 200, 400, 600].map((along, i) => place(i, along));
const read = (...mm: number[]) => mm.map((value, i) => ({ place: `0:${i}`, mm: value }));

/* What is done after welding: T-17, T-39, common practice, no published source. */
describe('a straight edge over the welds', () => {
  it('tells place by place what is done: tapped down, filled, stretched, built up, done again', () => {
    const { places, low, proud, good } = dressRound({ places: row, readings: read(0.8, -1.2, -4, -13), filler: true });
    expect(places.map(({ act }) => act)).toEqual(['shrink', 'fill', 'stretch', 'again']);
    expect([low, proud, good]).toEqual([13, 0.8, false]);
    expect(dressRound({ places: row, readings: read(-8), filler: true }).places[0]!.act).toBe('build');
  });

  it('is good when nothing is left but what good work fills, and never before it was read', () => {
    expect(dressRound({ places: row, readings: read(0.2, -1.4, 0, 0), filler: true }).good).toBe(true);
    // Where the weld is left for its strength, only what is far off is seen to.
    expect(dressRound({ places: row, readings: read(1, -4, 0, 0), filler: false }).good).toBe(true);
    expect(dressRound({ places: row, readings: read(0, -7), filler: false }).places[1]!.act).toBe('build');
    expect(dressRound({ places: row, readings: [], filler: true })).toMatchObject({ good: false, fill: null });
  });

  it('fills an even low with exactly its two wedges: 1.2 mm over 600 mm, feathered 25 mm on both sides', () => {
    // A prism: its end is a triangle 50 wide and 1.2 high, 30 mm²; 600 long: 18 ml.
    const { fill } = dressRound({ places: row, readings: read(-1.2, -1.2, -1.2, -1.2), filler: true });
    expect(fill!.ml).toBeCloseTo(18, 9);
    expect(fill).toMatchObject({ kind: 'fine', layers: 1, deepest: 1.2 });
    // Stretches of 100, 200, 200, 100 mm, each read ± 0.25 mm.
    expect(fill!.sd).toBeCloseTo((Math.sqrt(100 ** 2 + 200 ** 2 + 200 ** 2 + 100 ** 2) * 0.25 * 25) / 1000, 9);
  });

  it('fills a low that runs out by half of what an even one takes', () => {
    const { fill } = dressRound({
      places: [row[0]!, row[3]!],
      readings: [
        { place: '0:0', mm: -4 },
        { place: '0:3', mm: 0 },
      ],
      filler: true,
    });
    expect(fill!.ml).toBeCloseTo((4 * 600 * 25) / 2 / 1000, 9);
    // 3.5 mm of ordinary filler at 3 mm a layer, and half a millimetre of fine filler over it.
    expect(fill).toMatchObject({ kind: 'ordinary', layers: 3 });
  });

  it('fills nothing where filler has no business, and nothing that is too deep', () => {
    expect(dressRound({ places: row, readings: read(-1), filler: false }).fill).toBeNull();
    expect(dressRound({ places: row, readings: read(-13), filler: true }).fill).toBeNull();
    expect(dressRound({ places: row, readings: read(-9), filler: true }).fill!.kind).toBe('metal');
  });

  it('brings metal up until no filler is needed where the shop works so, and never fills there', () => {
    const by = (finish: 'filler' | 'metal') =>
      dressRound({ places: row, readings: read(-0.2, -1.2, 0, 0), filler: true, finish });
    expect(by('filler')).toMatchObject({ good: true, fill: { kind: 'fine' } });
    expect(by('metal')).toMatchObject({ good: false, fill: null });
    expect(by('metal').places.map(({ act }) => act)).toEqual(['level', 'stretch', 'level', 'level']);
    // On what carries load the weld is left as it is, by either school.
    const left = dressRound({ places: row, readings: read(-1.2), filler: false, finish: 'metal' });
    expect(left.places[0]!.act).toBe('level');
  });

  it('refuses a place that is none and a reading that is none', () => {
    expect(() => dressRound({ places: row, readings: [{ place: '7:0', mm: 1 }], filler: true })).toThrow(/no joint/);
    expect(() => dressRound({ places: row, readings: read(80), filler: true })).toThrow(/readings\[0\]\.mm/);
  });

  it('takes never less filler where a place lies lower, and is good only within its limits', () => {
    const mm = fc.double({ min: -DRESS_LIMITS.metal, max: 3, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(mm, mm, mm, mm), fc.integer({ min: 0, max: 3 }), (values, i) => {
        const lower = values.map((value, k) => (k === i ? Math.max(-DRESS_LIMITS.metal, value - 1) : value));
        const [a, b] = [values, lower].map((one) => dressRound({ places: row, readings: read(...one), filler: true }));
        expect(b!.fill?.ml ?? 0).toBeGreaterThanOrEqual(a!.fill?.ml ?? 0);
        expect(a!.good).toBe(a!.low <= DRESS_LIMITS.good && a!.proud <= DRESS_LIMITS.level);
      }),
    );
  });
});

describe('the stages of filling', () => {
  const kinds = ['fine', 'ordinary', 'metal'] as const;
  it('build the whole depth up, no layer thicker than it cures, the last of fine filler (property)', () => {
    fc.assert(
      fc.property(fc.constantFrom(...kinds), fc.double({ min: 0.6, max: 12, noNaN: true }), (kind, deepest) => {
        const layers = fillLayers(kind, deepest);
        expect(layers.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(deepest, 9);
        for (const { product, mm, layers: n } of layers)
          expect(mm / n).toBeLessThanOrEqual(product === 'fine' ? 1.5 : 3);
        expect(layers.at(-1)!.product).toBe('fine');
      }),
    );
  });
  it('never go back to a coarser paper, and end with what paint goes onto (P320 and P400: common practice, no published source)', () => {
    for (const kind of kinds) {
      const grits = fillStages({ kind, deepest: 1.4 }).flatMap((stage) => stage.grits);
      expect([...grits].sort((a, b) => a - b)).toEqual(grits);
      expect(grits.slice(-2)).toEqual([320, 400]);
    }
  });
});
