import { describe, expect, it } from 'vitest';
import type { BoardPanel } from '@aspecta/contract/board';
import { bodyPlan } from '@aspecta/core/body';
import { boardScene, STATES } from './boardScene.ts';

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
