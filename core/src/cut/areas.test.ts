import { describe, expect, it } from 'vitest';
import { areasOf, asOnCar, bodyPlan, panelOf } from '../body/index.ts';
import { boxOf, toRing, type Ring } from '../geometry/index.ts';
import { closedJoints, closedWork, lineWork, meanHours, pieceJoints } from '../repair/index.ts';
import { cutLine, cutPanelOf, lineAround } from './index.ts';

const saloon = bodyPlan('saloon');
const box = (u: number, v: number, w: number, h: number): Ring => [
  [u, v],
  [u + w, v],
  [u + w, v + h],
  [u, v + h],
];
const around = (id: string, ring: Ring, plan = saloon) =>
  lineAround({ panel: cutPanelOf(plan, panelOf(plan, id)), zones: [{ class: 'through', ring }], margin: 20 });

describe('a line among what lies over and beside the sheet', () => {
  const outline = box(0, 0, 800, 400);
  const damage = [box(300, 150, 120, 80)];
  const wide = (kind: 'trim' | 'heat' | 'double') =>
    cutLine({
      panel: { outline, areas: [{ kind, name: 'strip', outline: box(0, 100, 800, 60) }] },
      damage,
      margin: 20,
    });

  it('says how much of it runs under or beside what, and no more than it is long', () => {
    for (const kind of ['trim', 'heat', 'double'] as const) {
      const line = wide(kind);
      for (const passed of line.passes) {
        expect(passed).toMatchObject({ kind, name: 'strip' });
        expect(passed.length).toBeLessThanOrEqual(line.cutLength);
      }
      expect(line.unseen).toBe(kind === 'trim' ? (line.passes[0]?.length ?? 0) : 0);
    }
    expect(wide('trim').unseen).toBeGreaterThan(100);
    expect(cutLine({ panel: { outline }, damage, margin: 20 })).toMatchObject({ passes: [], unseen: 0 });
  });

  it('costs less under trim, more where it is curved both ways, most beside what heat spoils', () => {
    const plain = cutLine({ panel: { outline }, damage, margin: 20 }).cost;
    expect(wide('trim').cost).toBeLessThan(plain);
    expect(wide('double').cost).toBeGreaterThanOrEqual(plain);
    expect(wide('heat').cost).toBeGreaterThanOrEqual(wide('double').cost);
  });

  it('warns of glass beside it, by name, as long as the glass is in', () => {
    const skin = panelOf(saloon, 'door-skin-l');
    const window = boxOf(skin.holes.find(({ id }) => id === 'window')!.outline);
    const low = box((window.minU + window.maxU) / 2 - 60, window.minV - 55, 120, 40);
    const warned = around('door-skin-l', low).warnings.filter((text) => text.includes('window glass'));
    expect(warned).toHaveLength(1);
    const out = asOnCar(saloon, {
      panels: { 'door-skin-l': { without: ['window glass and its channel'] } },
      parts: [],
    });
    expect(around('door-skin-l', low, out).warnings.filter((text) => text.includes('window glass'))).toEqual([]);
  });

  it('is dressed roughly where nobody sees it: the same share in the line, the joints and the verdict’s table', () => {
    const panel = panelOf(saloon, 'front-panel');
    const bumper = areasOf(saloon, panel).find(({ name }) => name === 'bumper')!;
    const low = box(600, 20, 140, 30);
    expect(toRing([660, 40], bumper.outline)).toBeLessThan(90);
    const line = around('front-panel', low);
    expect(line.unseen).toBeGreaterThan(50);
    const joints = closedJoints(pieceJoints(saloon, panel, line.outline), { visible: true });
    const cut = joints.filter(({ kind }) => kind === 'cut');
    const work = closedWork(cut, { visible: true, made: true });
    expect(meanHours(work)).toBeCloseTo(meanHours(lineWork(line.cutLength, { visible: true, unseen: line.unseen })), 3);
    expect(meanHours(work)).toBeLessThan(meanHours(lineWork(line.cutLength, { visible: true })));
    // All of it hidden is a hidden sheet.
    expect(meanHours(lineWork(300, { visible: true, unseen: 300 }))).toBeCloseTo(
      meanHours(lineWork(300, { visible: false })),
      9,
    );
  });
});
