import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { FitView } from '@aspecta/contract/fit';
import type { JobView } from '@aspecta/contract/job';
import { weldDefaults, type WeldPlanView } from '@aspecta/contract/weld';
import { isHot } from '@aspecta/core/weld';
import { decided, houseWithCar, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const view = async (repair: string) => (await here.owner.get(`/repairs/${repair}/fit`).expect(200)).body as FitView;
const tried = (repair: string, { places, wanted, joints }: FitView, over: (i: number) => number, more: object = {}) =>
  here.owner.post(`/repairs/${repair}/fit/rounds`, {
    id: randomUUID(),
    readings: places.map(({ id, joint }, i) => ({
      place: id,
      gap: (joints[joint]!.open ? wanted : 0) + over(i),
      flush: null,
    })),
    neighbours: [],
    note: '',
    ...more,
  });

describe('trial fits of a repair', () => {
  it('are read at places of its joints that a tape finds, and say what is trimmed', async () => {
    const vehicle = await vehicleOf(here.owner);
    const { id } = await decided(here.owner, vehicle, 'patch');
    const first = await view(id);
    expect(first.places.length).toBeGreaterThan(3);
    expect(first.places.every(({ mm, end }) => mm >= 0 && end.length > 2)).toBe(true);
    expect(first).toMatchObject({ rounds: [], ready: false, overruled: null, other: null });
    const now = (await tried(id, first, () => -1.5).expect(201)).body as FitView;
    expect(now.rounds[0]!.result).toMatchObject({ good: false });
    expect(now.rounds[0]!.result.joints.some(({ cure }) => cure === 'trim')).toBe(true);
    const good = (await tried(id, first, () => 0, { note: 'took 1 mm off below' }).expect(201)).body as FitView;
    expect(good).toMatchObject({ ready: true });
    expect(good.rounds.map(({ result }) => result.good)).toEqual([false, true]);
    const back = (await here.owner.delete(`/repairs/${id}/fit/rounds/${good.rounds[1]!.id}`).expect(200))
      .body as FitView;
    expect(back.ready).toBe(false);
    const strange = { id: randomUUID(), readings: [{ place: '99:9', gap: 1, flush: 0 }], neighbours: [], note: '' };
    expect((await here.owner.post(`/repairs/${id}/fit/rounds`, strange).expect(422)).body).toMatchObject({
      field: 'readings[0].place',
    });
  });

  it('hold up the first weld until one is good or overruled; who has tried nothing is not held up', async () => {
    const vehicle = await vehicleOf(here.owner);
    const { id } = await decided(here.owner, vehicle, 'patch');
    const laid = (await here.owner.put(`/repairs/${id}/weld`, { ...weldDefaults, version: 0 }).expect(200))
      .body as WeldPlanView;
    await here.owner.post(`/repairs/${id}/weld/acknowledge`).expect(200);
    const hot = laid.plan.steps.find(isHot)!.n;
    const tick = (done: boolean) => here.owner.put(`/repairs/${id}/weld/steps`, { steps: [hot], done, version: 1 });
    await tick(true).expect(200);
    await tick(false).expect(200);
    const first = await view(id);
    await tried(id, first, (i) => (i % 2 === 0 ? 4 : 5)).expect(201);
    expect((await tick(true).expect(422)).body).toMatchObject({
      field: 'steps',
      detail: expect.stringContaining('Trial fit 1') as string,
    });
    const step = async () =>
      ((await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView).steps.find(
        (one) => one.id === `${id} fit`,
      )!;
    expect((await step()).share).toBe(0.5);
    await here.owner.put(`/repairs/${id}/fit/overruled`, { reason: 'nobody sees it there' }).expect(200);
    expect((await view(id)).ready).toBe(true);
    await tick(true).expect(200);
    expect((await step()).state).toBe('done');
    await here.owner.put(`/repairs/${id}/fit/overruled`, { reason: '' }).expect(200);
    expect((await view(id)).ready).toBe(false);
  });

  it('end with the decision: decided again, its readings and its reason hold nothing up and let nothing through', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch');
    await tried(repair.id, await view(repair.id), () => 5).expect(201);
    await here.owner.put(`/repairs/${repair.id}/fit/overruled`, { reason: 'nobody sees it there' }).expect(200);
    const again = { choice: 'make', reason: 'all of it', done: false, version: repair.version };
    await here.owner.put(`/repairs/${repair.id}`, again).expect(200);
    const now = await view(repair.id);
    expect(now.overruled).toBeNull();
    expect(now.ready).toBe(false);
    const { steps } = (await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
    expect(steps.find(({ id }) => id === `${repair.id} fit`)?.share ?? 0).toBe(0);
  });

  it('of the other side are shown, with what it took', async () => {
    const vehicle = await vehicleOf(here.owner);
    const ring = [
      [500, 30],
      [600, 30],
      [600, 90],
      [500, 90],
    ];
    const left = await decided(here.owner, vehicle, 'patch', { panel: 'sill-l', ring });
    const right = await decided(here.owner, vehicle, 'patch', { panel: 'sill-r', ring });
    const first = await view(left.id);
    await tried(left.id, first, () => 0, { note: 'one shim at the top bolt' }).expect(201);
    const { other } = await view(right.id);
    expect(other).toMatchObject({ repairId: left.id, panel: 'sill-l', rounds: [{ note: 'one shim at the top bolt' }] });
  });
});
