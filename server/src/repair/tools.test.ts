import { describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import type { Shop } from '@aspecta/contract/shop';
import { decided, houseWithCar, ON_SILL, ownerOf, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();

describe('what stands in the workshop', () => {
  it('says at a joint what the spot welder does not reach, once somebody has said what is there', async () => {
    const owner = await ownerOf(here.house, 'Tools');
    const put = async (over: object) => {
      const { id: _id, ...shop } = (await owner.get('/shop').expect(200)).body as Shop;
      return owner.put('/shop', { ...shop, ...over });
    };
    const { id } = await decided(owner, await vehicleOf(owner), 'make', ON_SILL);
    await (
      await put({ schools: { seen: 'butt', hidden: 'butt', flange: 'spot' } })
    ).body;
    const notes = async () =>
      ((await owner.get(`/repairs/${id}/joints`).expect(200)).body as JointsView).joints
        .flatMap((joint) => joint.notes)
        .join('\n');
    expect(await notes()).not.toMatch(/spot welder/);
    const tools = { spotArm: null, bender: 1000, turns: false };
    expect((await put({ tools: { ...tools, spotArm: 'long' } })).body).toMatchObject({ field: 'tools.spotArm' });
    expect((await put({ tools })).status).toBe(200);
    expect(await notes()).toMatch(/No spot welder stands in this workshop/);
    // Flanges lie at the edge: arms of any length go around it.
    expect((await put({ tools: { ...tools, spotArm: 300 } })).status).toBe(200);
    expect(await notes()).not.toMatch(/No spot welder/);
    const shop = (await owner.get('/shop').expect(200)).body as Shop;
    expect(shop.tools).toEqual({ ...tools, spotArm: 300 });
    expect(shop.changed?.spotArm).toMatchObject({ by: 'Owner Test' });
  });
});
