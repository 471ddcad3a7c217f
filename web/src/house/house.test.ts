import { METALWORK_WORDS } from '@aspecta/contract/shop';
import { usualMetalwork } from '@aspecta/core/repair';
import { usualLimits } from '@aspecta/core/survey';
import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { useConnection } from '../shell/connection.ts';
import { useSession } from '../shell/session.ts';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import HousePage from './HousePage.vue';

let server: FakeServer;
const people = [
  { id: 'p', name: 'Ada', email: 'ada@x.example', role: 'owner' },
  { id: 'q', name: 'Wim', email: 'wim@x.example', role: 'worker' },
];
beforeEach(() => {
  signIn();
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /shop', useSession().current!.shop)
    .on('GET /shop/people', people)
    .on('GET /shop/invitations', [])
    .on('GET /shop/audit', [])
    .on('GET /estimates/schools/seen', [])
    .on('GET /estimates/schools/hidden', [])
    .on('GET /estimates/schools/flange', [])
    .on('GET /weld/schools/process', [])
    .on('GET /weld/schools/strategy', [])
    .on('GET /weld/schools/holding', [])
    .on('GET /weld/schools/heat', []);
  for (const question of Object.keys(METALWORK_WORDS)) server.on(`GET /estimates/schools/${question}`, []);
});
const open = async () => (await openPage(HousePage)).page;

describe('the house rules', () => {
  it('tell each school in a sentence, which is the usual, and what it comes to on a typical repair', async () => {
    server.on('GET /estimates/schools/seen', [
      { question: 'seen', choice: 'butt', hours: 3.2, cost: 15_000 },
      { question: 'seen', choice: 'lap', hours: 2.5, cost: 12_000 },
    ]);
    const page = await open();
    const told = page.findAll('dl').map((list) => list.text());
    expect(told).toHaveLength(13);
    expect(told[0]).toMatch(/Butt weld, the usual\s*3\.2 h, €150\s*Flush/);
    expect(told[0]).toMatch(/Lap\s*2\.5 h, €120/);
    expect(told[2]).toContain('As the factory did it');
    expect(page.text()).toContain('low in a rear quarter');
    expect(page.findAll('dl .chosen').map((one) => one.get('dt').text())[0]).toContain('Butt weld');
  });

  it('tell how each way of welding comes out on a typical patch, and who changed a rule last', async () => {
    server.on('GET /weld/schools/process', [
      { question: 'process', choice: 'mig', total: 2400, wait: 600, pull: 1 },
      { question: 'process', choice: 'tig', total: 4200, wait: 1500, pull: 1.25 },
    ]);
    const { shop } = useSession().current!;
    const changed = { process: { by: 'Wim', at: '2026-02-03T12:00:00.000Z' } };
    server.on('GET /shop', { ...shop, welding: { process: 'tig', strategy: null, holding: null }, changed });
    const page = await open();
    const process = page.findAll('dl').map((list) => list.text())[9]!;
    expect(process).toMatch(/MIG\s*40 min, 10 min of it waiting; pulls least/);
    expect(process).toMatch(/TIG\s*1\.2 h, 25 min of it waiting; pulls 25 % more/);
    expect(page.text()).toContain('Changed last – Process: Wim, 3 Feb 2026.');
    expect(page.text()).toContain('a patch of 180 mm by 120 mm in 0.90 mm sheet');
    server.on('PUT /shop', (body) => ({ ...shop, ...body, version: 2 }));
    await page.get('input[type=radio][value=screws]').setValue(true);
    // The low edge of a hollow has such a word too.
    await page.findAll('input[type=radio][value=open]')[1]!.setValue(true);
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shop')[0]).toMatchObject({
      welding: { process: null, strategy: null, holding: 'screws' },
    });
  });

  it('stand there without what the schools come to where that does not load', async () => {
    server.on('GET /estimates/schools/seen', problem('invalid', 'No.', 500));
    const page = await open();
    expect(page.findAll('dl')).toHaveLength(13);
    expect(page.text()).not.toContain('low in a rear quarter');
    expect(page.text()).toContain('What each comes to could not be reckoned: No.');
    server.on('GET /estimates/schools/seen', [{ question: 'seen', choice: 'butt', hours: 3.2, cost: 15_000 }]);
    await button(page, 'Try again').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('3.2 h, €150');
    expect(page.text()).not.toContain('could not be reckoned');
  });

  it('show rates in money and tax in per cent, and save them in minor units and shares', async () => {
    const page = await open();
    expect((field(page, 'An hour of work').element as HTMLInputElement).value).toBe('45.00');
    expect((field(page, 'Tax, %').element as HTMLInputElement).value).toBe('20');
    server.on('PUT /shop', (body) => ({ ...useSession().current!.shop, ...body, version: 2 }));
    await field(page, 'An hour of work').setValue('52,5');
    await field(page, 'Tax, %').setValue('19,5');
    await page.get('input[type=radio][value=in]').setValue(true);
    await page.findAll('input[type=radio][value=lap]')[1]!.setValue(true);
    await field(page, 'And at least so thick, mm').setValue('0,8');
    for (const box of page.findAll('[role=checkbox]')) await box.trigger('click');
    await field(page, 'Before the first arc').setValue('The fire chief wants two people.');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shop')[0]).toEqual({
      name: 'Testbench',
      currency: 'EUR',
      unit: 'in',
      taxRate: 0.195,
      rates: { hour: 5250, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
      overlay: true,
      paints: true,
      schools: { seen: 'butt', hidden: 'lap', flange: 'plug' },
      welding: { process: null, strategy: null, holding: null, heat: null },
      metalwork: usualMetalwork,
      tools: { spotArm: null, bender: null, turns: false },
      limits: { ...usualLimits, weldableMm: 0.8 },
      timeZone: null,
      localRules: {
        ...{ survey: '', strip: '', verdict: '', cut: '', arrival: '' },
        weld: 'The fire chief wants two people.',
      },
      temperature: 20,
      coatingUnit: 'um',
      heatUnit: 'C',
      version: 1,
    });
    expect(page.text()).toContain('Saved.');
    expect(useSession().current!.shop.unit).toBe('in');
  });

  it('take what stands in the workshop, in the units of the shop, once somebody says it', async () => {
    const page = await open();
    expect(page.text()).not.toContain('Spot welder, its arms reach');
    const check = (label: string) =>
      page
        .findAll('[role=checkbox]')
        .find((box) => box.text().includes(label))!
        .trigger('click');
    await check('Say what stands here');
    await field(page, 'Sheet bender, folds up to, mm').setValue('1250');
    await check('The body can be turned');
    server.on('PUT /shop', (body) => ({ ...useSession().current!.shop, ...body, version: 2 }));
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shop')[0]).toMatchObject({ tools: { spotArm: null, bender: 1250, turns: true } });
  });

  it('say what they would move before they are saved, and that they move nothing where it is so', async () => {
    const page = await open();
    const estimate = {
      ...{ repair: 'r', vehicle: 'v', car: 'Marigold', panel: 'Sill, left', choice: 'patch' },
      before: { hours: 12, cost: 60_000, proposed: 'patch' },
    };
    server.on('POST /estimates/moved', [{ ...estimate, after: { hours: 13.5, cost: 80_000, proposed: 'whole' } }]);
    await field(page, 'An hour of work').setValue('60');
    await button(page, 'What would these rules move?').trigger('click');
    await flushPromises();
    expect(server.to('POST /estimates/moved')).toMatchObject([{ rates: { hour: 6000 }, overlay: false }]);
    expect(page.text()).toMatch(/Together \+1\.5 h and \+€200/);
    expect(page.text()).toMatch(/Sill, left, Marigold.*12\.0 h → 13\.5 h.*€600 → €800.*whole.*is proposed/s);
    server.on('POST /estimates/moved', [{ ...estimate, after: estimate.before }]);
    await button(page, 'What would these rules move?').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('They move none of the open estimates.');
    expect(server.to('PUT /shop')).toEqual([]);
  });

  it('are in square feet, feet and °F in a shop that reads so, and are kept as ever', async () => {
    signIn('owner', 'in');
    const rules = { ...useSession().current!.shop, temperature: 20 };
    server.on('GET /shop', rules).on('PUT /shop', (body) => ({ ...rules, ...body, version: 2 }));
    const page = await open();
    const value = (label: string) => (field(page, label).element as HTMLInputElement).value;
    // 0.60 a dm² is 5.57 a square foot (9.290304 dm²); 2.50 a metre is 0.76 a foot (0.3048 m).
    expect(value('Sheet steel, a sq ft')).toBe('5.57');
    expect(value('Wire, gas, discs for 1 ft')).toBe('0.76');
    expect(value('Workshop, °F')).toBe('68');
    await field(page, 'Sheet steel, a sq ft').setValue('9.29');
    await field(page, 'Workshop, °F').setValue('50');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shop')[0]).toMatchObject({
      // What nobody touched is what it was, though it is shown rounded.
      rates: { hour: 4500, sheetDm2: 100, weldMetre: 250, coatDm2: 40 },
      temperature: 10,
      coatingUnit: 'mil',
      heatUnit: 'F',
    });
  });

  it('send what cannot be read as it was typed, so that the server names the field', async () => {
    const page = await open();
    server.on('PUT /shop', () =>
      problem('invalid', 'wrong', 422, {
        errors: [
          { field: 'taxRate', detail: 'taxRate must be a number; enter digits only.' },
          { field: 'rates.hour', detail: 'hour must be a number; enter digits only.' },
        ],
        field: 'taxRate',
      }),
    );
    await field(page, 'Tax, %').setValue('some');
    await field(page, 'An hour of work').setValue('a lot');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shop')[0]).toMatchObject({ taxRate: 'some' });
    expect(page.findAll('.wrong').map((entry) => entry.text())).toEqual([
      'Tax must be a number; enter digits only.',
      'Hour must be a number; enter digits only.',
    ]);
    expect((field(page, 'Tax, %').element as HTMLInputElement).value).toBe('some');
  });

  it('show what somebody else has stored', async () => {
    const page = await open();
    const current = { ...useSession().current!.shop, name: 'Other name', version: 5 };
    server.on('PUT /shop', () => problem('conflict', 'changed', 409, { current }));
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Somebody else has changed the house rules');
    expect((field(page, 'Name of the shop').element as HTMLInputElement).value).toBe('Other name');
  });

  it('keep what is being written when the server has been away', async () => {
    const page = await open();
    await field(page, 'Name of the shop').setValue('Half typed');
    useConnection().note(false);
    useConnection().note(true);
    await flushPromises();
    expect(server.to('GET /shop').length).toBe(2);
    expect((field(page, 'Name of the shop').element as HTMLInputElement).value).toBe('Half typed');
  });

  it('can be read only by a worker', async () => {
    signIn('worker');
    const page = await open();
    expect(page.text()).toContain('Only the owner can change them.');
    expect(page.get('fieldset.bare').attributes('disabled')).toBeDefined();
    expect(page.text()).toContain('Worker');
    expect(page.findAll('select').filter(({ element }) => !element.matches(':disabled'))).toEqual([]);
  });
});

describe('the people of a shop', () => {
  it('are asked to join by a link that is shown once', async () => {
    const page = await open();
    const asked = { id: 'i', name: 'Noor', role: 'viewer', by: 'Ada', expiresAt: '2026-06-01T00:00:00.000Z' };
    server.on('POST /shop/invitations', { ...asked, token: 'secret-word' });
    await field(page, 'Name').setValue('Noor');
    await page.get('input[type=radio][value=viewer]').setValue(true);
    server.on('GET /shop/invitations', [asked]);
    await page.findAll('form')[1]!.trigger('submit');
    await flushPromises();
    expect(server.to('POST /shop/invitations')[0]).toEqual({ name: 'Noor', role: 'viewer' });
    expect(page.text()).toContain('/join/secret-word');
    expect((field(page, 'Name').element as HTMLInputElement).value).toBe('');
    expect(page.text()).toContain('Noor, viewer, until 1 Jun 2026');
  });

  it('keep what was typed where one cannot be asked', async () => {
    const page = await open();
    server.on('POST /shop/invitations', () =>
      problem('invalid', 'name is missing; fill it in.', 422, { field: 'name' }),
    );
    await page.get('input[type=radio][value=viewer]').setValue(true);
    await page.findAll('form')[1]!.trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Name is missing');
    expect((page.get('input[type=radio][value=viewer]').element as HTMLInputElement).checked).toBe(true);
  });

  it('are removed after asking twice', async () => {
    const page = await open();
    server.on('DELETE /shop/people/q', {});
    const remove = page.findAll('button').find((entry) => entry.text() === 'Remove')!;
    await remove.trigger('click');
    expect(server.sent.filter(({ what }) => what.startsWith('DELETE'))).toEqual([]);
    await page
      .findAll('button')
      .find((entry) => entry.text() === 'Really remove')!
      .trigger('click');
    await flushPromises();
    expect(server.to('DELETE /shop/people/q')).toHaveLength(1);
  });

  it('change roles; a refusal is shown and the stored role stands again', async () => {
    const page = await open();
    server.on('PUT /shop/people/p/role', () =>
      problem('invalid', 'A shop needs an owner; make somebody else owner first.', 422, { field: 'role' }),
    );
    const select = page.get('select[aria-label="Role of Ada"]');
    await select.setValue('viewer');
    await flushPromises();
    expect(page.text()).toContain('A shop needs an owner');
    expect((page.get('select[aria-label="Role of Ada"]').element as HTMLSelectElement).value).toBe('owner');
  });
});
