import { describe, expect, it } from 'vitest';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { schoolDefaults } from '@aspecta/core/repair';
import { Workbench } from './bench.ts';
import { warmUp } from './warm.ts';

describe('warming the threads up', () => {
  it('weighs on all of them, and never asks the same twice', async () => {
    const asked: string[] = [];
    let [now, most] = [0, 0];
    await warmUp({
      run: (async (_name: unknown, input: unknown) => {
        asked.push(JSON.stringify(input));
        most = Math.max(most, ++now);
        await Promise.resolve();
        now--;
      }) as never,
    });
    expect(new Set(asked).size).toBe(asked.length);
    expect(most).toBe(2);
  });
});

describe('what was worked out', () => {
  it('is known when it is asked again, and nobody changes it for others', async () => {
    const bench = new Workbench();
    try {
      const plan = bodyPlan('saloon');
      const panel = panelOf(plan, 'floor-front-l');
      const ring = [
        [200, 200],
        [400, 200],
        [400, 300],
        [200, 300],
      ] as const;
      const question = (landed: number) => ({
        plan,
        panelId: panel.id,
        zones: [{ class: 'through' as const, layer: panel.layers[0]!.id, ring, holes: [] }],
        offer: { landed, leadDays: 5 },
        rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
        schools: schoolDefaults,
        house: {},
      });
      const first = await bench.run('weighRepair', question(20_000), 'one');
      const kept = structuredClone(first);
      first.options.pop();
      expect(await bench.run('weighRepair', question(20_000), 'other')).toEqual(kept);
      // Another price is another question.
      const dearer = await bench.run('weighRepair', question(90_000), 'one');
      expect(dearer).not.toEqual(kept);
    } finally {
      await bench.close();
    }
  }, 60_000);
});
