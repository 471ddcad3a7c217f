import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JobView } from '@aspecta/contract/job';
import type { FitView } from '@aspecta/contract/fit';
import type { PatternView } from '@aspecta/contract/pattern';
import type { JointsView } from '@aspecta/contract/repair';
import type { WayChange, WayView } from '@aspecta/contract/way';
import type { StockView } from '@aspecta/contract/stock';
import { weldDefaults, type WeldPlanView } from '@aspecta/contract/weld';
import { boxOf } from '@aspecta/core/geometry';
import { ON_SILL, decided, houseWithCar, ownerOf, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const route = (over: object = {}) => ({
  ...{ id: randomUUID(), name: 'Through the door', opening: { a: 900, b: 700 }, room: null, parts: [] },
  ...over,
});
const said = (over: Partial<WayChange> = {}): WayChange => ({
  ...{ depth: 40, clearance: 50, lines: [], routes: [], chosen: null, version: 0 },
  ...over,
});
async function repairOn(choice = 'patch') {
  const vehicle = await vehicleOf(here.owner);
  const { id } = await decided(here.owner, vehicle, choice, ON_SILL);
  const view = async () => (await here.owner.get(`/repairs/${id}/way`).expect(200)).body as WayView;
  const say = (change: WayChange) => here.owner.put(`/repairs/${id}/way`, change);
  return { vehicle, id, view, say };
}

describe('the way in of a piece', () => {
  it('begins with usual figures and lines in the middle of the piece', async () => {
    const { view } = await repairOn();
    const first = await view();
    expect(first).toMatchObject({ depth: 50, clearance: 50, routes: [], best: null, version: 0 });
    expect(first.suggested.at(-1)).toMatchObject({ name: 'the middle' });
    expect(first.piece.length).toBeGreaterThan(2);
  });

  it('weighs what was told, and its job takes off and puts back what the chosen way asks for', async () => {
    const { vehicle, view, say } = await repairOn();
    const tight = route({ name: 'Through the drain', opening: { a: 40, b: 40 } });
    const part = { what: 'Front wing', off: 1.5, on: 2, risk: 'paint', chance: 0.2, price: 20_000 };
    const open = route({ name: 'Wing off', parts: [part] });
    const { body } = await say(said({ routes: [tight, open] })).expect(200);
    expect(body).toMatchObject({
      best: open.id,
      results: [{ passes: false }, { passes: true, hours: { parts: 3.5 }, risk: 4000 }],
    });
    const steps = async () => ((await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView).steps;
    expect((await steps()).some(({ kind }) => kind === 'access')).toBe(false);
    await say(said({ routes: [tight, open], chosen: open.id, version: 1 })).expect(200);
    const all = await steps();
    expect(all.find(({ kind }) => kind === 'access')).toMatchObject({
      hours: 1.5,
      title: expect.stringMatching(/Front wing/),
    });
    expect(all.find(({ kind }) => kind === 'refit')).toMatchObject({ hours: 2 });
    const place = (kind: string) => all.findIndex((step) => step.kind === kind);
    expect(place('access')).toBeLessThan(place('open'));
    expect(place('refit')).toBeGreaterThan(place('weld'));
    expect((await view()).chosen).toBe(open.id);
  });

  it('refuses a choice that is not told, a line beyond the piece, and a change on what somebody else has changed', async () => {
    const { say } = await repairOn();
    expect((await say(said({ chosen: randomUUID() })).expect(422)).body.field).toBe('chosen');
    const far = await say(said({ lines: [{ across: true, at: 9000 }] })).expect(422);
    expect(far.body).toMatchObject({ field: 'lines[0].at', detail: expect.stringMatching(/beyond the piece/) });
    expect((await say(said({ routes: [route({ opening: { a: 0, b: 10 } })] })).expect(422)).body.field).toMatch(
      /opening/,
    );
    await say(said()).expect(200);
    await say(said({ depth: 60, version: 1 })).expect(200);
    await say(said({ depth: 70, version: 1 })).expect(409);
  });

  it('parted on the way that is taken, its seams are joints: counted, tried on, welded; whole again they are gone', async () => {
    const { id, view, say } = await repairOn('make');
    const get = async <T>(path: string) => (await here.owner.get(`/repairs/${id}/${path}`).expect(200)).body as T;
    const seams = async () => (await get<JointsView>('joints')).joints.filter(({ kind }) => kind === 'seam');
    const box = boxOf((await view()).piece);
    const at = Math.round((box.maxU - box.minU) / 2);
    // Too short behind for all of it, long enough for a half.
    const small = route({ opening: { a: 900, b: 400 }, room: Math.round(at + 60) });
    await say(said({ lines: [{ across: true, at }], routes: [small] })).expect(200);
    const before = await get<JointsView>('joints');
    expect(await seams()).toEqual([]);
    await say(said({ lines: [{ across: true, at }], routes: [small], chosen: small.id, version: 1 })).expect(200);
    const [seam] = await seams();
    const { results } = await view();
    expect(seam).toMatchObject({ name: 'between the sections at A', closing: 'butt' });
    expect(seam!.length).toBeCloseTo(results[0]!.seam, 3);
    expect((await get<JointsView>('joints')).hours).toBeCloseTo(before.hours + results[0]!.hours.seams, 3);
    const fit = await get<FitView>('fit');
    expect(fit.joints.filter(({ within }) => within)).toHaveLength(1);
    const { body } = await here.owner
      .put(`/repairs/${id}/weld`, { ...weldDefaults, version: 0 })
      .expect((answer) => expect([200, 201]).toContain(answer.status));
    expect((body as WeldPlanView).joints.some(({ kind }) => kind === 'seam')).toBe(true);
    // Each half is cut out by itself.
    const halves = await Promise.all([0, 1].map((n) => get<PatternView>(`pattern?section=${n}`)));
    expect(halves.map(({ section, sections }) => [section, sections])).toEqual([
      [0, 2],
      [1, 2],
    ]);
    expect(halves[0]!.joints.map(({ kind }) => kind)).toContain('seam');
    expect(halves[1]!.joints.map(({ kind }) => kind)).not.toContain('seam');
    const rack = (await here.owner.get('/stock').expect(200)).body as StockView;
    expect(rack.blanks.filter(({ repair }) => repair === id).map(({ panel }) => panel)).toEqual([
      expect.stringMatching(/section 1 of 2$/),
      expect.stringMatching(/section 2 of 2$/),
    ]);
    await say(said({ lines: [{ across: true, at }], routes: [small], version: 2 })).expect(200);
    expect(await seams()).toEqual([]);
    expect((await get<WeldPlanView>('weld')).moved).toBe(true);
  });

  it('is nobody else’s', async () => {
    const { id } = await repairOn();
    const stranger = await ownerOf(here.house, 'Strangers');
    await stranger.get(`/repairs/${id}/way`).expect(404);
    await stranger.put(`/repairs/${id}/way`, said()).expect(404);
  });
});
