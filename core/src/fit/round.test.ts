import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { fitPlaces, fitRound, wantedGap, type FitInput, type FitPlace } from './index.ts';

/* A rectangular patch, 600 × 400 mm, butted on all sides. */
const piece: Point[] = [
  [0, 0],
  [600, 0],
  [600, 400],
  [0, 400],
];
const joints = piece.map((p, i) => ({ line: [p, piece[(i + 1) % 4]!], closing: 'butt' as const }));
const places = fitPlaces(joints, piece);
const thickness = 1;
const wanted = wantedGap(true, thickness);
const round = (gapAt: (place: FitPlace) => number, over: Partial<FitInput> = {}) =>
  fitRound({
    places,
    joints: joints.map(() => ({ open: true })),
    thickness,
    readings: places.map((place) => ({ place: place.id, gap: gapAt(place), flush: 0 })),
    neighbours: [],
    ...over,
  });

describe('where gaps are read', () => {
  it('at both ends and between, never at a corner, looking out of the piece', () => {
    expect(places.filter(({ joint }) => joint === 0).map(({ along }) => along)).toEqual([20, 300, 580]);
    expect(places.filter(({ joint }) => joint === 0).every(({ normal }) => normal[1] === -1)).toBe(true);
    expect(places.filter(({ joint }) => joint === 1).every(({ normal }) => normal[0] === 1)).toBe(true);
    // The other way round it is the same piece.
    const turned = [...piece].reverse();
    const other = fitPlaces([{ line: [turned[0]!, turned[1]!], closing: 'butt' }], turned);
    expect(other.every(({ normal }) => normal[1] === 1)).toBe(true);
  });
  it('once in the middle of a short joint, and not at all on an edge that is made again', () => {
    const short = { line: [piece[0]!, [80, 0] as Point] };
    expect(fitPlaces([{ ...short, closing: 'lap' }], piece)).toHaveLength(1);
    expect(fitPlaces([{ ...short, closing: 'make' }], piece)).toEqual([]);
  });
});

describe('a trial fit', () => {
  it('is good where every gap is as it is wanted', () => {
    expect(round(() => wanted)).toMatchObject({ good: true, move: null, before: 0 });
  });
  it('minds a turn by how far it moves an edge: nothing on a small piece, a gap on a long one', () => {
    // 0.08 degrees about the middle of a piece of 250 × 170 mm, and of one ten times as long.
    const turned = (length: number, height: number) => {
      const ring: Point[] = [
        [0, 0],
        [length, 0],
        [length, height],
        [0, height],
      ];
      const own = ring.map((p, i) => ({ line: [p, ring[(i + 1) % 4]!], closing: 'butt' as const }));
      const read = fitPlaces(own, ring);
      const angle = (0.08 * Math.PI) / 180;
      return fitRound({
        places: read,
        joints: own.map(() => ({ open: true })),
        thickness,
        readings: read.map(({ id, at, normal }) => ({
          place: id,
          gap: wanted + normal[0] * angle * (at[1] - height / 2) - normal[1] * angle * (at[0] - length / 2),
          flush: 0,
        })),
        neighbours: [],
      });
    };
    expect(turned(250, 170)).toMatchObject({ good: true, move: null });
    expect(turned(2500, 170).move!.turn).toBeCloseTo(-0.08, 3);
  });

  it('asks for the move that cures it, whatever that is (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.double({ min: -0.004, max: 0.004, noNaN: true }),
        (u, v, turn) => {
          fc.pre(Math.hypot(u, v) > 0.6);
          // Shifted by (u, v) and turned about its middle: each edge has come nearer by what it moved outward.
          const shifted = ({ at, normal }: FitPlace) =>
            wanted - normal[0] * (u - turn * (at[1] - 200)) - normal[1] * (v + turn * (at[0] - 300));
          const said = round(shifted);
          expect(said.move!.u).toBeCloseTo(-u, 6);
          expect(said.move!.v).toBeCloseTo(-v, 6);
          expect((said.move!.turn * Math.PI) / 180).toBeCloseTo(-turn, 8);
          expect(said.after).toBeLessThan(1e-6);
          expect(said.joints.every(({ cure }) => cure === 'good')).toBe(true);
          expect(said.good).toBe(false);
        },
      ),
    );
  });
  it('places that face each other do not make it turn: tight all round is trimmed, not twisted', () => {
    const [ring] = [[...piece, piece[0]!]];
    const around = fitPlaces([{ line: ring!, closing: 'butt' }], piece);
    const said = fitRound({
      places: around,
      joints: [{ open: true }],
      thickness,
      readings: around.map(({ id }) => ({ place: id, gap: wanted - 1.5, flush: null })),
      neighbours: [],
    });
    expect(said.move).toBeNull();
    expect(said.joints[0]!.cure).toBe('trim');
  });
  it('a gap that runs to nothing is trimmed as a wedge, half of it first and no less than a blade', () => {
    // Tight along the lower edge only: 3 mm at one end, running out at the other.
    const lower = places.filter(({ joint }) => joint === 0);
    const said = round((place) => wanted - (place.joint === 0 ? 3 * (1 - place.along / 600) : 0), {
      readings: lower.map((place) => ({ place: place.id, gap: wanted - 3 * (1 - place.along / 600), flush: null })),
    });
    const [joint] = said.joints;
    expect(joint!.cure).toBe('trim');
    expect(joint!.trim[0]!.mm).toBeCloseTo(2.9, 1);
    expect(joint!.trim.at(-1)!.mm).toBeCloseTo(0.1, 1);
    expect(joint!.rounds[0]).toBeCloseTo(1.45, 2);
    expect(joint!.rounds.reduce((a, b) => a + b, 0)).toBeCloseTo(joint!.trim[0]!.mm, 6);
  });
  it('too wide: a bead, then a strip, then another piece', () => {
    const cure = (over: number) =>
      round(() => wanted, {
        readings: places.slice(0, 2).map(({ id }) => ({ place: id, gap: wanted + over, flush: 0 })),
      }).joints[0]!.cure;
    expect([0.4, 2, 6, 12].map(cure)).toEqual(['good', 'bead', 'strip', 'again']);
  });
  it('sections that do not meet by 5 mm get a strip between them: moving the whole closes no gap within it', () => {
    const seam = {
      line: [
        [300, 0],
        [300, 400],
      ] as Point[],
      closing: 'butt' as const,
    };
    const parted = fitPlaces([...joints, seam], piece);
    const readings = parted.map((place) => ({ place: place.id, gap: place.joint === 4 ? 5 : wanted, flush: 0 }));
    const within = [...joints.map(() => ({ open: true })), { open: true, within: true }];
    const found = fitRound({ places: parted, joints: within, thickness, readings, neighbours: [] });
    expect(found).toMatchObject({ move: null, good: false });
    expect(found.joints.filter(({ cure }) => cure !== 'good')).toMatchObject([{ joint: 4, cure: 'strip' }]);
    expect(found.joints[4]!.wide).toBeCloseTo(5 - wanted, 9);
    // What the outer edges ask for is found all the same.
    const low = readings.map((one, i) => {
      const { joint, normal } = parted[i]!;
      return joint === 4 ? one : { ...one, gap: wanted - 2 * normal[0] };
    });
    const moved = fitRound({ places: parted, joints: within, thickness, readings: low, neighbours: [] });
    expect(Math.abs(moved.move!.u)).toBeCloseTo(2, 6);
    expect(moved.joints[4]!.cure).toBe('strip');
  });

  it('no move pushes one sheet into another that lies on it (property)', () => {
    // The long edge on the right lies on its neighbour; the others are butted, and gape as they like.
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 6, noNaN: true }), { minLength: 8, maxLength: 8 }), (gaps) => {
        const read = round((place) => (place.joint === 1 ? 0 : gaps[places.indexOf(place) % 8]!), {
          joints: joints.map((_, i) => ({ open: i !== 1 })),
        });
        const laid = read.joints.find(({ joint }) => joint === 1)!;
        expect(laid.tight).toBeLessThanOrEqual(0.5);
        expect(laid.cure).not.toBe('trim');
      }),
    );
  });
  it('sheets that lie on each other are pulled together, and a proud edge or a neighbour’s gap keeps it from being good', () => {
    const lap = { joints: joints.map(() => ({ open: false })) };
    const [first] = places;
    const reading = { place: first!.id, gap: 1.5, flush: null };
    expect(round(() => 0, { ...lap, readings: [reading] }).joints[0]!.cure).toBe('clamp');
    const proud = round(() => wanted, { readings: [{ place: first!.id, gap: wanted, flush: 0.9 }] });
    expect(proud).toMatchObject({ good: false, flush: [{ place: first!.id, mm: 0.9 }] });
    const lid = [{ name: 'Boot lid', gap: 7, wanted: 4 }];
    expect(round(() => wanted, { neighbours: lid })).toMatchObject({
      good: false,
      neighbours: [{ name: 'Boot lid', over: 3 }],
    });
  });
});
