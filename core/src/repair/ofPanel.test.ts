import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf } from '../body/index.ts';
import { boxOf, clip, perimeter, type Ring } from '../geometry/index.ts';
import { elementsOf, type Repair } from '../verdict/index.ts';
import { jointWork, panelJoints, pieceJoints, spotsOf, type JointFacts } from './index.ts';

const saloon = bodyPlan('saloon');
const whole = (id: string) => panelJoints(saloon, panelOf(saloon, id));
const count = (joints: readonly JointFacts[], name: RegExp, made = false) =>
  jointWork(joints, { visible: true, made }).find((element) => name.test(element.name))?.count ?? 0;
const rectangle = (u: number, v: number, w: number, h: number): Ring => [
  [u, v],
  [u + w, v],
  [u + w, v + h],
  [u, v + h],
];

/* Counts worked by hand from the rules of the trade: T-10 pitch, T-22 drilling, T-36 hems, T-37 bolts. */
describe('the work at the joints of real panels', () => {
  it('a hemmed door skin is not drilled: ground through, folded over, three to five welds a side', () => {
    const joints = whole('door-skin-l');
    expect(count(joints, /Drill/)).toBe(0);
    expect(count(joints, /Plug/)).toBe(0);
    // Its edge is 3,919 mm: 39 dm to grind and to fold.
    expect(count(joints, /Grind hems/)).toBeCloseTo(39.19, 1);
    expect(count(joints, /Fold hems/)).toBeCloseTo(39.19, 1);
    const welds = count(joints, /Small welds/);
    expect(welds).toBeGreaterThanOrEqual(12);
    expect(welds).toBeLessThanOrEqual(24);
  });

  it('a boot floor is spotted all round, three sheets deep at the tail', () => {
    const joints = whole('boot-floor');
    // 788 mm at 38 behind, 1,000 mm over the two legs and the rest of 3,851 mm at 40: about 97 spots.
    expect(spotsOf(joints)).toBeGreaterThan(90);
    expect(spotsOf(joints)).toBeLessThan(103);
    expect(count(joints, /Drill/)).toBe(spotsOf(joints));
    expect(count(joints, /third sheet/)).toBe(Math.round(788 / 38));
  });

  it('the end of a sill takes in its flanges, and only what is left is cut', () => {
    const sill = panelOf(saloon, 'sill-l');
    const { maxV } = boxOf(sill.outline);
    const piece = clip('intersection', [rectangle(-5, -5, 205, maxV + 10)], [sill.outline]).polygons[0]![0]!;
    const joints = pieceJoints(saloon, sill, piece);
    const cut = joints.filter(({ kind }) => kind === 'cut');
    expect(cut).toHaveLength(1);
    expect(cut[0]!.length).toBeCloseTo(maxV, 0);
    // 200 mm below at 38 in three sheets, the front end of about 120 mm, 200 mm above: 5 + 3 + 5.
    expect(spotsOf(joints)).toBeGreaterThanOrEqual(12);
    expect(spotsOf(joints)).toBeLessThanOrEqual(15);
    expect(count(joints, /third sheet/)).toBe(5);
  });

  it('a bolted wing is undone, and nothing is drilled but its lip', () => {
    const joints = whole('wing-l');
    expect(count(joints, /bolts/)).toBeGreaterThan(8);
    expect(count(joints, /Drill/)).toBe(spotsOf(joints.filter(({ kind }) => kind === 'lip')));
  });

  it('an aluminium side is drilled out of its rivets, and they are set again (T-47)', () => {
    const body = bodyPlan('offroader');
    const joints = panelJoints(body, panelOf(body, 'tub-side-l'));
    expect(count(joints, /Drill out rivets/)).toBeGreaterThan(20);
    expect(count(joints, /Set rivets/)).toBe(count(joints, /Drill out rivets/));
    expect(count(joints, /Plug/)).toBe(spotsOf(joints));
  });

  it('only what is made by hand has its edges turned', () => {
    const joints = whole('quarter-l');
    expect(count(joints, /^Turn/)).toBe(0);
    expect(count(joints, /Turn lips/, true)).toBeCloseTo(9.83, 1);
  });
});

describe('joints, on every panel of every body', () => {
  const panels = bodyPlans().flatMap((plan) => plan.panels.map((panel) => ({ plan, panel })));

  it('the whole has the fasteners of its seams, and no stretch is without work unless it is free', () => {
    for (const { plan, panel } of panels) {
      const joints = panelJoints(plan, panel);
      expect(joints.reduce((sum, { fasteners }) => sum + fasteners, 0)).toBe(
        joints.reduce((sum, { length, pitch }) => sum + (pitch ? Math.max(1, Math.round(length / pitch)) : 0), 0),
      );
      for (const joint of joints.filter(({ kind }) => kind !== 'free'))
        expect(jointWork([joint], { visible: true, made: true }).length, `${panel.id} ${joint.kind}`).toBeGreaterThan(
          0,
        );
    }
  });

  it('a piece’s joints add up to its edge, and a larger bite into an edge never has fewer fasteners', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: panels.length - 1 }),
        fc.double({ min: 0.1, max: 0.5, noNaN: true }),
        fc.double({ min: 0.1, max: 0.45, noNaN: true }),
        (which, width, more) => {
          const { plan, panel } = panels[which]!;
          const { maxU, maxV } = boxOf(panel.outline);
          const bite = (share: number) =>
            clip('intersection', [rectangle(-1, -1, maxU * share, maxV + 2)], [panel.outline]).polygons[0]?.[0];
          const [small, large] = [bite(width), bite(width + more)];
          if (!small || !large) return;
          const joints = pieceJoints(plan, panel, small);
          expect(joints.reduce((sum, { length }) => sum + length, 0)).toBeCloseTo(perimeter(small), 2);
          const own = (piece: Ring) =>
            pieceJoints(plan, panel, piece)
              // A bite that ends at an opening has its edge, a larger one goes over it.
              .filter(({ kind, name }) => kind !== 'cut' && name !== 'edge of an opening')
              .reduce((sum, { length }) => sum + length, 0);
          // A panel that falls into two there may lose a part of its edge.
          if (
            clip('intersection', [rectangle(-1, -1, maxU * (width + more), maxV + 2)], [panel.outline]).polygons
              .length > 1
          )
            return;
          if (clip('intersection', [rectangle(-1, -1, maxU * width, maxV + 2)], [panel.outline]).polygons.length > 1)
            return;
          expect(own(large)).toBeGreaterThanOrEqual(own(small) - 1);
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('a verdict on joints', () => {
  const panel: Repair['panel'] = {
    name: 'Floor',
    area: 1e6,
    jointLength: 4000,
    spotWelds: 100,
    bolted: false,
    thickness: 1,
    curvature: 'flat',
    structural: false,
    visible: false,
  };
  const zone: Repair['zones'][number] = {
    class: 'through',
    area: 1e5,
    patchPerimeter: 600,
    patchArea: 2e5,
    toMount: null,
  };
  const hours = (repair: Repair) =>
    elementsOf('patch', repair).reduce((sum, { count: n, minutes }) => sum + (n * minutes[1]) / 60, 0);

  it('an edge that a patch takes in costs hours', () => {
    const plain = hours({ panel, zones: [zone], offer: null });
    const joints = [{ kind: 'spot', length: 800, fasteners: 20, sheets: 2 }];
    // Drill 20 × 1.75, clean 8 × 3, turn 8 × 3, plug 20 × 1.5, dress roughly 8 × 0.4 × 5 minutes: 129 in all.
    expect((hours({ panel, zones: [{ ...zone, joints }], offer: null }) - plain) * 60).toBeCloseTo(129, 6);
  });
});
