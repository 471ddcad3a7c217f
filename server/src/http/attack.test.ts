import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { cutDefaults } from '@aspecta/contract/cut';
import { weldDefaults } from '@aspecta/contract/weld';
import {
  car,
  decided,
  openHouse,
  ownerOf,
  PASSWORD,
  reading,
  squareAt,
  vehicleOf,
  zoneInput,
  type House,
  type Visitor,
} from '../testing/house.ts';

/*
 * Every address that changes something, with a good body in which one field after the other is
 * replaced by what nobody should send. The answer names a field or says what is wrong; it is never
 * a failure of the server, and never takes long.
 */
let house: House;
let owner: Visitor;
let vehicle: string;
let repair: string;
let zone: string;
let order: string;
beforeAll(async () => {
  house = await openHouse();
  owner = await ownerOf(house);
  vehicle = await vehicleOf(owner);
  const made = await decided(owner, vehicle, 'patch');
  repair = made.id;
  await owner.put(`/repairs/${repair}/weld`, { ...weldDefaults, version: 0 }).expect(200);
  zone = ((await owner.post(`/vehicles/${vehicle}/zones`, zoneInput()).expect(201)).body as { id: string }).id;
  order = (
    (
      await owner
        .post('/orders', { vehicleId: vehicle, panel: 'roof', maker: 'Harrow', price: 1, quantity: 1, carriage: 0 })
        .expect(201)
    ).body as { id: string }
  ).id;
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

interface Address {
  method: 'post' | 'put';
  path: () => string;
  body: () => Record<string, unknown>;
}
const at = { panel: 'sill-l', layer: 'outer', u: 300, v: 60 };
const addresses: readonly (readonly [string, Address])[] = [
  ['a vehicle', { method: 'post', path: () => '/vehicles', body: () => ({ ...car }) }],
  [
    'a change of a vehicle',
    { method: 'put', path: () => `/vehicles/${vehicle}`, body: () => ({ ...car, planId: undefined, version: 1 }) },
  ],
  [
    'readings',
    { method: 'post', path: () => `/vehicles/${vehicle}/readings`, body: () => ({ readings: [reading()] }) },
  ],
  ['one reading', { method: 'post', path: () => `/vehicles/${vehicle}/readings`, body: () => reading() }],
  [
    'withdrawn readings',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/readings/withdraw`,
      body: () => ({ ids: [randomUUID()], withdrawn: true }),
    },
  ],
  ['a zone', { method: 'post', path: () => `/vehicles/${vehicle}/zones`, body: () => zoneInput() }],
  [
    'a change of a zone',
    {
      method: 'put',
      path: () => `/vehicles/${vehicle}/zones/${zone}`,
      body: () => {
        const { id: _id, panel: _panel, ...rest } = zoneInput();
        return { ...rest, version: 1 };
      },
    },
  ],
  [
    'two zones made one',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/zones/operate`,
      body: () => ({ op: 'merge', zone, version: 1, other: randomUUID(), otherVersion: 1 }),
    },
  ],
  [
    'a split zone',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/zones/operate`,
      body: () => ({
        op: 'split',
        zone,
        version: 99,
        line: [
          [1150, 0],
          [1150, 900],
        ],
      }),
    },
  ],
  [
    'a find',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/finds`,
      body: () => ({ id: randomUUID(), ...at, sign: 'hole', note: '', place: null, photoId: null }),
    },
  ],
  [
    'a look',
    { method: 'post', path: () => `/vehicles/${vehicle}/walk`, body: () => ({ place: 'nowhere', state: 'looked' }) },
  ],
  [
    'a pit',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/pits`,
      body: () => ({ id: randomUUID(), ...at, side: 60, depth: 0.2, pits: 4, mouth: 2 }),
    },
  ],
  [
    'a price',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/offers`,
      body: () => ({ panel: 'roof', maker: 'Harrow', price: 100, carriage: 0, leadDays: 3 }),
    },
  ],
  [
    'a verdict',
    { method: 'post', path: () => `/vehicles/${vehicle}/verdict`, body: () => ({ zoneIds: [randomUUID()] }) },
  ],
  [
    'a decision',
    {
      method: 'post',
      path: () => `/vehicles/${vehicle}/repairs`,
      body: () => ({ id: randomUUID(), zoneIds: [randomUUID()], choice: 'patch', reason: 'because' }),
    },
  ],
  [
    'a changed decision',
    {
      method: 'put',
      path: () => `/repairs/${repair}`,
      body: () => ({ choice: 'patch', reason: 'because', done: false, version: 99 }),
    },
  ],
  ['a cut', { method: 'put', path: () => `/repairs/${repair}/cut`, body: () => ({ ...cutDefaults, version: 99 }) }],
  [
    'a weld plan',
    { method: 'put', path: () => `/repairs/${repair}/weld`, body: () => ({ ...weldDefaults, version: 99 }) },
  ],
  [
    'a weld',
    { method: 'put', path: () => `/repairs/${repair}/weld/steps/1`, body: () => ({ done: true, version: 1 }) },
  ],
  [
    'an order',
    {
      method: 'post',
      path: () => '/orders',
      body: () => ({
        vehicleId: vehicle,
        panel: 'roof',
        maker: 'Harrow',
        price: 1,
        quantity: 1,
        carriage: 0,
        due: null,
        note: '',
      }),
    },
  ],
  [
    'a moved order',
    {
      method: 'post',
      path: () => `/orders/${order}/move`,
      body: () => ({ state: 'ordered', on: '2026-02-01', due: null, version: 99 }),
    },
  ],
  [
    'a person',
    {
      method: 'post',
      path: () => '/shop/people',
      body: () => ({ name: 'Wim', email: `${randomUUID()}@x.example`, password: PASSWORD, role: 'viewer' }),
    },
  ],
  [
    'an outline of a panel',
    {
      method: 'put',
      path: () => `/vehicles/${vehicle}/panels/roof/outline`,
      body: () => ({ outline: squareAt(0, 0, 300), name: 'Own', version: 99 }),
    },
  ],
  [
    'an outline as a file',
    {
      method: 'post',
      path: () => '/shape/outline',
      body: () => ({ as: 'dxf', title: 'Piece', cut: [squareAt(0, 0, 300)], mark: [] }),
    },
  ],
];

describe.each(addresses)('%s', (_name, { method, path, body }) => {
  it('is never more than refused, whatever one of its fields is', async () => {
    for (const key of Object.keys(body()))
      for (const [what, value] of HOSTILE) {
        const answer = await owner[method](path(), { ...body(), [key]: value });
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
    const answer = await owner.agent[method](`/api${path()}`).send(body());
    // An outline for a file changes nothing and needs no account.
    if (path() === '/shape/outline') expect(answer.status).toBe(200);
    else expect(answer.status).toBe(403);
  });

  it('is refused as a list, as a text and as nothing', async () => {
    for (const whole of [[], [body()], 'text', null]) {
      const answer = await owner.agent[method](`/api${path()}`)
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
