import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { FitView } from '@aspecta/contract/fit';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { fitPlaces, fitRound, wantedGap } from '@aspecta/core/fit';
import type { Point } from '@aspecta/core/geometry';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import BenchCheck from './BenchCheck.vue';

const plan = bodyPlan('saloon');
const panel = panelOf(plan, 'roof');
const piece: Point[] = [
  [300, 200],
  [600, 200],
  [600, 400],
  [300, 400],
];
const lines = piece.map((p, i) => ({ line: [p, piece[(i + 1) % 4]!], closing: 'butt' as const }));
const places = fitPlaces(lines, piece);
const view: FitView = {
  ...{ repairId: 'r', panel: 'roof', piece, thickness: 1, wanted: wantedGap(true, 1), rounds: [], overruled: null },
  ...{ ready: false, other: null },
  joints: lines.map(({ line }) => ({ name: 'cut in the sheet', open: true, within: false, line })),
  places: places.map((place) => ({ ...place, mm: place.along, end: 'front end' })),
};
/** The view after gaps were read at the first three places. */
function read(gap: number): FitView {
  const readings = places.slice(0, 3).map(({ id }) => ({ place: id, gap, flush: null }));
  const input = { places, joints: lines.map(() => ({ open: true })), thickness: 1, readings, neighbours: [] };
  const round = { id: 'x', readings, neighbours: [], note: '', by: 'Ines', at: '2026-02-03T18:00:00.000Z' };
  return { ...view, rounds: [{ ...round, result: fitRound(input) }] };
}
let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer().on('GET /repairs/r/fit', view);
});
const open = async () => {
  const { page } = await openPage(BenchCheck, { vehicle: 'v', repair: 'r', plan, panel });
  await button(page, 'Type what you read').trigger('click');
  await flushPromises();
  return page;
};
const type = async (page: Awaited<ReturnType<typeof open>>, gap: string) => {
  await page.findAll('.place input')[0]!.setValue(gap);
  await page.get('form').trigger('submit');
  await flushPromises();
};

describe('a check at the bench', () => {
  it('is typed there, kept as a trial fit, and says whether to go on', async () => {
    server.on('POST /repairs/r/fit/rounds', () => read(view.wanted));
    const page = await open();
    await type(page, '0.5');
    expect(server.to('POST /repairs/r/fit/rounds')[0]).toMatchObject({ readings: [{ gap: 0.5 }] });
    expect(page.text()).toContain('It lies as it should: go on.');
    await button(page, 'Back to the bench').trigger('click');
    expect(page.text()).not.toContain('It lies');
  });
  it('names what has moved, and keeps what was typed where it was refused', async () => {
    server.on('POST /repairs/r/fit/rounds', () => problem('invalid', 'Not so.', 422, { field: 'note' }));
    const page = await open();
    await type(page, '6');
    expect(page.text()).toContain('Not so.');
    server.on('POST /repairs/r/fit/rounds', () => read(6));
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('It has moved. Cure it before the next weld.');
  });
});
