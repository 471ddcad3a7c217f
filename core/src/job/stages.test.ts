import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyPlan } from '../body/index.ts';
import { jobSteps } from './jobSteps.ts';
import { STAGES, stagesOf, type StagedStep } from './stages.ts';
import { STEP_KINDS } from './types.ts';
import { repairOn } from './testing.ts';

const body = bodyPlan('saloon');
const panelOf = (id: string) => body.panels.find((panel) => panel.id === id)!;

describe('from bare metal to paint', () => {
  it('ends in surfacer where paint is left for later, and in paint where the shop paints; nobody paints a floor', () => {
    const repairs = [repairOn(body, panelOf('quarter-l'), 'patch'), repairOn(body, panelOf('floor-front-l'), 'patch')];
    const reached = (paints: boolean) =>
      stagesOf(
        jobSteps({ body, repairs, finds: [], undecided: [], paints }).map((step) => ({ ...step, past: false, end: 1 })),
      ).map(({ stages }) => STAGES.filter((stage) => stages[stage]));
    const primed = ['opened', 'sound', 'primed'];
    expect(reached(false)).toEqual([
      [...primed, 'filled', 'surfacer', 'ready'],
      [...primed, 'ready'],
    ]);
    expect(reached(true)[0]).toEqual([...primed, 'filled', 'surfacer', 'painted', 'ready']);
  });

  it('puts wax on last, when the paint is hard (T-44)', () => {
    const steps = jobSteps({
      body,
      repairs: [repairOn(body, panelOf('quarter-l'), 'patch')],
      finds: [],
      undecided: [],
      paints: true,
    });
    const kinds = steps.map(({ kind }) => kind);
    const inOrder = ['weld', 'prime', 'cure', 'fill', 'surface', 'paint', 'harden', 'cover'] as const;
    expect(inOrder.map((kind) => kinds.indexOf(kind))).toEqual(
      [...inOrder.map((kind) => kinds.indexOf(kind))].sort((a, b) => a - b),
    );
    expect(steps.find(({ kind }) => kind === 'cover')!.after.map(({ id }) => id.split(' ').at(-1))).toContain('harden');
  });

  it('is where its first stage is that is not done, and is ready with its last step', () => {
    const step = (kind: StagedStep['kind'], past: boolean, end: number | null): StagedStep => ({
      ...{ kind, past, end },
      repair: 'r',
      panel: 'sill-l',
    });
    const [told] = stagesOf([
      step('open', true, null),
      step('weld', true, null),
      step('dress', false, 10),
      step('prime', false, 20),
      step('cure', false, 44),
      step('seal', false, null),
    ]);
    expect(told).toMatchObject({
      now: 'sound',
      stages: {
        opened: { done: true, end: null },
        sound: { done: false, end: 10 },
        primed: { done: false, end: 44 },
        filled: null,
        // One of its steps is blocked, and so in no plan.
        ready: { done: false, end: null },
      },
    });
  });

  it('is never ready before another of its stages', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            kind: fc.constantFrom(...STEP_KINDS),
            repair: fc.constantFrom('a', 'b', null),
            panel: fc.constant('sill-l'),
            past: fc.boolean(),
            end: fc.integer({ min: 0, max: 1000 }),
          }),
        ),
        (steps) => {
          for (const { stages, now } of stagesOf(steps)) {
            const all = STAGES.flatMap((stage) => stages[stage] ?? []);
            expect(stages.ready!.done).toBe(all.every(({ done }) => done) && now === null);
            for (const { done, end } of all) if (!done) expect(end!).toBeLessThanOrEqual(stages.ready!.end!);
          }
        },
      ),
    ));
});
