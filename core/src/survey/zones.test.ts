import polygonClipping from 'polygon-clipping';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import { area, circle, type Polygon } from '../geometry/index.ts';
import {
  mergeZones,
  showsMetal,
  splitZone,
  withoutFormerCoating,
  subtractZone,
  zoneClassFrom,
  zoneDistances,
  zonePolygon,
} from './index.ts';

describe('shapes of zones against a second clipping library', () => {
  const ring = (p: Polygon) => p.map((r) => [...r, r[0]!].map(([u, v]): [number, number] => [u, v]));
  const total = (shapes: [number, number][][][]) =>
    shapes.reduce((sum, p) => sum + area(p.map((r) => r.slice(0, -1))), 0);
  const blob = (u: number, v: number, r: number): Polygon => [circle([u, v], r), circle([u, v], r / 3)];

  it('have the same areas, merged and taken out of each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 45 }), fc.integer({ min: 0, max: 40 }), (du, dv) => {
        const [a, b] = [blob(100, 100, 40), [circle([100 + du, 100 + dv], 30)] as Polygon];
        const union = total(polygonClipping.union(ring(a), ring(b)) as never);
        const difference = total(polygonClipping.difference(ring(a), ring(b)) as never);
        // Slivers under 4 mm² are no part of a repair and may be missing.
        expect(Math.abs(area(mergeZones(a, b)) - union)).toBeLessThan(12);
        const left = subtractZone(a, b).reduce((sum, p) => sum + area(p), 0);
        expect(Math.abs(left - difference)).toBeLessThan(12);
      }),
      { numRuns: 40 },
    );
  });

  it('are split into pieces that add up', () => {
    const zone = blob(100, 100, 40);
    const pieces = splitZone(zone, [
      [60, 90],
      [140, 115],
    ]);
    expect(pieces.length).toBeGreaterThanOrEqual(2);
    expect(pieces.reduce((sum, p) => sum + area(p), 0)).toBeCloseTo(area(zone), -0.5);
    expect(() =>
      splitZone(zone, [
        [0, 0],
        [200, 1],
      ]),
    ).toThrow(/does not cross/);
    expect(() =>
      splitZone(zone, [
        [100, 100],
        [100, 100],
      ]),
    ).toThrow(/draw it longer/);
  });

  it('refuse what makes no zone', () => {
    expect(() => mergeZones([circle([0, 0], 10)], [circle([100, 0], 10)])).toThrow(
      expect.objectContaining({ field: 'other' }),
    );
    expect(() => subtractZone([circle([0, 0], 10)], [circle([0, 0], 30)])).toThrow(/Nothing would be left/);
    expect(() => zonePolygon(circle([0, 0], 10), [circle([9, 0], 5)])).toThrow(
      expect.objectContaining({ field: 'holes[0]' }),
    );
  });

  it('know how far they are from what decides a repair', () => {
    const panel = panelOf(bodyPlan('saloon'), 'sill-l');
    const { edge, crease, mount } = zoneDistances(panel, [circle([700, 60], 10)]);
    expect(edge).toBeCloseTo(50, 0);
    expect(crease).toBeCloseTo(28, 0);
    expect(mount).toBeGreaterThan(500);
    expect(zoneDistances(panel, [circle([700, 2], 10)]).edge).toBe(0);
  });
});

describe('the class of a zone', () => {
  const polygon: Polygon = [circle([100, 100], 50)];
  const at = { panel: 'p', layer: 'outer', u: 100, v: 100 };
  it.each([
    [[{ ...at, probe: 'through' as const }], 'through'],
    [
      [
        { ...at, metalMm: 0.9 },
        { ...at, u: 110, metalMm: 0.5 },
      ],
      'thin',
    ],
    [[{ ...at, probe: 'soft' as const }], 'thin'],
    [[{ ...at, coatingUm: 1800 }], 'filler'],
    [[{ ...at, metalMm: 0.75 }], 'pitted'],
    [[{ ...at, metalMm: 0.89 }], undefined],
    [[{ ...at, u: 500, metalMm: 0 }], undefined],
  ])('follows the readings inside: %o', (readings, expected) => {
    expect(zoneClassFrom({ polygon, asBuilt: 0.9, readings })?.class).toBe(expected);
  });
  it('follows the finds inside where nothing was measured', () => {
    expect(
      zoneClassFrom({ polygon, asBuilt: 0.9, readings: [], finds: [{ sign: 'old-patch', u: 100, v: 100 }] })?.class,
    ).toBe('old-repair');
    expect(
      zoneClassFrom({ polygon, asBuilt: 0.9, readings: [], finds: [{ sign: 'filler-over-hole', u: 100, v: 100 }] })
        ?.class,
    ).toBe('through');
  });
});

describe('a coating that was read before its place was stripped', () => {
  const square: Polygon = [circle([100, 100], 50)];
  const at = { panel: 'p', layer: 'outer', u: 100, v: 100 };
  const bare = [{ layer: 'outer', polygon: square, since: 1000 }];
  it('no longer counts; one read since, one beside it and one of another layer do', () => {
    const counts = (over: object) =>
      withoutFormerCoating([{ ...at, coatingUm: 1800, readAt: 500, ...over }], bare).length;
    expect(counts({})).toBe(0);
    expect(counts({ readAt: undefined })).toBe(0);
    expect(counts({ readAt: 1500 })).toBe(1);
    expect(counts({ u: 300 })).toBe(1);
    expect(counts({ layer: 'inner' })).toBe(1);
  });
  it('leaves the metal that was read at the same place', () => {
    expect(
      withoutFormerCoating([{ ...at, coatingUm: 1800, coatingOver: true, metalMm: 0.7, readAt: 1 }], bare),
    ).toEqual([{ ...at, coatingUm: undefined, coatingOver: undefined, metalMm: 0.7, readAt: 1 }]);
  });
  it('makes no zone “filler” against what was seen', () => {
    const readings = [{ ...at, coatingUm: 1800, readAt: 1 }];
    expect(zoneClassFrom({ polygon: square, asBuilt: 0.9, readings })?.class).toBe('filler');
    expect(zoneClassFrom({ polygon: square, asBuilt: 0.9, readings, bareSince: 2 })).toBeUndefined();
  });
  it('is overtaken only where the metal was seen: not by a guess from a blister, nor by filler that is still there', () => {
    expect(showsMetal('blasted', 'thin')).toBe(true);
    expect(showsMetal('blister', 'thin')).toBe(false);
    expect(showsMetal('map', 'thin')).toBe(false);
    expect(showsMetal('stripped', 'filler')).toBe(false);
  });
});
