import fc from 'fast-check';
import polygonClipping, { type Polygon as Clipped } from 'polygon-clipping';
import { describe, expect, it } from 'vitest';
import { between, perimeter, type Point, type Ring } from '../geometry/index.ts';
import { joints, type EdgeInput } from './index.ts';

const outline: Ring = [
  [0, 0],
  [800, 0],
  [800, 500],
  [0, 500],
];
const kinds = ['spot', 'hem', 'lip', 'bolt'];
const edgesOf = (ring: Ring, pitch: number | null = 40): EdgeInput[] =>
  ring.map((from, i) => ({
    from,
    to: ring[(i + 1) % ring.length]!,
    kind: kinds[i % 4]!,
    ...(pitch ? { pitch } : {}),
  }));
const rectangle = (u: number, v: number, w: number, h: number): Ring => [
  [u, v],
  [u + w, v],
  [u + w, v + h],
  [u, v + h],
];

describe('repair.joints', () => {
  it('counts a corner piece by hand: two edges and two cuts', () => {
    const { stretches, cut, own, fasteners } = joints({
      outline,
      edges: edgesOf(outline),
      piece: rectangle(600, 0, 200, 150),
    });
    expect(stretches).toEqual([
      { kind: 'spot', edge: 0, length: 200, fasteners: 5 },
      { kind: 'hem', edge: 1, length: 150, fasteners: 4 },
      { kind: 'cut', edge: null, length: 350, fasteners: 0 },
    ]);
    expect([cut, own, fasteners]).toEqual([350, 350, 9]);
  });

  it('takes the whole panel with all of its edges, and nothing cut', () => {
    const { stretches, cut, own, fasteners } = joints({ outline, edges: edgesOf(outline), piece: outline });
    expect(stretches.map(({ kind }) => kind)).toEqual(kinds);
    expect([cut, own]).toEqual([0, 2600]);
    // 800 / 40 + 500 / 40 rounded + …: 20 + 13 + 20 + 13.
    expect(fasteners).toBe(66);
  });

  it('lies on an edge up to half a millimetre beside it, and no farther', () => {
    const beside = (off: number) =>
      joints({ outline, edges: edgesOf(outline), piece: rectangle(100, off, 200, 150) }).own;
    expect(beside(0.4)).toBe(200);
    expect(beside(0.6)).toBe(0);
  });

  it('counts one fastener at least on a short stretch, and none where the edge has no pitch', () => {
    const piece = rectangle(100, 0, 15, 150);
    expect(joints({ outline, edges: edgesOf(outline), piece }).fasteners).toBe(1);
    expect(joints({ outline, edges: edgesOf(outline, null), piece }).fasteners).toBe(0);
  });

  it('follows an edge that runs over several corners, and parts a side that runs over two edges', () => {
    const bent: Ring = [
      [0, 0],
      [400, 0],
      [800, 0],
      [800, 500],
      [0, 500],
    ];
    const edges: EdgeInput[] = [
      { from: [0, 0], to: [400, 0], kind: 'spot', pitch: 40 },
      { from: [400, 0], to: [800, 500], kind: 'lip' },
      { from: [800, 500], to: [0, 0], kind: 'free' },
    ];
    const { stretches } = joints({ outline: bent, edges, piece: rectangle(300, 0, 500, 100) });
    expect(stretches).toEqual([
      { kind: 'spot', edge: 0, length: 100, fasteners: 3 },
      { kind: 'lip', edge: 1, length: 500, fasteners: 0 },
      { kind: 'cut', edge: null, length: 600, fasteners: 0 },
    ]);
  });

  /* Areas and lengths by polygon-clipping, another geometry library (Martinez-Rueda instead of Vatti). */
  it('adds up to the piece’s own edge, and its share on the panel is what another library finds', () => {
    const corner = fc.tuple(
      fc.double({ min: -200, max: 900, noNaN: true }),
      fc.double({ min: -200, max: 700, noNaN: true }),
    );
    fc.assert(
      fc.property(
        corner,
        fc.double({ min: 40, max: 600, noNaN: true }),
        fc.double({ min: 40, max: 500, noNaN: true }),
        ([u, v], w, h) => {
          const [clipped] = polygonClipping.intersection(
            [outline as Clipped[0]],
            [rectangle(u, v, w, h) as Clipped[0]],
          );
          if (!clipped) return;
          const piece = clipped[0]!.slice(0, -1) as Point[];
          if (piece.some((p, i) => between(p, piece[(i + 1) % piece.length]!) < 2)) return;
          const { stretches, cut, own } = joints({ outline, edges: edgesOf(outline), piece });
          expect(cut + own).toBeCloseTo(perimeter(piece), 6);
          expect(stretches.every(({ length }) => length > 0)).toBe(true);
          const onEdge = piece.reduce((sum, p, i) => {
            const q = piece[(i + 1) % piece.length]!;
            const on =
              [0, 800].some((u0) => Math.abs(p[0] - u0) < 0.5 && Math.abs(q[0] - u0) < 0.5) ||
              [0, 500].some((v0) => Math.abs(p[1] - v0) < 0.5 && Math.abs(q[1] - v0) < 0.5);
            return on ? sum + between(p, q) : sum;
          }, 0);
          expect(own).toBeCloseTo(onEdge, 6);
        },
      ),
      { numRuns: 150 },
    );
  });

  it.each([
    [{ piece: rectangle(700, 0, 200, 100) }, 'piece[1]'],
    [
      {
        piece: [
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ],
      },
      'piece',
    ],
    [
      {
        piece: [
          [0, 0],
          [100, 0],
        ],
      },
      'piece',
    ],
    [{ edges: edgesOf(outline).slice(1) }, 'edges[0].from'],
    [{ edges: edgesOf(outline).map((edge, i) => (i === 2 ? { ...edge, pitch: 0 } : edge)) }, 'edges[2].pitch'],
    [{ edges: edgesOf(outline).map((edge, i) => (i === 1 ? { ...edge, from: [800, 50] } : edge)) }, 'edges[1].from'],
    [{ edges: edgesOf(outline).map((edge, i) => (i === 3 ? { ...edge, kind: '' } : edge)) }, 'edges[3].kind'],
    [{ edges: [...edgesOf(outline), ...edgesOf(outline)] }, 'edges'],
    [{ edges: [] }, 'edges'],
  ])('refuses by field (%#)', (bad, field) => {
    const given = { outline, edges: edgesOf(outline), piece: rectangle(0, 0, 100, 100), ...bad } as never;
    expect(() => joints(given)).toThrow(
      expect.objectContaining({ field: expect.stringMatching(`^${field.replace(/[[\].]/g, '\\$&')}`) }),
    );
  });
});
