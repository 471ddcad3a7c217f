import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { between, type Point } from '../geometry/index.ts';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';

export interface BraceInput {
  /** Corners of the opening and further joints, mm. */
  joints: readonly Point[];
  /** Sides of the opening that stay, as pairs of joint numbers. */
  sides: readonly (readonly [number, number])[];
  /** Sides that are lost while the repair lasts. */
  lost: readonly (readonly [number, number])[];
  braces: readonly (readonly [number, number])[];
  /** Round tube of the braces, mm. */
  tube: { outer: number; wall: number };
  /** Greatest push along a brace that is reckoned with, N. */
  load: number;
  /** MPa; 207,000 when left out. */
  modulus?: number;
  /** Effective length over length: 1 pinned, 0.7 one end welded stiff. */
  endFactor?: number;
}

export interface BraceCheck {
  /** True where what stays and the braces cannot change shape in the plane. */
  triangulated: boolean;
  /** Movements that are still open. */
  loose: number;
  /** Joint numbers that move most in the first open movement. */
  swings: number[];
  braces: { length: number; buckling: number; reserve: number; slenderness: number }[];
  /** Reserve against buckling that is usual for a brace. */
  usualReserve: number;
}

/** Common practice, no published source: braces are bumped, climbed on and pulled against. */
const USUAL_RESERVE = 3;

/**
 * Does the opening keep its shape while sides are missing, and does no brace buckle? Rank of
 * the rigidity matrix in the plane, joints taken as hinges; Euler buckling π²EI/(K·L)².
 *
 * @param joints 3 to 100, mm; load N; tube mm
 * @throws Problem naming the field
 * Source: Maxwell 1864, Laman 1970 (rigidity); Euler 1744 (buckling).
 */
export function braces({
  joints,
  sides,
  lost,
  braces: given,
  tube,
  load,
  modulus = 207_000,
  endFactor = 1,
}: BraceInput): BraceCheck {
  const places = list<Point>('joints', joints, 3, 100).map((p, i): Point => [
    finite(`joints[${i}][0]`, p?.[0], { min: -1e5, max: 1e5, unit: 'mm' }),
    finite(`joints[${i}][1]`, p?.[1], { min: -1e5, max: 1e5, unit: 'mm' }),
  ]);
  const pairs = (field: string, all: readonly (readonly [number, number])[]) =>
    list<readonly [number, number]>(field, all, 0, 400).map((pair, i) => {
      for (const k of [0, 1] as const) {
        finite(`${field}[${i}][${k}]`, pair?.[k], { min: 0, max: places.length - 1 });
        if (!Number.isInteger(pair[k]))
          refuse('not-whole', `${field}[${i}][${k}]`, `${field}[${i}][${k}] must be the number of a joint.`);
      }
      if (!(between(places[pair[0]]!, places[pair[1]]!) > 1))
        refuse('no-length', `${field}[${i}]`, `${field}[${i}] joins two joints less than 1 mm apart.`);
      return pair;
    });
  const [kept, gone, braced] = [pairs('sides', sides), pairs('lost', lost), pairs('braces', given)];
  finite('tube.outer', tube?.outer, { above: 0, max: 500, unit: 'mm' });
  finite('tube.wall', tube.wall, { above: 0, max: tube.outer / 2, unit: 'mm' });
  finite('load', load, { above: 0, max: 1e7, unit: 'N' });
  finite('modulus', modulus, { min: 1000, max: 1e6, unit: 'MPa' });
  finite('endFactor', endFactor, { min: 0.5, max: 2 });
  const same = (a: readonly [number, number], b: readonly [number, number]) =>
    (a[0] === b[0] && a[1] === b[1]) || (a[0] === b[1] && a[1] === b[0]);
  const members = [...kept.filter((side) => !gone.some((other) => same(side, other))), ...braced];
  const { loose, swings } = rigidity(places, members);
  const inner = tube.outer - 2 * tube.wall;
  const inertia = (Math.PI / 64) * (tube.outer ** 4 - inner ** 4);
  const gyration = Math.sqrt((tube.outer ** 2 + inner ** 2) / 16);
  return {
    triangulated: loose === 0,
    loose,
    swings,
    braces: braced.map(([a, b]) => {
      const length = between(places[a]!, places[b]!);
      const buckling = (Math.PI ** 2 * modulus * inertia) / (endFactor * length) ** 2;
      return { length, buckling, reserve: buckling / load, slenderness: (endFactor * length) / gyration };
    }),
    usualReserve: USUAL_RESERVE,
  };
}

function rigidity(
  joints: readonly Point[],
  members: readonly (readonly [number, number])[],
): { loose: number; swings: number[] } {
  const used = [...new Set(members.flat())].sort((a, b) => a - b);
  const apart = joints.map((_, i) => i).filter((i) => !used.includes(i));
  if (apart.length > 0 || members.length === 0) return { loose: Math.max(1, 2 * apart.length), swings: apart };
  const n = joints.length;
  // Three supports (joint 0 held, the farthest one kept from turning) take out the movements of the whole.
  const far = joints.reduce(
    (best, p, i) => (between(p, joints[0]!) > between(joints[best]!, joints[0]!) ? i : best),
    1,
  );
  const rows = members.map(([a, b]) => {
    const row = new Array<number>(2 * n).fill(0);
    const length = between(joints[a]!, joints[b]!);
    for (const k of [0, 1] as const) {
      const d = (joints[b]![k] - joints[a]![k]) / length;
      row[2 * a + k] = -d;
      row[2 * b + k] = d;
    }
    return row;
  });
  const unit = (i: number) => Array.from({ length: 2 * n }, (_, k) => (k === i ? 1 : 0));
  const across = Array.from({ length: 2 * n }, (_, k) => {
    const d = between(joints[far]!, joints[0]!);
    if (k === 2 * far) return -(joints[far]![1] - joints[0]![1]) / d;
    return k === 2 * far + 1 ? (joints[far]![0] - joints[0]![0]) / d : 0;
  });
  const all = new Matrix([...rows, unit(0), unit(1), across]);
  const padded =
    all.rows >= all.columns
      ? all
      : new Matrix([
          ...all.to2DArray(),
          ...Array.from({ length: all.columns - all.rows }, () => new Array<number>(all.columns).fill(0)),
        ]);
  const svd = new SingularValueDecomposition(padded);
  const open = svd.diagonal.flatMap((value, i) => (value < 1e-8 * svd.diagonal[0]! ? [i] : []));
  const first = open[0];
  if (first === undefined) return { loose: 0, swings: [] };
  const sway = joints.map((_, i) =>
    Math.hypot(svd.rightSingularVectors.get(2 * i, first), svd.rightSingularVectors.get(2 * i + 1, first)),
  );
  const most = Math.max(...sway);
  return { loose: open.length, swings: sway.flatMap((s, i) => (s > most / 2 ? [i] : [])) };
}
