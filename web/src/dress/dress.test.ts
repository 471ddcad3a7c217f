import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { DressRoundView, DressView } from '@aspecta/contract/dress';
import { dressRound } from '@aspecta/core/dress';
import { fitPlaces } from '@aspecta/core/fit';
import type { Point } from '@aspecta/core/geometry';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import DressPage from './DressPage.vue';

const piece: Point[] = [
  [300, 200],
  [600, 200],
  [600, 400],
  [300, 400],
];
const lines = piece.map((p, i) => ({ line: [p, piece[(i + 1) % 4]!], closing: 'butt' as const }));
const places = fitPlaces(lines, piece);
const round = (mm: number[], note = '', filler = true): DressRoundView => {
  const readings = mm.map((value, i) => ({ place: places[i]!.id, mm: value }));
  return {
    ...{ id: `r${mm.join()}`, readings, note, by: 'Ines', at: '2026-02-03T18:00:00.000Z' },
    result: dressRound({ places, readings, filler }),
  };
};
const view = (rounds: DressRoundView[] = [], over: Partial<DressView> = {}): DressView => ({
  ...{ repairId: 'r', panel: 'roof', piece, noFiller: null, finish: 'filler', welded: 1, rounds },
  joints: lines.map(({ line }) => ({ name: 'cut in the sheet', line })),
  places: places.map((place) => ({ ...place, mm: place.along, end: 'front end' })),
  ...over,
});
const at = '/repairs/r/dress';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', repairView({ id: 'r', panel: 'roof' }))
    .on(`GET ${at}`, view());
});
const open = async () => (await openPage(DressPage, { id: 'v', repair: 'r' })).page;

describe('after welding', () => {
  it('a straight edge is read place by place, low with a minus, and what is no length is said there', async () => {
    const page = await open();
    expect(page.text()).toContain('Not read yet.');
    await button(page, 'Lay a straight edge across the welds').trigger('click');
    await page.get('form').trigger('submit');
    expect(page.text()).toContain('Read one place at least');
    await field(page, /^1: cut in the sheet/).setValue('low');
    await page.get('form').trigger('submit');
    expect(page.text()).toContain('Type a length in mm');
    await field(page, /^1: cut in the sheet/).setValue('-2');
    await field(page, /^2: cut in the sheet/).setValue('0.5');
    server.on(`POST ${at}/rounds`, view([round([-2, 0.5])]));
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to(`POST ${at}/rounds`)).toMatchObject([
      {
        readings: [
          { place: places[0]!.id, mm: -2 },
          { place: places[1]!.id, mm: 0.5 },
        ],
      },
    ]);
    expect(page.find('form').exists()).toBe(false);
    expect(page.text()).toMatch(
      /2\.00 mm at its lowest.*Not level yet.*Place 1 \(2\.00 mm\): low.*Stretch the weld.*Place 2 \(0\.50 mm\): proud/s,
    );
    expect(page.text()).toMatch(/\d+ g to mix.*2 layers.*Ordinary filler below/s);
    expect(page.findAll('.stages li').map((one) => one.text())).toEqual([
      'Scuff the ground, well beyond the edge of the filler, with 80 grit',
      'Fill 1.5 mm with ordinary filler, in 1 layer, each hardened through',
      'Block it dry over a long block, with 80, then 120 grit',
      'Fill 0.5 mm with fine filler, in 1 layer, each hardened through',
      'Block it dry over a long block, with 180 grit',
      expect.stringMatching(/^Prime it/),
      expect.stringMatching(/with 320, then 400 grit$/),
    ]);
  });

  it('is compared with the reading before, taken back, and led to its coats when it is level', async () => {
    server.on(`GET ${at}`, view([round([-4, 1]), round([-1, 0], 'hammered on the dolly')]));
    const page = await open();
    expect(page.text()).toContain('Level enough for good work.');
    expect(page.text()).toMatch(/Before: 4\.00 mm low, 1\.00 mm proud; now\s*1\.00 mm and 0\.00 mm/);
    expect(page.get('.next').text()).toContain('Coat it');
    server.on(`DELETE ${at}/rounds/r-1,0`, view([round([-4, 1])]));
    await button(page, 'Take the last reading back').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Not level yet.');
  });

  it('fills nothing on what carries load', async () => {
    const noFiller = 'This panel carries load: filler counts for nothing on it.';
    server.on(`GET ${at}`, view([round([-4], '', false)], { noFiller }));
    const page = await open();
    expect(page.text()).toContain(noFiller);
    expect(page.text()).toContain('Leave it as it is.');
    expect(page.text()).not.toContain('to mix');
  });

  it('says what was refused', async () => {
    server.on(`POST ${at}/rounds`, () => problem('invalid', 'This place is not there any more.', 422, { field: 'x' }));
    const page = await open();
    await button(page, 'Lay a straight edge across the welds').trigger('click');
    await field(page, /^1: cut/).setValue('0');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('This place is not there any more.');
  });

  it('has not a millimetre left in an inch shop', async () => {
    signIn('owner', 'in');
    server.on(`GET ${at}`, view([round([-4, 1]), round([-2, 0.4])]));
    const page = await open();
    await button(page, 'Read it again').trigger('click');
    expect(page.text()).not.toMatch(/\d mm\b|in mm/);
  });
});
