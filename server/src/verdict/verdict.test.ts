import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { Board } from '@aspecta/contract/board';
import type { OrderLine } from '@aspecta/contract/order';
import type { ZoneView } from '@aspecta/contract/survey';
import type { RepairView, VerdictView } from '@aspecta/contract/verdict';
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

  it('names the panels at it whose damage is not decided either, in the same view', async () => {
    const owner = await ownerOf(here.house);
    const vehicle = await vehicleOf(owner);
    const draw = async (panel: string) =>
      (await owner.post(`/vehicles/${vehicle}/zones`, zoneInput({ panel, ring: squareAt(300, 100, 40) })).expect(201))
        .body.id as string;
    const beside = async (zone: string) =>
      ((await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds: [zone] }).expect(200)).body as VerdictView).beside;
    const floor = await draw('floor-front-l');
    expect(await beside(floor)).toEqual([]);
    const tunnel = await draw('tunnel');
    await draw('roof');
    expect([await beside(floor), await beside(tunnel)]).toEqual([['tunnel'], ['floor-front-l']]);
    await owner
      .post(`/vehicles/${vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: [tunnel],
        choice: 'patch',
        reason: 'decided by itself',
      })
      .expect(201);
    expect(await beside(floor)).toEqual([]);
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

describe('a change of mind', () => {
  const price = { panel: 'quarter-l', maker: 'Harrow Pressings', price: 30_000, carriage: 2_000, leadDays: 9 };
  /** A car of its own, on which a quarter can be bought. */
  const fresh = async () => {
    const car = await vehicleOf(here.owner);
    await here.owner.post(`/vehicles/${car}/offers`, price).expect(201);
    return car;
  };
  const again = (repair: RepairView, over: object) =>
    here.owner.put(`/repairs/${repair.id}`, {
      choice: repair.choice,
      reason: 'on second thoughts',
      done: false,
      version: repair.version,
      ...over,
    });
  const ordersOf = async (car: string): Promise<OrderLine[]> =>
    ((await here.owner.get('/orders').expect(200)).body as OrderLine[]).filter((line) => line.vehicleId === car);
  const zoneOn = async (car: string, over: object = {}) =>
    (await here.owner.post(`/vehicles/${car}/zones`, zoneInput(over)).expect(201)).body as ZoneView;
  const grow = (car: string, zone: string, side: number) =>
    here.owner
      .put(`/vehicles/${car}/zones/${zone}`, {
        ...zoneInput(),
        id: undefined,
        panel: undefined,
        ring: squareAt(1100, 300, side),
        version: 1,
      })
      .expect(200);
  const next = async (car: string) => ((await here.owner.get(`/vehicles/${car}/board`).expect(200)).body as Board).next;

  it('keeps what was decided before, and offers the order that is not needed for withdrawal', async () => {
    const car = await fresh();
    const whole = await decided(here.owner, car, 'whole');
    const { body: patch } = await again(whole, { choice: 'patch', reason: 'only the corner' }).expect(200);
    expect(patch).toMatchObject({
      choice: 'patch',
      reason: 'only the corner',
      area: 8000,
      earlier: [{ choice: 'whole', reason: 'a test decision', area: 8000, by: 'Owner Test', hours: whole.hours }],
      order: { state: 'wanted', unneeded: expect.stringMatching(/only the corner/) },
    });
    expect(patch.hours).not.toEqual(whole.hours);
    expect(await next(car)).toMatchObject({ text: expect.stringMatching(/^Withdraw .*Harrow/), path: '../../orders' });
    const [line] = await ordersOf(car);
    const kept = await here.owner.post(`/orders/${line!.id}/keep`, { version: line!.version }).expect(200);
    expect(kept.body.unneeded).toBeNull();
    expect((await next(car)).text).not.toMatch(/^Withdraw/);
    // Back to the whole panel: the line that was kept serves, no second one is wanted.
    await again(patch, { choice: 'whole' }).expect(200);
    expect(await ordersOf(car)).toHaveLength(1);
  });

  it('wants a panel anew whose order was withdrawn', async () => {
    const car = await fresh();
    const whole = await decided(here.owner, car, 'whole');
    const { body: patch } = await again(whole, { choice: 'patch' }).expect(200);
    const [line] = await ordersOf(car);
    const { version } = line!;
    await here.owner
      .post(`/orders/${line!.id}/move`, { state: 'withdrawn', on: '2026-03-01', due: null, note: 'no', version })
      .expect(200);
    await again(patch, { choice: 'whole' }).expect(200);
    expect((await ordersOf(car)).map(({ state }) => state).sort()).toEqual(['wanted', 'withdrawn']);
  });

  it('is asked for by itself where the damage has grown, and rests on it afterwards', async () => {
    const car = await fresh();
    const repair = await decided(here.owner, car, 'patch');
    await grow(car, repair.zoneIds[0]!, 150);
    const { body: stale } = await here.owner.get(`/repairs/${repair.id}`).expect(200);
    // It was drawn past the edge: what counts lies on the sheet, here as on its panel.
    const { body: drawn } = await here.owner.get(`/vehicles/${car}/panels/quarter-l/zones`).expect(200);
    expect(drawn[0].area).toBeLessThan(150 * 150);
    expect(stale).toMatchObject({ staleZones: repair.zoneIds, area: 8000, areaNow: drawn[0].area });
    expect(await next(car)).toMatchObject({
      text: expect.stringMatching(/^Decide again on Rear quarter, left/),
      path: `panels/quarter-l/verdict?repair=${repair.id}`,
    });
    const { body: renewed } = await again(repair, { zoneIds: repair.zoneIds }).expect(200);
    expect(renewed).toMatchObject({ staleZones: [], area: drawn[0].area, earlier: [{ area: 8000 }] });
    expect(renewed.hours.p50).toBeGreaterThan(repair.hours.p50);
  });

  it('that only marks it as done decides nothing anew', async () => {
    const car = await fresh();
    const repair = await decided(here.owner, car, 'patch');
    const { body } = await again(repair, { done: true, reason: repair.reason }).expect(200);
    expect(body).toMatchObject({ done: true, earlier: [], decidedAt: repair.decidedAt });
  });

  it('makes one repair of each patch: each has its own line', async () => {
    const car = await fresh();
    const zones = [await zoneOn(car), await zoneOn(car, { ring: squareAt(300, 300, 90) })];
    const input = { id: randomUUID(), zoneIds: zones.map(({ id }) => id), choice: 'patch', reason: 'both ends' };
    const { body: first } = await here.owner.post(`/vehicles/${car}/repairs`, input).expect(201);
    // Sent again, because its answer was lost: nothing is added.
    await here.owner.post(`/vehicles/${car}/repairs`, input).expect(201);
    const repairs = (await here.owner.get(`/vehicles/${car}/repairs`).expect(200)).body as RepairView[];
    expect(repairs.map(({ zoneIds }) => zoneIds).sort()).toEqual(zones.map(({ id }) => [id]).sort());
    expect(first.zoneIds).toEqual([zones[0]!.id]);
    for (const { id } of repairs) {
      const { body } = await here.owner.get(`/repairs/${id}/cut`).expect(200);
      expect(body.line.area).toBeLessThan(40_000);
    }
  });

  it('pays a panel once that gives the parts for two repairs', async () => {
    const car = await fresh();
    const zones = [await zoneOn(car), await zoneOn(car, { ring: squareAt(300, 300, 90) })];
    const input = { id: randomUUID(), zoneIds: zones.map(({ id }) => id), choice: 'part', reason: 'from one pressing' };
    await here.owner.post(`/vehicles/${car}/repairs`, input).expect(201);
    const repairs = (await here.owner.get(`/vehicles/${car}/repairs`).expect(200)).body as RepairView[];
    const first = repairs.find(({ id }) => id === input.id)!;
    const other = repairs.find(({ id }) => id !== input.id)!;
    // 384.00 landed (30,000 + 2,000, and a fifth of tax).
    expect(first.cost.p50).toBeGreaterThan(38_400);
    expect(other.cost.p50).toBeLessThan(38_400);
    expect(await ordersOf(car)).toHaveLength(1);
  });

  it('plans what is not rust: a hole is closed along its rim, an opening is cut and not welded', async () => {
    const car = await fresh();
    const hole = await zoneOn(car, { class: 'hole', ring: squareAt(300, 300, 60) });
    const closed = { id: randomUUID(), zoneIds: [hole.id], choice: 'patch', reason: 'no mirror there' };
    const { body: patch } = await here.owner.post(`/vehicles/${car}/repairs`, closed).expect(201);
    expect((await here.owner.get(`/repairs/${patch.id}/cut`).expect(200)).body.line.area).toBeLessThan(3601);
    const opening = await zoneOn(car, { class: 'opening', ring: squareAt(700, 300, 90) });
    const weighed = await here.owner.post(`/vehicles/${car}/verdict`, { zoneIds: [opening.id] }).expect(200);
    expect((weighed.body as VerdictView).verdict.options.map(({ id }) => id)).toEqual(['open']);
    const made = { id: randomUUID(), zoneIds: [opening.id], choice: 'open', reason: 'a speaker' };
    const { body: open } = await here.owner.post(`/vehicles/${car}/repairs`, made).expect(201);
    expect((await here.owner.get(`/repairs/${open.id}/cut`).expect(200)).body.line.cutLength).toBeLessThan(361);
    expect((await here.owner.get(`/repairs/${open.id}/joints`).expect(200)).body.joints).toEqual([]);
    const weld = { process: 'mig', position: 'flat', handWarm: 50, strategy: 'coolest', version: 0 };
    expect((await here.owner.put(`/repairs/${open.id}/weld`, weld).expect(422)).body.detail).toMatch(
      /Nothing is joined/,
    );
    const mixed = await here.owner.post(`/vehicles/${car}/verdict`, { zoneIds: [opening.id, hole.id] }).expect(422);
    expect(mixed.body.detail).toMatch(/decided by itself/);
  });

  it('splits a repair: what is left out is open again', async () => {
    const car = await fresh();
    const [one, two] = [await zoneOn(car), await zoneOn(car, { ring: squareAt(300, 300, 90) })];
    const input = { id: randomUUID(), zoneIds: [one.id, two.id], choice: 'make', reason: 'both at once' };
    const { body: both } = await here.owner.post(`/vehicles/${car}/repairs`, input).expect(201);
    const { body: first } = await again(both, { zoneIds: [one.id] }).expect(200);
    expect(first).toMatchObject({ zoneIds: [one.id], earlier: [{ zoneIds: [one.id, two.id] }] });
    const rest = { id: randomUUID(), zoneIds: [two.id], choice: 'patch', reason: 'by itself' };
    await here.owner.post(`/vehicles/${car}/repairs`, rest).expect(201);
  });

  it('merges repairs: one that has no zone left is taken back, one that has some is to be weighed again', async () => {
    const car = await fresh();
    const first = await decided(here.owner, car, 'patch');
    const second = await decided(here.owner, car, 'patch', { ring: squareAt(300, 300, 90) });
    const { body: merged } = await again(first, { zoneIds: [...first.zoneIds, ...second.zoneIds] }).expect(200);
    expect(merged.zoneIds).toHaveLength(2);
    const { body: gone } = await here.owner.get(`/repairs/${second.id}`).expect(200);
    expect(gone.withdrawn).toMatchObject({ by: 'Owner Test', reason: expect.stringMatching(/another repair/) });
    await here.owner.get(`/repairs/${second.id}/cut`).expect(404);
    const third = await decided(here.owner, car, 'patch', { ring: squareAt(700, 300, 90) });
    await again(third, { zoneIds: [...third.zoneIds, first.zoneIds[0]!] }).expect(200);
    const { body: parted } = await here.owner.get(`/repairs/${first.id}`).expect(200);
    expect(parted).toMatchObject({ zoneIds: second.zoneIds, staleZones: second.zoneIds });
  });

  it('takes a decision back with a reason, sent twice as well, and lets it stand again', async () => {
    const car = await fresh();
    const repair = await decided(here.owner, car, 'whole');
    const withdraw = (version: number) =>
      here.owner.post(`/repairs/${repair.id}/withdraw`, { reason: 'not this year', version });
    await here.owner.post(`/repairs/${repair.id}/withdraw`, { reason: '', version: 1 }).expect(422);
    await withdraw(99).expect(409);
    const { body: gone } = await withdraw(1).expect(200);
    expect(gone).toMatchObject({
      withdrawn: { reason: 'not this year' },
      order: { unneeded: expect.stringMatching(/not this year/) },
    });
    await withdraw(1).expect(200);
    await again(gone, { choice: 'patch' }).expect(404);
    const restore = (version: number) => here.owner.post(`/repairs/${repair.id}/restore`, { version });
    expect((await restore(gone.version).expect(200)).body).toMatchObject({
      withdrawn: null,
      order: { unneeded: null },
    });
  });

  it('does not let a decision stand again whose zone was decided otherwise', async () => {
    const car = await fresh();
    const repair = await decided(here.owner, car, 'patch');
    await here.owner.post(`/repairs/${repair.id}/withdraw`, { reason: 'not this year', version: 1 }).expect(200);
    const input = { id: randomUUID(), zoneIds: repair.zoneIds, choice: 'patch', reason: 'anew' };
    await here.owner.post(`/vehicles/${car}/repairs`, input).expect(201);
    const { body } = await here.owner.post(`/repairs/${repair.id}/restore`, { version: 2 }).expect(409);
    expect(body.detail).toMatch(/decided already/);
  });

  it('says what to do where all of its damage was taken away', async () => {
    const car = await fresh();
    const repair = await decided(here.owner, car, 'patch');
    await here.owner.delete(`/vehicles/${car}/zones/${repair.zoneIds[0]}`).expect(204);
    expect((await here.owner.get(`/repairs/${repair.id}`).expect(200)).body).toMatchObject({ areaNow: 0 });
    const { body } = await here.owner.get(`/repairs/${repair.id}/cut`).expect(422);
    expect(body.detail).toMatch(/not drawn any more/);
    expect((await again(repair, { zoneIds: undefined, choice: 'make' }).expect(422)).body.field).toBe('zoneIds');
  });

  it('is refused for zones of another panel, and by two people at once', async () => {
    const car = await fresh();
    const repair = await decided(here.owner, car, 'patch');
    const other = await zoneOn(car, { panel: 'boot-floor', ring: squareAt(300, 300, 90) });
    expect((await again(repair, { zoneIds: [...repair.zoneIds, other.id] }).expect(422)).body.detail).toMatch(
      /all on Rear quarter, left/,
    );
    await again(repair, { choice: 'make' }).expect(200);
    expect((await again(repair, { choice: 'whole' }).expect(409)).body.current.choice).toBe('make');
  });
});
