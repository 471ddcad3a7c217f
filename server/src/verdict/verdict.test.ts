import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { VerdictView } from '@aspecta/contract/verdict';
import { decided, houseWithCar, ownerOf, squareAt, vehicleOf, zoneInput } from '../testing/house.ts';

/* From a zone to the decision, over HTTP. */
const here = houseWithCar();

async function newZone(over: object = {}): Promise<string> {
  return (await here.owner.post(`/vehicles/${here.vehicle}/zones`, zoneInput(over)).expect(201)).body.id as string;
}
describe('verdict', () => {
  it('weighs with counted hours, and with a landed price once one is known', async () => {
    const zone = await newZone();
    const before = (await here.owner.post(`/vehicles/${here.vehicle}/verdict`, { zoneIds: [zone] }).expect(200))
      .body as VerdictView;
    expect(before.offer).toBeNull();
    expect(before.verdict.options.map((option) => option.ruledOut !== null)).toEqual([true, false, true, true, false]);
    await here.owner
      .post(`/vehicles/${here.vehicle}/offers`, {
        panel: 'quarter-l',
        maker: 'Harrow Pressings',
        price: 30_000,
        carriage: 2_000,
        leadDays: 9,
      })
      .expect(201);
    const after = (await here.owner.post(`/vehicles/${here.vehicle}/verdict`, { zoneIds: [zone] }).expect(200))
      .body as VerdictView;
    // Worked by hand: (300.00 + 20.00) × 1.2 = 384.00.
    expect(after.offer!.landed).toBe(38_400);
    expect(after.verdict.options[2]!.ruledOut).toBeNull();
    expect(after.verdict.options[2]!.outlay).toBeGreaterThan(38_400);
  });

  it('keeps the person’s decision with a reason, once for each zone', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    expect(repair).toMatchObject({
      choice: 'patch',
      reason: 'a test decision',
      decidedBy: 'Owner Test',
      staleZones: [],
    });
    await here.owner
      .post(`/vehicles/${here.vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: repair.zoneIds,
        choice: 'patch',
        reason: 'again',
      })
      .expect(409);
    await here.owner
      .post(`/vehicles/${here.vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: [await newZone()],
        choice: 'patch',
        reason: '',
      })
      .expect(422);
    const { body } = await here.owner
      .post(`/vehicles/${here.vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: [await newZone()],
        choice: 'treat',
        reason: 'hope',
      })
      .expect(422);
    expect(body).toMatchObject({ field: 'choice', detail: expect.stringMatching(/cut out/) });
  });

  it('weighs a sheet laid over it only where the house rules allow it', async () => {
    const fresh = await ownerOf(here.house);
    const own = await vehicleOf(fresh);
    const zone = (
      await fresh
        .post(`/vehicles/${own}/zones`, zoneInput({ panel: 'boot-floor', class: 'thin', ring: squareAt(300, 300, 90) }))
        .expect(201)
    ).body.id as string;
    const options = async () =>
      (
        (await fresh.post(`/vehicles/${own}/verdict`, { zoneIds: [zone] }).expect(200)).body as VerdictView
      ).verdict.options.map((option) => option.id);
    const decide = () =>
      fresh.post(`/vehicles/${own}/repairs`, {
        id: randomUUID(),
        zoneIds: [zone],
        choice: 'overlay',
        reason: 'sound metal, treated first',
      });
    expect(await options()).not.toContain('overlay');
    expect((await decide().expect(422)).body).toMatchObject({
      field: 'choice',
      detail: expect.stringMatching(/house rules/),
    });
    const { id: _id, ...rules } = (await fresh.get('/shop').expect(200)).body;
    expect((await fresh.put('/shop', { ...rules, overlay: true }).expect(200)).body.overlay).toBe(true);
    expect(await options()).toContain('overlay');
  });

  it('notices a zone that has changed since', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const { body: zones } = await here.owner.get(`/vehicles/${here.vehicle}/panels/quarter-l/zones`);
    const zone = zones.find((candidate: { id: string }) => candidate.id === repair.zoneIds[0]);
    await here.owner
      .put(`/vehicles/${here.vehicle}/zones/${zone.id}`, {
        layer: zone.layer,
        ring: [
          [1100, 300],
          [1250, 300],
          [1250, 380],
          [1100, 380],
        ],
        class: 'through',
        evidence: 'opened',
        note: '',
        version: 1,
      })
      .expect(200);
    expect((await here.owner.get(`/repairs/${repair.id}`)).body.staleZones).toEqual([zone.id]);
  });

  it('puts a whole panel into the order book, and follows it until it is fitted', async () => {
    const repair = await decided(here.owner, here.vehicle, 'whole');
    const find = async () =>
      (await here.owner.get('/orders').expect(200)).body.find(
        (line: { repairId: string }) => line.repairId === repair.id,
      );
    let line = await find();
    expect(line).toMatchObject({
      state: 'wanted',
      maker: 'Harrow Pressings',
      landed: 38_400,
      next: ['ordered', 'withdrawn'],
      panelName: 'Rear quarter, left',
    });
    await here.owner.post(`/orders/${line.id}/move`, { state: 'fitted', on: '2026-11-01', version: 1 }).expect(422);
    await here.owner.post(`/orders/${line.id}/move`, { state: 'ordered', on: '2026-13-45', version: 1 }).expect(422);
    for (const state of ['ordered', 'back-order', 'confirmed']) {
      line = (
        await here.owner
          .post(`/orders/${line.id}/move`, { state, on: '2026-11-02', due: '2026-11-10', version: line.version })
          .expect(200)
      ).body;
    }
    expect(line).toMatchObject({ late: true, due: '2026-11-10' });
    const board = (await here.owner.get(`/vehicles/${here.vehicle}/board`).expect(200)).body;
    expect(board.panels.find((panel: { panel: string }) => panel.panel === 'quarter-l').awaited).toMatchObject({
      state: 'confirmed',
      late: true,
    });
    for (const state of ['arrived', 'checked', 'fitted'])
      line = (
        await here.owner.post(`/orders/${line.id}/move`, { state, on: '2026-11-12', version: line.version }).expect(200)
      ).body;
    expect(line.history.map((step: { state: string }) => step.state)).toEqual([
      'wanted',
      'ordered',
      'back-order',
      'confirmed',
      'arrived',
      'checked',
      'fitted',
    ]);
    expect(
      (await here.owner.post(`/orders/${line.id}/move`, { state: 'arrived', on: '2026-11-12', version: 1 }).expect(409))
        .body.current.state,
    ).toBe('fitted');
  });
});
