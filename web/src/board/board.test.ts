import { describe, expect, it } from 'vitest';
import type { BoardPanel } from '@aspecta/contract/board';
import { bodyPlan } from '@aspecta/core/body';
import { boardScene, STATES, foundPanels } from './boardScene.ts';

const plan = bodyPlan('saloon');
const entry = (over: Partial<BoardPanel>): BoardPanel => ({
  panel: 'sill-l',
  state: 'thin',
  condition: 'thin',
  coverage: 0.4,
  readings: 12,
  thinnest: 0.6,
  thinnestUnder: false,
  deepestOver: false,
  deepestCoating: null,
  zones: 1,
  choice: null,
  awaited: null,
  ...over,
});

describe('the board', () => {
  it('draws every panel, those without a word as not measured', () => {
    const { shapes } = boardScene(plan, []);
    expect(shapes).toHaveLength(plan.panels.length);
    expect(new Set(shapes.map((shape) => shape.state))).toEqual(new Set(['unmeasured']));
  });

  it('says in words what it shows in colour', () => {
    const { shapes } = boardScene(plan, [entry({ awaited: { state: 'confirmed', due: '2026-01-01', late: true } })]);
    expect(shapes.find((shape) => shape.panel.id === 'sill-l')!.label).toBe(
      'Sill, left, thin, 12 readings, 40 % covered, order is late',
    );
  });

  it('gives every state its own colour and, but for sound metal, its own hatch', () => {
    const looks = Object.values(STATES);
    expect(new Set(looks.map((look) => look.fill)).size).toBe(looks.length);
    expect(looks.filter((look) => look.hatch === null).map((look) => look.label)).toEqual(['Measured, sound']);
  });
});

describe('finding a panel', () => {
  const plan = bodyPlan('saloon');
  const { shapes, views } = boardScene(plan, []);
  const found = (words: string) => foundPanels(shapes, views, words).map(({ panel }) => panel.id);

  it('takes the beginnings of words in any order, also of the side', () => {
    expect(found('left sill')).toContain('sill-l');
    expect(found('left sill')).not.toContain('sill-r');
    expect(found('SILL')).toEqual(expect.arrayContaining(['sill-l', 'sill-r']));
    expect(found('')).toHaveLength(plan.panels.length);
    expect(found('zeppelin')).toEqual([]);
    // Within a word is not at its beginning.
    expect(found('ill')).toEqual([]);
  });

  it.each(['saloon', 'pickup', 'offroader', 'platform'])(
    'has every panel of the %s in one view, inside its box',
    (id) => {
      const body = bodyPlan(id);
      const scene = boardScene(body, []);
      for (const panel of body.panels) {
        const view = scene.views.find((entry) => entry.view.id === panel.view)!;
        for (const [u, v] of panel.outline) {
          expect(u + panel.placement[0]).toBeGreaterThanOrEqual(view.box.minU - 0.01);
          expect(v + panel.placement[1]).toBeLessThanOrEqual(view.box.maxV);
        }
      }
    },
  );
});
