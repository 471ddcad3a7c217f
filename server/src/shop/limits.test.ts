import { describe, expect, it } from 'vitest';
import type { Board } from '@aspecta/contract/board';
import type { Shop } from '@aspecta/contract/shop';
import type { FindView } from '@aspecta/contract/survey';
import type { VerdictView } from '@aspecta/contract/verdict';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { usualLimits } from '@aspecta/core/survey';
import { ShopEntity } from './entities.ts';
import { houseWithCar, ownerOf, reading, squareAt, vehicleOf, zoneInput } from '../testing/house.ts';

const here = houseWithCar();
/** A body with a mount on metal that carries no load. */
const OFFROADER = 'offroader';

describe('limits by which a shop judges metal', () => {
  const shopOf = async (name: string) => {
    const owner = await ownerOf(here.house, name);
    const put = async (limits: object) => {
      const { id: _id, ...shop } = (await owner.get('/shop').expect(200)).body as Shop;
      return owner.put('/shop', { ...shop, limits: { ...shop.limits, ...limits } });
    };
    return { owner, put, vehicle: await vehicleOf(owner) };
  };

  it('are the usual ones of a new shop; what is none is refused at its field', async () => {
    const { owner, put } = await shopOf('Limits');
    expect(((await owner.get('/shop').expect(200)).body as Shop).limits).toEqual(usualLimits);
    const refused = (await (await put({ weldableShare: 1.4 })).body) as { field: string; detail: string };
    expect(refused).toMatchObject({ field: 'limits.weldableShare' });
    await (
      await put({ mountRadius: 250 })
    ).body;
    expect(((await owner.get('/shop').expect(200)).body as Shop).limits.mountRadius).toBe(250);
    expect(JSON.stringify((await owner.get('/shop/audit').expect(200)).body)).toContain(
      'Near a mount, within: 300 mm → 250 mm',
    );
  });

  it('are refused where they contradict one another, and nothing of them is kept', async () => {
    const { owner, put } = await shopOf('Contradiction');
    for (const [limits, field] of [
      [{ wornShare: 0.95 }, 'limits.wornShare'],
      [{ heavyUm: 300 }, 'limits.heavyUm'],
    ] as const)
      expect((await put(limits)).body).toMatchObject({ code: 'limits-contradict', field });
    expect(((await owner.get('/shop').expect(200)).body as Shop).limits).toEqual(usualLimits);
  });

  it('of a shop that was kept before there were classes among them are the usual ones', async () => {
    const { owner } = await shopOf('Before');
    const { id } = (await owner.get('/shop').expect(200)).body as Shop;
    await here.house.db.getRepository(ShopEntity).update({ id }, { limits: { weldableMm: 0.7 } });
    expect(((await owner.get('/shop').expect(200)).body as Shop).limits).toEqual({ ...usualLimits, weldableMm: 0.7 });
  });

  it('say from how much coating on it is filler', async () => {
    const { owner, put, vehicle } = await shopOf('Thin filler');
    await owner
      .post(`/vehicles/${vehicle}/readings`, {
        readings: [reading({ panel: 'quarter-l', u: 640, v: 340, coatingUm: 900 })],
      })
      .expect(201);
    const look = async () =>
      ((await owner.get(`/vehicles/${vehicle}/board`).expect(200)).body as Board).panels.find(
        ({ panel }) => panel === 'quarter-l',
      )!.state;
    expect(await look()).not.toBe('filler');
    expect((await put({ heavyUm: 800 })).status).toBe(200);
    expect(await look()).toBe('filler');
  });

  it('decide which class a zone has by its evidence', async () => {
    const { owner, put, vehicle } = await shopOf('Thick metal');
    await owner
      .post(`/vehicles/${vehicle}/readings`, {
        readings: [reading({ panel: 'quarter-l', u: 640, v: 340, metalMm: 0.7 })],
      })
      .expect(201);
    const zone = (kind: string) => ({
      ...zoneInput(),
      ...{ panel: 'quarter-l', layer: 'outer', ring: squareAt(600, 300, 80), class: kind },
    });
    await owner.post(`/vehicles/${vehicle}/zones`, zone('pitted')).expect(201);
    expect((await put({ weldableMm: 0.8 })).status).toBe(200);
    expect((await owner.post(`/vehicles/${vehicle}/zones`, zone('pitted')).expect(422)).body.detail).toMatch(
      /too thin/,
    );
  });

  it('say how far around a mount only welded metal counts: in finds and in a verdict', async () => {
    const { owner, put } = await shopOf('Near mounts');
    const vehicle = await vehicleOf(owner, OFFROADER);
    const plan = bodyPlan(OFFROADER);
    const panel = plan.panels.find(({ structural, mounts }) => !structural && mounts.length > 0)!;
    const [u, v] = panelOf(plan, panel.id).mounts[0]!.at;
    const at = { panel: panel.id, layer: panel.layers[0]!.id };
    const found = async () => {
      const place = { ...at, u: u + 40, v, sign: 'pinholes' };
      const sent = await owner.post(`/vehicles/${vehicle}/finds`, { id: crypto.randomUUID(), ...place }).expect(201);
      return (sent.body as FindView).structural;
    };
    const zone = { ...zoneInput(), ...at, ring: squareAt(u + 20, v, 30), class: 'through' };
    const { id } = (await owner.post(`/vehicles/${vehicle}/zones`, zone).expect(201)).body as { id: string };
    const caution = async () =>
      ((await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds: [id] }).expect(200)).body as VerdictView).verdict
        .mountCaution;
    expect(await found()).toBe(true);
    expect(await caution()).toMatch(/within 300 mm of a mount/);
    expect((await put({ mountRadius: 5 })).status).toBe(200);
    expect(await found()).toBe(false);
    expect(await caution()).toBeNull();
  });
});
