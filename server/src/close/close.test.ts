import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { CloseView, FaceView, ProductView } from '@aspecta/contract/close';
import type { JobView } from '@aspecta/contract/job';
import { weldDefaults, type WeldPlanView } from '@aspecta/contract/weld';
import { isHot } from '@aspecta/core/weld';
import { ON_SILL, decided, houseWithCar, ownerOf, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const view = async (vehicle: string) =>
  (await here.owner.get(`/vehicles/${vehicle}/close`).expect(200)).body as CloseView;
const coat = (vehicle: string, faces: readonly FaceView[], over: object = {}) =>
  here.owner.post(`/vehicles/${vehicle}/close/coats`, {
    id: randomUUID(),
    faces: faces.map(({ id }) => id),
    product: 'epoxy',
    celsius: 20,
    humidity: null,
    steel: null,
    note: '',
    ...over,
  });
const inHollow = ({ faces }: CloseView) => faces.filter(({ kind }) => kind === 'hollow');
async function welded(vehicle: string) {
  const repair = await decided(here.owner, vehicle, 'patch', ON_SILL);
  const laid = (await here.owner.put(`/repairs/${repair.id}/weld`, { ...weldDefaults, version: 0 }).expect(200))
    .body as WeldPlanView;
  await here.owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
  const hot = laid.plan.steps.find(isHot)!.n;
  const tick = (steps: readonly number[]) =>
    here.owner.put(`/repairs/${repair.id}/weld/steps`, { steps, done: true, version: 1 });
  return { repair, hot, tick, all: laid.plan.steps.map(({ n }) => n) };
}

describe('coats by side', () => {
  it('are what the shop puts there: what is to be bought and the steps of a job follow, and go back to the usual', async () => {
    const owner = await ownerOf(here.house, 'Wax alone');
    const vehicle = await vehicleOf(owner);
    await decided(owner, vehicle, 'patch', ON_SILL);
    const now = async () => (await owner.get(`/vehicles/${vehicle}/close`).expect(200)).body as CloseView;
    const cover = async () =>
      ((await owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView).steps.find(
        ({ kind }) => kind === 'cover',
      )?.title;
    const before = await now();
    expect(before.systems).toMatchObject({ usual: true, systems: { hollow: [{ kind: 'epoxy', coats: 2 }, {}] } });
    const litresOf = ({ needs }: CloseView, kind: string) => needs.find((need) => need.kind === kind)?.litres ?? 0;
    const put = (systems: object | null, version: number) => owner.put('/systems', { systems, version });
    const { systems, version } = before.systems;
    const none = { ...systems, hollow: [] };
    expect((await put(none, version).expect(422)).body).toMatchObject({ field: 'systems.hollow' });
    const thrice = { ...systems, hollow: [{ kind: 'zinc', coats: 3 }] };
    const changed = (await put(thrice, version).expect(200)).body as CloseView['systems'];
    expect(changed).toMatchObject({ usual: false, systems: { hollow: [{ kind: 'zinc', coats: 3 }] } });
    // Sent again it is the same; another one on what was changed since is shown what is stored.
    await put(thrice, version).expect(200);
    await put(systems, version).expect(409);
    const after = await now();
    expect(litresOf(after, 'zinc')).toBeGreaterThan(0);
    expect(litresOf(before, 'zinc')).toBe(0);
    expect(litresOf(after, 'wax')).toBeLessThan(litresOf(before, 'wax'));
    // Nothing over the primer in its hollow any more: there is no such step.
    expect(await cover()).toBeUndefined();
    const bare = Object.fromEntries(Object.keys(systems).map((side) => [side, [{ kind: 'epoxy', coats: 1 }]]));
    await put(bare, changed.version).expect(200);
    expect(await cover()).toBeUndefined();
    await put(null, changed.version + 1).expect(200);
    expect((await now()).needs).toEqual(before.needs);
    expect(await cover()).toBe('Sill, left: wax where it is hollow');
  });
});

describe('faces of a car', () => {
  it('none as long as nothing is decided; those of the hollows as soon as a sill is to be cut', async () => {
    const vehicle = await vehicleOf(here.owner);
    expect(await view(vehicle)).toMatchObject({ faces: [], repairs: [] });
    await decided(here.owner, vehicle, 'patch', ON_SILL);
    const now = await view(vehicle);
    expect(inHollow(now)).toHaveLength(2);
    expect(inHollow(now).every(({ state, drains }) => state === 'bare' && drains.length > 0)).toBe(true);
    expect(now.repairs[0]!.bare).toHaveLength(2);
  });

  it('a weld that would shut a bare face is stopped and says which; coated it goes on, and its job knows', async () => {
    const vehicle = await vehicleOf(here.owner);
    const { repair, hot, tick } = await welded(vehicle);
    const refused = (await tick([hot]).expect(422)).body as { field: string; detail: string };
    expect(refused.field).toBe('steps');
    expect(refused.detail).toContain('Outer sill cavity, left');
    const said = {
      step: `${repair.id} weld`,
      state: 'done',
      reason: '',
      until: null,
      notBefore: null,
      hours: null,
      spent: null,
    };
    expect((await here.owner.put(`/vehicles/${vehicle}/job/said`, said).expect(422)).body).toMatchObject({
      field: 'reason',
    });
    await coat(vehicle, inHollow(await view(vehicle))).expect(201);
    await tick([hot]).expect(200);
    const { steps } = (await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
    expect(steps.find(({ id }) => id === `${repair.id} behind`)!.state).toBe('done');
  });

  it('or it is shut bare for a reason, which can be taken back; shut, only wax reaches it', async () => {
    const vehicle = await vehicleOf(here.owner);
    const { repair, hot, tick, all } = await welded(vehicle);
    const overrule = (reason: string) =>
      here.owner.put(`/vehicles/${vehicle}/close/overruled`, { repair: repair.id, reason });
    await overrule('waxed through the drain when it is cold').expect(200);
    expect((await view(vehicle)).repairs[0]!.overruled).toMatchObject({ by: 'Owner Test' });
    await overrule('').expect(200);
    await tick([hot]).expect(422);
    await overrule('waxed through the drain when it is cold').expect(200);
    await tick(all).expect(200);
    const shut = inHollow(await view(vehicle));
    expect(shut.every(({ state }) => state === 'shut-bare')).toBe(true);
    expect((await coat(vehicle, shut).expect(422)).body).toMatchObject({ field: 'faces' });
    await coat(vehicle, shut, { product: 'wax' }).expect(201);
    expect(inHollow(await view(vehicle)).every(({ state }) => state === 'shut')).toBe(true);
  });
});

describe('a repair that is called done', () => {
  it('is not asked for the faces that stay in reach; what it has shut bare is said', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch', ON_SILL);
    expect((await view(vehicle)).faces.some(({ kind }) => kind === 'outside')).toBe(true);
    const done = { choice: 'patch', reason: 'a test decision', done: true, version: repair.version };
    await here.owner.put(`/repairs/${repair.id}`, done).expect(200);
    const now = await view(vehicle);
    expect(now.faces.some(({ kind }) => kind === 'outside')).toBe(false);
    expect(inHollow(now).every(({ state }) => state === 'shut-bare')).toBe(true);
  });
});

describe('coats', () => {
  it('say from when and until when the next one may go on, twice as long at 10 °C; too cold is refused', async () => {
    const vehicle = await vehicleOf(here.owner);
    await decided(here.owner, vehicle, 'patch', ON_SILL);
    const [first, second] = inHollow(await view(vehicle));
    await coat(vehicle, [first!]).expect(201);
    const now = (await coat(vehicle, [second!], { celsius: 10, humidity: 90, steel: 9 }).expect(201)).body as CloseView;
    const hours = (id: string) => {
      const [one] = now.faces.find((face) => face.id === id)!.coats;
      return (Date.parse(one!.next.earliest) - Date.parse(one!.at)) / 3_600_000;
    };
    expect(hours(first!.id)).toBeCloseTo(24, 3);
    expect(hours(second!.id)).toBeCloseTo(48, 3);
    // 90 % at 10 °C: dew point 8.4 °C (WMO formula), the metal at 9 °C is less than 3 K above it.
    expect(now.faces.find(({ id }) => id === second!.id)!.coats[0]!.damp).toBe(true);
    expect((await coat(vehicle, [first!], { celsius: 4 }).expect(422)).body).toMatchObject({ field: 'celsius' });
    expect((await coat(vehicle, [first!], { product: 'tar' }).expect(422)).body).toMatchObject({ field: 'product' });
    const [one] = now.faces.find(({ id }) => id === first!.id)!.coats;
    const back = (await here.owner.delete(`/vehicles/${vehicle}/close/coats/${one!.id}`).expect(200)).body as CloseView;
    expect(back.faces.find(({ id }) => id === first!.id)!.state).toBe('bare');
  });

  it('of a product of the shop, whose figures of that day stay when it is changed', async () => {
    const vehicle = await vehicleOf(here.owner);
    await decided(here.owner, vehicle, 'patch', ON_SILL);
    const product = {
      id: randomUUID(),
      name: 'Two-pack grey',
      kind: 'epoxy',
      hours: 16,
      latest: 72,
      least: 12,
      coverage: 7,
      weldThrough: false,
      grit: 180,
    };
    const all = (await here.owner.post('/products', product).expect(201)).body as ProductView[];
    expect(all.find(({ id }) => id === product.id)).toMatchObject({ usual: false, version: 1 });
    const [face] = inHollow(await view(vehicle));
    await coat(vehicle, [face!], { product: product.id }).expect(201);
    await here.owner.put(`/products/${product.id}`, { ...product, hours: 30, version: 1 }).expect(200);
    const [kept] = (await view(vehicle)).faces.find(({ id }) => id === face!.id)!.coats;
    expect((Date.parse(kept!.next.earliest) - Date.parse(kept!.at)) / 3_600_000).toBeCloseTo(16, 3);
    expect(
      (await here.owner.post('/products', { ...product, id: randomUUID(), latest: 2 }).expect(422)).body,
    ).toMatchObject({ field: 'latest' });
    await here.owner.delete(`/products/${product.id}`).expect(200);
  });
});

describe('what will not wait', () => {
  const said = (vehicle: string, step: string) =>
    here.owner.put(`/vehicles/${vehicle}/job/said`, {
      ...{ step, state: 'done', reason: '', until: null, notBefore: null, hours: null, spent: null },
    });

  it('is bare metal, from when it was laid bare on, until its wet hours are up; primed it is over', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch', ON_SILL);
    expect((await view(vehicle)).reminders).toEqual([]);
    await said(vehicle, `${repair.id} strip`).expect(200);
    const now = await view(vehicle);
    const [bare] = now.reminders;
    expect(bare).toMatchObject({ kind: 'bare', what: 'Sill, left', passed: false, wet: 0 });
    expect(bare!.todo).toMatch(/Prime it: \d faces lie bare/);
    expect(Date.parse(bare!.since!)).toBeGreaterThan(0);
    const all = (await here.owner.get('/reminders').expect(200)).body as CloseView['reminders'];
    expect(all.some((one) => one.vehicle === vehicle && one.kind === 'bare')).toBe(true);
    await coat(vehicle, now.faces).expect(201);
    const after = (await view(vehicle)).reminders;
    expect(after.some(({ kind }) => kind === 'bare')).toBe(false);
    // The next coat over epoxy has its hours.
    expect(after.every(({ kind, from, until }) => kind === 'next' && from! < until!)).toBe(true);
    expect(after.length).toBeGreaterThan(0);
  });

  it('is also what its coats take, in cans of the products of the shop', async () => {
    const vehicle = await vehicleOf(here.owner);
    await decided(here.owner, vehicle, 'patch', ON_SILL);
    const before = (await view(vehicle)).needs;
    const epoxy = before.find(({ kind }) => kind === 'epoxy')!;
    expect(epoxy).toMatchObject({ name: 'Epoxy primer', can: 1 });
    expect(epoxy.cans).toBe(Math.ceil(epoxy.litres));
    const { faces } = await view(vehicle);
    await coat(vehicle, faces).expect(201);
    await coat(vehicle, faces).expect(201);
    const after = (await view(vehicle)).needs;
    expect(after.some(({ kind }) => kind === 'epoxy')).toBe(false);
    expect(after.find(({ kind }) => kind === 'wax')!.litres).toBeGreaterThan(0);
  });
});
