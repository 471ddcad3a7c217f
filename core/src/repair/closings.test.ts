import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import type { Point } from '../geometry/index.ts';
import {
  closedJoints,
  closedWork,
  closingNotes,
  closingsOf,
  meanHours,
  panelJoints,
  pieceJoints,
  placeOf,
  type Closing,
  type PieceJoint,
} from './index.ts';

const straight = (kind: string, length: number, over: Partial<PieceJoint> = {}): PieceJoint => ({
  kind,
  name: kind,
  length,
  fasteners: 0,
  line: [
    [0, 0],
    [length, 0],
  ],
  ...over,
});
const seen = { visible: true };
const counts = (joints: readonly PieceJoint[], closing?: Closing, pitch?: number) => {
  const at = placeOf(joints[0]!) as [number, number];
  const choices = closing ? [{ at, kind: joints[0]!.kind, closing, pitch }] : [];
  const closed = closedJoints(joints, { visible: true, choices });
  return Object.fromEntries(
    closedWork(closed, { visible: true, made: true }).map(({ name, count }) => [name, Number(count.toFixed(3))]),
  );
};

describe('how joints are closed', () => {
  it('follows the house where nobody has said anything: cuts that are seen, cuts that are hidden, flanges', () => {
    const joints = [straight('cut', 350), straight('spot', 400, { fasteners: 10, pitch: 40 }), straight('hem', 300)];
    const schools = { seen: 'butt', hidden: 'joggle', flange: 'spot' } as const;
    const ways = (visible: boolean) =>
      closedJoints(joints, { visible, schools }).map(({ closing, welds }) => [closing, welds]);
    expect(ways(true)).toEqual([
      ['butt', 0],
      ['spot', 10],
      ['hem', 2],
    ]);
    // Plugs every 35 mm (T-10): ten on 350 mm.
    expect(ways(false)).toEqual([
      ['joggle', 10],
      ['spot', 10],
      ['hem', 2],
    ]);
  });

  it('counts by hand what each way takes', () => {
    const cut = [straight('cut', 500)];
    expect(counts(cut)).toEqual({ 'Mark and cut out': 5, 'Tack and stitch': 5, 'Dress and planish': 5 });
    expect(counts(cut, 'lap')).toEqual({
      'Mark and cut out': 5,
      'Tack and stitch the lap': 5,
      'Seal the overlap': 5,
      'Dress and planish': 5,
    });
    expect(counts(cut, 'joggle', 50)).toMatchObject({ 'Set the edge down': 5, 'Plug or spot weld': 10 });
    const flange = [straight('spot', 400, { fasteners: 10, pitch: 40 })];
    expect(counts(flange)).toMatchObject({ 'Drill out spot welds': 10, 'Plug or spot weld': 10 });
    expect(counts(flange, 'plug', 25)).toMatchObject({ 'Drill out spot welds': 10, 'Plug or spot weld': 16 });
    const spots = counts(flange, 'spot');
    expect(spots).toMatchObject({ 'Drill out spot welds': 10, 'Spot weld from both sides': 10 });
    expect(spots).not.toHaveProperty('Dress welds');
  });

  it('drills nothing where the old lip stays: the piece is butted to it', () => {
    const flange = [straight('spot', 400, { fasteners: 10, pitch: 40 })];
    expect(counts(flange, 'butt')).toEqual({ 'Mark and cut out': 4, 'Tack and stitch': 4, 'Dress and planish': 4 });
  });

  it('keeps a choice with its stretch when the line moves a little, and drops it when it moves away', () => {
    const choices = [{ at: [250, 0] as const, kind: 'cut', closing: 'lap' as const }];
    const moved = (by: number) =>
      closedJoints(
        [
          straight('cut', 500, {
            line: [
              [0, by],
              [500, by],
            ],
          }),
        ],
        { ...seen, choices },
      )[0]!;
    expect(moved(30)).toMatchObject({ closing: 'lap', chosen: true });
    expect(moved(200)).toMatchObject({ closing: 'butt', chosen: false });
  });

  it('never gives a flange the closing of a cut, and refuses what such a joint cannot have', () => {
    const flange = straight('spot', 500, { fasteners: 10, pitch: 50 });
    const at = [250, 0] as const;
    expect(closedJoints([flange], { ...seen, choices: [{ at, kind: 'cut', closing: 'lap' }] })[0]!.closing).toBe(
      'plug',
    );
    expect(() => closedJoints([flange], { ...seen, choices: [{ at, kind: 'spot', closing: 'hem' }] })).toThrow(
      /closed by plug, spot, butt/,
    );
    expect(() =>
      closedJoints([flange], { ...seen, choices: [{ at, kind: 'spot', closing: 'plug', pitch: 0 }] }),
    ).toThrow(expect.objectContaining({ field: 'pitch' }));
  });

  it('says where water stands, what lies near a mount, and what a lip needs', () => {
    const mounts = [{ at: [250, 100] as Point, name: 'spring hanger' }];
    const notes = (joint: PieceJoint, closing: Closing, radius = 300) =>
      closingNotes(closedJoints([joint], { ...seen, choices: [{ at: [250, 0], kind: joint.kind, closing }] })[0]!, {
        mounts,
        radius,
      });
    expect(notes(straight('cut', 500), 'butt')).toEqual([]);
    expect(notes(straight('cut', 500), 'lap')).toEqual([
      expect.stringMatching(/water runs over it/),
      expect.stringMatching(/spring hanger/),
    ]);
    expect(notes(straight('cut', 500), 'lap', 50)).toHaveLength(1);
    expect(notes(straight('spot', 500, { fasteners: 9 }), 'butt')).toEqual([
      expect.stringMatching(/12 mm of sound lip/),
    ]);
    expect(notes(straight('rivet', 500, { fasteners: 9 }), 'plug')).toEqual([expect.stringMatching(/aluminium/)]);
  });

  it('leaves no joint of any panel of any body without hours, in whatever way it is closed', () => {
    for (const id of ['saloon', 'platform', 'pickup', 'offroader']) {
      const plan = bodyPlan(id);
      for (const panel of plan.panels)
        for (const joint of panelJoints(plan, panel))
          for (const closing of closingsOf(joint)) {
            const at = placeOf(joint) as [number, number];
            const [closed] = closedJoints([joint], {
              visible: panel.visible,
              choices: [{ at, kind: joint.kind, closing }],
            });
            const hours = meanHours(closedWork([closed!], { visible: panel.visible, made: true }));
            // A free edge is the only one at which nothing is done.
            if (joint.kind === 'free') expect(hours).toBe(0);
            else expect(hours, `${joint.kind} of ${panel.id} by ${closing}`).toBeGreaterThan(0);
          }
    }
  });

  it('adds up: the hours of a piece are those of its joints, however they are closed', () => {
    const plan = bodyPlan('saloon');
    const panel = panelOf(plan, 'sill-l');
    const cutWays = fc.constantFrom<Closing>('butt', 'lap', 'joggle');
    const flangeWays = fc.constantFrom<Closing>('plug', 'spot', 'butt');
    fc.assert(
      fc.property(fc.integer({ min: 60, max: 600 }), cutWays, flangeWays, (width, cut, flange) => {
        const piece: Point[] = [
          [0, 0],
          [width, 0],
          [width, 118],
          [0, 118],
        ];
        const joints = pieceJoints(plan, panel, piece);
        const choices = joints.flatMap((joint) => {
          const closing = joint.kind === 'cut' ? cut : joint.kind === 'spot' ? flange : null;
          return closing ? [{ at: placeOf(joint) as [number, number], kind: joint.kind, closing }] : [];
        });
        const closed = closedJoints(joints, { visible: true, choices });
        const how = { visible: true, made: true };
        const each = closed.reduce((sum, joint) => sum + meanHours(closedWork([joint], how)), 0);
        expect(meanHours(closedWork(closed, how))).toBeCloseTo(each, 1);
      }),
      { numRuns: 60 },
    );
  });

  it('holds a hem by as many small welds as were counted on the old one; by its length where nobody has counted (T-36)', () => {
    const line: [number, number][] = [
      [0, 0],
      [900, 0],
    ];
    const hem = { kind: 'hem', name: 'lower edge', length: 900, fasteners: 0, line };
    const small = (choices: { at: [number, number]; kind: string; found: number }[] = []) => {
      const [joint] = closedJoints([hem], { visible: true, choices });
      const work = closedWork([joint!], { visible: true, made: false });
      return [joint!.welds, joint!.fasteners, work.find(({ name }) => name === 'Small welds at the hems')!.count];
    };
    expect(small()).toEqual([5, 0, 5]);
    expect(small([{ at: [450, 0], kind: 'hem', found: 3 }])).toEqual([3, 3, 3]);
    // None was found: the new hem is held as is usual.
    expect(small([{ at: [450, 0], kind: 'hem', found: 0 }])).toEqual([5, 0, 5]);
  });
});
