import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { attacks, targetIn, type Target } from '../testing/attacks.ts';
import { openHouse, type House, type Visitor } from '../testing/house.ts';
import { routesOf } from '../testing/routes.ts';

/*
 * Every address that changes something, with a good body in which one field after the other is
 * replaced by what nobody should send. The answer names a field or says what is wrong; it is never
 * a failure of the server, and never takes long.
 */
let house: House;
let owner: Visitor;
let target: Target;
beforeAll(async () => {
  house = await openHouse();
  ({ owner, target } = await targetIn(house));
});
afterAll(() => house.close());

const HOSTILE: readonly (readonly [string, unknown])[] = [
  ['nothing', null],
  ['an empty text', ''],
  ['a long text', 'x'.repeat(5000)],
  ['a text where a number is wanted', '12 apples'],
  ['not a number', 'NaN'],
  ['minus', -1],
  ['a huge number', 1e300],
  ['a fraction', 0.5],
  ['yes', true],
  ['an empty list', []],
  ['a list of nothing', [null, null, null]],
  ['a nested list', [[[[1]]]]],
  ['a thing', { length: 1, 0: 'x' }],
  ['a prototype', JSON.parse('{"__proto__":{"admin":true},"constructor":{"prototype":{"admin":true}}}')],
  ['the end of a query', "'; DROP TABLE vehicle; -- "],
  ['a path', '../../../../etc/passwd'],
  ['a zero byte', 'a\u0000b'],
  ['half a character', '\ud800'],
  ['a script', '<script>alert(1)</script>'],
];

/** Addresses that change something and take no body that could be attacked, or bytes, which have tests of their own. */
const WITHOUT_BODY =
  /\/(restore|remove|bring-back|back|acknowledge|zero|press|place|import|photos|setup|session|session\/demo|outline-from-drawing|invitations\/:token)$|^\/calc\//;

it('no address of any station is left out', () => {
  const attacked = attacks.map(({ method, path }) => `${method} ${path(target)}`);
  const left = routesOf(house.app.house)
    .filter(({ method, path }) => (method === 'post' || method === 'put') && !WITHOUT_BODY.test(path))
    .filter(({ method, path }) => {
      const form = new RegExp(`^${method} ${path.replace(/:\w+/g, '[^/]+')}$`);
      return !attacked.some((address) => form.test(address));
    });
  expect(left).toEqual([]);
});

describe.each(attacks)('$name', ({ method, path, body, open }) => {
  it('is never more than refused, whatever one of its fields is', async () => {
    for (const key of Object.keys(body(target)))
      for (const [what, value] of HOSTILE) {
        const answer = await owner[method](path(target), { ...body(target), [key]: value });
        expect(answer.status, `${key} as ${what}: ${JSON.stringify(answer.body).slice(0, 200)}`).toBeLessThan(500);
        if (answer.status >= 400) {
          const refusal = answer.body as { code: string; detail: string };
          expect(refusal.code, `${key} as ${what}`).toMatch(/^[a-z-]+$/);
          expect(refusal.detail.length, `${key} as ${what}`).toBeGreaterThan(10);
          expect(refusal.detail, `${key} as ${what}`).not.toMatch(/SQL|ER_|node_modules| at .*:\d+/);
        }
      }
    expect(({} as { admin?: boolean }).admin).toBeUndefined();
  });

  it('is refused without the token of its session', async () => {
    const answer = await owner.agent[method](`/api${path(target)}`).send(body(target));
    expect(answer.status).toBe(open ? 200 : 403);
  });

  it('is refused as a list, as a text and as nothing', async () => {
    for (const whole of [[], [body(target)], 'text', null]) {
      const answer = await owner.agent[method](`/api${path(target)}`)
        .set('x-aspecta-csrf', owner.csrf)
        .set('content-type', 'application/json')
        .send(JSON.stringify(whole));
      expect(answer.status).toBeGreaterThanOrEqual(400);
      expect(answer.status).toBeLessThan(500);
    }
  });
});

describe('addresses that lead nowhere', () => {
  it.each([
    '/vehicles/none',
    '/vehicles/%00',
    '/vehicles/..%2f..%2fetc%2fpasswd',
    '/repairs/1%20OR%201=1/cut',
    `/vehicles/${'9'.repeat(300)}/board`,
    '/vehicles/%E0%A4%A/board',
  ])('%s is refused in words', async (path) => {
    const { status, body } = await owner.get(path);
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect((body as { detail: string }).detail.length).toBeGreaterThan(5);
  });
});
