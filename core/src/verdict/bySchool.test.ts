import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { usualMetalwork, type Metalwork } from '../repair/index.ts';
import { elementsOf, damagedArea } from './elements.ts';
import { reasonsFor } from './reasons.ts';
import type { Repair } from './repair.ts';

const repair = (over: Partial<Repair> = {}): Repair => ({
  panel: {
    ...{ name: 'Floor', area: 400_000, jointLength: 2000, spotWelds: 40, bolted: false, thickness: 0.9 },
    ...{ curvature: 'flat', structural: false, visible: false },
  },
  zones: [{ class: 'through', area: 3000, patchPerimeter: 400, patchArea: 10_000, toMount: null }],
  offer: null,
  ...over,
});
const by = (over: Partial<Metalwork>): Metalwork => ({ ...usualMetalwork, ...over });
const names = (option: 'treat' | 'patch' | 'whole', of: Repair) => elementsOf(option, of).map(({ name }) => name);

describe('rust that stays', () => {
  it('is treated as the shop does it: converted, neutralised, or blasted, which takes the paint along', () => {
    const treated = (rust: Metalwork['rust']) => names('treat', repair({ metalwork: by({ rust }) }));
    expect(treated('neutralise')).toEqual(['Strip to clean metal', 'Convert, neutralise and prime']);
    expect(treated('convert')).toEqual(['Strip to clean metal', 'Convert and prime over it']);
    expect(treated('blast')).toEqual(['Make ready for blasting', 'Blast to white metal and prime']);
  });

  it('of aluminium is white whatever the school', () => {
    const { panel } = repair();
    for (const rust of ['neutralise', 'convert', 'blast'] as const)
      expect(names('treat', repair({ panel: { ...panel, material: 'aluminium' }, metalwork: by({ rust }) }))).toContain(
        'Take off white corrosion, etch and prime',
      );
  });

  it('beside a patch is stripped and treated with it, and counts as damage; a whole panel takes it along', () => {
    const left = repair({ left: 20_000 });
    expect(damagedArea(left)).toBe(23_000);
    const more = elementsOf('patch', left).filter(({ name }) => !names('patch', repair()).includes(name));
    // Half as much again is stripped and treated around it: 3 dm².
    expect(more.map(({ name, count }) => [name, count])).toEqual([
      ['Strip to clean metal', 3],
      ['Convert, neutralise and prime', 3],
    ]);
    expect(names('whole', left)).toEqual(names('whole', repair()));
    const reasons = (structural: boolean) =>
      reasonsFor('patch', { ...left, panel: { ...left.panel, structural } }).against.join(' ');
    expect(reasons(false)).toMatch(/look again every year/);
    expect(reasons(true)).toMatch(/ask a qualified person whether pitted metal may stay/);
    expect(reasons(false)).not.toMatch(/qualified person/);
  });

  it('never makes a patch cheaper the more there is of it (property)', () => {
    const minutes = (of: Repair) =>
      elementsOf('patch', of).reduce((sum, { count, minutes: [, m] }) => sum + count * m, 0);
    const size = fc.double({ min: 0, max: 200_000, noNaN: true });
    fc.assert(
      fc.property(size, size, fc.constantFrom('neutralise', 'convert', 'blast'), (a, b, rust) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)];
        const metalwork = by({ rust: rust as Metalwork['rust'] });
        expect(minutes(repair({ left: less, metalwork }))).toBeLessThanOrEqual(
          minutes(repair({ left: more, metalwork })) + 1e-9,
        );
      }),
    );
  });
});

describe('the low edge of a hollow', () => {
  it('is sealed where the shop shuts it, as long as it is; else nothing is counted', () => {
    const lowEdge = { patch: 300, whole: 1400 };
    const joints = [{ kind: 'spot', length: 1400, fasteners: 28 }];
    const { panel } = repair();
    const at = (school: Metalwork['lowEdge']) =>
      repair({ panel: { ...panel, joints }, lowEdge, metalwork: by({ lowEdge: school }) });
    const sealed = (option: 'patch' | 'whole', of: Repair) =>
      elementsOf(option, of).find(({ name }) => name === 'Seal the low edge')?.count;
    expect([sealed('patch', at('shut')), sealed('whole', at('shut'))]).toEqual([3, 14]);
    expect([sealed('patch', at('open')), sealed('whole', at('open'))]).toEqual([undefined, undefined]);
    expect(sealed('patch', repair({ metalwork: by({ lowEdge: 'shut' }) }))).toBeUndefined();
  });
});
