import { randomUUID } from 'node:crypto';
import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import type { OrderLine } from '@aspecta/contract/order';
import type { PlanView } from '@aspecta/contract/plan';
import type { PurseView } from '@aspecta/contract/purse';
import { houseWithCar, ownerOf, squareAt, vehicleOf, zoneInput, type Visitor } from '../testing/house.ts';

/* Money that comes on pay days, as a shop without much of it plans: what is ordered waits for it. */
const here = houseWithCar();
const ZONE = 'Europe/Berlin';
const inDays = (days: number) => DateTime.now().setZone(ZONE).plus({ days }).toISODate()!;

/** A shop where somebody works every evening, and a sill of 120.00 landed is wanted. */
async function shopWithPart() {
  const owner = await ownerOf(here.house);
  const vehicle = await vehicleOf(owner);
  const week = Array.from({ length: 7 }, () => [[8, 22]]);
  await owner.post('/workers', { id: randomUUID(), name: 'Ines', week, off: [], timeZone: ZONE }).expect(201);
  const zone = zoneInput({ panel: 'sill-l', layer: 'outer', ring: squareAt(500, 60, 40) });
  const made = await owner.post(`/vehicles/${vehicle}/zones`, zone).expect(201);
  await owner
    .post(`/vehicles/${vehicle}/offers`, {
      panel: 'sill-l',
      maker: 'Harrow Pressings',
      price: 9000,
      carriage: 1000,
      leadDays: 3,
    })
    .expect(201);
  await owner
    .post(`/vehicles/${vehicle}/repairs`, {
      id: randomUUID(),
      zoneIds: [(made.body as { id: string }).id],
      choice: 'whole',
      reason: 'tried',
    })
    .expect(201);
  const [line] = (await owner.get('/orders').expect(200)).body as OrderLine[] as [OrderLine];
  return { owner, vehicle, line };
}
const say = (owner: Visitor, over: object) => owner.put('/purse', { there: 0, comes: [], version: 0, ...over });
const planOf = async (owner: Visitor, vehicle: string) =>
  (await owner.get(`/vehicles/${vehicle}/plan`).expect(200)).body as PlanView;
const ordered = (plan: PlanView) => plan.steps.find(({ kind }) => kind === 'order')!.pieces[0]![0];

describe('the money for parts', () => {
  it('is not looked at until somebody says what there is; then an order waits for its pay day', async () => {
    const { owner, vehicle, line } = await shopWithPart();
    expect((await owner.get('/purse').expect(200)).body).toMatchObject({ there: null, left: null, version: 0 });
    const free = await planOf(owner, vehicle);
    expect(free.money).toBeNull();
    await say(owner, { there: 5000, comes: [{ amount: 4000, first: inDays(5), every: 'week' }] }).expect(200);
    const plan = await planOf(owner, vehicle);
    // 50.00 is there, 120.00 is wanted: the second pay day of 40.00 makes 130.00.
    expect(line.landed).toBe(12_000);
    expect(ordered(free) < `${inDays(2)}T`).toBe(true);
    expect(ordered(plan) > `${inDays(11)}T`).toBe(true);
    expect(ordered(plan) < `${inDays(14)}T`).toBe(true);
    expect(plan.finish! > free.finish!).toBe(true);
    expect(plan.money!.left).toBe(5000);
    expect(plan.money!.pays).toEqual([{ at: ordered(plan), amount: 12_000, title: 'Sill, left: order it' }]);
    const before = plan.money!.comes.filter(({ at }) => at <= ordered(plan));
    expect(before.reduce((sum, { amount }) => sum + amount, 5000)).toBeGreaterThanOrEqual(12_000);
    const what = (await owner.get(`/vehicles/${vehicle}/plan/what-if`).expect(200)).body as {
      name: string;
      sooner: number;
    }[];
    expect(what.find(({ name }) => name.startsWith('Money is there'))!.sooner).toBeGreaterThan(5);
  });

  it('goes down by what is ordered, and not by what was paid before it was said', async () => {
    const { owner, vehicle, line } = await shopWithPart();
    await say(owner, { there: 20_000 }).expect(200);
    const move = (state: string, version: number) =>
      owner.post(`/orders/${line.id}/move`, { state, on: inDays(0), due: null, note: '', version });
    await move('ordered', line.version).expect(200);
    const now = async () => (await owner.get('/purse').expect(200)).body as PurseView;
    expect(await now()).toMatchObject({ there: 20_000, left: 8000 });
    expect((await planOf(owner, vehicle)).money).toMatchObject({ left: 8000, pays: [] });
    await say(owner, { there: 8000, version: 1 }).expect(200);
    expect(await now()).toMatchObject({ there: 8000, left: 8000, version: 2 });
    // And it can be left out of the plans again.
    await say(owner, { there: null, version: 2 }).expect(200);
    expect((await planOf(owner, vehicle)).money).toBeNull();
  });

  it('says so where it is never enough', async () => {
    const { owner, vehicle } = await shopWithPart();
    await say(owner, { there: 100 }).expect(200);
    expect((await planOf(owner, vehicle)).problem).toMatch(/never enough money/);
  });

  it('refuses what is no day and no money at its field, what somebody else has changed, and who may not say it', async () => {
    const { owner } = await shopWithPart();
    const refused = async (over: object) => ((await say(owner, over).expect(422)).body as { field: string }).field;
    expect(await refused({ comes: [{ amount: 100, first: '2026-02-30', every: 'week' }] })).toBe('comes[0].first');
    expect(await refused({ comes: [{ amount: 0, first: '2026-02-03', every: 'week' }] })).toBe('comes[0].amount');
    expect(await refused({ there: 'much' })).toBe('there');
    await say(owner, { there: 100 }).expect(200);
    const late = await say(owner, { there: 200 }).expect(409);
    expect((late.body as { current: PurseView }).current).toMatchObject({ there: 100, version: 1 });
  });
});
