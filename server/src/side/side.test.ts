import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { cutDefaults, type CutPlanView } from '@aspecta/contract/cut';
import type { JobView } from '@aspecta/contract/job';
import type { JointsView } from '@aspecta/contract/repair';
import type { SideDone, SideView } from '@aspecta/contract/side';
import { bodyPlan, otherSideOf, panelOf } from '@aspecta/core/body';
import { ON_SILL, decided, houseWithCar, ownerOf, squareAt, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const view = async (repair: string) =>
  (await here.owner.get(`/repairs/${repair}/side`).expect(200)).body as SideView | null;
const same = (repair: string, over: object = {}) =>
  here.owner.post(`/repairs/${repair}/side`, { into: null, id: randomUUID(), zoneIds: [randomUUID()], ...over });
const plan = bodyPlan('saloon');
const { mirror } = otherSideOf(plan, panelOf(plan, 'sill-l'))!;

describe('the same on the other side', () => {
  it('maps what is not mapped there, decides it with its reason, and takes line and joints over, mirrored', async () => {
    const vehicle = await vehicleOf(here.owner);
    const first = await decided(here.owner, vehicle, 'patch', ON_SILL);
    expect(await view(first.id)).toMatchObject({ panel: 'sill-r', repairs: [], zones: [], line: false, took: null });
    const corners = squareAt(280, 5, 160);
    const line = [...corners.slice(0, 2), [440, 100], [280, 100]] as [number, number][];
    const pins = [{ along: 'edge', at: 5 }, { along: 'edge', at: 5 }, null, null];
    await here.owner.put(`/repairs/${first.id}/cut`, { ...cutDefaults, corners: line, pins, version: 0 }).expect(200);
    const joint = ((await here.owner.get(`/repairs/${first.id}/joints`)).body as JointsView).joints[0]!;
    await here.owner
      .put(`/repairs/${first.id}/joints`, {
        ...{ at: joint.at, kind: joint.kind, closing: 'lap', pitch: null, found: null, version: 0 },
      })
      .expect(200);
    expect(await view(first.id)).toMatchObject({ line: true, joints: 1 });
    const { body } = await same(first.id).expect(201);
    const { repair, notes } = body as SideDone;
    expect(notes).toEqual([
      'The line of the first side was taken over, mirrored.',
      '1 joint is closed as on the first side.',
    ]);
    expect(repair).toMatchObject({ panel: 'sill-r', choice: 'patch', reason: 'As on the other side (Sill, left)' });
    const cut = (await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    expect(cut.own).toBe(true);
    const near = (at: [number, number]) =>
      Math.min(...cut.line.laid.map((p) => Math.hypot(p[0] - at[0], p[1] - at[1])));
    for (const [u, v] of line) expect(near(mirror([u, v]) as [number, number])).toBeLessThan(1);
    // What a corner is held to goes with it.
    const held = cut.line.laid.filter((_, i) => cut.pins![i]);
    for (const [u, v] of line.slice(0, 2)) {
      const [mu, mv] = mirror([u, v]);
      expect(Math.min(...held.map((p) => Math.hypot(p[0] - mu, p[1] - mv)))).toBeLessThan(1);
    }
    const there = (await here.owner.get(`/repairs/${repair.id}/joints`)).body as JointsView;
    expect(there.joints.filter(({ chosen }) => chosen)).toMatchObject([{ closing: 'lap' }]);
  });

  it('leaves fasteners that were counted to their side: nothing of them is taken over, and none is missed', async () => {
    const vehicle = await vehicleOf(here.owner);
    const first = await decided(here.owner, vehicle, 'patch', ON_SILL);
    const { joints } = (await here.owner.get(`/repairs/${first.id}/joints`)).body as JointsView;
    const spotted = joints.find(({ kind }) => kind === 'spot')!;
    const counted = { closing: null, pitch: null, found: 3, version: 0 };
    await here.owner.put(`/repairs/${first.id}/joints`, { at: spotted.at, kind: spotted.kind, ...counted }).expect(200);
    expect(await view(first.id)).toMatchObject({ joints: 0 });
    expect(((await same(first.id).expect(201)).body as SideDone).notes).toEqual([]);
  });

  it('decides the damage that is there already instead of making up more; sent twice it is done once', async () => {
    const vehicle = await vehicleOf(here.owner);
    const first = await decided(here.owner, vehicle, 'patch', ON_SILL);
    const zone = {
      ...{ id: randomUUID(), panel: 'sill-r', layer: 'outer', ring: squareAt(900, 20, 60), holes: [] },
      ...{ class: 'through', evidence: 'stripped', note: '', overruled: '' },
    };
    await here.owner.post(`/vehicles/${vehicle}/zones`, zone).expect(201);
    expect((await view(first.id))!.zones).toMatchObject([{ id: zone.id }]);
    const id = randomUUID();
    const { body } = await same(first.id, { id }).expect(201);
    expect((body as SideDone).repair).toMatchObject({ id, zoneIds: [zone.id] });
    const into = await same(first.id, { into: id }).expect(201);
    expect((into.body as SideDone).notes).toEqual([]);
    expect((await view(first.id))!.repairs).toMatchObject([{ id, areaMm2: 3600 }]);
  });

  it('takes as long as the first side took, step by step, once that is noted', async () => {
    const vehicle = await vehicleOf(here.owner);
    const first = await decided(here.owner, vehicle, 'patch', ON_SILL);
    const { repair } = (await same(first.id).expect(201)).body as SideDone;
    const steps = async () => ((await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView).steps;
    const hoursOf = async (id: string) => (await steps()).find((step) => step.id === `${id} open`)!;
    const before = await hoursOf(repair.id);
    expect(before.like).toBeUndefined();
    await here.owner
      .put(`/vehicles/${vehicle}/job/said`, {
        ...{
          step: `${first.id} open`,
          state: 'done',
          reason: '',
          until: null,
          notBefore: null,
          hours: null,
          spent: 7.5,
        },
      })
      .expect(200);
    expect(await hoursOf(repair.id)).toMatchObject({ hours: 7.5, reckoned: 7.5, like: 'Sill, left' });
    expect((await view(first.id))!.took).toMatchObject({ spent: 7.5 });
  });

  it('is refused in the middle of the car, into a strange repair, and to a stranger', async () => {
    const vehicle = await vehicleOf(here.owner);
    const roof = await decided(here.owner, vehicle, 'patch', { panel: 'roof', ring: squareAt(300, 300, 100) });
    expect(await view(roof.id)).toBeNull();
    expect((await same(roof.id).expect(422)).body.detail).toMatch(/no other side/);
    const first = await decided(here.owner, vehicle, 'patch', ON_SILL);
    expect((await same(first.id, { into: roof.id }).expect(422)).body.field).toBe('into');
    const stranger = await ownerOf(here.house, 'Strangers to a side');
    await stranger.get(`/repairs/${first.id}/side`).expect(404);
    await stranger.post(`/repairs/${first.id}/side`, { into: null, id: randomUUID(), zoneIds: [] }).expect(404);
  });
});
