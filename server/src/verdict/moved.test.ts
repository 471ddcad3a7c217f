import { describe, expect, it } from 'vitest';
import type { Shop } from '@aspecta/contract/shop';
import type { MovedEstimate } from '@aspecta/contract/verdict';
import { decided, houseWithCar, ON_SILL, ownerOf, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();

describe('other house rules', () => {
  it('move what is decided before they are kept: an hour at twice the price, a lap in place of a butt', async () => {
    const owner = await ownerOf(here.house, 'Rules tried');
    const vehicle = await vehicleOf(owner);
    const repair = await decided(owner, vehicle, 'patch', ON_SILL);
    const { rates, overlay, schools } = (await owner.get('/shop').expect(200)).body as Shop;
    const moved = async (tried: object) =>
      (await owner.post('/estimates/moved', { rates, overlay, schools, ...tried }).expect(200)).body as MovedEstimate[];
    const [same] = await moved({});
    expect(same).toMatchObject({ repair: repair.id, vehicle, choice: 'patch', panel: 'Sill, left' });
    expect(same!.after).toEqual(same!.before);
    const [dear] = await moved({ rates: { ...rates, hour: rates.hour * 2 } });
    expect(dear!.after.hours).toBe(dear!.before.hours);
    expect(dear!.after.cost).toBeGreaterThan(dear!.before.cost * 1.4);
    const [lapped] = await moved({ schools: { seen: 'lap', hidden: 'lap', flange: 'spot' } });
    expect(lapped!.after.hours).not.toBeCloseTo(lapped!.before.hours, 3);
    // Nothing was kept.
    expect((await moved({}))[0]!.before).toEqual(same!.before);
    expect((await owner.post('/estimates/moved', { rates, overlay }).expect(200)).body).toHaveLength(1);
    await owner.post('/estimates/moved', { rates: { ...rates, hour: -1 }, overlay, schools }).expect(422);
  });
});
