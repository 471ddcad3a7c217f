import { describe, expect, it } from 'vitest';
import { planWelds } from '@aspecta/core/weld';
import { clock, duration, hours, percent } from '../shell/units.ts';
import { minorUnits } from '../shell/money.ts';
import { belowVehicle } from '../car/belowVehicle.ts';
import { nextStepOf, waitLeft, weldScene } from './weldScene.ts';

const { steps } = planWelds({
  seams: [
    {
      points: [
        [0, 0],
        [100, 0],
      ],
      closed: false,
    },
  ],
  process: 'mig',
  thickness: 0.9,
});

describe('the drawing of the sequence', () => {
  it('shows each weld once, in the look of its state', () => {
    const { paths, numbers } = weldScene(steps, (step) => (step.n === 1 ? 'done' : 'todo'));
    expect(numbers).toHaveLength(steps.filter((step) => step.kind !== 'check').length);
    expect(numbers.filter((entry) => entry.look === 'done').map((entry) => entry.n)).toEqual([1]);
    expect(paths.todo.split('M').length - 1).toBe(steps.filter((step) => step.kind === 'stitch').length);
  });
});

describe('bench mode', () => {
  it('goes on at the first step that is not done', () => {
    expect(nextStepOf(steps, new Set())!.n).toBe(1);
    expect(nextStepOf(steps, new Set([1, 2, 4]))!.n).toBe(3);
    expect(nextStepOf(steps, new Set(steps.map((step) => step.n)))).toBeUndefined();
  });
  it('counts the cooling from the step before, and never below zero', () => {
    const step = { ...steps[3]!, wait: 40 };
    expect(waitLeft(step, 1_000_000, 1_010_000)).toBe(30);
    expect(waitLeft(step, 1_000_000, 2_000_000)).toBe(0);
    expect(waitLeft(step, null, 0)).toBe(0);
  });
});

describe('how figures are written', () => {
  it.each([
    [95, '1:35'],
    [0, '0:00'],
    [-4, '0:00'],
    [3600, '60:00'],
  ])('%d s as %s', (seconds, text) => expect(clock(seconds)).toBe(text));
  it('in words that fit their size', () => {
    expect([duration(5400), duration(600), hours(0.5), hours(2.25), percent(0.034), percent(0.5), percent(0)]).toEqual([
      '1 h 30 min',
      '10 min',
      '30 min',
      '2.3 h',
      '3.4 %',
      '50 %',
      '0 %',
    ]);
  });
  it.each([
    ['380', 38_000],
    ['380,50', 38_050],
    ['1 250.00', 125_000],
    ['€ 12.5', 1250],
    ['a lot', 'a lot'],
    ['1.234', '1.234'],
  ])('money: %s', (text, minor) => expect(minorUnits(text, 'EUR', 'price')).toBe(minor));
});

describe('next steps', () => {
  it('lead to addresses below the vehicle, or out of it', () => {
    expect(belowVehicle('x', 'panels/sill-l')).toBe('/vehicles/x/panels/sill-l');
    expect(belowVehicle('x', '../../orders')).toBe('/orders');
    expect(belowVehicle('x', '')).toBe('/vehicles/x');
  });
});
