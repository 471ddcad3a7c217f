import supertest, { type Test } from 'supertest';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { fuzzed } from '../testing/fuzz.ts';
import { routesOf } from '../testing/routes.ts';
import { decided, openHouse, ownerOf, vehicleOf, type House, type Visitor } from '../testing/house.ts';

/*
 * Requests as nobody should send them, by a seed: never a failure of the server, never an answer
 * that takes long. A short run here; `npm run attack` makes twenty thousand.
 */
const COUNT = Number(process.env['ASPECTA_FUZZ'] ?? 600);
const SEED = Number(process.env['ASPECTA_FUZZ_SEED'] ?? 20_261);
/** ms. A guard against hanging, not a measure of speed. */
const LONGEST = 5000;
/** Streams answer as long as somebody listens. */
const STAYS_OPEN = /\/(live|stream)$/;
let house: House;
let owner: Visitor;
beforeAll(async () => {
  house = await openHouse({ triesPerQuarterHour: 1_000_000 });
  owner = await ownerOf(house);
});
afterAll(() => house.close());

it(
  `${COUNT} fuzzed requests are answered without a failure`,
  async () => {
    const vehicle = await vehicleOf(owner);
    const repair = await decided(owner, vehicle, 'patch');
    const paths = [
      '/alive',
      ...new Set(routesOf(house.app.house).flatMap(({ path }) => (STAYS_OPEN.test(path) ? [] : path))),
    ];
    const requests = fuzzed(SEED, { vehicle, ids: [vehicle, repair.id, ...repair.zoneIds], paths });
    for (let i = 0; i < COUNT; i++) {
      const { method, path, body, type, signedIn } = requests.next().value!;
      const agent = (signedIn ? owner.agent : supertest(house.app.http)) as unknown as Record<
        string,
        (to: string) => Test
      >;
      const asked = agent[method]!(`/api${path}`)
        .ok(() => true)
        .timeout(LONGEST)
        .set('content-type', type)
        .buffer(true);
      if (signedIn) void asked.set('x-aspecta-csrf', owner.csrf);
      // Leaving is no attack: the next ones come from somebody who is signed in.
      if (method === 'delete' && path === '/session') continue;
      const { status } = await asked.send(body);
      expect(status, `seed ${SEED}, request ${i}: ${method} ${path} ${String(body).slice(0, 300)}`).toBeLessThan(500);
    }
  },
  60_000 + COUNT * 100,
);
