import { describe, expect, it } from 'vitest';
import { between, lineLength, perimeter, type Point } from '../geometry/index.ts';
import { bodyPlan, bodyPlans, edgeName, edgesOf, innerSeams, panelOf, type Edge, type Panel } from './index.ts';

const panels = bodyPlans().flatMap((plan) =>
  plan.panels.map((panel) => [`${plan.id} ${panel.id}`, plan, panel] as const),
);
const saloon = bodyPlan('saloon');
const kindsOf = (id: string) => new Set(edgesOf(saloon, panelOf(saloon, id)).map(({ kind }) => kind));
const total = (edges: readonly Edge[]) => edges.reduce((sum, { line }) => sum + lineLength(line), 0);

describe('the edges of a panel', () => {
  it.each(panels)('cover its outline once, end to end, each with what it is: %s', (_name, plan, panel) => {
    const edges = edgesOf(plan, panel);
    expect(total(edges)).toBeCloseTo(perimeter(panel.outline), 3);
    edges.forEach((edge, i) => {
      const next = edges[(i + 1) % edges.length]!;
      expect(between(edge.line.at(-1)!, next.line[0]!)).toBeLessThan(1e-6);
      expect(edge.name).not.toBe('');
      if (['spot', 'bolt', 'rivet'].includes(edge.kind)) expect(edge.pitch).toBeGreaterThan(15);
    });
  });

  it.each(panels.filter(([, , { view, side }]) => view === 'floor' && side !== 'centre'))(
    'look out of the car where they are called outer, and to its middle where inner: %s',
    (_name, plan, panel) => {
      // The floor is drawn across the middle of the car, its two sides mirrored there.
      const { axis, panel: other } =
        panel.mirrorOf ?? plan.panels.find(({ mirrorOf }) => mirrorOf?.panel === panel.id)!.mirrorOf!;
      expect(axis).toBe('v');
      const twin = plan.panels.find(
        ({ id, mirrorOf }) => id !== panel.id && (id === other || mirrorOf?.panel === panel.id),
      )!;
      const middleOf = (of: Panel) => of.placement[1] + Math.max(...of.outline.map(([, v]) => v)) / 2;
      const outward = Math.sign(middleOf(panel) - middleOf(twin));
      const height = (name: string) => {
        const own = edgesOf(plan, panel).filter((edge) => edge.name === name);
        const all = own.flatMap(({ line }) => [...line]);
        return all.length === 0 ? null : (all.reduce((sum, [, v]) => sum + v, 0) / all.length) * outward;
      };
      const [outer, inner] = [height('outer edge'), height('inner edge')];
      if (outer !== null && inner !== null) expect(outer).toBeGreaterThan(inner);
      for (const { name } of edgesOf(plan, panel)) expect(name).not.toMatch(/on the drawing/);
      // A tape that is laid from them calls them the same.
      expect([edgeName(panel, [0, outward]), edgeName(panel, [0, -outward])]).toEqual(['outer edge', 'inner edge']);
    },
  );

  it.each(panels.filter(([, , panel]) => panel.mirrorOf))(
    'are the same on the other side of the car: %s',
    (_n, plan, panel) => {
      const other = panelOf(plan, panel.mirrorOf!.panel);
      const lengths = (of: Panel) => {
        const by = new Map<string, number>();
        for (const { kind, sheets, line } of edgesOf(plan, of))
          by.set(`${kind} ${sheets}`, (by.get(`${kind} ${sheets}`) ?? 0) + lineLength(line));
        return [...by].map(([what, length]) => `${what} ${length.toFixed(1)}`).sort();
      };
      expect(lengths(panel)).toEqual(lengths(other));
    },
  );

  it('are as such panels are built: hemmed skins, gutters, lips, three sheets at the tail (T-36)', () => {
    expect(kindsOf('door-skin-l')).toEqual(new Set(['hem']));
    expect(kindsOf('boot-lid')).toEqual(new Set(['hem']));
    expect(kindsOf('roof')).toContain('drip');
    expect(kindsOf('quarter-l')).toContain('lip');
    expect(kindsOf('wing-l')).toEqual(new Set(['bolt', 'return', 'lip']));
    const tail = edgesOf(saloon, panelOf(saloon, 'boot-floor')).filter(({ sheets }) => sheets === 3);
    expect(total(tail)).toBeGreaterThan(500);
    const tub = panelOf(bodyPlan('offroader'), 'tub-side-l');
    expect(edgesOf(bodyPlan('offroader'), tub).some(({ kind }) => kind === 'rivet')).toBe(true);
  });

  it('follow the seams of the body with their own pitch, and tell those that run across the panel', () => {
    const sill = panelOf(saloon, 'sill-l');
    const seam = edgesOf(saloon, sill).find(({ seam: id }) => id === 'floor-sill-l')!;
    expect(seam).toMatchObject({ kind: 'spot', pitch: 38, name: 'Front floor to inner sill, left' });
    expect(lineLength(seam.line)).toBeCloseTo(914, -1);
    for (const plan of bodyPlans())
      for (const panel of plan.panels) {
        const along = edgesOf(plan, panel).flatMap(({ seam: id }) => id ?? []);
        const across = innerSeams(plan, panel).map(({ seam: id }) => id);
        const all = plan.seams.filter(({ sides }) => sides.some((side) => side.panel === panel.id));
        expect(new Set([...along, ...across])).toEqual(new Set(all.map(({ id }) => id)));
      }
  });

  it('are those of the sheet that is meant: bolts hold the outer one to its neighbour, spots the one behind', () => {
    for (const [plan, id, inner] of [
      [bodyPlan('pickup'), 'sill-l', 'inner'],
      [bodyPlan('platform'), 'sill-l', 'channel'],
      [bodyPlan('offroader'), 'tub-side-l', 'capping'],
    ] as const) {
      const panel = panelOf(plan, id);
      const kinds = (layer?: string) => edgesOf(plan, panel, layer).map(({ kind }) => kind);
      expect(kinds()).toContain('bolt');
      expect(kinds(panel.layers[0]!.id)).toEqual(kinds());
      expect(kinds(inner)).not.toContain('bolt');
      expect(kinds(inner)).not.toContain('rivet');
      expect(total(edgesOf(plan, panel, inner))).toBeCloseTo(perimeter(panel.outline), 3);
    }
    const hem = panelOf(saloon, 'door-skin-l');
    expect(edgesOf(saloon, hem, 'hem').map(({ kind }) => kind)).toEqual(edgesOf(saloon, hem).map(({ kind }) => kind));
    const sill = panelOf(saloon, 'sill-l');
    const line = sill.outline.slice(0, 2) as [Point, Point];
    const own = { ...sill, edges: [{ name: 'cut off', kind: 'free' as const, line, layer: 'inner' }] };
    expect(edgesOf(saloon, own, 'inner').some(({ name }) => name === 'cut off')).toBe(true);
    expect(edgesOf(saloon, own).some(({ name }) => name === 'cut off')).toBe(false);
  });

  it('are what somebody has said of them', () => {
    const floor = panelOf(saloon, 'floor-front-l');
    const [a, b] = [floor.outline[0]!, floor.outline[1]!] as [Point, Point];
    const said = { name: 'cut off by an earlier owner', kind: 'free' as const, line: [a, b] };
    const edges = edgesOf(saloon, { ...floor, edges: [said] });
    const changed = edges.find(({ name }) => name === said.name)!;
    expect(changed).toMatchObject({ kind: 'free' });
    expect(changed.pitch).toBeUndefined();
    expect(lineLength(changed.line)).toBeCloseTo(between(a, b), 6);
    expect(total(edges)).toBeCloseTo(perimeter(floor.outline), 3);
  });
});
