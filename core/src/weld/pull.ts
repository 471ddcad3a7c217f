import { finite, list } from '../check.ts';
import { between, lineLength, pointAt, toLine, unit, minus, type Point } from '../geometry/index.ts';
import { straightRuns } from '../repair/index.ts';
import { SOFT, stitchSection } from './distortion.ts';
import type { WeldStep } from './planTypes.ts';

export interface PullInput {
  joints: readonly { points: readonly Point[]; closed: boolean; name: string }[];
  steps: readonly Pick<WeldStep, 'kind' | 'seam' | 'from' | 'to' | 'temperature'>[];
  /** mm */
  thickness: number;
  /** Narrow side of the panel, mm: what of the sheet resists along a seam. */
  width: number;
  /** °C */
  ambient?: number;
}

/** How a straight run of a seam draws the sheet together. */
export interface SeamPull {
  joint: number;
  name: string;
  /** Its middle and the direction in which it runs. */
  at: Point;
  along: Point;
  /** mm by which the two sides are drawn towards each other, and by which it grows shorter itself. */
  across: number;
  lengthwise: number;
}

/** Lengthwise shrinkage as a share of the length, for a weld as large as what resists it. */
const LENGTHWISE = 0.025;

/**
 * Where does a plan draw the sheet together? Each straight run of its seams by the stitches on it: across, 0.10·A_w/t,
 * more where a stitch starts warm, less where only a part is stitched; lengthwise, 0.025·L·A_w/A_p. It compares places
 * and plans; it is no forecast.
 *
 * @param input mm, °C
 * @returns one for each run that has a stitch, mm
 * @throws Problem naming the field
 * Source: Blodgett, Design of Weldments (both relations from memory); heat: common practice, no published source.
 * @example pull({ joints: [{ name: 'seam', closed: false, points: [[0, 0], [100, 0]] }], steps: [{ kind: 'stitch', seam: 0, from: [0, 0], to: [100, 0], temperature: 20 }], thickness: 1, width: 300 }).map(({ across }) => across.toFixed(2)) // → ["0.15"]
 */
export function pull({ joints, steps, thickness, width, ambient = 20 }: PullInput): SeamPull[] {
  finite('thickness', thickness, { min: 0.05, max: 50, unit: 'mm' });
  finite('width', width, { min: 1, max: 1e5, unit: 'mm' });
  finite('ambient', ambient, { min: -60, max: 300, unit: '°C' });
  const section = stitchSection(thickness);
  return list<PullInput['joints'][number]>('joints', joints, 0, 500).flatMap((joint, seam): SeamPull[] => {
    const line = joint.closed ? [...joint.points, joint.points[0]!] : joint.points;
    const runs = straightRuns(line).map((run) => ({ run, stitched: 0, hot: 0 }));
    for (const step of steps) {
      if (step.kind !== 'stitch' || step.seam !== seam || !step.from || !step.to) continue;
      const middle: Point = [(step.from[0] + step.to[0]) / 2, (step.from[1] + step.to[1]) / 2];
      const own = runs.reduce((a, b) => (toLine(middle, b.run) < toLine(middle, a.run) ? b : a));
      const length = between(step.from, step.to);
      own.stitched += length;
      own.hot += (length * (SOFT - ambient)) / (SOFT - Math.min(SOFT - 50, step.temperature ?? ambient));
    }
    return runs
      .filter(({ stitched }) => stitched > 0)
      .map(({ run, stitched, hot }): SeamPull => {
        const length = lineLength(run);
        const share = Math.min(1, stitched / length) * (hot / stitched);
        return {
          ...{ joint: seam, name: joint.name },
          at: pointAt(run, length / 2),
          // Its ends are rounded: as it runs in its middle.
          along: unit(minus(pointAt(run, 0.6 * length), pointAt(run, 0.4 * length))),
          across: ((0.1 * section) / thickness) * share,
          lengthwise: LENGTHWISE * length * (section / (thickness * width)) * share,
        };
      });
  });
}
