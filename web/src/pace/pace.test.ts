import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { PacesView } from '@aspecta/contract/pace';
import { button, FakeServer, openPage, signIn } from '../testing/fakeServer.ts';
import { paceChart, pacesChart } from './paceCharts.ts';
import PacesTile from './PacesTile.vue';

const one = { vehicle: 'Marigold', panel: 'Sill, left', counted: 2, spent: 3, at: '2026-02-01T10:00:00.000Z' };
const nothing = { factor: 1, low: 0.7, high: 1.4, cases: [] };
const view: PacesView = {
  since: null,
  second: nothing,
  paces: [
    { kind: 'weld', factor: 1.42, low: 1.1, high: 1.8, cases: [one, one, one], used: true },
    { kind: 'fit', factor: 1, low: 0.8, high: 1.2, cases: [], used: false },
  ],
};
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  server = new FakeServer().on('GET /paces', view);
});

describe('how paces are drawn', () => {
  const after = (spent: number, day: number) => ({ ...one, spent, at: `2026-02-${10 + day}T10:00:00.000Z` });
  it('only kinds that were timed have a range', () => {
    const chart = pacesChart(view.paces);
    expect(chart.y.names).toEqual(['Welding and joining']);
    expect(chart.series[0]!.points).toEqual([[1.1, 1.42, 1.8, 0]]);
  });
  it('doubt shrinks as steps come in, whatever their order, and ends where the shop stands', () => {
    const cases = [after(3, 2), after(2.8, 0), after(3.1, 3), after(2.9, 1)];
    const [band, line, points] = paceChart({ kind: 'weld', cases }).series;
    const width = band!.points.map((point) => point[2]! - point[1]);
    expect(width.at(-1)!).toBeLessThan(width[1]!);
    expect(points!.points.map(([, factor]) => factor)).toEqual([1.4, 1.45, 1.5, 1.55]);
    const learnt = line!.points.map(([, factor]) => factor as number);
    expect(learnt[0]).toBeCloseTo(1, 9);
    expect(learnt.at(-1)!).toBeGreaterThan(1.2);
    expect(learnt.at(-1)!).toBeLessThan(1.55);
  });
});

describe('own paces', () => {
  it('stand with their doubt and the steps that taught them; forgotten only when one is sure', async () => {
    const { page } = await openPage(PacesTile);
    expect(page.text()).toMatch(/Welding and joining\s*estimates follow it\s*× 1\.42\s*× 1\.10 to × 1\.80\s*3/);
    expect(page.text()).toMatch(/Trial fits\s*nothing noted yet\s*–/);
    expect(page.text()).toContain('3.0 h where 2.0 h were counted');
    server.on('DELETE /paces', { since: '2026-03-01T10:00:00.000Z', paces: [] });
    await button(page, 'Forget what was learnt …').trigger('click');
    await button(page, 'Keep them').trigger('click');
    expect(server.to('DELETE /paces')).toEqual([]);
    await button(page, 'Forget what was learnt …').trigger('click');
    await button(page, 'Forget them, and begin anew').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Only what was done since 1 Mar 2026 counts.');
  });

  it('tell how much quicker the second side is, once both were timed', async () => {
    expect((await openPage(PacesTile)).page.text()).not.toContain('The second side');
    const pair = { vehicle: 'Marigold', panel: 'Sill, right', first: 4, second: 3, at: '2026-02-09T10:00:00.000Z' };
    server.on('GET /paces', { ...view, second: { factor: 0.85, low: 0.7, high: 1, cases: [pair] } });
    const { page } = await openPage(PacesTile);
    expect(page.text()).toMatch(/The second side\s*× 0\.85 of the hours of the first/);
    expect(page.text()).toContain('3.0 h where the first side took 4.0 h');
  });

  it('are forgotten by the owner alone', async () => {
    signIn('worker');
    const { page } = await openPage(PacesTile);
    expect(page.findAll('button').some((each) => each.text().startsWith('Forget'))).toBe(false);
  });
});
