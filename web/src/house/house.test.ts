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
  server = new FakeServer().on('GET /shop', useSession().current!.shop).on('GET /shop/people', people);
});
const open = async () => (await openPage(HousePage)).page;

describe('the house rules', () => {
  it('show rates in money and tax in per cent, and save them in minor units and shares', async () => {
    const page = await open();
    expect((field(page, 'An hour of work').element as HTMLInputElement).value).toBe('45.00');
    expect((field(page, 'Tax, %').element as HTMLInputElement).value).toBe('20');
    server.on('PUT /shop', (body) => ({ ...useSession().current!.shop, ...body, version: 2 }));
    await field(page, 'An hour of work').setValue('52,5');
    await field(page, 'Tax, %').setValue('19,5');
    await page.get('input[type=radio][value=in]').setValue(true);
    await page.get('label.check input').setValue(true);
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /shop')[0]).toEqual({
      name: 'Testbench',
      currency: 'EUR',
      unit: 'in',
      taxRate: 0.195,
      rates: { hour: 5250, sheetDm2: 60, weldMetre: 250, coatDm2: 40 },
      overlay: true,
      temperature: 20,
      version: 1,
    });
    expect(page.text()).toContain('Saved.');
    expect(useSession().current!.shop.unit).toBe('in');
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
      'taxRate must be a number; enter digits only.',
      'hour must be a number; enter digits only.',
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
    expect(page.text()).toContain('worker');
    expect(page.findAll('select')).toHaveLength(0);
  });
});

describe('the people of a shop', () => {
  it('are added with a role; the form is empty again and the list is fetched', async () => {
    const page = await open();
    server.on('POST /shop/people', {});
    await field(page, 'Name').setValue('Noor');
    await field(page, 'E-mail').setValue('noor@x.example');
    await field(page, 'Password').setValue('ten letters');
    await page.get('input[type=radio][value=viewer]').setValue(true);
    await page.findAll('form')[1]!.trigger('submit');
    await flushPromises();
    expect(server.to('POST /shop/people')[0]).toEqual({
      name: 'Noor',
      email: 'noor@x.example',
      password: 'ten letters',
      role: 'viewer',
    });
    expect((field(page, 'Password').element as HTMLInputElement).value).toBe('');
    expect(server.to('GET /shop/people')).toHaveLength(2);
  });

  it('keep what was typed where one cannot be added', async () => {
    const page = await open();
    server.on('POST /shop/people', () =>
      problem('already-there', 'There is an account with this e-mail already; use another one.', 409, {
        field: 'email',
      }),
    );
    await field(page, 'E-mail').setValue('wim@x.example');
    await page.findAll('form')[1]!.trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('There is an account with this e-mail already');
    expect((field(page, 'E-mail').element as HTMLInputElement).value).toBe('wim@x.example');
    expect(button(page, 'Add').attributes('disabled')).toBeUndefined();
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
