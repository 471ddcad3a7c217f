import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import { between, nearestOnLine, toRing, type Point, type Ring } from '../geometry/index.ts';
import { EDGE, heldPlace, layAlong, type Pin } from './pins.ts';

const box: Ring = [
  [0, 0],
  [600, 0],
  [600, 400],
  [0, 400],
];
const swage = {
  id: 'swage',
  name: 'Swage',
  line: [
    [0, 200],
    [300, 200],
    [600, 260],
  ] as Point[],
};
const sheet = { outline: box, creases: [swage] };
const square: Ring = [
  [100, 90],
  [260, 80],
  [260, 180],
  [100, 180],
];
const none = square.map((): Pin | null => null);

describe('a corner that is held', () => {
  it('stays so far from the edge wherever it is wanted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 650, noNaN: true }),
        fc.double({ min: -50, max: 450, noNaN: true }),
        fc.double({ min: 1, max: 150, noNaN: true }),
        (u, v, at) => {
          const place = heldPlace(sheet, { along: EDGE, at }, [u, v]);
          if (u > 0 && u < 600 && v > 0 && v < 400) expect(toRing(place, box)).toBeCloseTo(at, 1);
          // Beyond the panel it stays on the straight lines at that distance.
          else if (Math.max(-u, u - 600, -v, v - 400) < 60)
            expect(
              Math.min(...[place[0], 600 - place[0], place[1], 400 - place[1]].map((d) => Math.abs(d - at))),
            ).toBeLessThan(0.1);
        },
      ),
    );
  });

  it('goes straight on beyond the end of the panel, where the piece goes out to the next edge', () => {
    expect(heldPlace(sheet, { along: EDGE, at: 50 }, [-20, 70])).toEqual([-20, 50]);
    const out: Ring = [
      [-30, 90],
      [260, 80],
      [260, 180],
      [-30, 180],
    ];
    const laid = layAlong(sheet, { corners: out, pins: none }, 0, { along: EDGE, at: 50 });
    expect(laid.corners.slice(0, 2)).toEqual([
      [-30, 50],
      [260, 50],
    ]);
  });

  it('stays behind a wheel arch, however far into the arch it is drawn', () => {
    const quarter = panelOf(bodyPlan('saloon'), 'quarter-l');
    fc.assert(
      fc.property(
        fc.double({ min: 480, max: 850, noNaN: true }),
        fc.double({ min: 20, max: 250, noNaN: true }),
        (u, v) => {
          const place = heldPlace(quarter, { along: EDGE, at: 60 }, [u, v]);
          expect(Math.abs(toRing(place, quarter.outline) - 60)).toBeLessThan(1.5);
        },
      ),
    );
  });

  it('stays so far from its crease, on the side on which it is wanted, and is free of one that is gone', () => {
    const pin = { along: 'Swage', at: 6 };
    expect(heldPlace(sheet, pin, [150, 120])).toEqual([150, 194]);
    expect(heldPlace(sheet, pin, [150, 320])).toEqual([150, 206]);
    expect(heldPlace({ outline: box, creases: [] }, pin, [150, 120])).toEqual([150, 120]);
  });

  it('is out over the edge at none, so that the piece goes out to it', () => {
    const [, v] = heldPlace(sheet, { along: EDGE, at: 0 }, [200, 20]);
    expect(v).toBeLessThan(-5);
  });
});

describe('a run that is laid along something', () => {
  it('holds its two corners and leaves the others as they were', () => {
    const laid = layAlong(sheet, { corners: square, pins: none }, 0, { along: EDGE, at: 50 });
    expect(laid.corners.slice(0, 2)).toEqual([
      [100, 50],
      [260, 50],
    ]);
    expect(laid.pins).toEqual([{ along: EDGE, at: 50 }, { along: EDGE, at: 50 }, null, null]);
  });

  it('follows a crease at a distance, on its own side, with a corner more where the crease bends', () => {
    const upper = layAlong(sheet, { corners: square, pins: none }, 2, { along: 'Swage', at: 6 });
    expect(upper.corners.slice(2)).toEqual([
      [260, 194],
      [100, 194],
    ]);
    const wide: Ring = [
      [200, 100],
      [450, 100],
      [450, 190],
      [200, 190],
    ];
    const bent = layAlong(sheet, { corners: wide, pins: none }, 2, { along: 'Swage', at: 10 });
    expect(bent.corners).toHaveLength(5);
    for (const corner of bent.corners.slice(2)) expect(nearestOnLine(swage.line, corner).away).toBeCloseTo(10, 0);
    expect(bent.pins.filter(Boolean)).toHaveLength(3);
    // The last run closes the ring: its first corner is the last of the line.
    const last = layAlong(sheet, { corners: [square[3]!, ...square.slice(0, 3)], pins: none }, 3, {
      along: 'Swage',
      at: 6,
    });
    expect(last.corners).toContainEqual([260, 194]);
    expect(last.corners).toHaveLength(4);
  });

  it('says where none runs beside it, and what the panel does not have', () => {
    const across = layAlong.bind(null, sheet, { corners: square, pins: none }, 1, { along: 'Swage', at: 6 });
    expect(across).toThrow(/does not run along this run/);
    expect(() => layAlong(sheet, { corners: square, pins: none }, 0, { along: 'Drip', at: 6 })).toThrow(
      /no such crease/,
    );
    expect(() => layAlong(sheet, { corners: square, pins: none }, 0, { along: 'Swage', at: -1 })).toThrow();
  });

  it('finds a place on every crease of the saloon beside which a run is laid', () => {
    for (const id of ['quarter-l', 'door-skin-l', 'wing-l', 'sill-l']) {
      const panel = panelOf(bodyPlan('saloon'), id);
      for (const { name, line } of panel.creases) {
        const pin = { along: name, at: 6 };
        const [from, to] = [line[0]!, line.at(-1)!];
        const place: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2 - 40];
        expect(nearestOnLine(line, heldPlace(panel, pin, place)).away).toBeLessThan(6.01);
        expect(between(place, heldPlace(panel, pin, place))).toBeGreaterThan(0);
      }
    }
  });
});
