import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { ZoneView } from '@aspecta/contract/survey';
import { bodyPlan, panelOf, sheetOf } from '@aspecta/core/body';
import { area } from '@aspecta/core/geometry';
import { panelJoints, spotsOf } from '@aspecta/core/repair';
import { compare, type Repair } from '@aspecta/core/verdict';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import VerdictPage from './VerdictPage.vue';

const plan = bodyPlan('saloon');
const panel = panelOf(plan, 'floor-front-l');
const zone = (id: string, over: object = {}) =>
  ({
    id,
    panel: panel.id,
    layer: 'pan',
    ring: [
      [200, 120],
      [320, 120],
      [320, 200],
      [200, 200],
    ],
    holes: [],
    class: 'through',
    area: 9600,
    version: 1,
    ...over,
  }) as unknown as ZoneView;

/** What the server would weigh, by the same core. */
function weighed(offer: Repair['offer'], count = 1) {
  const joints = panelJoints(plan, panel);
  const repair: Repair = {
    panel: {
      name: panel.name,
      area: area(sheetOf(panel)),
      jointLength: joints.reduce((sum, { length }) => sum + length, 0),
      spotWelds: spotsOf(joints),
      joints,
      bolted: false,
      thickness: 0.9,
      curvature: panel.curvature,
      structural: panel.structural,
      visible: panel.visible,
    },
    zones: Array.from({ length: count }, () => ({
      class: 'through' as const,
      area: 9600,
      patchPerimeter: 560,
      patchArea: 19_200,
      toMount: 300,
    })),
    offer,
  };
  return compare({ repair, rates: { hour: 4500, sheetDm2: 60, weldMetre: 250, coatDm2: 40 }, house: { runs: 400 } });
}

let server: FakeServer;
const base = '/vehicles/v';
beforeEach(() => {
  signIn();
  server = new FakeServer()
    .on(`GET ${base}`, { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1')])
    .on(`GET ${base}/repairs`, [])
    .on(`POST ${base}/verdict`, { verdict: weighed(null), offer: null, foreign: 0, beside: [] });
});
const open = () => openPage(VerdictPage, { id: 'v', panel: panel.id });

describe('the verdict', () => {
  it('weighs the open zones at once and proposes one option', async () => {
    const { page } = await open();
    expect(server.to(`POST ${base}/verdict`)).toEqual([{ zoneIds: ['z1'] }]);
    const options = page.findAll('[role=radiogroup] input[type=radio]');
    expect(options).toHaveLength(2);
    expect(page.findAll('small').filter((entry) => entry.text() === 'proposed')).toHaveLength(1);
  });

  it('folds away what is ruled out, each with its reason', async () => {
    const { page } = await open();
    const out = page.findAll('details').find((entry) => entry.text().startsWith('Ruled out'))!;
    expect(out.text()).toContain('Treat and keep. Metal that is through cannot be treated');
    expect(out.findAll('li')).toHaveLength(weighed(null).options.filter(({ ruledOut }) => ruledOut !== null).length);
  });

  it('leads on to one piece where what lies at it is damaged, too', async () => {
    server.on(`POST ${base}/verdict`, { verdict: weighed(null), offer: null, foreign: 0, beside: ['tunnel'] });
    const { page } = await open();
    expect(page.text()).toContain('Damage is drawn on what lies at it, too: Transmission tunnel.');
    expect(page.html()).toContain(`/panels/${panel.id}/facts?joining=tunnel`);
  });

  it('shows hours and money with their range, and what is counted', async () => {
    const { page } = await open();
    const patch = weighed(null).options.find(({ id }) => id === 'patch')!;
    const column = page.findAll('.option').find((entry) => entry.text().startsWith(patch.title))!;
    expect(column.text()).toMatch(/h.* to .*h/);
    expect(column.text()).toMatch(/€.* to €/);
    expect(column.findAll('tbody tr')).toHaveLength(patch.elements.length);
    for (const reason of [...patch.for, ...patch.against]) expect(column.text()).toContain(reason);
  });

  it('weighs again when a zone is left out, and says when none is chosen', async () => {
    server.on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1'), zone('z2')]);
    const { page } = await open();
    await page.findAll('[role=checkbox]')[1]!.trigger('click');
    await flushPromises();
    expect(server.to(`POST ${base}/verdict`).at(-1)).toEqual({ zoneIds: ['z1'] });
    await page.findAll('[role=checkbox]')[0]!.trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Choose at least one zone.');
    expect(page.find('.option').exists()).toBe(false);
  });

  it('does not let a late answer to an older choice of zones replace a newer one', async () => {
    server.on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1'), zone('z2')]);
    const { page } = await open();
    let late!: (answer: Response) => void;
    server.on(`POST ${base}/verdict`, () => new Promise<Response>((resolve) => (late = resolve)));
    await page.findAll('[role=checkbox]')[1]!.trigger('click');
    const two = { verdict: weighed(null, 2), offer: null, foreign: 0, beside: [] };
    server.on(`POST ${base}/verdict`, two);
    await page.findAll('[role=checkbox]')[1]!.trigger('click');
    await flushPromises();
    const fits = () =>
      page
        .findAll('.option tbody tr')
        .map((row) => row.text())
        .find((text) => text.startsWith('Trial fits'));
    expect(fits()).toContain('4.0 fits');
    late(new Response(JSON.stringify({ verdict: weighed(null), offer: null, foreign: 0, beside: [] })));
    await flushPromises();
    expect(fits()).toContain('8.0 fits');
    // What was chosen while the first one was on its way is asked for afterwards.
    expect(server.to(`POST ${base}/verdict`).at(-1)).toEqual({ zoneIds: ['z1', 'z2'] });
  });

  it('keeps a price that was typed in money of the shop, and weighs with it', async () => {
    const { page } = await open();
    server.on(`POST ${base}/offers`, {}).on(`POST ${base}/verdict`, {
      verdict: weighed({ landed: 38_400, leadDays: 9 }),
      beside: [],
      offer: {
        id: 'o',
        panel: panel.id,
        maker: 'Harrow Pressings',
        price: 30_000,
        carriage: 2000,
        leadDays: 9,
        landed: 38_400,
      },
    });
    await field(page, 'Maker').setValue('Harrow Pressings');
    await field(page, /^Price/).setValue('300,00');
    await field(page, 'Carriage').setValue('20');
    await field(page, 'Delivery, days').setValue('9');
    await page.get('form.prices').trigger('submit');
    await flushPromises();
    expect(server.to(`POST ${base}/offers`)).toEqual([
      {
        id: expect.stringMatching(/-/),
        panel: panel.id,
        layer: null,
        maker: 'Harrow Pressings',
        price: 30_000,
        carriage: 2000,
        leadDays: 9,
      },
    ]);
    expect(page.text()).toContain('panel landed €384.00 from Harrow Pressings, 9 days');
  });

  it('goes by the proposal when that moves, until the person chooses otherwise', async () => {
    // One scale for both: what is proposed by the one answer is not proposed by the other.
    const as = (proposed: string) => ({
      verdict: { ...weighed({ landed: 38_400, leadDays: 9 }), proposed },
      offer: null,
      foreign: 0,
      beside: [],
    });
    server.on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1'), zone('z2')]).on(`POST ${base}/verdict`, as('patch'));
    const { page } = await open();
    const decides = () =>
      page
        .findAll('button')
        .find((entry) => entry.text().startsWith('Decide:'))!
        .text();
    const weighAgain = async (proposed: string) => {
      server.on(`POST ${base}/verdict`, as(proposed));
      await page.findAll('[role=checkbox]')[1]!.trigger('click');
      await flushPromises();
    };
    expect(decides()).toContain('patch');
    await weighAgain('whole');
    expect(decides()).toContain('whole panel');
    await page
      .findAll<HTMLInputElement>('[role=radiogroup] input[type=radio]')
      .find(({ element }) => !element.checked)!
      .setValue(true);
    const own = decides();
    expect(own).not.toContain('whole panel');
    await weighAgain('patch');
    await weighAgain('whole');
    expect(decides()).toBe(own);
  });

  it('tells the sheets of a panel apart: each zone by its own, and a price for the one that is decided about', async () => {
    const zones = ['outer', 'inner'].map((layer) => zone(layer, { panel: 'sill-l', layer }));
    server.on(`GET ${base}/panels/sill-l/zones`, zones).on(`POST ${base}/offers`, {});
    const { page } = await openPage(VerdictPage, { id: 'v', panel: 'sill-l' });
    const boxes = page.findAll('[role=checkbox]');
    expect(page.text()).toContain('on the outer sill');
    expect(page.text()).toContain('on the inner sill');
    const price = async () => {
      await field(page, 'Maker').setValue('Harrow Pressings');
      await field(page, /^Price/).setValue('30');
      await field(page, 'Delivery, days').setValue('9');
      await page.get('form.prices').trigger('submit');
      await flushPromises();
      return (server.to(`POST ${base}/offers`).at(-1) as { layer: unknown }).layer;
    };
    expect(await price()).toBeNull();
    await boxes[0]!.trigger('click');
    await flushPromises();
    expect(page.text()).toContain('What does the whole inner sill cost?');
    expect(await price()).toBe('inner');
  });

  it('leaves wrong prices as typed, with what the server says at the field', async () => {
    const { page } = await open();
    server.on(`POST ${base}/offers`, () =>
      problem('invalid', 'leadDays must be a number; enter digits only.', 422, {
        field: 'leadDays',
        errors: [{ field: 'leadDays', detail: 'leadDays must be a number; enter digits only.' }],
      }),
    );
    await field(page, 'Delivery, days').setValue('soon');
    await page.get('form.prices').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Delivery must be a number');
    expect((field(page, 'Delivery, days').element as HTMLInputElement).value).toBe('soon');
  });

  it('keeps the decision of the person with its reason and leads on', async () => {
    const { page, router } = await open();
    server.on(`POST ${base}/repairs`, (body) => ({ id: 'r', choice: body['choice'] }));
    const patch = page.findAll('.option').find((entry) => /patch/i.test(entry.text()))!;
    await patch.get('input').trigger('change');
    await field(page, 'You decide. Why?').setValue('The rest is sound.');
    expect(button(page, /^Decide/).text()).toMatch(/patch/);
    await page.findAll('form').at(-1)!.trigger('submit');
    await flushPromises();
    expect(server.to(`POST ${base}/repairs`)[0]).toMatchObject({
      zoneIds: ['z1'],
      choice: 'patch',
      reason: 'The rest is sound.',
    });
    expect(router.currentRoute.value.path).toBe('/vehicles/v/repairs/r/cut');
  });

  it('shows why a decision was refused, at its reason', async () => {
    const { page } = await open();
    server.on(`POST ${base}/repairs`, () =>
      problem('invalid', 'reason is too short; use at least 3 characters.', 422, { field: 'reason' }),
    );
    await page.findAll('form').at(-1)!.trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('The reason is too short');
  });

  it('says what has been decided, and that nothing else is open', async () => {
    server.on(`GET ${base}/repairs`, [repairView({ panel: panel.id, zoneIds: ['z1'], reason: 'small' })]);
    const { page } = await open();
    expect(page.get('.decision').text()).toMatch(/Patch.*Ada, 3 Feb 2026: small/s);
    expect(page.text()).toContain('Every zone of this panel has been decided.');
    expect(server.to(`POST ${base}/verdict`)).toEqual([]);
  });

  describe('made again', () => {
    const decided = repairView({
      panel: panel.id,
      zoneIds: ['z1'],
      choice: 'patch',
      area: 9600,
      areaNow: 9600,
      version: 3,
    });
    const openAgain = async (over: object = {}) => {
      server.on(`GET ${base}/repairs`, [{ ...decided, ...over }]);
      const opened = await open();
      await button(opened.page, 'Decide again').trigger('click');
      await flushPromises();
      await flushPromises();
      return opened;
    };

    it('weighs its own zones, and shows then and now side by side', async () => {
      server.on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1', { area: 14_820, version: 2 }), zone('z2')]);
      const { page } = await openAgain({ staleZones: ['z1'], areaNow: 14_820, area: 8230 });
      expect(page.get('.decision').text()).toContain('Found 148 cm², decided on 82.3 cm².');
      expect(server.to(`POST ${base}/verdict`).at(-1)).toEqual({ zoneIds: ['z1'] });
      const rows = page
        .get('table.then')
        .findAll('tr')
        .map((row) => row.text());
      expect(rows[0]).toMatch(/Decided 3 Feb 2026.*Weighed now/);
      expect(rows[2]).toMatch(/82\.3 cm².*148 cm²/);
    });

    it('is sent with its reason, its zones and the version that was seen; an order that is not needed is looked at next', async () => {
      server.on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1'), zone('z2')]);
      const { page, router } = await openAgain();
      server.on('PUT /repairs/r', { ...decided, order: { id: 'o', state: 'ordered', unneeded: 'Decided otherwise' } });
      await page.findAll('[role=checkbox]')[1]!.trigger('click');
      await field(page, 'You decide again. Why now?').setValue('Two holes, one piece');
      await page.findAll('form').at(-1)!.trigger('submit');
      await flushPromises();
      expect(server.to('PUT /repairs/r')).toEqual([
        { zoneIds: ['z1', 'z2'], choice: 'patch', reason: 'Two holes, one piece', done: false, version: 3 },
      ]);
      expect(router.currentRoute.value.path).toBe('/orders');
    });

    it('says of zones in other repairs where they stand now', async () => {
      server.on(`GET ${base}/panels/${panel.id}/zones`, [zone('z1'), zone('z2')]);
      server.on(`GET ${base}/repairs`, [
        decided,
        repairView({ id: 's', panel: panel.id, zoneIds: ['z2'], choice: 'whole' }),
      ]);
      const { page } = await open();
      await button(page, 'Decide again').trigger('click');
      await flushPromises();
      expect(page.text()).toContain('now in: fit a whole panel');
    });

    it('is left as it is', async () => {
      const { page } = await openAgain();
      await button(page, 'Leave it as it is decided').trigger('click');
      await flushPromises();
      expect(page.find('table.then').exists()).toBe(false);
      expect(page.text()).toContain('Every zone of this panel has been decided.');
    });

    it('is taken back with a reason, and can stand again', async () => {
      server.on(`GET ${base}/repairs`, [decided]);
      const { page } = await open();
      await button(page, 'Take it back …').trigger('click');
      const gone = { ...decided, withdrawn: { by: 'Ada', at: '2026-02-04T10:00:00.000Z', reason: 'too soon' } };
      server.on('POST /repairs/r/withdraw', gone).on(`GET ${base}/repairs`, [gone]);
      await field(page, 'Why is it taken back?').setValue('too soon');
      await page.get('.decision form').trigger('submit');
      await flushPromises();
      await flushPromises();
      expect(server.to('POST /repairs/r/withdraw')).toEqual([{ reason: 'too soon', version: 3 }]);
      expect(page.text()).toContain('Taken back by Ada, 4 Feb 2026: too soon');
      server.on('POST /repairs/r/restore', decided);
      await button(page, 'Let it stand again').trigger('click');
      await flushPromises();
      expect(server.to('POST /repairs/r/restore')).toEqual([{ version: 3 }]);
    });

    it('tells what was decided before, oldest first', async () => {
      server.on(`GET ${base}/repairs`, [
        {
          ...decided,
          earlier: [
            {
              ...decided,
              choice: 'whole',
              reason: 'looked bad',
              by: 'Ben',
              at: '2026-01-03T10:00:00.000Z',
              area: null,
            },
          ],
        },
      ]);
      const { page } = await open();
      expect(page.get('.before').text()).toMatch(/3 Jan 2026, Ben: fit a whole panel – looked bad/);
    });
  });

  it('lets a viewer look, not decide', async () => {
    signIn('viewer');
    const { page } = await open();
    expect(page.findAll('.option')).toHaveLength(2);
    expect(page.find('textarea').exists()).toBe(false);
    expect(page.find('form.prices').exists()).toBe(false);
  });

  it('says so when it cannot be fetched, and tries again', async () => {
    server.on(`GET ${base}/repairs`, () => problem('internal', 'Something broke here.', 500));
    const { page } = await open();
    expect(page.get('[role=alert]').text()).toContain('The verdict could not be fetched.');
    server.on(`GET ${base}/repairs`, []);
    await button(page, 'Try again').trigger('click');
    await flushPromises();
    await flushPromises();
    expect(page.findAll('.option')).toHaveLength(2);
  });
});
