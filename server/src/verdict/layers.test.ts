import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JobView } from '@aspecta/contract/job';
import type { OrderLine } from '@aspecta/contract/order';
import type { JointsView } from '@aspecta/contract/repair';
import type { RepairView, VerdictView } from '@aspecta/contract/verdict';
import { houseWithCar, ownerOf, squareAt, vehicleOf, zoneInput } from '../testing/house.ts';

/* Two sheets of one sill: each has its own decision, its own price, its own steps, and the outer one comes off first. */
const here = houseWithCar();
const SILL = 'sill-l';

async function carWith(layers: readonly string[]) {
  const owner = await ownerOf(here.house);
  const vehicle = await vehicleOf(owner);
  const zones: string[] = [];
  for (const layer of layers) {
    const zone = zoneInput({ panel: SILL, layer, ring: squareAt(500, 60, 40), class: 'through' });
    zones.push((await owner.post(`/vehicles/${vehicle}/zones`, zone).expect(201)).body.id as string);
  }
  const weigh = async (zoneIds: string[]) =>
    (await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds }).expect(200)).body as VerdictView;
  const offer = (over: object) =>
    owner.post(`/vehicles/${vehicle}/offers`, {
      panel: SILL,
      maker: 'Harrow Pressings',
      price: 9000,
      carriage: 1000,
      leadDays: 4,
      ...over,
    });
  const decide = async (zoneIds: string[], choice: string) =>
    (
      await owner
        .post(`/vehicles/${vehicle}/repairs`, { id: randomUUID(), zoneIds, choice, reason: 'tried' })
        .expect(201)
    ).body as RepairView;
  return { owner, vehicle, zones, weigh, offer, decide };
}

describe('a repair on one of several sheets', () => {
  it('takes a price for the sheet that it is for, and no other', async () => {
    const { weigh, offer, zones } = await carWith(['outer', 'inner']);
    const [outer, inner] = zones as [string, string];
    await offer({}).expect(201);
    expect([(await weigh([outer])).offer?.price, (await weigh([inner])).offer]).toEqual([9000, null]);
    await offer({ layer: 'inner', price: 4000 }).expect(201);
    expect([(await weigh([outer])).offer?.price, (await weigh([inner])).offer?.price]).toEqual([9000, 4000]);
    // The outermost sheet by its name is the panel as it is sold.
    await offer({ layer: 'outer', price: 8000 }).expect(201);
    expect([(await weigh([outer])).offer?.price, (await weigh([inner])).offer?.price]).toEqual([8000, 4000]);
    // Both at once: what lies in front is what is bought.
    expect((await weigh([inner, outer])).offer?.price).toBe(8000);
    await offer({ layer: 'nothing' }).expect(422);
  });

  it('says from which side it is reached, and does not reckon with a surface that nobody sees', async () => {
    const { weigh, zones } = await carWith(['outer', 'inner']);
    const [outer, inner] = await Promise.all(zones.map(async (zone) => (await weigh([zone])).verdict));
    const patch = (verdict: VerdictView['verdict']) => verdict.options.find(({ id }) => id === 'patch')!;
    expect(patch(inner!).against.join(' ')).toContain('reached from its inner side');
    expect(patch(inner!).against.join(' ')).not.toContain('lies before it');
    expect(patch(outer!).against.join(' ')).not.toMatch(/lies before it|inner side/);
    expect(patch(inner!).for.join(' ')).toContain('The welds are hidden');
    expect(patch(inner!).hours.p50).toBeLessThan(patch(outer!).hours.p50);
  });

  it('is told by its sheet in the job, the order book and its joints; the outer one is open before it', async () => {
    const { owner, vehicle, zones, offer, decide } = await carWith(['outer', 'inner']);
    const [outer, inner] = zones as [string, string];
    await offer({ layer: 'inner' }).expect(201);
    await offer({}).expect(201);
    const [first, second] = [await decide([outer], 'whole'), await decide([inner], 'whole')];
    expect([first.layers, second.layers]).toEqual([['outer'], ['inner']]);
    const orders = ((await owner.get('/orders').expect(200)).body as OrderLine[]).filter(
      (line) => line.vehicleId === vehicle,
    );
    expect(orders.map(({ panelName }) => panelName).sort()).toEqual(['Sill, left', 'Sill, left, inner sill']);
    const { steps } = (await owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
    const step = (repair: RepairView, kind: string) => steps.find(({ id }) => id === `${repair.id} ${kind}`)!;
    expect(step(second, 'open').title).toBe('Sill, left, inner sill: open its joints');
    expect(step(second, 'open').waitsFor.map(({ id }) => id)).toContain(`${first.id} look`);
    expect(step(first, 'fit').waitsFor.map(({ id }) => id)).toContain(`${second.id} weld`);
    expect(steps.some(({ id }) => id === `${second.id} surface`)).toBe(false);
    const joints = (await owner.get(`/repairs/${second.id}/joints`).expect(200)).body as JointsView;
    expect(joints.layer).toBe('inner');
  });
});
