import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { bodyPlan, edgesOf, panelOf, type CarFacts, type PanelFacts } from '@aspecta/core/body';
import { lineLength } from '@aspecta/core/geometry';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import FactsPage from './FactsPage.vue';
import PartForm from './PartForm.vue';

const vehicle = (facts: CarFacts | null) => ({ id: 'v', nickname: 'Marigold', planId: 'saloon', facts });
const none: CarFacts = { panels: {}, parts: [] };
const at = '/vehicles/v/panels/sill-l/facts';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer().on('GET /vehicles/v', vehicle(null)).on('GET /vehicles/v/repairs', []);
});
const open = async (panel = 'sill-l') => (await openPage(FactsPage, { id: 'v', panel })).page;
const sill = panelOf(bodyPlan('saloon'), 'sill-l');
const edges = edgesOf(bodyPlan('saloon'), sill);
/** The server takes it and gives it back. */
function taken(facts: PanelFacts): void {
  server
    .on(`PUT ${at}`, vehicle({ ...none, panels: { 'sill-l': facts } }))
    .on('GET /vehicles/v', vehicle({ ...none, panels: { 'sill-l': facts } }));
}

describe('what a panel is on this car', () => {
  it('says each edge, takes a part of one for something else, and gives it back to the plan', async () => {
    const page = await open();
    expect(page.text()).toMatch(/As the .*saloon.* has it/i);
    const i = edges.findIndex(({ kind }) => kind === 'spot');
    await page.findAll('.edge-row')[i]!.trigger('click');
    await field(page, 'What it is').setValue('bolt');
    await field(page, 'From one to the next, mm').setValue('');
    await field(page, 'To, mm').setValue('400');
    await page.get('form.stretch').trigger('submit');
    expect(page.text()).toContain('Type a length in mm');
    await field(page, 'From one to the next, mm').setValue('90');
    const edge = { kind: 'bolt' as const, pitch: 90, sheets: 2, name: 'lower edge', line: edges[i]!.line.slice(0, 2) };
    taken({ edges: [edge] });
    await page.get('form.stretch').trigger('submit');
    await flushPromises();
    const [sent] = server.to(`PUT ${at}`) as { facts: PanelFacts; seen: null }[];
    expect(sent).toMatchObject({ seen: null, facts: { edges: [{ kind: 'bolt', pitch: 90, layer: 'outer' }] } });
    expect(lineLength(sent!.facts.edges![0]!.line)).toBeCloseTo(400, 0);
    expect(page.text()).toContain('Not as the plan has it.');
    const row = page.findAll('.edge-row').find((one) => one.text().includes('on this car'))!;
    expect(row.text()).toContain('bolted, every 90 mm');
    await row.trigger('click');
    server.on(`PUT ${at}`, vehicle(null)).on('GET /vehicles/v', vehicle(null));
    await button(page, 'As the plan has it').trigger('click');
    await flushPromises();
    expect(server.to(`PUT ${at}`)[1]).toEqual({ facts: {}, seen: { edges: [edge] } });
  });

  it('shows the edges of each sheet: what is bolted outside is spotted behind', async () => {
    const page = (await openPage(FactsPage, { id: 'v', panel: 'sill-l' })).page;
    const pickup = bodyPlan('pickup');
    server.on('GET /vehicles/v', { ...vehicle(null), planId: 'pickup' });
    const own = (await openPage(FactsPage, { id: 'v', panel: 'sill-l' })).page;
    expect(page.text()).not.toContain('bolted, every');
    expect(own.text()).toContain('bolted, every');
    await own
      .findAll('input[type="radio"]')
      .find((one) => one.element.parentElement!.textContent!.includes('Inner'))!
      .setValue();
    await flushPromises();
    expect(own.text()).not.toContain('bolted, every');
    expect(own.findAll('.edge-row')).toHaveLength(edgesOf(pickup, panelOf(pickup, 'sill-l'), 'inner').length);
  });

  it('takes a thickness as it is typed, a gauge as well, and what the panel does', async () => {
    signIn('owner', 'in');
    const page = await open();
    taken({ layers: { outer: { thickness: 1.5, material: 'steel' } } });
    await field(page, 'As built, inches').setValue('16 ga');
    await flushPromises();
    const [sent] = server.to(`PUT ${at}`) as { facts: PanelFacts }[];
    const [layer] = Object.values(sent!.facts.layers!);
    expect(layer!.thickness).toBeCloseTo(1.519, 2);
    expect(page.text()).not.toMatch(/\d mm/);
  });

  it('tells what somebody else has said meanwhile, and keeps what was typed', async () => {
    const page = await open();
    server.on(
      `PUT ${at}`,
      problem('conflict', 'Somebody else has changed this.', 409, { current: { visible: false } }),
    );
    await page.findAll('.edge-row')[0]!.trigger('click');
    await page.get('form.stretch').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Somebody else has changed what this panel is');
  });
});

describe('a part that the plan lacks', () => {
  it('has a size, a metal and an edge; what is wrong is said at its field', async () => {
    const { page } = await openPage(PartForm, { vehicle: 'v', part: null });
    await field(page, 'What it is').setValue('Jack point');
    await field(page, 'Width, laid flat, mm').setValue('120');
    await field(page, 'Height, laid flat, mm').setValue('eighty');
    await field(page, 'Sheet, mm').setValue('2');
    await field(page, 'Sheets that meet there').setValue('9');
    await page.get('form').trigger('submit');
    expect(document.body.textContent).toContain('from 1 to 5');
    await field(page, 'Sheets that meet there').setValue('3');
    await page.get('form').trigger('submit');
    await flushPromises();
    const sent = server.sent.filter(({ what }) => what.startsWith('PUT /vehicles/v/parts/')).map(({ body }) => body);
    expect(sent).toMatchObject([
      { name: 'Jack point', width: 120, height: 'eighty', thickness: 2, edge: { kind: 'spot', pitch: 40, sheets: 3 } },
    ]);
  });
});

describe('one piece over several panels', () => {
  it('is joined of panels that lie side by side; what does not touch is refused with words', async () => {
    const { page, router } = await openPage(FactsPage, { id: 'v', panel: 'floor-front-l' });
    await button(page, 'It comes in one piece with its neighbours').trigger('click');
    await field(page, 'What it is').setValue('Floor in one piece');
    const put = () => server.sent.filter(({ what }) => what.startsWith('PUT /vehicles/v/pieces/'));
    await page.get('form').trigger('submit');
    expect(document.body.textContent).toContain('Choose one more panel at least');
    expect(put()).toEqual([]);
    const tunnel = page.findAll('.n-checkbox').find((box) => /tunnel/i.test(box.text()))!;
    await tunnel.trigger('click');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(put().map(({ body }) => body)).toEqual([
      { name: 'Floor in one piece', panels: ['floor-front-l', 'tunnel'] },
    ]);
    expect(router.currentRoute.value.fullPath).not.toContain('pieces');
  });

  it('is opened with the panels that another page proposes', async () => {
    const { page } = await openPage(
      FactsPage,
      { id: 'v', panel: 'floor-front-l' },
      { at: '/vehicles/v/panels/floor-front-l/facts?joining=tunnel,floor-front-r' },
    );
    await field(page, 'What it is').setValue('Floor in one piece');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.sent.filter(({ what }) => what.startsWith('PUT /vehicles/v/pieces/'))[0]!.body).toEqual({
      name: 'Floor in one piece',
      panels: ['floor-front-l', 'tunnel', 'floor-front-r'],
    });
  });

  it('is several panels again', async () => {
    const pieces = [{ id: 'one', name: 'Floor in one piece', panels: ['floor-front-l', 'tunnel'] }];
    server.on('GET /vehicles/v', vehicle({ ...none, pieces }));
    const { page, router } = await openPage(FactsPage, { id: 'v', panel: 'one' });
    expect(page.text()).toMatch(/Floor in one piece takes the place of .*tunnel/is);
    server.on('DELETE /vehicles/v/pieces/one', vehicle(null)).on('GET /vehicles/v', vehicle(null));
    await button(page, 'Several panels after all').trigger('click');
    await flushPromises();
    expect(router.currentRoute.value.fullPath).toBe('/vehicles/v/panels/floor-front-l');
  });
});
