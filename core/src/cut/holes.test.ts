import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '../body/index.ts';
import { between, boxOf, inPolygon, type Point } from '../geometry/index.ts';
import { sheetOf } from '../body/index.ts';
import { tapeTrouble, type Datum } from './datums.ts';
import { fromHole, holesOn } from './holes.ts';
import { chooseDatums } from './measureFrom.ts';
import { cutOffsets, placeFrom } from './offsets.ts';
import { tapesAt } from './tapes.ts';

const saloon = bodyPlan('saloon');
const floor = panelOf(saloon, 'floor-front-l');
const [drain, other] = holesOn(floor);
const front: Datum = { name: 'front edge', a: [0, 500], b: [0, 0] };

describe('holes that a tape is held to', () => {
  it('are told from their like, by the end of the panel from which one counts', () => {
    expect(holesOn(panelOf(saloon, 'sill-r')).map(({ name }) => name)).toContain(
      'middle of sill drain 1 from the front end',
    );
    expect(new Set(holesOn(floor).map(({ name }) => name)).size).toBe(holesOn(floor).length);
    // The first from the front is the first on both sides of the car.
    for (const id of ['sill-l', 'sill-r']) {
      const panel = panelOf(saloon, id);
      const [first] = holesOn(panel).filter(({ name }) => name.includes(' 1 from'));
      const { minU, maxU } = boxOf(panel.outline);
      const fromFront = id === 'sill-l' ? first!.at[0] - minU : maxU - first!.at[0];
      expect(fromFront).toBeLessThan((maxU - minU) / 2);
    }
  });

  it('go out with a piece that takes them in, and a window is none', () => {
    const around: Point[] = [-30, 30].flatMap((u) => [-30, 30].map((v): Point => [drain!.at[0] + u, drain!.at[1] + v]));
    const piece = [around[0]!, around[2]!, around[3]!, around[1]!];
    expect(holesOn(floor, piece).map(({ name }) => name)).not.toContain(drain!.name);
    const door = panelOf(saloon, 'quarter-l');
    expect(holesOn(door).every(({ name }) => !name.includes('window'))).toBe(true);
  });

  it('give the straight way to the corner, whichever way that is', () => {
    const corner: Point = [drain!.at[0] + 120, drain!.at[1] - 160];
    const datum = fromHole(drain!, corner)!;
    const [at] = cutOffsets({ line: [corner], datums: [datum, front] }).corners;
    expect(at!.offsets[0]!.mm).toBeCloseTo(200, 9);
    expect(tapeTrouble(sheetOf(floor), datum, corner)).toBeNull();
    expect(tapeTrouble(sheetOf(floor), datum, corner, 150)).toBe('far');
    expect(fromHole(drain!, [drain!.at[0] + 3, drain!.at[1]])).toBeUndefined();
  });

  it('are measured from when the person says so, with an edge or a second hole', () => {
    const corner: Point = [drain!.at[0] + 130, drain!.at[1] + 110];
    const [pair] = chooseDatums({ panel: floor, from: [drain!.name] }, [corner]);
    expect(pair!.map(({ name }) => name)).toContain(drain!.name);
    const [both] = chooseDatums({ panel: floor, from: [drain!.name, other!.name] }, [corner]);
    expect(both!.map(({ name }) => name).sort()).toEqual([drain!.name, other!.name].sort());
    const taped = tapesAt({ panel: floor, corner, unit: 'in', from: [drain!.name] });
    expect(taped.error).toBeLessThan(1);
  });

  it('lead back to the place: where two circles meet is geometry that needs no book', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.double({ min: 20, max: 400, noNaN: true }),
        fc.double({ min: -25, max: 25, noNaN: true }),
        (du, dv, off) => {
          const corner: Point = [drain!.at[0] + du, drain!.at[1] + dv];
          const [pair] = chooseDatums({ panel: floor, from: [drain!.name] }, [corner]);
          fc.pre(pair!.some(({ hole }) => hole));
          const figures = cutOffsets({ line: [corner], datums: pair! }).corners[0]!.offsets.map(({ mm }) => mm);
          expect(between(placeFrom([figures[0]!, figures[1]!], pair!, corner), corner)).toBeLessThan(0.01);
          // Another figure at the hole: the place moves to where it really is so far away.
          const k = pair!.findIndex(({ hole }) => hole);
          const changed = figures.map((mm, i) => (i === k ? mm + off : mm)) as [number, number];
          let place: Point;
          try {
            place = placeFrom(changed, pair!, corner);
          } catch {
            return;
          }
          expect(between(place, drain!.at)).toBeCloseTo(changed[k]!, 2);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('say so where two figures do not meet', () => {
    const corner: Point = [drain!.at[0] + 130, drain!.at[1] + 110];
    const pair = [fromHole(drain!, corner)!, front] as const;
    expect(() => placeFrom([20, drain!.at[0] + 400], [...pair], corner)).toThrow(/do not meet/);
  });

  it('serve where no edge is within reach', () => {
    const [u, v] = [drain!.at[0], drain!.at[1]];
    const corners = [-1, 1].flatMap((a) => [-1, 1].map((b): Point => [u + 60 * a, v + 60 * b]));
    const near = corners.filter((corner) => inPolygon(corner, sheetOf(floor)));
    const pairs = chooseDatums({ panel: floor, reach: 90 }, near);
    expect(pairs.some((pair) => pair.some(({ hole }) => hole))).toBe(true);
  });
});
