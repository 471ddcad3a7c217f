import { describe, expect, it } from 'vitest';
import { compare, elementsOf, type Rates, type Repair } from './index.ts';

const rates: Rates = { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 };
const panel: Repair['panel'] = {
  name: 'Sill, left',
  area: 160_000,
  jointLength: 3000,
  spotWelds: 75,
  bolted: false,
  thickness: 1.2,
  curvature: 'single',
  structural: true,
  visible: true,
};
const zone: Repair['zones'][number] = {
  class: 'thin',
  area: 10_000,
  patchPerimeter: 500,
  patchArea: 16_000,
  toMount: null,
};
const repair = (over: Partial<Repair> = {}): Repair => ({ panel, zones: [zone], offer: null, ...over });
const count = (option: 'treat' | 'patch' | 'whole', name: RegExp, of: Repair) =>
  elementsOf(option, of).find((element) => name.test(element.name))?.count;

describe('counted elements (common practice, no published source)', () => {
  it('count weld and cut in decimetres of the patches, not as one figure', () => {
    const two = repair({ zones: [zone, zone] });
    expect(count('patch', /stitch/, repair())).toBe(5);
    expect(count('patch', /stitch/, two)).toBe(10);
    expect(count('patch', /Template/, two)).toBe(2);
    expect(count('patch', /Trial fits/, two)).toBe(8);
  });

  it('count every spot twice for a whole panel: drilled out and made again (T-22, T-10)', () => {
    expect(count('whole', /Drill/, repair())).toBe(75);
    expect(count('whole', /Plug/, repair())).toBe(75);
  });

  it('unbolt what is bolted and drill nothing', () => {
    const bolted = repair({ panel: { ...panel, bolted: true } });
    expect(count('whole', /Unbolt/, bolted)).toBe(2);
    expect(count('whole', /Drill/, bolted)).toBeUndefined();
  });

  it('dress what nobody sees only roughly', () => {
    const hidden = repair({ panel: { ...panel, visible: false } });
    expect(count('patch', /Dress/, hidden)!).toBeCloseTo(count('patch', /Dress/, repair())! * 0.4, 9);
  });

  it('take longest for double curvature (T-27: half an hour for a small compound patch)', () => {
    const minutes = (curvature: 'flat' | 'single' | 'double') =>
      elementsOf('patch', repair({ panel: { ...panel, curvature } })).find((e) => e.name.startsWith('Shape'))!
        .minutes[1];
    expect([minutes('flat'), minutes('single'), minutes('double')]).toEqual([12, 20, 30]);
  });

  it('give minutes in order: least, usual, most', () => {
    for (const option of ['treat', 'patch', 'whole'] as const)
      for (const { minutes } of elementsOf(option, repair())) {
        expect(minutes[0]).toBeLessThanOrEqual(minutes[1]);
        expect(minutes[1]).toBeLessThanOrEqual(minutes[2]);
      }
  });
});

describe('what is ruled out, and why', () => {
  const treat = (over: Partial<Repair>) => compare({ repair: repair(over), rates }).options[0]!.ruledOut;

  it('thin metal in structure, filler in structure (T-18), earlier repairs, holes', () => {
    expect(treat({})).toMatch(/load-bearing/);
    expect(treat({ zones: [{ ...zone, class: 'filler' }] })).toMatch(/Filler in structure/);
    expect(treat({ zones: [{ ...zone, class: 'old-repair' }] })).toMatch(/removed whole/);
    expect(treat({ zones: [{ ...zone, class: 'through' }] })).toMatch(/cut out/);
    expect(treat({ zones: [{ ...zone, class: 'pitted' }] })).toBeNull();
  });

  it('filler on a plain panel near a mount, but not away from one', () => {
    const plain = { ...panel, structural: false };
    const filler = (toMount: number) => treat({ panel: plain, zones: [{ ...zone, class: 'filler', toMount }] });
    expect(filler(100)).toMatch(/mount/);
    expect(filler(900)).toBeNull();
  });

  it('nothing is proposed where nothing can be done', () => {
    const verdict = compare({ repair: repair({ zones: [{ ...zone, class: 'through' }] }), rates });
    expect(verdict.proposed).toBe('patch');
    expect(verdict.options.filter((option) => option.ruledOut !== null).every((option) => option.cheapest === 0)).toBe(
      true,
    );
  });
});

describe('reasons', () => {
  const against = (option: 0 | 1 | 2, over: Partial<Repair>) =>
    compare({ repair: repair({ offer: { landed: 20_000, leadDays: 30 }, ...over }), rates }).options[
      option
    ]!.against.join(' ');

  it('warn of a chain of patches, of warping, of waiting and of poor fit', () => {
    expect(against(1, { zones: Array.from({ length: 5 }, () => zone) })).toMatch(/5 separate patches/);
    expect(against(1, {})).toMatch(/can warp it/);
    expect(against(1, { zones: [{ ...zone, area: 80_000 }] })).toMatch(/usually regretted/);
    expect(against(2, {})).toMatch(/30 days of delivery/);
    expect(against(2, {})).toMatch(/edges never meet|never fit/);
  });
});
