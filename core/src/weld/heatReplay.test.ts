import { describe, expect, it } from 'vitest';
import type { Point } from '../geometry/index.ts';
import { backedSource } from './copper.ts';
import {
  celsiusAt,
  heatReplay,
  MATERIALS,
  planRepair,
  plateSource,
  STILL_AIR_FILM,
  type RepairWeldInput,
} from './index.ts';

const LINE: Point[] = [
  [0, 0],
  [300, 0],
  [300, 160],
];
const input = (over: Partial<RepairWeldInput> = {}): RepairWeldInput => ({
  joints: [{ name: 'in the sheet', kind: 'cut', closing: 'lap', line: LINE, welds: 0 }],
  process: 'mig',
  thickness: 1,
  ambient: 20,
  handWarm: 50,
  ...over,
});
const plan = planRepair(input());
const replayed = (over: Partial<Parameters<typeof heatReplay>[0]> = {}) =>
  heatReplay({
    steps: plan.steps,
    joints: [{ points: LINE, closed: false, open: false }],
    thickness: 1,
    ambient: 20,
    handWarm: 50,
    frames: 60,
    ...over,
  });

describe('a weld plan seen as heat', () => {
  const whole = replayed();
  it('goes from the first weld to a while after the last, with as many pictures as were asked for', () => {
    const welds = plan.steps.filter(({ energy }) => energy !== undefined);
    expect(whole.times).toHaveLength(60);
    expect(whole.times[0]).toBeCloseTo(welds[0]!.start, 6);
    expect(whole.times.at(-1)!).toBeGreaterThan(welds.at(-1)!.start + 100);
    expect(whole.rises).toHaveLength(60 * whole.cols * whole.rows);
    expect(whole.starts.map(({ n }) => n)).toEqual(welds.map(({ n }) => n));
  });
  it('agrees with the line sources by which the plan waits, within 6 K at every start', () => {
    for (const { n, celsius } of whole.starts)
      expect(Math.abs(celsius - plan.steps[n - 1]!.temperature!), `step ${n}`).toBeLessThan(6);
    expect(whole.warmStarts).toEqual([]);
  });
  it('agrees with a plan that is laid out with copper behind its joints, within 6 K at every start', () => {
    const backed = planRepair(input({ copper: true }));
    for (const { n, celsius } of replayed({ steps: backed.steps, copper: true }).starts)
      expect(Math.abs(celsius - backed.steps[n - 1]!.temperature!), `step ${n}`).toBeLessThan(6);
  });
  it('beside copper a rise is that of more metal at first, and what went into it comes back later', () => {
    const [bare, backed] = [plateSource(MATERIALS.steel, 1, STILL_AIR_FILM), backedSource(MATERIALS.steel, 1)];
    const share = (r: number, t: number) => backed(1000, r, t) / bare(1000, r, t);
    // 6 mm of copper on 1 mm of steel hold 5.4 times as much heat as the steel: worked by hand from their densities and heats.
    expect(share(0, 1)).toBeCloseTo(1 / (1 + (8960 * 385 * 6) / (7850 * 490)), 6);
    expect(share(0, 20)).toBeLessThan(share(0, 100));
    expect(share(0, 100)).toBeLessThan(share(0, 600));
    expect(backed(2000, 15, 60)).toBeCloseTo(2 * backed(1000, 15, 60), 9);
    expect(backed(1000, 400, 60)).toBe(0);
  });
  it('has the rise of one weld as the closed form of a line source has it (Carslaw & Jaeger)', () => {
    const step = { ...plan.steps.find(({ kind }) => kind === 'tack')!, from: LINE[0]!, to: LINE[0]!, start: 0 };
    const one = replayed({ steps: [step], frames: 241 });
    const rise = plateSource(MATERIALS.steel, 1, STILL_AIR_FILM);
    for (const [place, after] of [
      [[30, 0], 30],
      [[0, 25], 60],
      [[40, 40], 100],
    ] as [Point, number][]) {
      const frame = one.times.findIndex((time) => time >= after);
      const exact = rise(step.energy!, Math.hypot(...place), one.times[frame]! - step.duration / 2);
      expect(Math.abs(celsiusAt(one, frame, place, 20)! - 20 - exact)).toBeLessThan(0.05 * exact + 0.15);
    }
  });
  it('is cooler with copper behind, and cooler at what comes after a pause', () => {
    const most = (replay: typeof whole) => Math.max(...replay.hottest.map(({ celsius }) => celsius));
    expect(most(replayed({ copper: true }))).toBeLessThan(most(whole) - 20);
    const middle = whole.starts[Math.floor(whole.starts.length / 2)]!;
    const paused = replayed({ pauses: [{ before: middle.n, seconds: 300 }] });
    const at = (replay: typeof whole) => replay.starts.find(({ n }) => n === middle.n)!;
    expect(at(paused).time).toBeCloseTo(at(whole).time + 300, 6);
    expect(at(paused).celsius).toBeLessThan(at(whole).celsius);
  });
  it('keeps the heat on its side of a joint that stands open', () => {
    const tack = {
      ...plan.steps.find(({ kind }) => kind === 'tack')!,
      from: [150, 15] as Point,
      to: [150, 15] as Point,
      start: 0,
    };
    const straight: Point[] = [
      [-100, 0],
      [400, 0],
    ];
    const across = (open: boolean) => {
      const one = replayed({ steps: [tack], joints: [{ points: straight, closed: false, open }], frames: 61 });
      return celsiusAt(one, 30, [150, -20], 20)! - 20;
    };
    expect(across(true)).toBeLessThan(across(false) / 5);
  });
  it('ends at the edge of the sheet, but where the sheet is joined to another', () => {
    const edge: Point[] = [
      [-200, 0],
      [500, 0],
      [500, 400],
      [-200, 400],
    ];
    const tack = { ...plan.steps.find(({ kind }) => kind === 'tack')!, start: 0 };
    const beyond = (v: number, jointAt: number) => {
      const at: Point = [150, v];
      const one = replayed({
        steps: [{ ...tack, from: at, to: at }],
        joints: [
          {
            points: [
              [0, jointAt],
              [300, jointAt],
            ],
            closed: false,
            open: false,
          },
        ],
        outline: edge,
        frames: 61,
      });
      return celsiusAt(one, 20, [150, -12], 20)! - 20;
    };
    expect(beyond(15, 15)).toBeLessThan(0.5);
    expect(beyond(0, 0)).toBeGreaterThan(3);
  });
  it('says warm starts, and refuses what heats nothing or does not know its heat', () => {
    const hasty = plan.steps.map((step) => ({ ...step, start: step.start / 40 }));
    expect(replayed({ steps: hasty }).warmStarts.length).toBeGreaterThan(3);
    const cold = plan.steps.filter(({ kind }) => kind === 'check');
    expect(() => replayed({ steps: cold })).toThrowError(expect.objectContaining({ code: 'nothing-hot' }));
    const old = plan.steps.map(({ energy: _energy, ...step }) => step);
    expect(() => replayed({ steps: old })).toThrowError(expect.objectContaining({ code: 'no-energy' }));
  });
  it('knows nothing outside of its picture', () => {
    expect(celsiusAt(whole, 0, [5000, 0], 20)).toBeNull();
  });
});
