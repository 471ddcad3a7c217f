import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lineLength, type Point } from '../geometry/index.ts';
import { compareWelds, STRATEGIES } from './compareWelds.ts';
import { planRepair } from './planRepair.ts';
import { weldNames } from './weldNames.ts';
import { isHot, type RepairWeldInput, type WeldJoint, type WeldStep } from './planTypes.ts';
import { weldId } from './seamWelds.ts';

/** A sill end of 400 × 150 mm: cut across the sheet at one end, spotted flanges above and below, free at the other. */
const line = (...points: Point[]) => points;
const butt: WeldJoint = { name: 'in the sheet', kind: 'cut', closing: 'butt', welds: 0, line: line([0, 0], [0, 150]) };
const lower: WeldJoint = { name: 'floor edge', kind: 'spot', closing: 'plug', welds: 9, line: line([0, 0], [400, 0]) };
const upper: WeldJoint = { ...lower, name: 'sill top', welds: 8, sheets: 3, line: line([0, 150], [400, 150]) };
const sill: RepairWeldInput = { process: 'mig', thickness: 0.9, joints: [butt, lower, upper] };
const kinds = (steps: readonly WeldStep[]) => [...new Set(steps.map(({ kind }) => kind))];
const idOf = ({ kind, from, to }: WeldStep) => weldId(kind, from!, to!);

describe('the welds of a whole repair', () => {
  it('come in the order of the work: prepared, tacked, flanges plugged, then stitched, dressed and sealed', () => {
    const { steps } = planRepair(sill);
    expect(kinds(steps)).toEqual(['prepare', 'check', 'tack', 'plug', 'stitch', 'dress', 'seal']);
    expect(steps.filter(({ kind }) => kind === 'plug')).toHaveLength(17);
    const stitched = steps
      .filter(({ kind }) => kind === 'stitch')
      .reduce((sum, { from, to }) => sum + lineLength([from!, to!]), 0);
    expect(stitched).toBeCloseTo(150, 6);
    expect(steps.map(({ n }) => n)).toEqual(steps.map((_, i) => i + 1));
    expect(steps.filter(({ kind, seam }) => kind === 'plug' && seam === 2)[0]!.text).toMatch(/all 3 sheets/);
  });

  it('put bolts in first, because they locate the panel, and do them up last', () => {
    const bolted: WeldJoint = { ...lower, kind: 'bolt', closing: 'bolt', welds: 4 };
    const { steps } = planRepair({ ...sill, joints: [bolted, upper] });
    const at = steps.filter(({ kind }) => kind === 'bolt').map(({ n }) => n);
    const hot = steps.filter(isHot).map(({ n }) => n);
    expect(at).toHaveLength(2);
    expect(at[0]!).toBeLessThan(hot[0]!);
    expect(at[1]!).toBeGreaterThan(hot.at(-1)!);
  });

  it('a panel that is only bolted on has a plan without any heat', () => {
    const bolted: WeldJoint = { ...lower, kind: 'bolt', closing: 'bolt', welds: 4 };
    const plan = planRepair({ ...sill, joints: [bolted] });
    expect(plan.steps.some(isHot)).toBe(false);
    expect(plan).toMatchObject({ arcTime: 0, hottestStart: 20, distortionIndex: 0, stitches: 0 });
    expect(kinds(plan.steps)).not.toContain('dress');
  });

  it('have one tack where two seams of a parted cut meet', () => {
    const [a, b]: WeldJoint[] = [
      { name: 'one run', kind: 'cut', closing: 'butt', welds: 0, line: line([0, 0], [200, 0]) },
      { name: 'the next', kind: 'cut', closing: 'lap', welds: 0, line: line([200, 0], [200, 150]) },
    ] as [WeldJoint, WeldJoint];
    const { steps } = planRepair({ ...sill, joints: [a, b] });
    const tacks = steps.filter(({ kind }) => kind === 'tack').map(({ from }) => from!);
    expect(tacks.filter(([u, v]) => Math.hypot(u - 200, v) < 5)).toHaveLength(1);
    tacks.forEach((p, i) =>
      tacks.slice(i + 1).forEach((q) => expect(Math.hypot(p[0] - q[0], p[1] - q[1])).toBeGreaterThan(3)),
    );
  });

  it('fold a hem over before its small welds, three to five on a side (T-36, common practice)', () => {
    const hem: WeldJoint = { name: 'lower edge', kind: 'hem', closing: 'hem', welds: 0, line: line([0, 0], [900, 0]) };
    const { steps } = planRepair({ ...sill, joints: [hem] });
    const counted = planRepair({ ...sill, joints: [{ ...hem, welds: 3 }] });
    expect(counted.steps.filter(({ kind }) => kind === 'tack')).toHaveLength(3);
    expect(kinds(steps)).toEqual(['prepare', 'check', 'hem', 'tack', 'dress', 'seal']);
    expect(steps.filter(({ kind }) => kind === 'tack')).toHaveLength(5);
  });

  it('set rivets and braze without arc, from the middle outward', () => {
    const braze: WeldJoint = { ...lower, kind: 'braze', closing: 'braze', welds: 0 };
    const rivet: WeldJoint = { ...upper, kind: 'rivet', closing: 'rivet', welds: 12 };
    const { steps } = planRepair({ ...sill, joints: [braze, rivet] });
    const brazed = steps.filter(({ kind }) => kind === 'braze').map(({ from }) => Math.abs(from![0] - 200));
    expect(brazed).toEqual([...brazed].sort((a, b) => a - b));
    expect(steps.filter(({ kind }) => kind === 'rivet')[0]!.text).toMatch(/12 rivets/);
    expect(steps.some(isHot)).toBe(false);
  });

  it('weld up a hole for every second weld where screws have held it (T-41, T-48)', () => {
    const { steps } = planRepair({ ...sill, holding: 'screws' });
    expect(steps.filter(({ kind }) => kind === 'hole')).toHaveLength(8);
    expect(planRepair(sill).steps.filter(({ kind }) => kind === 'hole')).toHaveLength(0);
  });

  it('begin a row where a person says, leave out what he bars, and plan the rest around it', () => {
    const end = weldId('plug', [400 - 400 / 18, 0], [400 - 400 / 18, 0]);
    const { steps } = planRepair({ ...sill, first: [end] });
    const row = steps.filter(({ kind, seam }) => kind === 'plug' && seam === 1);
    expect(idOf(row[0]!)).toBe(end);
    expect(row.map(({ from }) => from![0])).toEqual(row.map(({ from }) => from![0]).sort((a, b) => b - a));
    const without = planRepair({ ...sill, barred: [end] }).steps.filter(({ kind }) => kind === 'plug');
    expect(without).toHaveLength(16);
    expect(without.map(idOf)).not.toContain(end);
    const stitches = planRepair(sill).steps.filter(({ kind }) => kind === 'stitch');
    const last = idOf(stitches.at(-1)!);
    const asked = planRepair({ ...sill, first: [last] }).steps.filter(({ kind }) => kind === 'stitch');
    expect(asked.slice(0, 3).map(idOf)).toContain(last);
    expect(asked).toHaveLength(stitches.length);
  });

  it('cost no more time by the coolest place than by skipping, and the same arc in every strategy', () => {
    const all = compareWelds(sill);
    const by = (strategy: string) => all.find((one) => one.strategy === strategy)!;
    expect(all.map(({ strategy }) => strategy)).toEqual([...STRATEGIES]);
    expect(by('coolest').totalTime).toBeLessThanOrEqual(by('skip').totalTime + 1e-6);
    for (const { arcTime, hottestStart } of all) {
      expect(arcTime).toBeCloseTo(by('coolest').arcTime, 6);
      expect(hottestStart).toBeLessThanOrEqual(50 + 1e-6);
    }
  });

  it('have names that no two of them share, and that are gone when the pitch moves them', () => {
    const names = weldNames(sill);
    expect(new Set(names).size).toBe(names.length);
    expect(names).toEqual(expect.arrayContaining(planRepair(sill).steps.filter(isHot).map(idOf)));
    const tacks = names.filter((name) => name.startsWith('tack'));
    expect(tacks.some((name) => !weldNames({ ...sill, pitch: 17 }).includes(name))).toBe(true);
  });

  it('turn the car once for each other position', () => {
    const { steps } = planRepair({ ...sill, joints: [butt, lower, { ...upper, position: 'overhead' }] });
    const turn = steps.findIndex(({ kind }) => kind === 'turn');
    expect(steps.filter(({ kind }) => kind === 'turn')).toHaveLength(1);
    expect(steps.slice(0, turn).some(({ seam, kind }) => kind === 'plug' && seam === 2)).toBe(false);
    expect(steps.slice(turn).every(({ seam, kind }) => kind !== 'plug' || seam === 2)).toBe(true);
  });

  it('are hotter by gas than by TIG, and wait longer', () => {
    const by = (process: RepairWeldInput['process']) => planRepair({ ...sill, process });
    expect(by('gas').waitTime).toBeGreaterThan(by('tig').waitTime);
  });

  it.each([
    [{ joints: [] }, 'joints'],
    [{ other: 4 }, 'other'],
    [{ hole: 40 }, 'hole'],
    [{ pitch: 0 }, 'pitch'],
    [{ strategy: 'fast' as never }, 'strategy'],
    [{ material: 'aluminium' as const, joints: [{ ...lower, closing: 'spot' as const }] }, 'process'],
    [
      { process: 'tig' as const, material: 'aluminium' as const, joints: [{ ...lower, closing: 'spot' as const }] },
      'material',
    ],
    [{ joints: [{ ...butt, line: line([0, 0], [20_000, 0]) }] }, 'joints'],
  ])('%j is refused at its field', (over, field) => {
    expect(() => planRepair({ ...sill, ...over })).toThrowError(expect.objectContaining({ field }));
  });

  it('never trap an open weld between two that are done, never start too hot, and leave none out', () => {
    const joint = fc.record({
      kind: fc.constant('spot'),
      name: fc.constant('edge'),
      closing: fc.constantFrom('plug' as const, 'spot' as const, 'joggle' as const),
      welds: fc.integer({ min: 1, max: 14 }),
      line: fc.tuple(fc.integer({ min: 20, max: 900 }), fc.integer({ min: -300, max: 300 })).map(([u, v]): Point[] => [
        [0, v],
        [u, v],
      ]),
    });
    fc.assert(
      fc.property(fc.array(joint, { minLength: 1, maxLength: 4 }), fc.constantFrom('mig', 'tig'), (joints, process) => {
        const { steps } = planRepair({ process: process as 'mig', thickness: 0.9, joints });
        for (const [index, { line: way, welds }] of joints.entries()) {
          const length = lineLength(way);
          const done = steps
            .filter(({ kind, seam }) => (kind === 'plug' || kind === 'spot') && seam === index)
            .map(({ from }) => Math.round((lineLength([way[0]!, from!]) / length) * welds - 0.5) + 0);
          expect([...done].sort((a, b) => a - b)).toEqual(Array.from({ length: welds }, (_, i) => i));
          done.forEach((_, i) => {
            const so = done.slice(0, i + 1);
            expect(Math.max(...so) - Math.min(...so)).toBe(i);
          });
        }
        expect(steps.every(({ temperature }) => temperature === null || temperature <= 50 + 1e-6)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});
