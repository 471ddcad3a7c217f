import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { WholeView } from '@aspecta/contract/whole';
import { houseWithCar, ownerOf, vehicleOf, zoneInput } from '../testing/house.ts';

const here = houseWithCar();
const whole = async (vehicle: string) =>
  (await here.owner.get(`/vehicles/${vehicle}/whole`).expect(200)).body as WholeView;
const price = (panel: string) => ({ panel, maker: 'Harrow', price: 10_000, carriage: 5000, leadDays: 5 });

describe('plans for the whole car', () => {
  it('has none on a car without a repair', async () => {
    expect(await whole(await vehicleOf(here.owner))).toMatchObject({
      repairs: [],
      plans: [],
      cheapest: null,
      now: null,
    });
  });

  it('weighs what is decided and what is not, pays one carriage for two panels of a maker, and says how it stands', async () => {
    const vehicle = await vehicleOf(here.owner);
    const zones: string[] = [];
    for (const panel of ['sill-l', 'sill-r']) {
      const ring = [
        [200, 20],
        [500, 20],
        [500, 90],
        [200, 90],
      ];
      const { body } = await here.owner.post(`/vehicles/${vehicle}/zones`, zoneInput({ panel, ring })).expect(201);
      zones.push((body as { id: string }).id);
      await here.owner.post(`/vehicles/${vehicle}/offers`, price(panel)).expect(201);
    }
    const decision = { id: randomUUID(), zoneIds: [zones[0]], choice: 'patch', reason: 'it is one place' };
    await here.owner.post(`/vehicles/${vehicle}/repairs`, decision).expect(201);
    const view = await whole(vehicle);
    expect(view.repairs.map(({ panel, decided }) => [panel, decided?.choice ?? null])).toEqual([
      ['sill-l', 'patch'],
      ['sill-r', null],
    ]);
    expect(view.now!.choice[decision.id]).toBe('patch');
    const options = (i: number, id: string) => view.repairs[i]!.options.find((option) => option.id === id)!;
    const bought = view.repairs.map((_, i) => options(i, 'whole'));
    // 10,000 with a fifth of tax each, and one carriage of 5,000 with tax, beside metal and coats.
    for (const { buys } of bought) expect(buys).toEqual([{ supplier: 'Harrow', price: 12_000 }]);
    const both = view.plans.find(({ choice }) => Object.values(choice).every((choice_) => choice_ === 'whole'));
    if (both) expect(both.money).toBeCloseTo(bought.reduce((sum, { money }) => sum + money, 0) + 24_000 + 6000, 6);
    expect(view.plans.map(({ hours }) => hours)).toEqual(view.plans.map(({ hours }) => hours).sort((a, b) => a - b));
    expect(view.cheapest!.money + view.cheapest!.hours * view.hourRate).toBeLessThanOrEqual(
      view.now!.money + view.now!.hours * view.hourRate + 1e-6,
    );
    // What only slows the rust down is proposed by no verdict, and by no plan either.
    for (const { options: own } of view.repairs) expect(own.some(({ id }) => id === 'treat')).toBe(false);
    expect(view.mostOriginal!.keeps).toBeGreaterThanOrEqual(view.now!.keeps);
  });

  it('is nobody else’s', async () => {
    const stranger = await ownerOf(here.house);
    await stranger.get(`/vehicles/${here.vehicle}/whole`).expect(404);
  });
});
