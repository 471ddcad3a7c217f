import { readFileSync } from 'node:fs';
import Joi from 'joi';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { PROBLEM_CODES } from '@aspecta/contract';
import { openHouse, ownerOf, Visitor, type House } from '../testing/house.ts';
import type { ServerProblem } from './problems.ts';
import { parse } from './validate.ts';

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
});
