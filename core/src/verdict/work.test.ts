import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import { cutPanelOf, lineAround } from '../cut/index.ts';
import { area, circle, perimeter } from '../geometry/index.ts';
import type { ZoneClass } from '../survey/index.ts';
import { compare, type Rates, type Repair } from './index.ts';

const rates: Rates = { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 };
const repair = (...classes: ZoneClass[]): Repair => ({
  panel: {
    name: 'Bulkhead',
    area: 400_000,
    jointLength: 3000,
    spotWelds: 75,
    bolted: false,
    thickness: 0.9,
    curvature: 'flat',
    structural: false,
    visible: false,
  },
  zones: classes.map((kind) => ({ class: kind, area: 1964, patchPerimeter: 157, patchArea: 1964, toMount: null })),
  offer: { landed: 38_400, leadDays: 9 },
});
const verdict = (...classes: ZoneClass[]) => compare({ repair: repair(...classes), rates });
const option = (id: string, of: ReturnType<typeof verdict>) => of.options.find((one) => one.id === id);

describe('work that is not rust', () => {
  it('closes a hole with metal: it is not treated, and does not grow after the cut', () => {
    const hole = verdict('hole');
    expect(option('treat', hole)!.ruledOut).toMatch(/closed with metal/);
    expect(hole.proposed).toBe('patch');
    expect(option('patch', hole)!.against.join()).not.toMatch(/expect the patch to grow/);
    // The same counts as damage that shows, which hides a fifth more (median of the house).
    const rust = option('patch', verdict('through'))!;
    expect(rust.hours.p50 / option('patch', hole)!.hours.p50).toBeCloseTo(1.2, 1);
    expect(hole.breakEvenShare).toBeNull();
  });

  it('lets in what is missing, and raises a dent', () => {
    expect(option('treat', verdict('missing'))!.ruledOut).toMatch(/nothing to treat/);
    const dent = verdict('dent');
    expect(dent.proposed).toBe('treat');
    expect(option('treat', dent)!.elements.find(({ name }) => name === 'Raise and planish')!.count).toBeCloseTo(
      0.1964,
      6,
    );
  });

  it('grafts in a piece that is at hand, or one that is made; it is not treated, and needs nobody who sells it', () => {
    const unsold = compare({ repair: { ...repair('graft'), offer: null }, rates });
    expect(option('part', unsold)!.ruledOut).toBeNull();
    expect(option('part', unsold)!.for.join()).toMatch(/donor piece is at hand/);
    expect(option('whole', unsold)!.ruledOut).toMatch(/No price/);
    expect(option('treat', unsold)!.ruledOut).toMatch(/grafted in/);
    expect(option('patch', unsold)!.ruledOut).toBeNull();
    expect(['part', 'patch']).toContain(unsold.proposed);
    // A donor piece has its shape: hours of making are those that a patch has more, less cutting it out and blending.
    expect(option('part', unsold)!.elements.map(({ name }) => name)).not.toContain('Template');
    expect(
      option('part', {
        ...unsold,
        options: compare({ repair: { ...repair('graft', 'through'), offer: null }, rates }).options,
      })!.ruledOut,
    ).toMatch(/No price/);
  });

  it('gains clearance by a cover that is made: its sides are turned along the rim, and no panel is bought for it', () => {
    const cover = verdict('clearance');
    expect(cover.proposed).toBe('patch');
    const counts = Object.fromEntries(option('patch', cover)!.elements.map(({ name, count }) => [name, count]));
    expect(counts['Turn the sides of the cover']).toBeCloseTo(1.57, 9);
    expect(option('whole', cover)!.ruledOut).toMatch(/no panel that is sold|No panel that is sold/);
    expect(option('patch', cover)!.against.join()).toMatch(/stands proud/);
    expect(
      Object.keys(Object.fromEntries(option('patch', verdict('hole'))!.elements.map(({ name }) => [name, 1]))),
    ).not.toContain('Turn the sides of the cover');
  });

  it('makes an opening in one way only: cut, edge turned, dressed, coated', () => {
    const opening = verdict('opening', 'opening');
    expect(opening.options.map(({ id }) => id)).toEqual(['open']);
    expect(opening.proposed).toBe('open');
    expect(opening.why).toMatch(/one way/);
    const counts = Object.fromEntries(opening.options[0]!.elements.map(({ name, count }) => [name, count]));
    // Two rims of 157 mm: 3.14 dm.
    expect(counts['Mark and cut out']).toBeCloseTo(3.14, 9);
    expect(counts['Turn the edge of the opening']).toBeCloseTo(3.14, 9);
    expect(counts).not.toHaveProperty('Tack and stitch');
    expect(option('open', verdict('through'))).toBeUndefined();
  });

  it('says of load-bearing metal that a qualified person is asked before an opening is cut', () => {
    const { panel, ...rest } = repair('opening');
    const { options } = compare({ repair: { ...rest, panel: { ...panel, structural: true } }, rates });
    expect(options[0]!.against.join()).toMatch(/qualified person/);
  });

  it('does not weigh an opening together with damage', () => {
    expect(() => verdict('opening', 'through')).toThrow(expect.objectContaining({ code: 'mixed' }));
  });
});

describe('the line of a hole or an opening', () => {
  const plan = bodyPlan('saloon');
  const panel = panelOf(plan, 'floor-front-l');
  const ring = circle([250, 160], 40);
  const around = (kind: ZoneClass, margin = 20) =>
    lineAround({ panel: cutPanelOf(plan, panel), zones: [{ class: kind, ring }], margin });

  it('is its rim: nothing around it is cut away', () => {
    for (const kind of ['hole', 'opening'] as const) {
      const line = around(kind);
      expect(line.cutLength).toBeCloseTo(perimeter(ring), -1);
      expect(line.area).toBeCloseTo(area([ring]), -3);
      expect(line.warnings).toEqual([]);
    }
  });

  it('of damage in the same place is laid around it with its margin', () => {
    const line = around('through');
    expect(line.area).toBeGreaterThan(1.5 * area([ring]));
  });

  it('of two holes in one repair goes around both', () => {
    const other = circle([420, 160], 20);
    const line = lineAround({
      panel: cutPanelOf(plan, panel),
      zones: [ring, other].map((one) => ({ class: 'hole' as const, ring: one })),
      margin: 10,
    });
    expect(line.area).toBeGreaterThan(area([ring]) + area([other]) + 5000);
  });
});
