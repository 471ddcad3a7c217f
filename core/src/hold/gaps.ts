import { Matrix, SingularValueDecomposition } from 'ml-matrix';
import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import type { Point } from '../geometry/index.ts';
import { ROUNDING } from '../tolerances.ts';

export interface GapReading {
  /** Place on the edge of the panel, mm. */
  u: number;
  v: number;
  /** Which way the edge looks, out of the panel: [x, y], or degrees anticlockwise from u. */
  normal: Point | number;
  /** mm */
  gap: number;
  wanted: number;
}
export interface Mount {
  id: string;
  x: number;
  y: number;
}
export interface GapFit {
  /** How the panel has moved from where all gaps were as wanted: mm and degrees (anticlockwise, about the middle of the readings). */
  movement: { u: number; v: number; turn: number };
  about: Point;
  /** Gap less wanted that no movement explains: edges that are bent or of another shape, mm. */
  residuals: number[];
  rms: number;
  /** What each mount must be moved by to bring the gaps back, and the shims that do it. */
  mounts: { id: string; u: number; v: number; shimU: number; shimV: number }[];
}

/**
 * Which rigid movement of the panel explains its gaps, and which shims at the mounts bring it
 * back? A panel that moves by d closes a gap whose edge looks along n by n·d.
 *
 * @param readings 3 to 500; mm
 * @param mounts places where shims go, mm
 * @param shimStep thickness of the thinnest shim at hand, mm; 0.5 when left out
 * @throws Problem `undetermined` where the readings leave a movement open
 * Source: small rigid movements, least squares; common practice (T-31), no published source.
 */
export function gaps({
  readings,
  mounts,
  shimStep = 0.5,
}: {
  readings: readonly GapReading[];
  mounts: readonly Mount[];
  shimStep?: number;
}): GapFit {
  finite('shimStep', shimStep, { min: 0.01, max: 50, unit: 'mm' });
  const edges = list<GapReading>('readings', readings, 3, 500).map((reading, i) => ({
    place: [
      finite(`readings[${i}].u`, reading?.u, { min: -1e6, max: 1e6, unit: 'mm' }),
      finite(`readings[${i}].v`, reading.v, { min: -1e6, max: 1e6, unit: 'mm' }),
    ] as Point,
    normal: direction(`readings[${i}].normal`, reading.normal),
    excess:
      finite(`readings[${i}].gap`, reading.gap, { min: -100, max: 500, unit: 'mm' }) -
      finite(`readings[${i}].wanted`, reading.wanted, { min: 0, max: 500, unit: 'mm' }),
  }));
  list<Mount>('mounts', mounts, 0, 50).forEach((mount, i) => {
    finite(`mounts[${i}].x`, mount?.x, { min: -1e6, max: 1e6, unit: 'mm' });
    finite(`mounts[${i}].y`, mount.y, { min: -1e6, max: 1e6, unit: 'mm' });
  });
  const n = edges.length;
  const about: Point = [edges.reduce((s, e) => s + e.place[0], 0) / n, edges.reduce((s, e) => s + e.place[1], 0) / n];
  const size = Math.max(1, ...edges.map((e) => Math.hypot(e.place[0] - about[0], e.place[1] - about[1])));
  // Unknowns: shift u, shift v, and turn as the movement it makes at the farthest reading.
  const rows = edges.map(({ place, normal }) => {
    const [ru, rv] = [(place[0] - about[0]) / size, (place[1] - about[1]) / size];
    return [-normal[0], -normal[1], -(normal[1] * ru - normal[0] * rv)];
  });
  const svd = new SingularValueDecomposition(new Matrix(rows), { autoTranspose: true });
  if (svd.diagonal[2]! < 1e-6 * svd.diagonal[0]!)
    refuse('undetermined', 'readings', 'These gaps leave a movement of the panel open; read gaps on another side too.');
  const solved = svd.solve(Matrix.columnVector(edges.map((e) => e.excess))).to1DArray() as [number, number, number];
  const [u, v, swing] = solved;
  const turn = swing / size;
  const residuals = edges.map((e, i) => e.excess - rows[i]!.reduce((sum, x, k) => sum + x * solved[k]!, 0));
  const stepped = (mm: number) => Math.round(mm / shimStep) * shimStep || 0;
  return {
    movement: { u, v, turn: (turn * 180) / Math.PI },
    about,
    residuals,
    rms: Math.sqrt(residuals.reduce((sum, r) => sum + r * r, 0) / n),
    mounts: mounts.map(({ id, x, y }) => {
      const back = [-(u - turn * (y - about[1])) || 0, -(v + turn * (x - about[0])) || 0] as const;
      return { id, u: back[0], v: back[1], shimU: stepped(back[0]), shimV: stepped(back[1]) };
    }),
  };
}

function direction(field: string, normal: unknown): Point {
  if (typeof normal === 'number') {
    const turn = (finite(field, normal, { min: -360, max: 360, unit: '°' }) * Math.PI) / 180;
    return [Math.cos(turn), Math.sin(turn)];
  }
  const pair = list<number>(field, normal, 2, 2);
  const [x, y] = [
    finite(`${field}[0]`, pair[0], { min: -1e9, max: 1e9 }),
    finite(`${field}[1]`, pair[1], { min: -1e9, max: 1e9 }),
  ];
  const length = Math.hypot(x, y);
  if (!(length > ROUNDING)) refuse('no-direction', field, `${field} has no length; it must point out of the panel.`);
  return [x / length, y / length];
}
