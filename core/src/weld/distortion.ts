import { finite, list } from '../check.ts';
import type { Point } from '../geometry/index.ts';
import { ROUNDING } from '../tolerances.ts';

export interface DistortionInput {
  /** In the order of welding. */
  stitches: readonly { at: Point; length: number; temperature: number }[];
  /** mm */
  thickness: number;
  /** Section of the weld, mm²; 1.5·t² when left out. */
  weldArea?: number;
  /** Narrow side of the panel between its stiff edges, mm. */
  width: number;
  /** °C */
  ambient?: number;
}
export interface Distortion {
  /** Compares plans for the same joint; it is no forecast in millimetres. */
  index: number;
  /** Transverse shrinkage of a cold stitch, mm. */
  shrinkage: number;
  /** By how much the plan strays from welding evenly around its middle, as a share of the size of the joint. */
  imbalance: number;
  /** Stress at which the panel buckles between its stiff edges, MPa. */
  buckling: number;
}

/** °C at which mild steel has hardly any strength left and is upset instead of pushing; memory. */
export const SOFT = 600;
/** Section of a stitch in sheet, mm²; common practice, no published source. */
export const stitchSection = (thickness: number): number => 1.5 * thickness * thickness;
const E = 207_000;
const POISSON = 0.3;
/** Long plate, simply supported on all sides. */
const PLATE = 4;

/**
 * Which of two plans for the same joint pulls the sheet about less? Transverse shrinkage
 * 0.10·A_w/t of every stitch, larger the hotter it starts, times one plus the mean imbalance of
 * what has been welded so far. Compares plans; it is no forecast in millimetres.
 *
 * @param stitches 1 to 2,000 in order; place mm, length mm, start temperature °C
 * @throws Problem naming the field
 * Source: shrinkage: Blodgett, Design of Weldments (memory); buckling kπ²E/(12(1−ν²))·(t/b)²:
 *   Timoshenko; heat and order: common practice, no published source.
 */
export function distortion({ stitches, thickness, weldArea, width, ambient = 20 }: DistortionInput): Distortion {
  finite('thickness', thickness, { min: 0.05, max: 50, unit: 'mm' });
  finite('width', width, { min: 1, max: 1e5, unit: 'mm' });
  finite('ambient', ambient, { min: -60, max: 300, unit: '°C' });
  const section =
    weldArea === undefined
      ? stitchSection(thickness)
      : finite('weldArea', weldArea, { above: 0, max: 1e4, unit: 'mm²' });
  const done = list<DistortionInput['stitches'][number]>('stitches', stitches, 1, 2000).map((stitch, i) => ({
    u: finite(`stitches[${i}].at[0]`, stitch?.at?.[0], { min: -1e6, max: 1e6, unit: 'mm' }),
    v: finite(`stitches[${i}].at[1]`, stitch.at[1], { min: -1e6, max: 1e6, unit: 'mm' }),
    length: finite(`stitches[${i}].length`, stitch.length, { above: 0, max: 1e5, unit: 'mm' }),
    temperature: finite(`stitches[${i}].temperature`, stitch.temperature, { min: -60, max: SOFT - 50, unit: '°C' }),
  }));
  const shrinkage = (0.1 * section) / thickness;
  const total = done.reduce((sum, s) => sum + s.length, 0);
  const hot = done.reduce((sum, s) => sum + (s.length * (SOFT - ambient)) / (SOFT - s.temperature), 0) / total;
  const imbalance = meanImbalance(done, total);
  return {
    index: shrinkage * hot * (1 + imbalance),
    shrinkage,
    imbalance,
    buckling: ((PLATE * Math.PI ** 2 * E) / (12 * (1 - POISSON ** 2))) * (thickness / width) ** 2,
  };
}

function meanImbalance(done: readonly { u: number; v: number; length: number }[], total: number): number {
  const u = done.reduce((sum, s) => sum + s.u * s.length, 0) / total;
  const v = done.reduce((sum, s) => sum + s.v * s.length, 0) / total;
  const size = Math.sqrt(done.reduce((sum, s) => sum + s.length * ((s.u - u) ** 2 + (s.v - v) ** 2), 0) / total);
  if (size < ROUNDING) return 0;
  let [du, dv, strayed] = [0, 0, 0];
  for (const s of done) {
    du += (s.u - u) * s.length;
    dv += (s.v - v) * s.length;
    strayed += (Math.hypot(du, dv) / total) * s.length;
  }
  return strayed / total / size;
}
