import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { passage } from '../cut/index.ts';
import { lineLength, type Ring } from '../geometry/index.ts';
import { edgeMark, partingSeams, waysIn, type WayInput, type WayRoute } from './index.ts';

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

  it('goes by the rule of the house where both schools work, and says what would cost least', () => {
    const both = { ...pan, lines: [{ across: true, at: 600 }] };
    const { cheapest } = waysIn(both);
    expect(waysIn({ ...both, rather: 'sections' })).toMatchObject({ best: 'door', cheapest });
    expect(waysIn({ ...both, rather: 'neighbour' })).toMatchObject({ best: 'open', cheapest });
    // Where only one of them works, it is that one.
    expect(waysIn({ ...pan, rather: 'sections' }).best).toBe('open');
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
    expect(short.how).toMatch(/reaches 1200 mm in.*200 mm short/);
  });
  it('may be had the other way round through a wider opening', () =>
    expect(passage({ ...gate, opening: { a: 1300, b: 100 }, room: 600 })).toMatchObject({
      passes: true,
      direction: 90,
    }));

  it('goes in square to a side, though none of its edges lies that way', () => {
    // Half a pan that tapers: 550 long, 860 wide at one end; its long edges lean by 3.7°.
    const half: [number, number][] = [
      [0, 0],
      [550, 36],
      [550, 824],
      [0, 860],
    ];
    expect(passage({ piece: [half], depth: 70, opening: { a: 960, b: 480 }, clearance: 40, room: 600 })).toMatchObject({
      passes: true,
      section: { width: 860, depth: 70 },
    });
  });

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

describe('where a parting line meets the edge', () => {
  const wavy: [number, number][] = [
    [0, 0],
    [400, 0],
    [400, 200],
    ...[300, 200, 100].map((u): [number, number] => [u, 200 + 20 * Math.sin((u / 400) * Math.PI)]),
    [0, 200],
  ];

  it('is told from the corners of its side, along a curve as well, not from the places by which the curve is drawn', () => {
    // Half way between the second and the third place of the curve.
    const mark = edgeMark(wavy, { fromCorner: 3, offset: 50 });
    expect(mark.side).toBe('upper');
    expect(mark.first + mark.second).toBeCloseTo(lineLength(wavy.slice(2)), 6);
    expect(mark.first).toBeGreaterThan(240);
    expect(edgeMark(wavy, { fromCorner: 0, offset: 150 })).toEqual({ side: 'lower', first: 150, second: 250 });
    expect(edgeMark(wavy, { fromCorner: 1, offset: 60 })).toEqual({ side: 'right', first: 60, second: 140 });
    expect(edgeMark(wavy, { fromCorner: wavy.length - 1, offset: 60 })).toEqual({
      side: 'left',
      first: 140,
      second: 60,
    });
  });

  it('is the same whichever way round the piece is drawn', () => {
    const turned = wavy.toReversed();
    // The lower side runs from [400, 0] to [0, 0] there.
    expect(edgeMark(turned, { fromCorner: turned.length - 2, offset: 250 })).toEqual({
      side: 'lower',
      first: 150,
      second: 250,
    });
  });
});

describe('the seams between sections', () => {
  const free = { rate: 5000, visible: false };
  const pan = rectangle(1200, 500);

  it('run along the lines that are used, from edge to edge, each named by its letter', () => {
    const lines = [
      { across: true, at: 300 },
      { across: false, at: 200 },
      { across: true, at: 5000 },
    ];
    expect(partingSeams(pan, lines, [1]).map(({ name, length }) => [name, length])).toEqual([
      ['between the sections at B', 1200],
    ]);
    // One beyond the piece parts nothing, one that is not there any more neither.
    expect(partingSeams(pan, lines).map(({ length }) => length)).toEqual([500, 1200]);
    expect(partingSeams(pan, lines, [7])).toEqual([]);
  });

  it('are as long as the seam that the way was weighed with', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1199 }), fc.integer({ min: 1, max: 499 }), (u, v) => {
        const notched: [number, number][] = [
          [0, 0],
          [1200, 0],
          [1200, 500],
          [700, 500],
          [700, 300],
          [500, 300],
          [500, 500],
          [0, 500],
        ];
        const route = { id: 'r', name: 'r', opening: { a: 520, b: 60 }, room: null, parts: [] };
        const lines = [
          { across: true, at: u },
          { across: false, at: v },
        ];
        const [way] = waysIn({
          ...{ piece: notched, depth: 40, clearance: 20, lines },
          routes: [route],
          ...free,
        }).routes;
        if (!way!.passes) return;
        const used = way!.lines.map(({ line }) => line);
        const seams = partingSeams(notched, lines, used).reduce((sum, { length }) => sum + length, 0);
        expect(seams).toBeCloseTo(way!.seam, 6);
      }),
    );
  });
});
