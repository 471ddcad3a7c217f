import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JobView } from '@aspecta/contract/job';
import type { WayChange, WayView } from '@aspecta/contract/way';
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

  it('is nobody else’s', async () => {
    const { id } = await repairOn();
    const stranger = await ownerOf(here.house, 'Strangers');
    await stranger.get(`/repairs/${id}/way`).expect(404);
    await stranger.put(`/repairs/${id}/way`, said()).expect(404);
  });
});
