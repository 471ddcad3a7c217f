import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import type { ZoneView } from '@aspecta/contract/survey';
import { decided, houseWithCar, ownerOf, squareAt, vehicleOf, zoneInput } from '../testing/house.ts';

const here = houseWithCar();
const floor = { name: 'Floor in one piece', panels: ['floor-front-l', 'tunnel', 'floor-front-r'] };

describe('one piece over several panels', () => {
  it('takes their damage along, is decided and welded as one, and gives it back', async () => {
    const vehicle = await vehicleOf(here.owner);
    const ring = squareAt(200, 200, 150);
    const drawn = (
      await here.owner.post(`/vehicles/${vehicle}/zones`, zoneInput({ panel: 'floor-front-l', ring })).expect(201)
    ).body as ZoneView;
    const id = randomUUID();
    const at = `/vehicles/${vehicle}/pieces/${id}`;
    await here.owner.put(at, floor).expect(200);
    await here.owner.put(at, floor).expect(200);
    const zones = (await here.owner.get(`/vehicles/${vehicle}/panels/${id}/zones`).expect(200)).body as ZoneView[];
    expect(zones.map((zone) => zone.id)).toEqual([drawn.id]);
    const input = { id: randomUUID(), zoneIds: [drawn.id], choice: 'make', reason: 'in one piece' };
    await here.owner.post(`/vehicles/${vehicle}/repairs`, input).expect(201);
    const { joints, whole } = (await here.owner.get(`/repairs/${input.id}/joints`).expect(200)).body as JointsView;
    expect(whole).toBe(true);
    expect(joints.some(({ name }) => name.startsWith('Front floor, right'))).toBe(true);
    for (const path of [
      `/repairs/${input.id}/weld`,
      `/repairs/${input.id}/pattern`,
      `/vehicles/${vehicle}/job`,
      `/vehicles/${vehicle}/hold`,
    ])
      await here.owner.get(path).expect(200);
    // What is decided on it keeps it together.
    expect((await here.owner.delete(at).expect(422)).body.detail).toMatch(/decided on already/);
    await here.owner.post(`/repairs/${input.id}/withdraw`, { reason: 'several after all', version: 1 }).expect(200);
    await here.owner.delete(at).expect(200);
    const [back] = (await here.owner.get(`/vehicles/${vehicle}/panels/floor-front-l/zones`).expect(200))
      .body as ZoneView[];
    expect(back!.id).toBe(drawn.id);
    back!.ring.forEach((p, i) => p.forEach((x, k) => expect(x).toBeCloseTo(ring[i]![k]!, 6)));
  });

  it('is refused where a panel is decided already, does not touch, or stands in another piece', async () => {
    const vehicle = await vehicleOf(here.owner);
    const put = (body: object) => here.owner.put(`/vehicles/${vehicle}/pieces/${randomUUID()}`, body);
    await put({ ...floor, panels: ['floor-front-l', 'roof'] }).expect(422);
    await put(floor).expect(200);
    expect((await put({ ...floor, name: 'Another' }).expect(422)).body.detail).toMatch(/takes the place of some/);
    const other = await vehicleOf(here.owner);
    await decided(here.owner, other, 'make', { panel: 'tunnel', ring: squareAt(100, 60, 60) });
    const { body } = await here.owner.put(`/vehicles/${other}/pieces/${randomUUID()}`, floor).expect(422);
    expect(body.detail).toMatch(/take that decision back first/);
    const stranger = await ownerOf(here.house, 'Strangers with a floor');
    await stranger.put(`/vehicles/${vehicle}/pieces/${randomUUID()}`, floor).expect(404);
  });
});
