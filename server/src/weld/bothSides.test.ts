import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { RepairView } from '@aspecta/contract/verdict';
import { weldDefaults, type BothSidesView, type OtherSideView, type WeldPlanView } from '@aspecta/contract/weld';
import { decided, houseWithCar, ON_SILL, ownerOf, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const both = async (id: string) => (await here.owner.get(`/repairs/${id}/weld/both`).expect(200)).body as BothSidesView;
const layOut = async (id: string) =>
  (await here.owner.put(`/repairs/${id}/weld`, { ...weldDefaults, handWarm: 35, version: 0 }).expect(200))
    .body as WeldPlanView;

describe('both sides of the car', () => {
  it('are welded in turn once both have a plan: what is left of each, never slower than one after the other', async () => {
    const vehicle = await vehicleOf(here.owner);
    const left = await decided(here.owner, vehicle, 'patch', ON_SILL);
    expect(await both(left.id)).toMatchObject({ other: null, turn: null });
    const side = await here.owner
      .post(`/repairs/${left.id}/side`, {
        into: null,
        id: randomUUID(),
        zoneIds: left.zoneIds.map(() => randomUUID()),
      })
      .expect((answer) => expect([200, 201]).toContain(answer.status));
    const right = (side.body as { repair: RepairView }).repair;
    expect(await both(left.id)).toMatchObject({ other: { repairId: right.id, planned: false }, turn: null });
    const mine = await layOut(left.id);
    const beside = async (id: string) =>
      (await here.owner.get(`/repairs/${id}/weld/other`).expect(200)).body as OtherSideView | null;
    expect(await beside(left.id)).toBeNull();
    const theirs = await layOut(right.id);
    expect(await beside(left.id)).toMatchObject({ repairId: right.id, name: 'Sill, right', plan: { done: [] } });
    const { name, other, turn } = await both(left.id);
    expect([name, other!.name]).toEqual(['Sill, left', 'Sill, right']);
    expect(turn!.total).toBeLessThanOrEqual(turn!.oneAfterOther.total);
    expect(turn!.oneAfterOther.total).toBeCloseTo(mine.plan.totalTime + theirs.plan.totalTime + 60, 0);
    const stepsOn = (of: 0 | 1) =>
      turn!.turns.filter(({ side: at }) => at === of).reduce((sum, { first, last }) => sum + last - first + 1, 0);
    expect([stepsOn(0), stepsOn(1)]).toEqual([mine.plan.steps.length, theirs.plan.steps.length]);
    // Seen from the other side it is the same work.
    const back = await both(right.id);
    expect(back.name).toBe('Sill, right');
    expect(back.turn!.oneAfterOther.total).toBeCloseTo(turn!.oneAfterOther.total, 3);
    // What is done is not done again.
    await here.owner.post(`/repairs/${left.id}/weld/acknowledge`).expect(200);
    await here.owner.put(`/repairs/${left.id}/weld/steps/1`, { done: true, version: mine.version }).expect(200);
    const later = (await both(left.id)).turn!;
    expect(Math.min(...later.turns.filter(({ side: at }) => at === 0).map(({ first }) => first))).toBe(2);
  });

  it('are nobody else’s', async () => {
    const { id } = await decided(here.owner, await vehicleOf(here.owner), 'patch', ON_SILL);
    await (await ownerOf(here.house, 'Strangers')).get(`/repairs/${id}/weld/both`).expect(404);
    await (await ownerOf(here.house, 'More strangers')).get(`/repairs/${id}/weld/other`).expect(404);
  });
});
