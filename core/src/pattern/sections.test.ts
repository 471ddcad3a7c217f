import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlans } from '../body/index.ts';
import { area, boxOf, lineLength, perimeter, signedArea, toRing, type Point, type Ring } from '../geometry/index.ts';
import { closedJoints, pieceJoints, type ClosedJoint } from '../repair/index.ts';
import { partingSeams } from '../way/index.ts';
import { blankOf, sectionsOf } from './index.ts';

const floor: Ring = [
  [0, 0],
  [400, 0],
  [400, 300],
  [0, 300],
];
const edges = floor.map((p, i): ClosedJoint => ({
  ...{ kind: 'spot', name: `edge ${i}`, fasteners: 8, closing: 'plug', welds: 8, chosen: false, counted: false },
  ...{ line: [p, floor[(i + 1) % 4]!], length: lineLength([p, floor[(i + 1) % 4]!]) },
}));
const seam = (
  closing: ClosedJoint['closing'],
  line: Point[] = [
    [150, 0],
    [150, 300],
  ],
): ClosedJoint => ({
  ...{
    kind: 'seam',
    name: 'between the sections at A',
    fasteners: 0,
    closing,
    welds: 0,
    chosen: false,
    counted: false,
  },
  ...{ line, length: lineLength(line) },
});
const sheet = { thickness: 1, material: 'steel' as const, radius: 1, gap: 1, trim: 0 };

describe('the sections of a piece that goes in parted', () => {
  it('share out its edges and what holds them; the seam goes on beyond one of them alone', () => {
    const [left, right, ...others] = sectionsOf(floor, [...edges, seam('lap')]);
    expect(others).toEqual([]);
    expect(left!.joints.map(({ name, kind, welds }) => [name, kind, welds])).toEqual([
      ['edge 0', 'spot', 3],
      ['edge 2', 'spot', 3],
      ['edge 3', 'spot', 8],
      ['between the sections at A', 'seam', 0],
    ]);
    expect(right!.joints.at(-1)).toMatchObject({
      kind: 'free',
      line: [
        [150, 300],
        [150, 0],
      ],
    });
    const blanks = [left!, right!].map(({ piece, joints }) => blankOf({ ...sheet, piece, joints, whole: floor }));
    const flat = (width: number, beyond: number) => width + blanks[0]!.edges[2]!.reach + beyond;
    // A lap of 25 mm (T-03 as usual) beyond the left section, none beyond the right one.
    expect(blanks[0]!.box.width).toBeCloseTo(flat(150, 25), 1);
    expect(blanks[1]!.box.width).toBeCloseTo(flat(250, 0), 1);
  });

  it('butted leave their gap once; joggled, one of them is set down for the other', () => {
    const blanks = (closing: ClosedJoint['closing']) =>
      sectionsOf(floor, [...edges.map((one) => ({ ...one, kind: 'free' })), seam(closing)]).map((one) =>
        blankOf({ ...sheet, ...one, whole: floor }),
      );
    expect(blanks('butt').map(({ box }) => box.width)).toEqual([149, 250]);
    expect(blanks('joggle').map(({ steps }) => steps.length)).toEqual([1, 0]);
  });

  it('a hole across their seam is cut out of both, and metal is neither lost nor doubled', () => {
    const hole: Ring = [
      [130, 100],
      [170, 100],
      [170, 140],
      [130, 140],
    ];
    const whole = edges.map((one) => ({ ...one, kind: 'free' }));
    const blanks = sectionsOf(floor, [...whole, seam('butt')]).map((one) =>
      blankOf({ ...sheet, gap: 0, ...one, whole: floor, holes: [{ name: 'Drain', outline: hole }] }),
    );
    expect(blanks.map(({ holes }) => holes)).toEqual([['Drain'], ['Drain']]);
    expect(blanks.reduce((sum, one) => sum + one.area, 0)).toBeCloseTo(400 * 300 - 40 * 40, 0);
  });

  it('together have the area of the piece and its whole edge, on every panel of the four bodies, parted across and along', () => {
    const panels = bodyPlans().flatMap((plan) => plan.panels.map((panel) => ({ plan, panel })));
    fc.assert(
      fc.property(
        fc.nat({ max: panels.length - 1 }),
        fc.uniqueArray(fc.record({ across: fc.boolean(), share: fc.double({ min: 0.1, max: 0.9, noNaN: true }) }), {
          minLength: 1,
          maxLength: 3,
          // The same line twice parts nothing more.
          comparator: (a, b) => a.across === b.across && Math.abs(a.share - b.share) < 0.05,
        }),
        (which, parted) => {
          const { plan, panel } = panels[which]!;
          const piece = signedArea(panel.outline) > 0 ? panel.outline : [...panel.outline].reverse();
          const { minU, maxU, minV, maxV } = boxOf(piece);
          const lines = parted.map(({ across, share }) => ({
            ...{ across, at: Math.round(share * (across ? maxU - minU : maxV - minV)) },
          }));
          const joints = closedJoints([...pieceJoints(plan, panel, piece), ...partingSeams(piece, lines)], {
            visible: panel.visible,
          });
          const sections = sectionsOf(piece, joints);
          expect(sections.reduce((sum, one) => sum + area([one.piece]), 0)).toBeCloseTo(area([piece]), -1);
          for (const one of sections) {
            const known = one.joints.reduce((sum, { length }) => sum + length, 0);
            expect(known).toBeGreaterThan(0.99 * perimeter(one.piece) - 4);
            expect(known).toBeLessThan(1.01 * perimeter(one.piece) + 4);
            for (const { line } of one.joints) for (const p of line) expect(toRing(p, one.piece)).toBeLessThan(1);
          }
        },
      ),
      // A line that runs nearly along an edge of a rail.
      { numRuns: 60, examples: [[27, [{ across: false, share: 0.1 }]]] },
    );
  });
});
