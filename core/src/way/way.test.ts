import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { passage } from '../cut/index.ts';
import type { Ring } from '../geometry/index.ts';
import { waysIn, type WayInput, type WayRoute } from './index.ts';

const rectangle = (w: number, h: number): Ring => [
  [0, 0],
  [w, 0],
  [w, h],
  [0, h],
];
const part = { what: 'Tail panel', off: 2, on: 3, risk: 'lamp', chance: 0.1, price: 8000 };
const door: WayRoute = { id: 'door', name: 'Door', opening: { a: 800, b: 600 }, room: null, parts: [] };
const open: WayRoute = { ...door, id: 'open', name: 'Tail off', opening: { a: 1600, b: 900 }, parts: [part] };
const pan: WayInput = {
  ...{ piece: rectangle(1200, 900), depth: 60, clearance: 50, lines: [], routes: [door, open] },
  ...{ rate: 5000, visible: false },
};

/* A pan through an opening; lengths and money by hand, hours by the paces of the joints. */
describe('ways in', () => {
  it('takes the one that works where the other would need lines to part along', () => {
    const { best, routes } = waysIn(pan);
    expect(best).toBe('open');
    expect(routes[0]).toMatchObject({ passes: false, problem: expect.stringMatching(/missing/) });
    // Five hours at 50.00 and a tenth of 80.00.
    expect(routes[1]).toMatchObject({ passes: true, seam: 0, hours: { parts: 5, seams: 0 }, risk: 800, total: 25_800 });
  });

  it('weighs a seam against what comes off: parted in the middle it goes through the door', () => {
    const { best, routes } = waysIn({ ...pan, lines: [{ across: true, at: 600 }] });
    expect(routes[0]).toMatchObject({ passes: true, seam: 900 });
    expect(routes[0]!.sections).toHaveLength(2);
    expect(routes[0]!.lines[0]!.crossings.map(({ offset }) => offset)).toEqual([600, 600]);
    expect(routes[0]!.hours.seams).toBeGreaterThan(0);
    expect(best).toBe(routes[0]!.total < routes[1]!.total ? 'door' : 'open');
  });

  it('a line that goes in and out of a piece is only a seam where there is metal', () => {
    // A frame with a notch 400 wide from above, 500 deep: 100 up, then out, then nothing.
    const notched: Ring = [
      [0, 0],
      [1200, 0],
      [1200, 600],
      [800, 600],
      [800, 100],
      [400, 100],
      [400, 600],
      [0, 600],
    ];
    const { routes } = waysIn({
      ...pan,
      piece: notched,
      lines: [{ across: false, at: 300 }],
      routes: [{ ...door, opening: { a: 380, b: 120 } }],
    });
    // Two legs of 400 are parted from the foot; the foot of 1200 × 300 goes in edge first.
    expect(routes[0]).toMatchObject({ passes: true, seam: 800 });
  });

  it('refuses a line beyond the piece, at its field', () =>
    expect(() => waysIn({ ...pan, lines: [{ across: false, at: 950 }] })).toThrow(/Line 1 lies beyond/));

  it('says nothing of which is best where none is told', () => expect(waysIn({ ...pan, routes: [] }).best).toBeNull());
});

describe('space behind an opening', () => {
  const piece = [rectangle(1200, 500)];
  const gate = { piece, depth: 20, opening: { a: 560, b: 100 }, clearance: 50 };
  it('has to be as long as the piece is the way it is moved', () => {
    expect(passage({ ...gate }).passes).toBe(true);
    expect(passage({ ...gate, room: 1300 })).toMatchObject({ passes: true, margin: 10 });
    const short = passage({ ...gate, room: 1000 });
    expect(short).toMatchObject({ passes: false, margin: -200 });
    expect(short.how).toMatch(/1200 mm long.*200 mm short/);
  });
  it('may be had the other way round through a wider opening', () =>
    expect(passage({ ...gate, opening: { a: 1300, b: 100 }, room: 600 })).toMatchObject({
      passes: true,
      direction: 90,
    }));

  it('never makes a piece pass that does not pass without it', () => {
    const length = fc.integer({ min: 50, max: 2000 });
    fc.assert(
      fc.property(length, length, length, length, length, (w, h, a, b, room) => {
        const input = { piece: [rectangle(w, h)], depth: 40, opening: { a, b }, clearance: 50 };
        const without = passage(input);
        const within = passage({ ...input, room });
        expect(within.margin).toBeLessThanOrEqual(without.margin + 1e-6);
        expect(passage({ ...input, room: 1e5 }).margin).toBeCloseTo(without.margin, 6);
      }),
    );
  });
});
