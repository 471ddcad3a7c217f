import { randomUUID } from 'node:crypto';
import DxfParser from 'dxf-parser';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CutPlanView } from '@aspecta/contract/cut';
import type { RepairView, VerdictView } from '@aspecta/contract/verdict';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { between, signedArea, type Point } from '@aspecta/core/geometry';
import { openHouse, ownerOf, reading, vehicleOf, zoneInput, type House, type Visitor } from '../testing/house.ts';

/* From a zone to the last stitch, over HTTP. */
let house: House;
let owner: Visitor;
let vehicle: string;
beforeAll(async () => {
  house = await openHouse();
  owner = await ownerOf(house);
  vehicle = await vehicleOf(owner);
});
afterAll(() => house.close());

const ring = (u: number, v: number, side: number): Point[] => [
  [u, v],
  [u + side, v],
  [u + side, v + side],
  [u, v + side],
];
async function newZone(over: object = {}): Promise<string> {
  return (await owner.post(`/vehicles/${vehicle}/zones`, zoneInput(over)).expect(201)).body.id as string;
}
async function decided(choice: string, over: object = {}): Promise<RepairView> {
  const zone = await newZone(over);
  return (
    await owner
      .post(`/vehicles/${vehicle}/repairs`, { id: randomUUID(), zoneIds: [zone], choice, reason: 'a test decision' })
      .expect(201)
  ).body as RepairView;
}

describe('verdict', () => {
  it('weighs with counted hours, and with a landed price once one is known', async () => {
    const zone = await newZone();
    const before = (await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds: [zone] }).expect(200))
      .body as VerdictView;
    expect(before.offer).toBeNull();
    expect(before.verdict.options.map((option) => option.ruledOut !== null)).toEqual([true, false, true, true, false]);
    await owner
      .post(`/vehicles/${vehicle}/offers`, {
        panel: 'quarter-l',
        maker: 'Harrow Pressings',
        price: 30_000,
        carriage: 2_000,
        leadDays: 9,
      })
      .expect(201);
    const after = (await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds: [zone] }).expect(200))
      .body as VerdictView;
    // Worked by hand: (300.00 + 20.00) × 1.2 = 384.00.
    expect(after.offer!.landed).toBe(38_400);
    expect(after.verdict.options[2]!.ruledOut).toBeNull();
    expect(after.verdict.options[2]!.outlay).toBeGreaterThan(38_400);
  });

  it('keeps the person’s decision with a reason, once for each zone', async () => {
    const repair = await decided('patch');
    expect(repair).toMatchObject({
      choice: 'patch',
      reason: 'a test decision',
      decidedBy: 'Owner Test',
      staleZones: [],
    });
    await owner
      .post(`/vehicles/${vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: repair.zoneIds,
        choice: 'patch',
        reason: 'again',
      })
      .expect(409);
    await owner
      .post(`/vehicles/${vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: [await newZone()],
        choice: 'patch',
        reason: '',
      })
      .expect(422);
    const { body } = await owner
      .post(`/vehicles/${vehicle}/repairs`, {
        id: randomUUID(),
        zoneIds: [await newZone()],
        choice: 'treat',
        reason: 'hope',
      })
      .expect(422);
    expect(body).toMatchObject({ field: 'choice', detail: expect.stringMatching(/cut out/) });
  });

  it('weighs a sheet laid over it only where the house rules allow it', async () => {
    const fresh = await ownerOf(house);
    const own = await vehicleOf(fresh);
    const zone = (
      await fresh
        .post(`/vehicles/${own}/zones`, zoneInput({ panel: 'boot-floor', class: 'thin', ring: ring(300, 300, 90) }))
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
    const repair = await decided('patch');
    const { body: zones } = await owner.get(`/vehicles/${vehicle}/panels/quarter-l/zones`);
    const zone = zones.find((candidate: { id: string }) => candidate.id === repair.zoneIds[0]);
    await owner
      .put(`/vehicles/${vehicle}/zones/${zone.id}`, {
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
    expect((await owner.get(`/repairs/${repair.id}`)).body.staleZones).toEqual([zone.id]);
  });

  it('puts a whole panel into the order book, and follows it until it is fitted', async () => {
    const repair = await decided('whole');
    const find = async () =>
      (await owner.get('/orders').expect(200)).body.find((line: { repairId: string }) => line.repairId === repair.id);
    let line = await find();
    expect(line).toMatchObject({
      state: 'wanted',
      maker: 'Harrow Pressings',
      landed: 38_400,
      next: ['ordered'],
      panelName: 'Rear quarter, left',
    });
    await owner.post(`/orders/${line.id}/move`, { state: 'fitted', on: '2026-11-01', version: 1 }).expect(422);
    await owner.post(`/orders/${line.id}/move`, { state: 'ordered', on: '2026-13-45', version: 1 }).expect(422);
    for (const state of ['ordered', 'back-order', 'confirmed']) {
      line = (
        await owner
          .post(`/orders/${line.id}/move`, { state, on: '2026-11-02', due: '2026-11-10', version: line.version })
          .expect(200)
      ).body;
    }
    expect(line).toMatchObject({ late: true, due: '2026-11-10' });
    const board = (await owner.get(`/vehicles/${vehicle}/board`).expect(200)).body;
    expect(board.panels.find((panel: { panel: string }) => panel.panel === 'quarter-l').awaited).toMatchObject({
      state: 'confirmed',
      late: true,
    });
    for (const state of ['arrived', 'checked', 'fitted'])
      line = (
        await owner.post(`/orders/${line.id}/move`, { state, on: '2026-11-12', version: line.version }).expect(200)
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
      (await owner.post(`/orders/${line.id}/move`, { state: 'arrived', on: '2026-11-12', version: 1 }).expect(409)).body
        .current.state,
    ).toBe('fitted');
  });
});

describe('cut', () => {
  it('computes the line, and offsets that lead back to it', async () => {
    const repair = await decided('patch', {
      panel: 'floor-front-l',
      ring: [
        [200, 120],
        [320, 120],
        [320, 200],
        [200, 200],
      ],
    });
    const cut = (await owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    expect(cut.line.runs.every((run) => run.cut)).toBe(true);
    expect(cut.corners.every((corner) => corner.error < 1)).toBe(true);
    expect(cut.mirror).toBe('Front floor, right');
    expect(cut.onMap.unmeasured).toBe(1);
    const wider = (
      await owner
        .put(`/repairs/${repair.id}/cut`, { margin: 30, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 0 })
        .expect(200)
    ).body as CutPlanView;
    expect(wider.line.cutLength).toBeGreaterThan(cut.line.cutLength);
    await owner
      .put(`/repairs/${repair.id}/cut`, { margin: 35, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 0 })
      .expect(409);
    expect(
      (
        await owner
          .put(`/repairs/${repair.id}/cut`, { margin: -3, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 1 })
          .expect(422)
      ).body.field,
    ).toBe('margin');
  });

  it('gives the patch at 1:1 as DXF that another package reads back to the same outline', async () => {
    const repair = await decided('patch');
    const cut = (await owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    const { text, headers } = await owner
      .get(`/repairs/${repair.id}/cut/patch.dxf`)
      .buffer(true)
      .parse((response, done) => {
        let data = '';
        response.on('data', (chunk: Buffer) => (data += chunk.toString()));
        response.on('end', () => done(null, data));
      })
      .expect(200)
      .then((response) => ({ text: response.body as string, headers: response.headers }));
    expect(headers['content-disposition']).toMatch(/patch-quarter-l\.dxf/);
    const dxf = new DxfParser().parseSync(text)!;
    const outline = dxf.entities.find((entity) => entity.layer === 'PATCH') as unknown as {
      vertices: { x: number; y: number }[];
      shape: boolean;
    };
    expect(outline.shape).toBe(true);
    const read = outline.vertices.map(({ x, y }): Point => [x, y]);
    expect(Math.abs(signedArea(read))).toBeCloseTo(Math.abs(signedArea(cut.line.patch)), 3);
    const side = (ring: readonly Point[]) => ring.map((p, i) => between(p, ring[(i + 1) % ring.length]!));
    side(read).forEach((length, i) => expect(length).toBeCloseTo(side(cut.line.patch)[i]!, 4));
  });

  it('gives SVG in millimetres and a card as PDF with the check bar', async () => {
    const repair = await decided('patch');
    const svg = (await owner.get(`/repairs/${repair.id}/cut/patch.svg`).expect(200)).body.toString();
    expect(svg).toMatch(/width="[\d.]+mm"/);
    expect(svg).toContain('h100');
    const pdf = (await owner.get(`/repairs/${repair.id}/cut/card.pdf`).buffer(true).expect(200)).body as Buffer;
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.length).toBeGreaterThan(2000);
  });
});

describe('weld', () => {
  const settings = { process: 'mig', position: 'flat', handWarm: 50, strategy: 'coolest' };

  it('is laid out once, ticked off step by step, and keeps every tick', async () => {
    const repair = await decided('patch');
    expect((await owner.get(`/repairs/${repair.id}/weld`).expect(200)).body).toBeNull();
    const laid = (await owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200))
      .body as WeldPlanView;
    expect(laid.plan.steps[0]).toMatchObject({ n: 1, kind: 'tack' });
    const tick = (n: number, done = true) =>
      owner.put(`/repairs/${repair.id}/weld/steps/${n}`, { done, version: laid.version });
    expect((await tick(1).expect(422)).body.detail).toMatch(/cautions/);
    expect((await owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200)).body.acknowledged.by).toBe(
      'Owner Test',
    );
    await Promise.all([tick(1), tick(1), tick(1)]);
    await tick(2).expect(200);
    await tick(2, false).expect(200);
    const now = (await owner.get(`/repairs/${repair.id}/weld`)).body as WeldPlanView;
    expect(now.done.map((step) => step.n)).toEqual([1]);
    await tick(99_999).expect(404);
    expect(
      (await owner.put(`/repairs/${repair.id}/weld`, { ...settings, strategy: 'skip', version: 1 }).expect(409)).body
        .detail,
    ).toMatch(/Welding has begun/);
  });

  it('shows the other device that the plan has changed', async () => {
    const repair = await decided('patch');
    await owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200);
    await owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
    await owner.put(`/repairs/${repair.id}/weld`, { ...settings, process: 'tig', version: 1 }).expect(200);
    expect(
      (await owner.put(`/repairs/${repair.id}/weld/steps/1`, { done: true, version: 1 }).expect(409)).body.current
        .version,
    ).toBe(2);
  });
});

describe('board and garage', () => {
  it('say what is known and what to do next', async () => {
    const fresh = await ownerOf(house);
    const own = await vehicleOf(fresh);
    const board = (await fresh.get(`/vehicles/${own}/board`).expect(200)).body;
    expect(board.panels.length).toBeGreaterThanOrEqual(35);
    expect(new Set(board.panels.map((panel: { state: string }) => panel.state))).toEqual(new Set(['unmeasured']));
    expect(board.next).toMatchObject({ path: 'panels/sill-l' });
    await fresh.post(`/vehicles/${own}/readings`, { readings: [reading({ metalMm: 0 })] }).expect(201);
    const [line] = (await fresh.get('/vehicles').expect(200)).body;
    expect(line).toMatchObject({ readings: 1, panelsMeasured: 1, nickname: 'Old grey' });
    expect(
      (await fresh.get(`/vehicles/${own}/board`)).body.panels.find(
        (panel: { panel: string }) => panel.panel === 'sill-l',
      ),
    ).toMatchObject({ state: 'through', thinnest: 0 });
  });

  it('let a vehicle be changed by version, deleted and brought back', async () => {
    const fresh = await ownerOf(house);
    const own = await vehicleOf(fresh);
    const change = { nickname: 'Old blue', year: 1968, goal: 'show', climate: 'dry', notes: '', version: 1 };
    await fresh.put(`/vehicles/${own}`, change).expect(200);
    expect((await fresh.put(`/vehicles/${own}`, change).expect(409)).body.current.nickname).toBe('Old blue');
    await fresh.delete(`/vehicles/${own}`).expect(204);
    await fresh.get(`/vehicles/${own}`).expect(404);
    expect((await fresh.get('/vehicles/removed')).body).toHaveLength(1);
    await fresh.post(`/vehicles/${own}/restore`).expect(200);
    await fresh.get(`/vehicles/${own}`).expect(200);
    expect((await fresh.post('/vehicles', { ...change, planId: 'hovercraft' }).expect(422)).body.field).toBe('version');
  });
});
