import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lineLength, type Point } from '../geometry/index.ts';
import { roundCorners } from '../cut/enclose.ts';
import { closedJoints, straightRuns, type JointChoice, type PieceJoint } from './index.ts';

/** Round a patch, its corners rounded as the saw goes. */
const around = ([u, v]: Point, w: number, h: number): Point[] => {
  const ring = roundCorners(
    [
      [u, v],
      [u + w, v],
      [u + w, v + h],
      [u, v + h],
    ],
    15,
  );
  return [...ring, ring[0]!];
};
const cut = (line: Point[]): PieceJoint => ({
  ...{ kind: 'cut', name: 'in the sheet', fasteners: 0 },
  ...{ line, length: lineLength(line) },
});
const patch = cut(around([0, 0], 400, 300));
const only = (at: [number, number], closing: JointChoice['closing']): JointChoice => ({
  at,
  kind: 'cut',
  closing,
  alone: true,
});
const closings = (choices: JointChoice[], joint = patch) =>
  closedJoints([joint], { visible: false, choices }).map(({ closing, alone = false }) => [closing, alone]);

describe('the runs of a cut', () => {
  it('go from corner to corner and cover it once, whatever its size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 90, max: 900 }), fc.integer({ min: 90, max: 900 }), (w, h) => {
        const line = around([0, 0], w, h);
        const runs = straightRuns(line);
        expect(runs.reduce((sum, run) => sum + lineLength(run), 0)).toBeCloseTo(lineLength(line), 3);
        runs
          .slice(1)
          .forEach((run, i) =>
            expect(Math.hypot(run[0]![0] - runs[i]!.at(-1)![0], run[0]![1] - runs[i]!.at(-1)![1])).toBeLessThan(1e-6),
          );
        expect(runs.length).toBeGreaterThanOrEqual(4);
        expect(runs.length).toBeLessThanOrEqual(5);
      }),
    );
  });

  it('are one joint until something is said of one alone; then the rest stays together', () => {
    expect(closings([])).toEqual([['butt', false]]);
    expect(closings([only([200, 300], 'joggle')])).toEqual(
      expect.arrayContaining([
        ['joggle', true],
        ['butt', false],
      ]),
    );
    expect(closings([only([200, 300], 'joggle')])).toHaveLength(2);
    // Two opposite ones leave two parts between them.
    expect(closings([only([200, 300], 'joggle'), only([200, 0], 'lap')])).toHaveLength(4);
    const all: JointChoice = { at: [400, 150], kind: 'cut', closing: 'lap' };
    expect(closings([all, only([200, 300], 'joggle')])).toEqual(
      expect.arrayContaining([
        ['joggle', true],
        ['lap', false],
      ]),
    );
  });

  it('keep their whole length, and a joggled one has its plugs', () => {
    const joints = closedJoints([patch], { visible: false, choices: [only([200, 300], 'joggle')] });
    expect(joints.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(patch.length, 3);
    const own = joints.find(({ alone }) => alone)!;
    expect(own.length).toBeGreaterThan(360);
    expect(own.length).toBeLessThan(425);
    expect(own.welds).toBe(Math.round(own.length / 35));
  });

  it('of another patch are not meant', () => {
    const other = cut(around([900, 0], 200, 200));
    expect(closedJoints([patch, other], { visible: false, choices: [only([1000, 200], 'lap')] })).toHaveLength(3);
    expect(closings([only([1000, 200], 'lap')])).toEqual([['butt', false]]);
  });
});
