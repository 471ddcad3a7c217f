import { describe, expect, it } from 'vitest';
import { area, between, lineLength, perimeter } from '../geometry/index.ts';
import { panelJoints } from '../repair/index.ts';
import {
  asOnCar,
  bodyPlan,
  bodyPlans,
  edgesOf,
  fromPiece,
  memberAt,
  onePieceOf,
  panelOf,
  panelsUnder,
} from './index.ts';

const FLOOR = { id: 'floor', name: 'Floor in one piece', panels: ['floor-front-l', 'tunnel', 'floor-front-r'] };
const facts = (piece = FLOOR) => ({ panels: {}, parts: [], pieces: [piece] });

describe('one piece over several panels', () => {
  it('is as large as they are together, and is held by what is left outside of it', () => {
    const plan = bodyPlan('saloon');
    const piece = onePieceOf(plan, FLOOR);
    const sum = FLOOR.panels.reduce((all, id) => all + area([panelOf(plan, id).outline]), 0);
    expect(area([piece.outline]) / sum).toBeGreaterThan(0.97);
    expect(area([piece.outline]) / sum).toBeLessThan(1.05);
    const held = piece.edges!.reduce((all, { line }) => all + lineLength(line), 0);
    expect(held / perimeter(piece.outline)).toBeGreaterThan(0.97);
    // The seams to the tunnel are inside now: nobody drills them.
    const car = asOnCar(plan, facts());
    const spots = (id: string) => panelJoints(car, panelOf(car, id)).reduce((all, { fasteners }) => all + fasteners, 0);
    const apart = FLOOR.panels.reduce((all, id) => all + spots(id), 0);
    expect(spots('floor')).toBeLessThan(apart);
    expect(spots('floor')).toBeGreaterThan(30);
    expect(panelsUnder(car, 'floor')).toEqual(FLOOR.panels);
    expect(panelsUnder(car, 'roof')).toEqual(['roof']);
  });

  it('stands on every body where two panels touch, with an edge all round', () => {
    for (const plan of bodyPlans()) {
      const pairs = plan.seams
        .map(({ sides }) => [sides[0].panel, sides[1].panel] as const)
        .filter(([a, b]) => a !== b && panelOf(plan, a).view === panelOf(plan, b).view);
      let made = 0;
      for (const panels of pairs) {
        try {
          const piece = onePieceOf(plan, { id: 'p', name: 'Both', panels });
          made++;
          const round = edgesOf({ ...plan, panels: [...plan.panels, piece] }, piece);
          const length = round.reduce((all, { line }) => all + lineLength(line), 0);
          expect(length, `${plan.id} ${panels.join()}`).toBeCloseTo(perimeter(piece.outline), -1);
        } catch (error) {
          // Some are drawn apart from each other, though a seam joins them.
          expect((error as { code: string }).code).toBe('not-beside');
        }
      }
      expect(made, plan.id).toBeGreaterThan(0);
    }
  });

  it('knows on which of its panels a place lies, there and back', () => {
    const plan = bodyPlan('saloon');
    const car = asOnCar(plan, facts());
    const piece = panelOf(car, 'floor');
    for (const id of FLOOR.panels) {
      const panel = panelOf(car, id);
      const at = panel.outline.reduce(
        ([u, v], p) => [u + p[0] / panel.outline.length, v + p[1] / panel.outline.length] as const,
        [0, 0] as readonly [number, number],
      );
      const back = fromPiece(car, piece, panel);
      const there = memberAt(car, piece, [at[0] - back[0], at[1] - back[1]]);
      expect(there.panel.id).toBe(id);
      expect(between(there.at, at)).toBeLessThan(1e-6);
    }
  });

  it('refuses panels that do not touch, or lie in different views, in words', () => {
    const plan = bodyPlan('saloon');
    const refused = (panels: string[]) => () => onePieceOf(plan, { ...FLOOR, panels });
    expect(refused(['floor-front-l', 'floor-front-r'])).toThrow(/do not all touch/);
    expect(refused(['floor-front-l', 'roof'])).toThrow(/one view/);
    expect(refused(['roof', 'roof'])).toThrow(/two panels at least/);
    expect(refused(['roof', 'no-such'])).toThrow(/no panel "no-such"/);
  });
});
