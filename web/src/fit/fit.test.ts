import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { FitRoundView, FitView } from '@aspecta/contract/fit';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { fitPlaces, fitRound, wantedGap } from '@aspecta/core/fit';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import FitPage from './FitPage.vue';

const piece: Point[] = [
  [300, 200],
  [600, 200],
  [600, 400],
  [300, 400],
];
const lines = piece.map((p, i) => ({ line: [p, piece[(i + 1) % 4]!], closing: 'butt' as const }));
const places = fitPlaces(lines, piece);
const panel = panelOf(bodyPlan('saloon'), 'roof');
const round = (gap: number, note = ''): FitRoundView => {
  const readings = places.slice(0, 3).map(({ id }) => ({ place: id, gap, flush: null }));
  const input = { places, joints: lines.map(() => ({ open: true })), thickness: 1, readings, neighbours: [] };
  return {
    id: `r${gap}`,
    readings,
    neighbours: [],
    note,
    by: 'Ines',
    at: '2026-02-03T18:00:00.000Z',
    result: fitRound(input),
  };
};
const view = (rounds: FitRoundView[] = [], over: Partial<FitView> = {}): FitView => ({
  repairId: 'r',
  panel: 'roof',
  piece,
  thickness: 1,
  wanted: wantedGap(true, 1),
  joints: lines.map(({ line }) => ({ name: 'cut in the sheet', open: true, within: false, line })),
  places: places.map((place) => ({ ...place, mm: place.along, end: 'front end' })),
  rounds,
  overruled: null,
  ready: rounds.at(-1)?.result.good ?? false,
  other: null,
  ...over,
});
const at = '/repairs/r/fit';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', repairView({ id: 'r', panel: panel.id }))
    .on(`GET ${at}`, view());
});
const open = () => openPage(FitPage, { id: 'v', repair: 'r' });

describe('trial fits', () => {
  it('are read place by place as a tape finds it, and sent with what was done', async () => {
    server.on(`POST ${at}/rounds`, () => view([round(wantedGap(true, 1))]));
    const { page } = await open();
    expect(page.text()).toContain('Not tried yet.');
    await button(page, 'Read trial fit 1').trigger('click');
    expect(page.text()).toContain('20 mm from the front end');
    await page.get('form').trigger('submit');
    expect(page.text()).toContain('Read the gap at one place at least.');
    const inputs = page.findAll('form input');
    await inputs[0]!.setValue('0.8');
    await inputs[1]!.setValue('-0.2');
    await inputs[2]!.setValue('wide');
    await page.get('form').trigger('submit');
    expect(page.text()).toContain('Type a length');
    expect(server.to(`POST ${at}/rounds`)).toEqual([]);
    await inputs[2]!.setValue('1');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to(`POST ${at}/rounds`)[0]).toMatchObject({
      readings: [
        { place: '0:0', gap: 0.8, flush: -0.2 },
        { place: '0:1', gap: 1, flush: null },
      ],
    });
    expect(page.text()).toContain('It fits: it may be tacked.');
    expect(page.text()).toContain('Weld it in');
  });
  it('name what hangs beside the piece, and take the gaps that are read there', async () => {
    server.on(`POST ${at}/rounds`, () => view([round(wantedGap(true, 1))]));
    server.on(`GET ${at}`, view([], { panel: 'quarter-l' }));
    const { page } = await open();
    await button(page, 'Read trial fit 1').trigger('click');
    expect(page.text()).toContain('With Door skin, left; Boot lid hung and shut');
    await page.findAll('form input')[0]!.setValue('0.8');
    const gaps = page.findAll('form .place').slice(-2);
    await gaps[0]!.findAll('input')[1]!.setValue('6');
    await page.get('form').trigger('submit');
    await flushPromises();
    // The boot lid was not read: nothing is said of it.
    expect(server.to(`POST ${at}/rounds`)[0]!['neighbours']).toEqual([
      { name: 'Door skin, left', gap: 6, wanted: expect.any(Number) as number },
    ]);
  });
  it('say what is trimmed and how much this time; as it is only for a reason', async () => {
    server.on(`GET ${at}`, view([round(-1.2)]));
    server.on(`PUT ${at}/overruled`, () =>
      view([round(-1.2)], { overruled: { reason: 'unseen', by: 'Ines', at: '' }, ready: true }),
    );
    const { page } = await open();
    expect(page.text()).toMatch(/cut in the sheet: trim it.*Mark 2 mm at 1/s);
    expect(page.text()).not.toContain('Weld it in');
    await button(page, 'It is good enough …').trigger('click');
    await page.get('form input').setValue('unseen');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to(`PUT ${at}/overruled`)).toEqual([{ reason: 'unseen' }]);
    expect(page.text()).toContain('It may be welded as it fits now.');
  });
  it('say in how many passes a wide edge is built up, how long they cool, and what a strip would take', async () => {
    server.on(`GET ${at}`, view([round(3)]));
    const { page } = await open();
    const text = page.text().replace(/\s+/g, ' ');
    expect(text).toMatch(
      /build it up with a bead\. It stands [\d.]+ mm too wide: 2 passes of [\d.]+ mm along the edge/,
    );
    expect(text).toMatch(/with \d+ min to cool between them, at most \d+ min if all of it is low; a strip takes/);
  });
  it('show a refusal, and how the other side went', async () => {
    const other = { repairId: 'o', panel: 'roof', rounds: [round(0.8, 'one shim at the top')] };
    server.on(`GET ${at}`, view([round(-1)], { other }));
    server.on(`DELETE ${at}/rounds/r-1`, () => problem('not-found', 'This trial fit is not there.', 404));
    const { page } = await open();
    expect(page.text()).toContain('The other side took 1');
    expect(page.text()).toContain('one shim at the top');
    await button(page, 'Take the last one back').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('This trial fit is not there.');
  });
  it('read inches in an inch shop', async () => {
    signIn('owner', 'in');
    server.on(`GET ${at}`, view([round(-1.2)]));
    const { page } = await open();
    expect(page.text()).not.toMatch(/\d ?mm\b/);
  });
});
