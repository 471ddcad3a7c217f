import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { AuditLine } from '@aspecta/contract/account';
import type { Shop } from '@aspecta/contract/shop';
import { openHouse, ownerOf, PASSWORD, vehicleOf, Visitor, zoneInput, reading, type House } from '../testing/house.ts';
import { PersonEntity } from './entities.ts';
import { ShopService } from './service.ts';

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

describe('the door', () => {
  it('lets the first owner set up the shop, once', async () => {
    const visitor = new Visitor(house);
    expect((await visitor.get('/door').expect(200)).body).toMatchObject({
      session: null,
      needsSetup: true,
      demo: false,
    });
    const input = { shop: 'Lane End', name: 'Ada', email: 'Ada@lane.example', password: PASSWORD };
    await visitor.post('/setup', { ...input, timeZone: 'Mars/Tharsis' }).expect(422);
    const { body } = await visitor.post('/setup', { ...input, timeZone: 'America/Denver' }).expect(201);
    expect(body).toMatchObject({
      person: { email: 'ada@lane.example', role: 'owner' },
      shop: { name: 'Lane End', unit: 'mm', timeZone: 'America/Denver' },
    });
    await new Visitor(house).post('/setup', input).expect(409);
    expect((await visitor.get('/door')).body).toMatchObject({
      needsSetup: false,
      session: { person: { name: 'Ada' } },
    });
  });

  it('keeps passwords as argon2id only', async () => {
    const [person] = await house.db.getRepository(PersonEntity).find();
    expect(person!.passwordHash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
    expect(person!.passwordHash).not.toContain(PASSWORD);
  });

  it('says the same for a wrong password and an unknown person', async () => {
    const wrong = await new Visitor(house)
      .post('/session', { email: 'ada@lane.example', password: 'wrong' })
      .expect(401);
    const nobody = await new Visitor(house)
      .post('/session', { email: 'nobody@lane.example', password: 'wrong' })
      .expect(401);
    expect(wrong.body).toEqual(nobody.body);
    expect(wrong.type).toBe('application/problem+json');
  });

  it('is HttpOnly, same-site, and wants the token with every change', async () => {
    const owner = await ownerOf(house);
    const fresh = await owner.agent.post('/api/session').send({ email: 'ada@lane.example', password: PASSWORD });
    expect(fresh.headers['set-cookie']![0]).toMatch(/HttpOnly.*SameSite=Lax/);
    await owner.agent.post('/api/vehicles').send({}).expect(403);
    await owner.agent.post('/api/session').set('sec-fetch-site', 'cross-site').send({}).expect(403);
  });

  it('ends a session on signing out', async () => {
    const owner = await ownerOf(house);
    await owner.get('/vehicles').expect(200);
    await owner.delete('/session').expect(204);
    expect((await owner.get('/vehicles').expect(401)).body).toMatchObject({
      code: 'not-signed-in',
      detail: expect.stringContaining('kept'),
    });
  });

  it('slows down guessing', async () => {
    const strict = await openHouse({ triesPerQuarterHour: 3 });
    const visitor = new Visitor(strict);
    for (let i = 0; i < 3; i++) await visitor.post('/session', { email: 'a@b.example', password: 'x' }).expect(401);
    expect((await visitor.post('/session', { email: 'a@b.example', password: 'x' }).expect(429)).body).toMatchObject({
      code: 'too-many-tries',
    });
    await strict.close();
  });

  it('offers the one-click sign-in to the demo only', async () => {
    await new Visitor(house).post('/session/demo').expect(403);
    const demo = await openHouse({ demo: true });
    await demo.app.house.the(ShopService).createShop({
      shop: 'Demo',
      name: 'Dee',
      email: 'dee@demo.example',
      password: PASSWORD,
    });
    expect((await new Visitor(demo).post('/session/demo').expect(200)).body).toMatchObject({ person: { name: 'Dee' } });
    await demo.close();
  });
});

describe('people and roles', () => {
  it('lets a viewer look and a worker work, and only the owner keep the house', async () => {
    const owner = await ownerOf(house);
    const add = (role: string) =>
      owner.post('/shop/people', { name: role, email: `${role}@roles.example`, password: PASSWORD, role }).expect(201);
    await add('viewer');
    await add('worker');
    const viewer = await new Visitor(house).signIn('viewer@roles.example', PASSWORD);
    const worker = await new Visitor(house).signIn('worker@roles.example', PASSWORD);
    await viewer.get('/vehicles').expect(200);
    expect((await viewer.post('/vehicles', {}).expect(403)).body).toMatchObject({ code: 'not-allowed' });
    await vehicleOf(worker);
    await worker
      .post('/shop/people', { name: 'x', email: 'x@roles.example', password: PASSWORD, role: 'owner' })
      .expect(403);
    const { body: shop } = await owner.get('/shop').expect(200);
    const { id: _id, ...rules } = shop;
    await worker.put('/shop', rules).expect(403);
    expect((await owner.put('/shop', { ...rules, unit: 'in' }).expect(200)).body).toMatchObject({
      unit: 'in',
      version: 2,
    });
    expect((await owner.put('/shop', rules).expect(409)).body.current).toMatchObject({ unit: 'in' });
    expect((await owner.put('/shop', { ...rules, version: 2, overlay: 'perhaps' }).expect(422)).body.field).toBe(
      'overlay',
    );
  });

  it('are written down one by one when they change, by the units of the shop; what stays is not', async () => {
    const owner = await ownerOf(house);
    const change = async (over: object) => {
      const { id: _id, ...rules } = (await owner.get('/shop').expect(200)).body as Shop;
      await owner.put('/shop', { ...rules, ...over }).expect(200);
    };
    const written = async () =>
      ((await owner.get('/shop/audit').expect(200)).body as AuditLine[])
        .map(({ text }) => text)
        .filter((text) => text.startsWith('House rules'));
    await change({});
    expect(await written()).toEqual([]);
    const rates = { hour: 6000, sheetDm2: 60, weldMetre: 250, coatDm2: 40 };
    await change({ rates, paints: true, temperature: 17.5 });
    await change({ unit: 'in', heatUnit: 'F' });
    // Worked by hand: a square foot has 9.290304 dm², so 0.60 for one comes to 5.57.
    await change({ rates: { ...rates, sheetDm2: 70 }, schools: { seen: 'butt', hidden: 'lap', flange: 'spot' } });
    await change({ localRules: { weld: 'Two people', cut: '' } });
    await change({ localRules: { weld: 'Two people' } });
    const all = await written();
    expect(all).toHaveLength(4);
    for (const part of [
      'An hour of work: 45.00 EUR → 60.00 EUR',
      'Paint each panel here after its repair: no → yes',
      'Workshop: 20 °C → 17.5 °C',
      'Lengths are shown in: Millimetres → Inches and fractions',
      'Sheet steel, a sq ft: 5.57 EUR → 6.50 EUR',
      'A flange that was spot-welded: Plug welds → Spot welds',
      'Rule of the place, before the first arc: none → Two people',
    ])
      expect(all.join('\n')).toContain(part);
  });

  it('ends the sessions of somebody whose role changes, and keeps the last owner', async () => {
    const owner = await ownerOf(house);
    const { body: person } = await owner.post('/shop/people', {
      name: 'Wim',
      email: 'wim@roles.example',
      password: PASSWORD,
      role: 'worker',
    });
    const wim = await new Visitor(house).signIn('wim@roles.example', PASSWORD);
    await wim.get('/vehicles').expect(200);
    await owner.put(`/shop/people/${person.id}/role`, { role: 'viewer' }).expect(200);
    await wim.get('/vehicles').expect(401);
    const { body: people } = await owner.get('/shop/people');
    const me = people.find((candidate: { role: string }) => candidate.role === 'owner');
    await owner.put(`/shop/people/${me.id}/role`, { role: 'viewer' }).expect(422);
  });

  it('names every field that is wrong', async () => {
    const owner = await ownerOf(house);
    const { body } = await owner
      .post('/shop/people', { name: '', email: 'no', password: 'short', role: 'king' })
      .expect(422);
    expect(body.errors.map((error: { field: string }) => error.field)).toEqual(['name', 'email', 'password', 'role']);
    expect(body.errors[2].detail).toMatch(/at least 10/);
  });
});

describe('another shop', () => {
  it('sees nothing of this one: every address answers 404', async () => {
    const [mine, theirs] = [await ownerOf(house), await ownerOf(house, 'Other')];
    const vehicle = await vehicleOf(mine);
    const { body: zone } = await mine.post(`/vehicles/${vehicle}/zones`, zoneInput()).expect(201);
    await mine
      .post(`/vehicles/${vehicle}/offers`, { panel: 'quarter-l', maker: 'M', price: 100, carriage: 0, leadDays: 1 })
      .expect(201);
    const { body: repair } = await mine
      .post(`/vehicles/${vehicle}/repairs`, { id: zone.id, zoneIds: [zone.id], choice: 'whole', reason: 'because' })
      .expect(201);
    const [order] = (await mine.get('/orders').expect(200)).body;
    const paths = [
      `/vehicles/${vehicle}`,
      `/vehicles/${vehicle}/board`,
      `/vehicles/${vehicle}/panels/quarter-l/zones`,
      `/vehicles/${vehicle}/panels/quarter-l/readings`,
      `/vehicles/${vehicle}/repairs`,
      `/vehicles/${vehicle}/zones/${zone.id}/history`,
      `/repairs/${repair.id}`,
      `/repairs/${repair.id}/cut`,
      `/repairs/${repair.id}/weld`,
      `/repairs/${repair.id}/cut/card.pdf`,
    ];
    for (const path of paths) await theirs.get(path).expect(404);
    await theirs.post(`/vehicles/${vehicle}/readings`, { readings: [reading()] }).expect(404);
    await theirs.put(`/orders/${order.id}`, { maker: 'x', price: 1, quantity: 1, carriage: 0, version: 1 }).expect(404);
    await theirs.post(`/orders/${order.id}/move`, { state: 'ordered', on: '2026-01-01', version: 1 }).expect(404);
    await theirs.delete(`/vehicles/${vehicle}`).expect(404);
    expect((await theirs.get('/orders')).body).toEqual([]);
    expect((await theirs.get('/vehicles')).body).toEqual([]);
    // And a record cannot be smuggled in under an id of another shop.
    const own = await vehicleOf(theirs);
    await theirs.post(`/vehicles/${own}/zones`, zoneInput({ id: zone.id })).expect(404);
    await theirs.post(`/vehicles/${own}/verdict`, { zoneIds: [zone.id] }).expect(404);
  });
});
