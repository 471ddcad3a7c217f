import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { AuditLine, OpenSession } from '@aspecta/contract/account';
import type { Person, Role } from '@aspecta/contract/shop';
import { decided, memberOf, openHouse, ownerOf, PASSWORD, vehicleOf, Visitor, type House } from '../testing/house.ts';
import { checkPassword } from './password.ts';

let house: House;
let owner: Visitor;
beforeAll(async () => {
  house = await openHouse({ triesPerQuarterHour: 4 });
  owner = await ownerOf(house);
});
afterAll(() => house.close());

const mail = () => `${randomUUID().slice(0, 8)}@bench.example`;
const joined = (role: Role, name?: string) => memberOf(house, owner, { role, ...(name ? { name } : {}) });

describe('invitations', () => {
  it('let somebody join once, in the role that was meant for him', async () => {
    const { body } = await owner.post('/shop/invitations', { name: 'Kim', role: 'worker' }).expect(201);
    expect((await owner.get('/shop/invitations').expect(200)).body).toMatchObject([{ name: 'Kim', role: 'worker' }]);
    expect(JSON.stringify((await owner.get('/shop/invitations')).body)).not.toContain(body.token);
    const kim = new Visitor(house);
    expect((await kim.get(`/invitations/${body.token}`).expect(200)).body).toEqual({
      ...{ shop: 'Testbench', name: 'Kim', role: 'worker' },
    });
    const account = { name: 'Kim', email: mail(), password: PASSWORD };
    expect((await kim.post(`/invitations/${body.token}`, account).expect(201)).body.person.role).toBe('worker');
    await kim.get('/vehicles').expect(200);
    await new Visitor(house).post(`/invitations/${body.token}`, { ...account, email: mail() }).expect(404);
    await new Visitor(house).get('/invitations/made-up').expect(404);
  });

  it('that are withdrawn lead nowhere, and only the owner invites', async () => {
    const { body } = await owner.post('/shop/invitations', { name: 'Lee', role: 'viewer' }).expect(201);
    await owner.delete(`/shop/invitations/${body.id}`).expect(204);
    await new Visitor(house).get(`/invitations/${body.token}`).expect(404);
    const { visitor } = await joined('worker');
    await visitor.post('/shop/invitations', { name: 'x', role: 'owner' }).expect(403);
    await visitor.get('/shop/audit').expect(403);
  });

  it('taken up by four at once make one account', async () => {
    const { body } = await owner.post('/shop/invitations', { name: 'Four', role: 'viewer' }).expect(201);
    const answers = await Promise.all(
      [1, 2, 3, 4].map(() =>
        new Visitor(house).post(`/invitations/${body.token}`, { name: 'Four', email: mail(), password: PASSWORD }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 404, 404, 404]);
  });
});

describe('passwords', () => {
  it.each(['password12', '1234567890', 'qwertyuiop', 'aaaaaaaaaaaa', 'Iloveyou123', 'testbench1'])(
    '%s is refused',
    (password) => {
      expect(() => checkPassword(password, ['Owner Test', 'owner@testbench.example'])).toThrow(/soon guessed/);
    },
  );
  it.each([PASSWORD, 'rivet marsh copper ladle', 'hK7#pw2!vQ9z'])('%s is taken', (password) => {
    expect(() => checkPassword(password, ['Owner Test'])).not.toThrow();
  });

  it('are changed by oneself, and end the sessions elsewhere', async () => {
    const { visitor, email } = await joined('viewer');
    const elsewhere = await new Visitor(house).signIn(email, PASSWORD);
    const change = { current: PASSWORD, password: 'rivet marsh copper ladle' };
    expect((await visitor.put('/account/password', { ...change, current: 'no' }).expect(422)).body.field).toBe(
      'current',
    );
    expect((await visitor.put('/account/password', { ...change, password: '1234567890' }).expect(422)).body.field).toBe(
      'password',
    );
    await visitor.put('/account/password', change).expect(204);
    await visitor.get('/vehicles').expect(200);
    await elsewhere.get('/vehicles').expect(401);
    await new Visitor(house).post('/session', { email, password: PASSWORD }).expect(401);
    await new Visitor(house).signIn(email, change.password);
  });
});

describe('sessions', () => {
  it('are listed, and can be ended from elsewhere', async () => {
    const { visitor, email } = await joined('worker');
    const phone = await new Visitor(house).signIn(email, PASSWORD);
    const list = async () => (await visitor.get('/account/sessions').expect(200)).body as OpenSession[];
    const there = await list();
    expect(there).toHaveLength(2);
    const other = there.find(({ current }) => !current)!;
    await visitor.delete(`/account/sessions/${other.name}`).expect(204);
    await phone.get('/vehicles').expect(401);
    expect(await list()).toMatchObject([{ current: true }]);
    await owner.delete(`/account/sessions/${other.name}`).expect(404);
  });

  it('are not ended by another page: signing out wants the token', async () => {
    const { visitor } = await joined('worker');
    await visitor.agent.delete('/api/session').expect(403);
    await visitor.get('/vehicles').expect(200);
    await visitor.delete('/session').expect(204);
    await visitor.get('/vehicles').expect(401);
  });

  it('end with the person, his streams too', async () => {
    const { visitor, id } = await joined('worker');
    const vehicle = await vehicleOf(owner);
    const http: Server = house.app.http.listen(0, '127.0.0.1');
    await once(http, 'listening');
    const cookie = (
      visitor.agent as unknown as { jar: { getCookies(access: unknown): { toValueString(): string } } }
    ).jar
      .getCookies({ domain: '127.0.0.1', path: '/', secure: false, script: false })
      .toValueString();
    const ended = new Promise<void>((done, fail) => {
      const asked = request({
        port: (http.address() as AddressInfo).port,
        host: '127.0.0.1',
        path: `/api/vehicles/${vehicle}/live`,
        headers: { cookie },
      });
      asked.on('response', (response) => {
        response.on('data', () => undefined);
        response.on('end', done);
        if (response.statusCode !== 200) fail(new Error(String(response.statusCode)));
        owner
          .delete(`/shop/people/${id}`)
          .expect(204)
          .then(() => undefined, fail);
      });
      asked.end();
    });
    await ended;
    await visitor.get('/vehicles').expect(401);
    expect(((await owner.get('/shop/people')).body as Person[]).some((person) => person.id === id)).toBe(false);
    http.close();
  });
});

describe('a customer', () => {
  it('sees the cars that he is shown, and neither prices nor people', async () => {
    const { visitor, id } = await joined('customer', 'Cust Omer');
    const [shown, hidden] = [await vehicleOf(owner), await vehicleOf(owner)];
    await decided(owner, shown, 'patch');
    expect((await owner.put(`/vehicles/${shown}/guests`, { personIds: [id] }).expect(200)).body).toEqual([id]);
    const garage = (await visitor.get('/vehicles').expect(200)).body as { id: string }[];
    expect(garage.map((car) => car.id)).toEqual([shown]);
    for (const path of [
      '',
      '/board',
      '/walk',
      '/finds',
      '/photos',
      '/inspection.pdf',
      '/panels/sill-l/readings',
      '/panels/sill-l/zones',
    ]) {
      await visitor.get(`/vehicles/${shown}${path}`).expect(200);
      await visitor.get(`/vehicles/${hidden}${path}`).expect(404);
    }
    for (const path of [
      '/orders',
      '/shop',
      '/shop/people',
      '/shop/audit',
      `/vehicles/${shown}/repairs`,
      `/vehicles/${shown}/guests`,
      '/learnt',
      '/gauges',
      `/vehicles/${shown}/readings.csv`,
    ])
      await visitor.get(path).expect(403);
    await visitor.post(`/vehicles/${shown}/readings`, { readings: [] }).expect(403);
    expect((await visitor.get('/door')).body.session.shop).toMatchObject({ rates: { hour: 0 }, taxRate: 0 });
    await owner.put(`/vehicles/${shown}/guests`, { personIds: [] }).expect(200);
    await visitor.get(`/vehicles/${shown}`).expect(404);
  });

  it('is nobody of another shop, and no worker', async () => {
    const vehicle = await vehicleOf(owner);
    const { id } = await joined('worker');
    await owner.put(`/vehicles/${vehicle}/guests`, { personIds: [id] }).expect(422);
    await owner.put(`/vehicles/${vehicle}/guests`, { personIds: [randomUUID()] }).expect(422);
  });
});

describe('the owner', () => {
  it('reads what happened to accounts and rules', async () => {
    const texts = ((await owner.get('/shop/audit').expect(200)).body as AuditLine[]).map(({ text }) => text);
    expect(texts).toContain('Shop “Testbench” set up');
    expect(texts).toContain('Kim invited as worker');
    expect(texts).toContain('Kim joined as worker');
    expect(texts).toContain('Own password changed');
    expect(texts).toContain('Jo Bench removed');
    expect(texts.some((text) => / is shown to Cust Omer$/.test(text))).toBe(true);
  });

  it('cannot leave the shop without one', async () => {
    const me = ((await owner.get('/shop/people')).body as Person[]).find(({ role }) => role === 'owner')!;
    await owner.delete(`/shop/people/${me.id}`).expect(422);
    await owner.put(`/shop/people/${me.id}/role`, { role: 'viewer' }).expect(422);
  });

  it('adds nobody twice, also when two do so at once', async () => {
    const person = { name: 'Twin', email: mail(), password: PASSWORD, role: 'worker' };
    const answers = await Promise.all([1, 2, 3].map(() => owner.post('/shop/people', person)));
    expect(answers.map(({ status }) => status).sort()).toEqual([201, 409, 409]);
    expect(answers.find(({ status }) => status === 409)!.body.field).toBe('email');
  });
});

describe('guessing', () => {
  it('is slowed down by account and address, and locks nobody else out', async () => {
    const victim = await joined('worker');
    await new Visitor(house).signIn(victim.email, PASSWORD);
    const guess = (email: string) => new Visitor(house).post('/session', { email, password: 'guess' });
    const one = mail();
    for (let i = 0; i < 4; i++) await guess(one).expect(401);
    const stopped = await guess(one).expect(429);
    expect(stopped.body).toMatchObject({ code: 'too-many-tries', detail: expect.stringMatching(/wait 15 minutes/) });
    // From the same address on until that is stopped for all accounts that nobody has entered from there.
    for (let i = 0; i < 40; i++) await guess(mail());
    await guess(mail()).expect(429);
    await new Visitor(house).signIn(victim.email, PASSWORD);
  });

  it('counts over several processes', async () => {
    const { createApp } = await import('../app.ts');
    const { pino } = await import('pino');
    const second = createApp({
      ...house,
      logger: pino({ level: 'silent' }),
      secret: 'for tests only',
      files: '/tmp',
      triesPerQuarterHour: 4,
    });
    const email = mail();
    const from = (app: typeof house.app, ip: string) =>
      new Visitor({ ...house, app }).agent.post('/api/session').set('x-test-ip', ip).send({ email, password: 'guess' });
    const statuses: number[] = [];
    for (let i = 0; i < 6; i++) statuses.push((await from(i % 2 ? second : house.app, '')).status);
    expect(statuses.slice(-2)).toEqual([429, 429]);
    await second.close();
  });
});
