import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { braces, gaps, register, tapeNetwork, type NetworkPoint, type Place, type Tape } from './index.ts';

/* Figures by SciPy (optimize.least_squares, spatial.transform): core/fixtures/reference.py writes them. */
const reference = JSON.parse(readFileSync(new URL('../../fixtures/reference.json', import.meta.url), 'utf8')) as {
  network: {
    points: NetworkPoint[];
    tapes: Tape[];
    at: Record<string, [number, number]>;
    sigma0: number;
    normalised: number[];
  };
  register: { baseline: Place[]; measured: Place[]; weights: number[]; rotation: number[] };
};
const num = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('hold.register', () => {
  it('agrees with SciPy’s weighted alignment', () => {
    const { rotation } = register(reference.register);
    rotation.forEach((x, i) => expect(x).toBeCloseTo(reference.register.rotation[i]!, 9));
  });

  it('there and back is no movement', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(num(-2000, 2000), num(-2000, 2000), num(-2000, 2000)), { minLength: 4, maxLength: 9 }),
        num(-3, 3),
        num(-500, 500),
        (baseline, turn, shift) => {
          const spread = Math.max(...baseline.map((p) => Math.abs(p[0] - baseline[0]![0])), 1);
          fc.pre(spread > 100 && Math.max(...baseline.map((p) => Math.abs(p[1] - baseline[0]![1]))) > 100);
          const [c, s] = [Math.cos(turn), Math.sin(turn)];
          const measured = baseline.map(([x, y, z]): Place => [c * x - s * y + shift, s * x + c * y - shift, z + 3]);
          let there, back;
          try {
            there = register({ baseline, measured });
            back = register({ baseline: measured, measured: baseline });
          } catch (error) {
            expect(error).toMatchObject({ code: 'collinear' });
            return;
          }
          // A tenth of a micrometre: what is left where places lie nearly on one line.
          expect(there.rms).toBeLessThan(1e-4);
          // Of places that lie nearly on one line the turn about it is anybody's guess; the places themselves come back.
          const moved = ({ rotation: r, translation: t }: typeof there, p: readonly number[]) =>
            [0, 1, 2].map((i) => t[i]! + [0, 1, 2].reduce((sum, k) => sum + r[3 * i + k]! * p[k]!, 0));
          for (const p of baseline)
            moved(back, moved(there, p)).forEach((value, axis) => expect(value).toBeCloseTo(p[axis]!, 4));
        },
      ),
    );
  });

  it('never mirrors, and refuses places on a line', () => {
    const baseline: Place[] = [
      [0, 0, 0],
      [100, 0, 0],
      [0, 100, 0],
      [0, 0, 100],
    ];
    const { rotation: r } = register({ baseline, measured: baseline.map(([x, y, z]): Place => [x, y, -z]) });
    const determinant =
      r[0]! * (r[4]! * r[8]! - r[5]! * r[7]!) -
      r[1]! * (r[3]! * r[8]! - r[5]! * r[6]!) +
      r[2]! * (r[3]! * r[7]! - r[4]! * r[6]!);
    expect(determinant).toBeCloseTo(1, 9);
    const line: Place[] = [
      [0, 0, 0],
      [1, 1, 1],
      [5, 5, 5],
    ];
    expect(() => register({ baseline: line, measured: line })).toThrow(expect.objectContaining({ code: 'collinear' }));
  });
});

describe('hold.tapeNetwork', () => {
  const { points, tapes } = reference.network;

  it('agrees with SciPy’s least squares, residual by residual', () => {
    const found = tapeNetwork({ points, tapes });
    for (const p of found.points) {
      expect(p.x).toBeCloseTo(reference.network.at[p.id]![0], 4);
      expect(p.y).toBeCloseTo(reference.network.at[p.id]![1], 4);
    }
    expect(found.sigma0).toBeCloseTo(reference.network.sigma0, 6);
    found.tapes.forEach((tape, i) => expect(tape.normalised).toBeCloseTo(reference.network.normalised[i]!, 4));
    expect(found.suspect).toBeNull();
    // The redundancy numbers add up to the redundancy (Baarda 1968).
    expect(found.tapes.reduce((sum, tape) => sum + tape.redundancyNumber, 0)).toBeCloseTo(found.redundancy, 6);
  });

  it('names the blunder, and never one that fits much better', () => {
    const named = tapes.filter((_, wrong) => {
      const spoilt = tapes.map((tape, i) => (i === wrong ? { ...tape, length: tape.length + 40 } : tape));
      const found = tapeNetwork({ points, tapes: spoilt });
      const size = (i: number) => Math.abs(found.tapes[i]!.normalised!);
      expect(found.suspect).not.toBeNull();
      expect(size(wrong)).toBeGreaterThan(0.85 * size(found.suspect!));
      return found.suspect === wrong;
    });
    expect(named.length).toBeGreaterThanOrEqual(tapes.length - 3);
  });

  it('says so where too few tapes tell which one it is', () => {
    const square: NetworkPoint[] = [
      { id: 'A', x: 0, y: 0, fixed: ['x', 'y'] },
      { id: 'B', x: 1000, y: 0, fixed: ['y'] },
      { id: 'C', x: 1000, y: 800 },
      { id: 'D', x: 0, y: 800 },
    ];
    const ends = ['AB', 'BC', 'CD', 'DA', 'AC', 'BD'];
    const lengths = [1000, 800, 1000, 800, 1280.6, 1290.6];
    const six = ends.map((pair, i): Tape => ({ from: pair[0]!, to: pair[1]!, length: lengths[i]!, sd: 1 }));
    expect(tapeNetwork({ points: square, tapes: six }).alike).toHaveLength(6);
    expect(() => tapeNetwork({ points: square, tapes: six.slice(0, 4) })).toThrow(
      expect.objectContaining({ code: 'undetermined' }),
    );
    expect(() => tapeNetwork({ points: square, tapes: six.slice(0, 2) })).toThrow(/No tape leads to D/);
    // Nothing fixed: the same shape, wherever it lies.
    const free = tapeNetwork({ points: square.map(({ id, x, y }) => ({ id, x, y })), tapes: six });
    const held = tapeNetwork({ points: square, tapes: six });
    expect(free.sigma0).toBeCloseTo(held.sigma0!, 6);
    expect(free.redundancy).toBe(held.redundancy);
  });

  it('works in space', () => {
    const box: NetworkPoint[] = [
      { id: 'A', x: 0, y: 0, z: 0, fixed: ['x', 'y', 'z'] },
      { id: 'B', x: 1000, y: 0, z: 0, fixed: ['y', 'z'] },
      { id: 'C', x: 0, y: 800, z: 0, fixed: ['z'] },
      { id: 'D', x: 300, y: 300, z: 500 },
      { id: 'E', x: 700, y: 500, z: 650 },
    ];
    const true3 = box.map((p, i) => ({
      ...p,
      x: p.x + (i > 0 ? i : 0),
      y: p.y - (i > 1 ? i : 0),
      z: p.z! + (i > 2 ? i : 0),
    }));
    const all = true3.flatMap((a, i) =>
      true3
        .slice(i + 1)
        .map((b): Tape => ({ from: a.id, to: b.id, sd: 1, length: Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z) })),
    );
    const found = tapeNetwork({ points: box, tapes: all });
    true3.forEach((p, i) =>
      expect(Math.hypot(found.points[i]!.x - p.x, found.points[i]!.y - p.y, found.points[i]!.z! - p.z)).toBeLessThan(
        1e-5,
      ),
    );
    expect(found.redundancy).toBe(1);
  });
});

describe('hold.gaps', () => {
  it('finds the movement that was made, and the shims that undo it', () => {
    fc.assert(
      fc.property(num(-4, 4), num(-4, 4), num(-0.4, 0.4), (u, v, degrees) => {
        const turn = (degrees * Math.PI) / 180;
        const edges = [
          [0, 100, 180],
          [0, 900, 180],
          [1000, 150, 0],
          [1000, 850, 0],
          [500, 0, -90],
          [400, 1000, 90],
        ] as const;
        const about = [edges.reduce((s, e) => s + e[0], 0) / 6, edges.reduce((s, e) => s + e[1], 0) / 6] as const;
        const move = (x: number, y: number) => [u - turn * (y - about[1]), v + turn * (x - about[0])] as const;
        const readings = edges.map(([x, y, normal]) => {
          const [dx, dy] = move(x, y);
          return {
            u: x,
            v: y,
            normal,
            wanted: 5,
            gap: 5 - (dx * Math.cos((normal * Math.PI) / 180) + dy * Math.sin((normal * Math.PI) / 180)),
          };
        });
        const found = gaps({ readings, mounts: [{ id: 'hinge', x: 0, y: 800 }], shimStep: 0.25 });
        expect(found.movement.u).toBeCloseTo(u, 6);
        expect(found.movement.v).toBeCloseTo(v, 6);
        expect(found.movement.turn).toBeCloseTo(degrees, 6);
        expect(found.rms).toBeLessThan(1e-9);
        expect(found.mounts[0]!.u).toBeCloseTo(-move(0, 800)[0], 6);
        expect(Math.abs(found.mounts[0]!.shimU - found.mounts[0]!.u)).toBeLessThan(0.126);
      }),
    );
  });

  it('keeps what no movement explains as a residual, and refuses gaps on one side only', () => {
    const side = (v: number, gap: number) => ({ u: 0, v, normal: [-1, 0] as const, gap, wanted: 5 });
    const bulge = [
      side(0, 5),
      side(500, 2),
      side(1000, 5),
      { u: 500, v: 0, normal: -90, gap: 5, wanted: 5 },
      { u: 900, v: 400, normal: 0, gap: 5, wanted: 5 },
    ];
    expect(gaps({ readings: bulge, mounts: [] }).rms).toBeGreaterThan(0.5);
    expect(() => gaps({ readings: bulge.slice(0, 3), mounts: [] })).toThrow(
      expect.objectContaining({ code: 'undetermined' }),
    );
  });
});

describe('hold.braces', () => {
  const frame = {
    joints: [
      [0, 0],
      [1000, 0],
      [1000, 1000],
      [0, 1000],
    ] as [number, number][],
    sides: [
      [0, 1],
      [1, 2],
      [2, 3],
      [3, 0],
    ] as [number, number][],
    lost: [] as [number, number][],
    braces: [] as [number, number][],
    tube: { outer: 25, wall: 1.5 },
    load: 1000,
  };

  // Laman 1970: a plane frame is rigid with 2n − 3 well-placed bars; four hinged bars are not, a diagonal makes them so.
  it('a square of hinges folds until it has a diagonal', () => {
    expect(braces(frame)).toMatchObject({ triangulated: false, loose: 1 });
    expect(braces({ ...frame, braces: [[0, 2]] })).toMatchObject({ triangulated: true });
    expect(braces({ ...frame, braces: [[0, 2]], lost: [[0, 1]] }).swings).toContain(1);
    expect(
      braces({
        ...frame,
        braces: [
          [0, 2],
          [1, 3],
        ],
        lost: [[0, 1]],
      }).triangulated,
    ).toBe(true);
  });

  // Euler: π²·E·I/L²; I of the tube 25 × 1.5 by hand: π/64·(25⁴ − 22⁴) = 7,675.9 mm⁴.
  it('buckles where Euler says', () => {
    const [diagonal] = braces({ ...frame, braces: [[0, 2]] }).braces;
    expect(diagonal!.buckling).toBeCloseTo((Math.PI ** 2 * 207_000 * 7675.9) / 2e6, -1);
    expect(diagonal!.reserve).toBeCloseTo(diagonal!.buckling / 1000, 9);
  });

  it.each([
    [{ braces: [[0, 9]] }, 'braces[0][1]'],
    [{ braces: [[1, 1]] }, 'braces[0]'],
    [{ tube: { outer: 10, wall: 9 } }, 'tube.wall'],
  ])('refuses by field (%#)', (bad, field) => {
    expect(() => braces({ ...frame, ...bad } as never)).toThrow(expect.objectContaining({ field }));
  });
});
