import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { CloseView } from '@aspecta/contract/close';
import type { ShelfView } from '@aspecta/contract/shelf';
import { weldDefaults, type WeldPlanView } from '@aspecta/contract/weld';
import { decided, houseWithCar, ownerOf, vehicleOf } from '../testing/house.ts';

/* What work uses up: counted, used by welds and coats, and what is short for what is left. */
const here = houseWithCar();
const reel = (over: object = {}) => ({
  ...{ id: randomUUID(), kind: 'wire', name: 'Reel of wire', counted: 50, least: 0, useBy: null },
  ...over,
});

describe('what is on the shelf', () => {
  it('goes down as welds are ticked and coats go on; the rest of the work says what is short', async () => {
    const owner = await ownerOf(here.house);
    const vehicle = await vehicleOf(owner);
    const repair = await decided(owner, vehicle, 'patch');
    const laid = (await owner.put(`/repairs/${repair.id}/weld`, { ...weldDefaults, version: 0 }).expect(200))
      .body as WeldPlanView;
    const grams = laid.plan.supplies!.filler!.grams;
    const lineOf = async (kind: string) =>
      ((await owner.get('/shelf').expect(200)).body as ShelfView).lines.find((line) => line.kind === kind)!;
    expect(await lineOf('wire')).toMatchObject({ there: 0, packs: 1, cars: [{ vehicle }] });
    expect((await lineOf('wire')).needed).toBeCloseTo(grams, 6);
    await owner.post('/shelf', reel()).expect(201);
    await owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
    await owner
      .put(`/vehicles/${vehicle}/close/overruled`, { repair: repair.id, reason: 'coated, not noted' })
      .expect(200);
    const half = Math.floor(laid.plan.steps.length / 2);
    const steps = laid.plan.steps.slice(0, half).map(({ n }) => n);
    await owner.put(`/repairs/${repair.id}/weld/steps`, { steps, done: true, version: 1 }).expect(200);
    const now = await lineOf('wire');
    const used = (grams * half) / laid.plan.steps.length;
    expect(now.there).toBeCloseTo(50 - used, 6);
    expect(now.needed).toBeCloseTo(grams - used, 6);
    // A coat takes its litres; what it still needs afterwards is less.
    const { faces, products } = (await owner.get(`/vehicles/${vehicle}/close`).expect(200)).body as CloseView;
    const epoxy = products.find(({ kind }) => kind === 'epoxy')!;
    const before = await lineOf('epoxy');
    await owner.post('/shelf', reel({ kind: 'epoxy', name: 'Can of primer', counted: 1 })).expect(201);
    const coat = { id: randomUUID(), faces: faces.map(({ id }) => id), product: epoxy.id, celsius: 20 };
    await owner
      .post(`/vehicles/${vehicle}/close/coats`, { ...coat, humidity: null, steel: null, note: '' })
      .expect(201);
    const after = await lineOf('epoxy');
    expect(after.there).toBeLessThan(1);
    expect(after.needed).toBeCloseTo(before.needed - (1 - after.there), 6);
  });
  it('is counted anew, once for each version, and taken off; nothing of it is another shop’s', async () => {
    const owner = await ownerOf(here.house);
    const one = reel({ least: 20 });
    await owner.post('/shelf', one).expect(201);
    await owner.post('/shelf', one).expect(201);
    const put = (over: object, version: number) => owner.put(`/shelf/${one.id}`, { ...one, ...over, version });
    const view = (await put({ counted: 10, useBy: '2020-01-01' }, 1).expect(200)).body as ShelfView;
    expect(view.items).toMatchObject([{ counted: 10, version: 2, by: expect.any(String) as string }]);
    // Its day is over: none of it is there.
    expect(view.lines).toMatchObject([{ there: 0, short: 20 }]);
    await put({ counted: 9 }, 1).expect(409);
    expect((await put({ counted: -1 }, 2).expect(422)).body).toMatchObject({ field: 'counted' });
    expect((await owner.post('/shelf', reel({ kind: 'gold' })).expect(422)).body).toMatchObject({ field: 'kind' });
    const stranger = await ownerOf(here.house);
    expect(((await stranger.get('/shelf').expect(200)).body as ShelfView).items).toEqual([]);
    await stranger.put(`/shelf/${one.id}`, { ...one, version: 2 }).expect(404);
    await stranger.delete(`/shelf/${one.id}`).expect(404);
    expect(((await owner.delete(`/shelf/${one.id}`).expect(200)).body as ShelfView).items).toEqual([]);
  });
});
