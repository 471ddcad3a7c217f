import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Vehicle } from '@aspecta/contract/garage';
import type { ExtentView, LearntView, PitsView, PitView, ZoneVersionView, ZoneView } from '@aspecta/contract/survey';
import { bodyPlan, panelOf, sheetOf } from '@aspecta/core/body';
import { circle } from '@aspecta/core/geometry';
import { pits, spread } from '@aspecta/core/survey';
import { useSession } from '../shell/session.ts';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import ExtentTab from './ExtentTab.vue';
import LearntPage from './LearntPage.vue';
import PitsTab from './PitsTab.vue';
import ZoneHistory from './ZoneHistory.vue';

// The worker is not there under jsdom: the same computation here.
vi.mock('../workers/bridge.ts', () => ({
  compute: () => ({
    spread: (visible: never, evidence: never, history: never, sheet: never) =>
      Promise.resolve(spread({ visible, evidence, history, sheet })),
  }),
}));

const panel = panelOf(bodyPlan('saloon'), 'sill-l');
const layer = panel.layers[0]!;
const vehicle = { id: 'v', nickname: 'Marigold', year: 1967, climate: 'wet' } as Vehicle;
const patch = (id: string, depth: number): PitView =>
  ({
    id,
    panel: panel.id,
    layer: layer.id,
    u: 100,
    v: 60,
    side: 40,
    depth,
    pits: null,
    mouth: null,
    at: '2026-02-03T10:00:00.000Z',
    by: 'Ada',
  }) as PitView;
const depths = [0.21, 0.28, 0.19, 0.33, 0.24];

let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer();
});

describe('pits of a panel', () => {
  const path = `GET /vehicles/v/panels/${panel.id}/layers/${layer.id}/pits`;
  const view = (over: Partial<PitsView> = {}): PitsView => ({
    patches: [],
    result: null,
    rating: null,
    why: null,
    ...over,
  });
  const open = async (over: Record<string, unknown> = {}) =>
    (
      await openPage(PitsTab, {
        vehicle,
        plan: bodyPlan('saloon'),
        panel,
        layer,
        surveyMap: null,
        canWork: true,
        place: null,
        ...over,
      })
    ).page;

  it('says what is missing before there is an answer', async () => {
    server.on(path, view({ patches: [patch('a', 0.2)], why: 'Three patches at least; take two more.' }));
    const page = await open();
    expect(page.text()).toContain('Three patches at least; take two more.');
    expect((field(page, /side/i).element as HTMLInputElement).value).toBe('40');
  });

  it('tells the deepest to be expected with its doubt, and the chance that it is through', async () => {
    const result = pits({
      depths,
      sampledArea: 5 * 1600,
      totalArea: 160_000,
      thickness: layer.thickness,
      method: 'mle',
    });
    server.on(path, view({ patches: depths.map((depth, i) => patch(String(i), depth)), result }));
    const text = (await open()).text();
    // The median and what is not passed in nine of ten; never the figure that 63 in 100 pass.
    expect(text).toContain(`${result.deepestP50.toFixed(2)} mm`);
    expect(text).toContain(`up to ${result.deepestP90.toFixed(2)} mm`);
    expect(text).toMatch(/at the earliest/);
    expect(text).not.toMatch(/latest/);
  });

  it('stores a patch at the tapped place, decimal comma and all, and keeps side and place for the next', async () => {
    server.on(path, view()).on('POST /vehicles/v/pits', view({ patches: [patch('a', 0.22)] }));
    const page = await open({ place: [312.4, 61.8] });
    await field(page, /^Deepest|depth/i).setValue('0,22');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /vehicles/v/pits')[0]).toMatchObject({
      panel: panel.id,
      layer: layer.id,
      u: 312,
      v: 62,
      side: 60,
      depth: 0.22,
      pits: null,
      mouth: null,
    });
    expect(page.text()).toContain('Patch stored.');
    expect((field(page, /^Deepest|depth/i).element as HTMLInputElement).value).toBe('');
  });

  it('takes inches in a shop of inches, for the sheet and for the place', async () => {
    useSession().current!.shop.unit = 'in';
    server.on(path, view()).on('POST /vehicles/v/pits', view({ patches: [patch('a', 0.3)] }));
    const page = await open({ place: [254, 127] });
    expect((field(page, /From the left, inches/).element as HTMLInputElement).value).toBe('10');
    await field(page, /Deepest pit, inches/).setValue('0.012');
    await field(page, /Mean mouth, sq in/).setValue('0.01');
    await page.get('form').trigger('submit');
    await flushPromises();
    const sent = server.to('POST /vehicles/v/pits')[0] as Record<string, number>;
    expect(sent['depth']).toBeCloseTo(0.3048, 9);
    expect(sent['u']).toBeCloseTo(254, 9);
    expect(sent['side']).toBeCloseTo(60, 2);
    expect(sent['mouth']).toBeCloseTo(6.4516, 9);
    expect(page.get('form').text()).not.toContain('mm');
  });

  it('keeps what was typed where it is refused', async () => {
    server
      .on(path, view())
      .on('POST /vehicles/v/pits', () =>
        problem('invalid', 'depth must be at most 1.2; the sheet is no thicker.', 422, { field: 'depth' }),
      );
    const page = await open({ place: [300, 60] });
    for (const [typed, why] of [
      ['deep', '"deep" is not a length'],
      ['5', 'the sheet is no thicker'],
    ] as const) {
      await field(page, /^Deepest|depth/i).setValue(typed);
      await page.get('form').trigger('submit');
      await flushPromises();
      expect(page.text()).toContain(why);
      expect((field(page, /^Deepest|depth/i).element as HTMLInputElement).value).toBe(typed);
    }
    expect(server.to('POST /vehicles/v/pits')).toHaveLength(1);
  });

  it('offers nothing to change to who may only look', async () => {
    server.on(path, view({ patches: [patch('a', 0.2)] }));
    expect((await open({ canWork: false })).find('form').exists()).toBe(false);
  });
});

describe('what does not show', () => {
  const zone = {
    id: 'z',
    panel: panel.id,
    layer: layer.id,
    ring: circle([300, 60], 30),
    holes: [],
    evidence: 'blister',
    class: 'pitted',
    area: 2827,
    version: 1,
  } as unknown as ZoneView;
  const learnt = [
    {
      evidence: 'blister',
      factor: 1.4,
      ratio: { p10: 1.2, p50: 3.1, p90: 7.9 },
      behind: { chance: 0.4, found: 1, cases: 3 },
      cases: [
        { predicted: 1000, found: 1400, vehicle: 'Marigold', panel: 'Sill, left', at: '2026-02-03T10:00:00.000Z' },
      ],
    },
  ] as unknown as LearntView[];

  it('draws the expected extent around each zone that has not been opened, the doubtful one larger', async () => {
    server.on('GET /vehicles/v/panels/sill-l/extents', []).on('GET /learnt', learnt);
    const told: { p50: unknown[]; p90: unknown[] }[] = [];
    const { page } = await openPage(ExtentTab, {
      vehicle: 'v',
      panel,
      layer: layer.id,
      zones: [zone, { ...zone, id: 'y', evidence: 'opened' }],
      expected: null,
      'onUpdate:expected': (expected: (typeof told)[number]) => void told.push(expected),
    });
    await flushPromises();
    const { polygon50, polygon90 } = spread({
      visible: [zone.ring],
      evidence: 'blister',
      history: [{ predicted: 1000, found: 1400 }],
      sheet: sheetOf(panel),
    });
    expect(told.at(-1)).toEqual({ p50: polygon50, p90: polygon90 });
    expect(page.text()).toContain('How far does it go where nothing shows?');
  });

  it('holds what showed, what was predicted and what was found against each other', async () => {
    const extent = {
      zoneId: 'z',
      evidence: 'blister',
      seen: 1000,
      predicted50: 2000,
      predicted90: 5000,
      found: 2600,
      at: '2026-02-03T10:00:00.000Z',
    } as unknown as ExtentView;
    server.on('GET /vehicles/v/panels/sill-l/extents', [extent]).on('GET /learnt', learnt);
    const { page } = await openPage(ExtentTab, { vehicle: 'v', panel, layer: layer.id, zones: [], expected: null });
    const rows = page.findAll('.chart tbody tr').map((row) => row.text().replace(/\s+/g, ' '));
    expect(rows).toEqual([
      expect.stringMatching(/predicted.*Blister seen, 3 Feb 2026.*20 cm² \(10 cm² to 50 cm²\)/),
      expect.stringMatching(/found.*26 cm²/),
    ]);
  });

  it('keeps the factor and its history open to see', async () => {
    server.on('GET /learnt', [...learnt, { ...learnt[0]!, evidence: 'pinhole', cases: [], factor: 5.234 }]);
    const { page } = await openPage(LearntPage);
    const [blister, pinhole] = page.findAll('section').map((entry) => entry.text());
    expect(blister).toContain('× 1.40');
    expect(blister).toContain('learnt from 1 opening.');
    expect(blister).toContain('Marigold, Sill, left');
    expect(blister).toContain('40 % of');
    expect(pinhole).toContain('× 5.2');
    expect(pinhole).toContain('No zone with this evidence has been opened further yet.');
  });

  it('is forgotten by the owner when he is sure, and says since when it counts', async () => {
    signIn('owner');
    server.on('GET /learnt', learnt);
    const { page } = await openPage(LearntPage);
    server.on('DELETE /learnt', [{ ...learnt[0]!, cases: [], since: '2026-03-01T10:00:00.000Z' }]);
    await button(page, 'Forget what openings taught …').trigger('click');
    await button(page, 'Forget them, and begin anew').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Only what was foretold since 1 Mar 2026 counts.');
    expect(page.text()).not.toContain('Forget what openings taught');
    signIn('worker');
    server.on('GET /learnt', learnt);
    expect((await openPage(LearntPage)).page.text()).not.toContain('Forget what openings taught');
  });

  it('says so where the history cannot be fetched', async () => {
    server.on('GET /learnt', () => problem('internal', 'Something broke here.', 500));
    const { page } = await openPage(LearntPage);
    expect(page.get('[role=alert]').text()).toContain('The history could not be fetched.');
    expect(button(page, 'Try again').exists()).toBe(true);
  });
});

describe('how a zone grew', () => {
  const version = (n: number, over: Partial<ZoneVersionView> = {}) =>
    ({
      version: n,
      area: 1000 * n,
      class: 'pitted',
      evidence: 'blister',
      by: 'Ada',
      at: '2026-02-03T10:00:00.000Z',
      overruled: '',
      ...over,
    }) as unknown as ZoneVersionView;
  it('is told from the first look to the last, with the reason of whoever overruled', async () => {
    server.on('GET /vehicles/v/zones/z/history', [
      version(1),
      version(2, { evidence: 'blasted', class: 'through', overruled: 'daylight through it' }),
    ]);
    const { page } = await openPage(ZoneHistory, { vehicle: 'v', zone: 'z' });
    const lines = page.findAll('li').map((entry) => entry.text());
    expect(lines).toHaveLength(2);
    expect(lines[1]).toContain('blasted');
    expect(lines[1]).toContain('daylight through it');
  });
  it('is left out while there is only one look', async () => {
    server.on('GET /vehicles/v/zones/z/history', [version(1)]);
    const { page } = await openPage(ZoneHistory, { vehicle: 'v', zone: 'z' });
    expect(page.text()).toBe('');
  });
});
