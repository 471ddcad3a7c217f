import { createHmac } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { hostname } from 'node:os';
import type { Express } from 'express';
import Joi from 'joi';
import { pino } from 'pino';
import supertest from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PROBLEM_CODES } from '@aspecta/contract';
import { createApp } from '../app.ts';
import { openHouse, ownerOf, PASSWORD, Visitor, type House } from '../testing/house.ts';
import type { ServerProblem } from './problems.ts';
import { parse } from './validate.ts';
import { ShopService } from '../shop/service.ts';

const signed = (id: string, secret: string) =>
  `${id}.${createHmac('sha256', secret).update(id).digest('base64').replace(/=+$/, '')}`;

describe('refusing a body', () => {
  const schema = Joi.object({
    name: Joi.string().min(3).max(5).required(),
    count: Joi.number().integer().min(1).max(9).required(),
    day: Joi.string().pattern(/^\d{4}-\d{2}-\d{2}$/),
    list: Joi.array()
      .items(Joi.object({ id: Joi.string().guid() }))
      .min(1)
      .max(2),
    kind: Joi.valid('a', 'b'),
  });
  const good = { name: 'abcd', count: 3 };
  const refusal = (body: object) => {
    try {
      parse(schema, body);
    } catch (error) {
      return error as ServerProblem;
    }
    throw new Error('was taken');
  };

  it('lets a good one through', () => expect(parse(schema, good)).toEqual(good));

  it.each([
    [{ ...good, name: '' }, 'name', /missing; fill it in/],
    [{ count: 1 }, 'name', /missing; fill it in/],
    [{ ...good, name: 'ab' }, 'name', /at least 3 characters/],
    [{ ...good, name: 'abcdefgh' }, 'name', /8 characters; shorten it to 5/],
    [{ ...good, count: 'x' }, 'count', /must be a number/],
    [{ ...good, count: 1.5 }, 'count', /whole number/],
    [{ ...good, count: 0 }, 'count', /at least 1/],
    [{ ...good, count: 99 }, 'count', /at most 9/],
    [{ ...good, day: 'tomorrow' }, 'day', /a day of the calendar, written like 2026-05-31/],
    [{ ...good, list: [] }, 'list', /at least 1 entries/],
    [{ ...good, list: [{}, {}, {}] }, 'list', /at most 2 entries/],
    [{ ...good, list: [{ id: 'x' }] }, 'list[0].id', /not a valid id/],
    [{ ...good, kind: 'c' }, 'kind', /one of: a, b/],
    [{ ...good, other: 1 }, 'other', /not known here/],
  ])('%o', (body, field, message) => {
    const problem = refusal(body);
    expect(problem.field).toBe(field);
    expect(problem.message).toMatch(message);
    expect(problem.status).toBe(422);
  });

  it('names all fields at once', () => {
    expect((refusal({}).extra['errors'] as { field: string }[]).map((error) => error.field)).toEqual(['name', 'count']);
  });
});

describe('problem codes', () => {
  it('are all in the documentation, with their status', () => {
    const documentation = readFileSync(new URL('../../../docs/formats.md', import.meta.url), 'utf8');
    for (const [code, status] of Object.entries(PROBLEM_CODES)) {
      const line = documentation.split('\n').find((text) => text.includes(`\`${code}\``));
      expect(line, code).toBeDefined();
      expect(line, code).toContain(String(status));
    }
  });
});

describe('the server over HTTP', () => {
  let house: House;
  beforeAll(async () => {
    house = await openHouse();
  });
  afterAll(() => house.close());

  it('answers every refusal as problem+json, without a stack trace', async () => {
    const { body, type, text } = await new Visitor(house).get('/vehicles').expect(401);
    expect(type).toBe('application/problem+json');
    expect(body).toMatchObject({ type: 'urn:aspecta:problem:not-signed-in', status: 401, code: 'not-signed-in' });
    expect(text).not.toMatch(/\bat .*\.ts/);
  });

  it('sends a strict content security policy and no sign of what it runs on', async () => {
    const { headers } = await new Visitor(house).get('/alive').expect(200);
    expect(headers['content-security-policy']).toMatch(/default-src 'self'/);
    expect(headers['content-security-policy']).toMatch(/script-src 'self'(;|$)/);
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['cache-control']).toBe('no-store');
  });

  it('keeps database failures to itself', async () => {
    const owner = await ownerOf(house);
    await house.db.query('RENAME TABLE order_line TO order_line_away');
    const { body } = await owner.get('/orders').expect(500);
    await house.db.query('RENAME TABLE order_line_away TO order_line');
    expect(body).toMatchObject({ code: 'internal', detail: expect.stringMatching(/nothing was changed/) });
    expect(JSON.stringify(body)).not.toMatch(/order_line|SQL/i);
    await owner.get('/orders').expect(200);
  });

  it('takes words of the address as words, not as SQL', async () => {
    const owner = await ownerOf(house);
    await owner.get("/vehicles/1' OR '1'='1").expect(404);
    await owner.get('/vehicles/%00').expect(404);
    await owner.get('/repairs/..%2f..%2fetc/cut').expect(404);
  });

  it('says that the database is away, not that something went wrong', async () => {
    const address = { ...house.address, port: 9 };
    const db = Object.assign(Object.create(house.db) as typeof house.db, {
      query: () => Promise.reject(Object.assign(new Error('connect ECONNREFUSED'), { code: 'ECONNREFUSED' })),
    });
    const app = createApp({ db, address, logger: pino({ level: 'silent' }), secret: 'x', files: '/tmp' });
    const alive = await supertest(app.http).get('/api/alive').expect(503);
    expect(alive.body).toMatchObject({ code: 'database-away', detail: expect.stringMatching(/Nothing is lost/) });
    expect(alive.headers['retry-after']).toBe('2');
    // A cookie makes it look for the session, in a database that is not there.
    const lost = await supertest(app.http)
      .get('/api/vehicles')
      .set('cookie', `aspecta=s%3A${signed('abc', 'x')}`);
    expect([lost.status, (lost.body as { code: string }).code]).toEqual([503, 'database-away']);
    await app.close();
  });

  it('answers to its own names and to addresses only', async () => {
    const ask = (host: string) => supertest(house.app.http).get('/api/alive').set('host', host);
    for (const host of ['127.0.0.1:4180', 'localhost', '[::1]:4180', '192.0.2.7:4181', hostname()])
      await ask(host).expect(200);
    expect((await ask('elsewhere.example').expect(421)).body).toMatchObject({ code: 'unknown-host' });
    await ask('127.0.0.1.elsewhere.example').expect(421);
    const named = await openHouse({ hosts: ['shop.example'] });
    await supertest(named.app.http).get('/api/alive').set('host', 'shop.example').expect(200);
    await named.close();
  });

  it('keeps the cookie of https apart from that of http, and believes no proxy unless told to', async () => {
    const email = 'tls@bench.example';
    await house.app.house.the(ShopService).createShop({ shop: 'TLS', name: 'Tess', email, password: PASSWORD });
    const enter = (app: Express) =>
      supertest(app)
        .post('/api/session')
        .set('x-forwarded-proto', 'https')
        .send({ email, password: PASSWORD })
        .expect(200);
    const cookieOf = async (app: Express) => String((await enter(app)).headers['set-cookie']);
    expect(await cookieOf(house.app.http)).toMatch(/^aspecta=[^;]+; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Lax$/);
    const behind = createApp({
      ...house,
      logger: pino({ level: 'silent' }),
      secret: 'x',
      files: '/tmp',
      proxy: 'loopback',
    });
    const cookie = await cookieOf(behind.http);
    expect(cookie).toMatch(/^__Host-aspecta=[^;]+; Path=\/; Expires=[^;]+; HttpOnly; Secure; SameSite=Lax$/);
    const door = (app: Express) =>
      supertest(app).get('/api/door').set('x-forwarded-proto', 'https').set('cookie', cookie.split(';')[0]!);
    expect((await door(behind.http)).body).toMatchObject({ session: { person: { name: 'Tess' } } });
    expect((await door(house.app.http)).body).toMatchObject({ session: null });
    await behind.close();
  });
});

describe('more than can be answered', () => {
  it('is told to come again, and let in once there is room', async () => {
    const house = await openHouse({ load: { most: 3 } });
    const answers = await Promise.all(
      Array.from({ length: 12 }, () =>
        supertest(house.app.http)
          .get('/api/door')
          .ok(() => true),
      ),
    );
    const later = answers.filter((answer) => answer.status === 503);
    expect(answers.filter((answer) => answer.status === 200)).not.toHaveLength(0);
    expect(later).not.toHaveLength(0);
    expect(later[0]!.headers['retry-after']).toBe('2');
    expect(later[0]!.body).toMatchObject({ code: 'busy' });
    await supertest(house.app.http).get('/api/door').expect(200);
    await house.close();
  });
  it('is turned away also while the process is behind with its work', async () => {
    const house = await openHouse({ load: { latest: -1 } });
    await expect
      .poll(
        async () =>
          (
            await supertest(house.app.http)
              .get('/api/door')
              .ok(() => true)
          ).status,
      )
      .toBe(503);
    await house.close();
  });
});
