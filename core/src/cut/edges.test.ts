import { describe, expect, it } from 'vitest';
import { bodyPlan, bodyPlans, panelOf, sheetOf } from '../body/index.ts';
import { area, boxOf, clip, type Point, type Ring } from '../geometry/index.ts';
import { uniforms } from '../random.ts';
import { areaCost, costOfEdges, edgeCosts, placesAlong } from './edges.ts';
import { cutLine, cutPanelOf, lineAround } from './index.ts';
import { pieceJoints } from '../repair/index.ts';
import { sliverAlong } from './outline.ts';

const saloon = bodyPlan('saloon');
const around = (ring: Ring, id: string, plan = saloon) =>
  lineAround({ panel: cutPanelOf(plan, panelOf(plan, id)), zones: [{ class: 'through', ring }], margin: 20 });
const boxAt = (u: number, v: number, w: number, h: number): Ring => [
  [u, v],
  [u + w, v],
  [u + w, v + h],
  [u, v + h],
];

describe('what edges cost that a piece takes in', () => {
  it('is counted once for each place, and nothing for a piece in the middle', () => {
    const outline = boxAt(0, 0, 400, 300);
    const lower = { line: [outline[0]!, outline[1]!] as Point[], perMm: 0.8 };
    expect(placesAlong([lower]).reduce((sum, { cost }) => sum + cost, 0)).toBeCloseTo(320, 9);
    expect(costOfEdges([lower], outline)).toBeCloseTo(320, 9);
    expect(costOfEdges([lower], boxAt(100, 100, 100, 100))).toBe(0);
    // A quarter of the edge, to within the 10 mm by which it is looked at.
    expect(Math.abs(costOfEdges([lower], boxAt(100, 0, 100, 100)) - 80)).toBeLessThan(16.1);
    expect(costOfEdges(undefined, outline)).toBe(0);
  });

  it('is that of the work there: hemmed, spotted and bolted edges of all bodies cost something, none without end', () => {
    for (const plan of bodyPlans())
      for (const panel of plan.panels)
        for (const { line, perMm } of edgeCosts(plan, panel)) {
          expect(line.length).toBeGreaterThan(1);
          expect(perMm).toBeGreaterThanOrEqual(0);
          expect(perMm).toBeLessThan(6);
        }
    const spotted = edgeCosts(saloon, panelOf(saloon, 'boot-floor')).map(({ perMm }) => perMm);
    expect(Math.max(...spotted)).toBeGreaterThan(0.4);
  });

  it('stands beside what its size costs: a dm² takes 7.75 to 10.75 usual minutes by its curvature, a dm of seen cut 16', () => {
    // Worked by hand from the minutes of the trade: strip 1.5 × 2.5, shape 12, 20 or 30 for 6 dm², coat 2 × 1.
    const perDm2 = (curvature: 'flat' | 'single' | 'double') => areaCost(curvature, true) * 10_000;
    expect(perDm2('flat')).toBeCloseTo((3.75 + 2 + 2) / 0.16, 6);
    expect(perDm2('double')).toBeCloseTo((3.75 + 5 + 2) / 0.16, 6);
    expect(perDm2('single')).toBeGreaterThan(perDm2('flat'));
    // Where welds are hardly dressed a cut is cheap, and metal weighs more against it.
    expect(areaCost('flat', false)).toBeGreaterThan(areaCost('flat', true));
  });

  it('takes in less of a curved face where a shorter line would take in more', () => {
    const panel = { outline: boxAt(0, 0, 600, 400) };
    const ell: Ring[] = [boxAt(100, 100, 200, 30), boxAt(100, 100, 30, 200)];
    const sizes = ([areaCost('flat', true), 8 * areaCost('double', false)] as const).map(
      (perArea) => cutLine({ panel: { ...panel, perArea }, damage: ell, margin: 10, house: { maxCorners: 6 } }).area,
    );
    expect(sizes[1]).toBeLessThanOrEqual(sizes[0]!);
  });

  it('keeps a line away from an edge that is not damaged: half a floor stays half a floor', () => {
    const floor = panelOf(saloon, 'floor-front-l');
    const half = around(boxAt(90, 70, 420, 380), 'floor-front-l');
    expect(half.area / area(sheetOf(floor))).toBeLessThan(0.5);
    const strip = around(boxAt(480, 70, 245, 60), 'floor-front-l');
    expect(strip.edgeLength).toBe(0);
    expect(strip.area).toBeLessThan(2.2 * 245 * 60);
  });

  it('leaves hardly a strip at an edge that is too narrow to weld to, and its joints are cut as long as the line', () => {
    const next = uniforms(7);
    let [thin, cut, lines] = [0, 0, 0];
    for (const plan of bodyPlans())
      for (const panel of plan.panels) {
        const { minU, minV, maxU, maxV } = boxOf(panel.outline);
        const [w, h] = [(maxU - minU) * (0.1 + 0.4 * next()), (maxV - minV) * (0.1 + 0.4 * next())];
        const ring = boxAt(minU + next() * (maxU - minU - w), minV + next() * (maxV - minV - h), w, h);
        if (clip('intersection', [ring], sheetOf(panel)).area < 500) continue;
        const line = around(ring, panel.id, plan);
        thin += sliverAlong(line.joints, { outline: line.outline, sheet: sheetOf(panel), width: 25 });
        const inSheet = pieceJoints(plan, panel, line.outline).filter(({ kind }) => kind === 'cut');
        const long = inSheet.reduce((sum, { length }) => sum + length, 0);
        expect(Math.abs(long - line.cutLength), `${plan.id} ${panel.id}`).toBeLessThan(6);
        cut += line.cutLength;
        lines++;
      }
    expect(lines).toBeGreaterThan(150);
    expect(thin / cut).toBeLessThan(0.015);
  });
});
