import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { area, boxOf, centroid, circle, firstCrossing, inRing, toRing, type Point } from '../geometry/index.ts';
import { SEAM_MEETS } from '../tolerances.ts';
import { bodyPlan, bodyPlans, panelOf, sectionAt, sheetOf, withOutline, withPanel, type BodyPlan } from './index.ts';

/* What every plan must hold so that surveys, cuts and weld plans can rest on it. Facts of the trade: common practice, no published source. */
const each = bodyPlans().map((plan) => [plan.name, plan] as const);
const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id);
const distinct = (list: readonly string[]) => new Set(list).size === list.length;

describe.each(each)('%s as a plan', (_, plan) => {
  it('names everything once on its panel, and seams and cavities once on the body', () => {
    for (const panel of plan.panels) {
      for (const list of [panel.holes, panel.creases, panel.flanges, panel.mounts, panel.layers])
        expect(distinct(ids(list)), panel.id).toBe(true);
      expect(panel.name.trim(), panel.id).toBe(panel.name);
      expect(panel.name.length, panel.id).toBeLessThanOrEqual(60);
    }
    expect(distinct(ids(plan.seams))).toBe(true);
    expect(distinct(ids(plan.cavities))).toBe(true);
  });

  it('shows every panel in a view, and has no view without panels', () => {
    const used = new Set(plan.panels.map((panel) => panel.view));
    expect([...used].sort()).toEqual(ids(plan.views).sort());
  });

  it('has sheets as thick as body sheets are, outermost first, and no gauge that fits none', () => {
    for (const panel of plan.panels)
      for (const layer of panel.layers) {
        expect(layer.thickness, panel.id).toBeGreaterThanOrEqual(0.6);
        expect(layer.thickness, panel.id).toBeLessThanOrEqual(4);
        expect(['steel', 'aluminium']).toContain(layer.material);
      }
  });

  it('welds spots 25 to 60 mm apart, as resistance spots are', () => {
    for (const seam of plan.seams.filter(({ kind }) => kind === 'spot')) {
      expect(seam.pitch, seam.id).toBeGreaterThanOrEqual(25);
      expect(seam.pitch, seam.id).toBeLessThanOrEqual(60);
    }
  });

  it('joins two different panels at each seam, of which none is held by bolts where it is spotted', () => {
    for (const seam of plan.seams) {
      const [a, b] = seam.sides;
      expect(a.panel === b.panel && a.line === b.line, seam.id).toBe(false);
      if (seam.kind !== 'spot') continue;
      expect(
        seam.sides.some((side) => panelOf(plan, side.panel).fixing === 'welded'),
        seam.id,
      ).toBe(true);
    }
  });

  it('drains each hollow at the lower half of its panel, where water runs to', () => {
    for (const cavity of plan.cavities)
      for (const id of cavity.drains)
        for (const { panel } of cavity.walls) {
          const sheet = panelOf(plan, panel);
          const drain = sheet.holes.find((hole) => hole.id === id);
          if (!drain || sheet.view === 'floor' || sheet.view === 'top') continue;
          expect(centroid(drain.outline)[1], `${id} on ${panel}`).toBeLessThan(boxOf(sheet.outline).maxV * 0.6);
        }
  });

  it('leaves metal around every hole and opening: the sheet is less than its outline, and more than half of it', () => {
    for (const panel of plan.panels) {
      const openings = panel.holes.filter((hole) => hole.kind === 'opening');
      const whole = area([panel.outline]);
      const sheet = area(sheetOf(panel));
      if (openings.length === 0) expect(sheet, panel.id).toBeCloseTo(whole, 3);
      else expect(sheet, panel.id).toBeLessThan(whole);
      expect(sheet, panel.id).toBeGreaterThan(whole * 0.12);
    }
  });

  it('keeps holes apart from each other', () => {
    for (const panel of plan.panels)
      panel.holes.forEach((hole, i) =>
        panel.holes.slice(i + 1).forEach((other) => {
          const inside = hole.outline.some((p) => inRing(p, other.outline));
          expect(inside, `${hole.id} and ${other.id} on ${panel.id}`).toBe(false);
        }),
      );
  });

  it('counts whatever has a mount for suspension, jack or belt as load-bearing, or says where it is', () => {
    const mounts = plan.panels.flatMap((panel) => panel.mounts);
    expect(mounts.length).toBeGreaterThan(3);
    expect(plan.panels.filter((panel) => panel.structural).length).toBeGreaterThan(5);
  });

  it('can be cut through anywhere: sheets from outside to inside, hollows with the way to each drain', () => {
    for (const panel of plan.panels) {
      const box = boxOf(panel.outline);
      fc.assert(
        fc.property(fc.double({ min: -100, max: box.maxU + 100, noNaN: true }), (u) => {
          const section = sectionAt(plan, panel, u);
          expect(section.u).toBeGreaterThanOrEqual(0);
          expect(section.u).toBeLessThanOrEqual(box.maxU);
          expect(section.sheets.map(({ layer }) => layer)).toEqual(ids(panel.layers));
          for (const [depth, v] of section.sheets.flatMap(({ lines }) => lines.flat())) {
            expect(Number.isFinite(depth)).toBe(true);
            expect(v).toBeGreaterThan(-60);
            expect(v).toBeLessThan(box.maxV + 60);
            // Metal is never drawn where the panel is open.
            if (!panel.section) for (const { from, to } of section.open) expect(v > from + 1 && v < to - 1).toBe(false);
          }
          for (const hollow of section.hollows)
            hollow.nearest.forEach(({ along }, i, all) => {
              if (i > 0) expect(Math.abs(along)).toBeGreaterThanOrEqual(Math.abs(all[i - 1]!.along));
            });
        }),
        { numRuns: 20 },
      );
    }
  });
});

describe('what sets the bodies apart', () => {
  const materials = (plan: BodyPlan) =>
    new Set(plan.panels.flatMap((panel) => panel.layers.map((layer) => layer.material)));
  it('only the off-roader has skins of aluminium, over steel', () => {
    expect(materials(bodyPlan('saloon'))).toEqual(new Set(['steel']));
    expect(materials(bodyPlan('offroader'))).toEqual(new Set(['steel', 'aluminium']));
    const skins = bodyPlan('offroader').panels.filter((panel) => panel.layers[0]!.material === 'aluminium');
    expect(skins.length).toBeGreaterThan(3);
  });
  it('the platform car is bolted to its pans, the pickup has a bed', () => {
    expect(bodyPlan('platform').seams.some((seam) => seam.kind === 'bolted')).toBe(true);
    expect(bodyPlan('pickup').panels.some((panel) => /bed/i.test(panel.name))).toBe(true);
  });
  it('a window frame is two rails with glass between, and its sheets meet only where there is a flange or a seam', () => {
    const plan = bodyPlan('saloon');
    const framed = plan.panels.find((panel) =>
      panel.holes.some((hole) => hole.kind === 'opening' && /window|glass|screen/i.test(hole.name)),
    )!;
    const window = framed.holes.find((hole) => hole.kind === 'opening' && /window|glass|screen/i.test(hole.name))!;
    const { minU, maxU, minV, maxV } = boxOf(window.outline);
    const { sheets, open } = sectionAt(plan, framed, (minU + maxU) / 2);
    expect(open.some(({ from, to }) => Math.abs(from - minV) < 60 && Math.abs(to - maxV) < 60)).toBe(true);
    for (const { lines } of sheets) expect(lines).toHaveLength(open.length + 1);
  });
  it('the sill of the saloon has three sheets and hollows that drain', () => {
    const plan = bodyPlan('saloon');
    const { sheets, hollows } = sectionAt(plan, panelOf(plan, 'sill-l'), 600);
    expect(sheets.map(({ layer }) => layer)).toEqual(['outer', 'membrane', 'inner']);
    expect(hollows.length).toBeGreaterThan(0);
    expect(hollows.every(({ nearest }) => nearest.length > 0)).toBe(true);
  });
});

describe('a panel with another outline', () => {
  const plan = bodyPlan('saloon');
  const sill = panelOf(plan, 'sill-l');
  it('keeps what lies on the new sheet, names what does not, and begins at the origin again', () => {
    const half: Point[] = [
      [200, 10],
      [700, 10],
      [700, 110],
      [200, 110],
    ];
    const { panel, shift, dropped } = withOutline(sill, half);
    const box = boxOf(panel.outline);
    expect([box.minU, box.minV]).toEqual([0, 0]);
    expect(shift).toEqual([-200, -10]);
    for (const hole of panel.holes) expect(hole.outline.every((p) => inRing(p, panel.outline))).toBe(true);
    const gone = sill.holes.filter((hole) => !panel.holes.some(({ id }) => id === hole.id)).map(({ name }) => name);
    expect(dropped).toEqual(expect.arrayContaining(gone));
    // What stays lies on the body where it was.
    for (const hole of panel.holes) {
      const before = centroid(sill.holes.find(({ id }) => id === hole.id)!.outline);
      const after = centroid(hole.outline);
      expect(after[0] + panel.placement[0]).toBeCloseTo(before[0] + sill.placement[0], 6);
      expect(after[1] + panel.placement[1]).toBeCloseTo(before[1] + sill.placement[1], 6);
    }
  });

  it('drops seams that no longer meet it from the body, and its mirror loses the bond', () => {
    const { panel, shift } = withOutline(sill, circle([400, 60], 55));
    const other = withPanel(plan, panel, shift);
    for (const seam of other.seams)
      for (const side of seam.sides) {
        const sheet = panelOf(other, side.panel);
        for (const p of side.line) expect(toRing(p, sheet.outline), seam.id).toBeLessThan(SEAM_MEETS);
      }
    expect(other.seams.length).toBeLessThan(plan.seams.length);
    expect(panelOf(other, 'sill-r').mirrorOf).toBeUndefined();
    expect(plan.seams.length).toBe(bodyPlan('saloon').seams.length);
  });

  it('is refused where it crosses itself or is no larger than a bracket', () => {
    const bow: Point[] = [
      [0, 0],
      [100, 100],
      [100, 0],
      [0, 100],
    ];
    expect(firstCrossing(bow)).toBeDefined();
    expect(() => withOutline(sill, bow)).toThrow(expect.objectContaining({ field: 'outline' }));
    expect(() => withOutline(sill, circle([0, 0], 5))).toThrow(/must be in mm/);
  });
});
