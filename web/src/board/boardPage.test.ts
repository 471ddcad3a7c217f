import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { BoardPanel } from '@aspecta/contract/board';
import type { FindView } from '@aspecta/contract/survey';
import { bodyPlan } from '@aspecta/core/body';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import BoardPage from './BoardPage.vue';

// The import dialog tells its success in a message of the frame around all pages.
vi.mock('../kit/useToast.ts', () => ({ useToast: () => ({ done: vi.fn(), failed: vi.fn() }) }));

const plan = bodyPlan('saloon');
const panelEntry = (panel: string, over: Partial<BoardPanel> = {}): BoardPanel => ({
  panel,
  state: 'unmeasured',
  condition: 'unmeasured',
  coverage: 0,
  readings: 0,
  thinnest: null,
  thinnestUnder: false,
  deepestCoating: null,
  deepestOver: false,
  zones: 0,
  choice: null,
  awaited: null,
  ...over,
});
const find = (sign: string, structural: boolean) =>
  ({
    id: sign,
    panel: 'sill-l',
    layer: 'outer',
    u: 1,
    v: 1,
    sign,
    note: '',
    place: null,
    photoId: null,
    structural,
    at: '2026-02-03T10:00:00.000Z',
    by: 'Ada',
  }) as FindView;

let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', {
      id: 'v',
      nickname: 'Marigold',
      year: 1964,
      planId: 'saloon',
      notes: 'two owners\nCrown: R 3007 mm. (/book/crown?h=15)',
    })
    .on('GET /vehicles/v/board', {
      panels: plan.panels.map(({ id }) =>
        id === 'sill-l'
          ? panelEntry(id, { state: 'through', coverage: 1, readings: 40, thinnest: 0 })
          : id === 'wing-l'
            ? panelEntry(id, { awaited: { state: 'confirmed', due: '2026-01-05', late: true } })
            : panelEntry(id),
      ),
      next: { text: 'Ask Harrow Pressings: it is late', path: '../../orders' },
    })
    .on('GET /vehicles/v/repairs', [
      repairView(),
      repairView({ id: 's', choice: 'whole', panel: 'sill-l', staleZones: ['z'] }),
    ])
    .on('GET /vehicles/v/finds', [find('hole', true), find('blister', false), find('sound', true)]);
});
const open = () => openPage(BoardPage, { id: 'v' });

describe('the board', () => {
  it('shows every panel in its state, told in words as well, and counts them', async () => {
    const { page } = await open();
    const shapes = page.findAll('g.shape');
    expect(shapes).toHaveLength(plan.panels.length);
    const sill = shapes.find((shape) => shape.attributes('data-panel') === 'sill-l')!;
    expect(sill.attributes('data-state')).toBe('through');
    expect(sill.attributes('aria-label')).toMatch(/Sill, left, through/);
    const legend = page.get('.legend').text();
    expect(legend).toMatch(new RegExp(`Not measured\\s*${plan.panels.length - 1}`));
    expect(page.text()).toContain('The rest may hide anything.');
  });

  it('opens a panel by tap and by key, and leads on', async () => {
    const { page, router } = await open();
    await page.get('g[data-panel=sill-l]').trigger('click');
    await flushPromises();
    expect(router.currentRoute.value.path).toBe('/vehicles/v/panels/sill-l');
    await page.get('g[data-panel=roof]').trigger('keydown', { key: 'Enter' });
    await flushPromises();
    expect(router.currentRoute.value.path).toBe('/vehicles/v/panels/roof');
    expect(page.get('footer a').attributes('href')).toBe('/orders');
  });

  it('names the panel that is pointed at or focused', async () => {
    const { page } = await open();
    expect(page.get('p.name').text()).toBe('Tap a panel to open it');
    await page.get('g[data-panel=roof]').trigger('focus');
    expect(page.get('p.name').text()).toMatch(/^Roof skin, not measured/);
  });

  it('raises grave finds on load-bearing metal, and only those', async () => {
    const { page } = await open();
    expect(page.text()).toContain('Nothing there counts as strength');
    expect(page.text()).toMatch(/Hole/i);
    expect(page.text()).not.toMatch(/Blister, sill/i);
  });

  it('lists what is awaited with what is late, and the decisions with where they go on', async () => {
    const { page } = await open();
    expect(page.text()).toContain('late, was due 2026-01-05');
    expect(page.text()).toContain('the damage has changed since');
    const links = page.findAll('a').map((link) => link.attributes('href'));
    expect(links).toContain('/vehicles/v/repairs/r/cut');
    expect(links).toContain('/vehicles/v/repairs/r/weld');
    expect(links).not.toContain('/vehicles/v/repairs/s/cut');
  });

  it('marks a repair as done by the version that was seen, and shows why that was refused', async () => {
    const { page } = await open();
    server.on('PUT /repairs/r', () => problem('conflict', 'Somebody else has changed this repair.', 409));
    await button(page, 'Mark as done').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r')).toEqual([
      { choice: 'patch', reason: 'the rest is sound', done: true, version: 2 },
    ]);
    expect(page.text()).toContain('Somebody else has changed this repair.');
    expect(server.to('GET /vehicles/v/board')).toHaveLength(2);
  });

  it('leads back to every decision, so that it can be made again', async () => {
    const { page } = await open();
    const links = page.findAll('a').filter((link) => /Decide again|Change the decision/.test(link.text()));
    expect(links.map((link) => [link.text(), link.attributes('href')])).toContainEqual([
      'Decide again',
      '/vehicles/v/panels/sill-l/verdict?repair=s',
    ]);
  });

  it('offers a customer nothing that would be refused', async () => {
    signIn('customer');
    const { page } = await open();
    expect(server.to('GET /vehicles/v/repairs')).toHaveLength(0);
    expect(page.text()).not.toMatch(/Import readings|Mark as done|Change the decision/);
    await button(page, /Read what was found/).trigger('click');
    expect(page.findAll('.dialog a').map((link) => link.attributes('href'))).toEqual([
      '/api/vehicles/v/inspection.pdf?for=customer',
    ]);
  });

  it('leads from a note back to the page of the Bench book that gave it', async () => {
    const { page } = await open();
    expect(page.text()).toContain('two owners');
    const how = page.findAll('a').find((link) => link.text() === 'how')!;
    expect(how.attributes('href')).toBe('/book/crown?h=15');
    expect(page.text()).not.toContain('(/book/crown');
  });

  it('offers the report in every form', async () => {
    const { page } = await open();
    await button(page, 'Report').trigger('click');
    const files = page.findAll('.dialog a').map((link) => link.attributes('href')!.replace('/api/vehicles/v/', ''));
    expect(files).toEqual([
      'inspection.pdf',
      'inspection.pdf?for=customer',
      'inspection.csv',
      'inspection.xlsx',
      'readings.csv',
      'readings.xlsx',
      'readings.json',
    ]);
  });

  it('looks a file of readings through, shows what is wrong line by line, and stores only a whole one', async () => {
    const { page } = await open();
    await button(page, 'Import readings').trigger('click');
    const give = async (name: string) => {
      const input = page.get('.dialog input[type=file]');
      Object.defineProperty(input.element, 'files', { value: [new File(['x'], name)], configurable: true });
      await input.trigger('change');
      await flushPromises();
    };
    server.on('POST /vehicles/v/readings/import', {
      count: 0,
      stored: false,
      errors: [{ line: 3, column: 'u_mm', message: '“left” is no number.' }],
      panels: { 'sill-l': 12 },
    });
    await give('wrong.csv');
    expect(page.get('.dialog [role=alert]').text()).toContain('1 line cannot be taken; nothing has been stored.');
    expect(page.get('.dialog').text()).toContain('“left” is no number.');
    server.on('POST /vehicles/v/readings/import', { count: 12, stored: false, errors: [], panels: { 'sill-l': 12 } });
    server.on('POST /vehicles/v/readings/import?store=1', {
      count: 12,
      stored: true,
      errors: [],
      panels: { 'sill-l': 12 },
    });
    await give('right.csv');
    await button(page, /^Store/).trigger('click');
    await flushPromises();
    expect(server.to('POST /vehicles/v/readings/import?store=1')).toHaveLength(1);
    expect(page.find('.dialog').exists()).toBe(false);
    expect(server.to('GET /vehicles/v/board')).toHaveLength(2);
  });

  it('says that a car does not exist, without offering to try again', async () => {
    server.on('GET /vehicles/v', () => problem('not-found', 'There is no such vehicle.', 404));
    const { page } = await open();
    expect(page.get('[role=alert]').text()).toContain('This page leads nowhere.');
    expect(page.findAll('button')).toHaveLength(0);
  });
});
