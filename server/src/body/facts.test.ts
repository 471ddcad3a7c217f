import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { BoardPanel } from '@aspecta/contract/board';
import type { Vehicle } from '@aspecta/contract/garage';
import type { JointsView } from '@aspecta/contract/repair';
import { bodyPlan, edgesOf, panelOf } from '@aspecta/core/body';
import { decided, houseWithCar, ON_SILL, ownerOf, reading, squareAt, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
const part = {
  ...{ name: 'Jack point', side: 'left', width: 120, height: 80, thickness: 2, material: 'steel' },
  ...{ structural: true, visible: false, edge: { kind: 'spot', pitch: 20, sheets: 2 } },
};

describe('what one car is, where it is not as its plan', () => {
  it('moves the joints of its repairs at once; other cars stay as the plan has them', async () => {
    const vehicle = await vehicleOf(here.owner);
    const { id } = await decided(here.owner, vehicle, 'make', ON_SILL);
    const joints = async () => (await here.owner.get(`/repairs/${id}/joints`).expect(200)).body as JointsView;
    const plan = bodyPlan('saloon');
    const [edge] = edgesOf(plan, panelOf(plan, ON_SILL.panel)).filter(({ kind }) => kind === 'spot');
    const before = (await joints()).joints.reduce((sum, { fasteners }) => sum + fasteners, 0);
    const facts = {
      layers: { outer: { thickness: 1.5, material: 'steel' } },
      edges: [{ kind: 'spot', pitch: 15, sheets: 3, name: 'repaired once', line: edge!.line }],
    };
    const at = `/vehicles/${vehicle}/panels/${ON_SILL.panel}/facts`;
    const said = (await here.owner.put(at, { facts, seen: null }).expect(200)).body as Vehicle;
    expect(said.facts!.panels[ON_SILL.panel]).toEqual(facts);
    const after = (await joints()).joints;
    expect(after.reduce((sum, { fasteners }) => sum + fasteners, 0)).toBeGreaterThan(before * 1.2);
    expect(after.find(({ name }) => name === 'repaired once')).toMatchObject({ sheets: 3 });
    const other = await vehicleOf(here.owner);
    expect(((await here.owner.get(`/vehicles/${other}`).expect(200)).body as Vehicle).facts).toBeNull();
    // Somebody who has not seen it does not overwrite it; the same sent again is taken as done.
    await here.owner.put(at, { facts: { visible: true }, seen: null }).expect(409);
    await here.owner.put(at, { facts, seen: null }).expect(200);
    await here.owner.put(at, { facts: {}, seen: facts }).expect(200);
    expect((await joints()).joints.reduce((sum, { fasteners }) => sum + fasteners, 0)).toBe(before);
  });

  it('has a part that the plan lacks: on the board, measured, decided and planned like any panel', async () => {
    const vehicle = await vehicleOf(here.owner);
    const id = randomUUID();
    await here.owner.put(`/vehicles/${vehicle}/parts/${id}`, part).expect(200);
    const board = (await here.owner.get(`/vehicles/${vehicle}/board`).expect(200)).body as BoardPanel[];
    expect(JSON.stringify(board)).toContain(id);
    const repair = await decided(here.owner, vehicle, 'make', {
      panel: id,
      layer: 'sheet',
      ring: squareAt(30, 20, 30),
    });
    const { joints } = (await here.owner.get(`/repairs/${repair.id}/joints`).expect(200)).body as JointsView;
    expect(joints.length).toBeGreaterThan(0);
    await here.owner.get(`/repairs/${repair.id}/weld`).expect(200);
    await here.owner.get(`/vehicles/${vehicle}/job`).expect(200);
    await here.owner.get(`/vehicles/${vehicle}/record`).expect(200);
    await here.owner.get(`/vehicles/${vehicle}/whole`).expect(200);
    // What hangs on it would be lost.
    const { body } = await here.owner.delete(`/vehicles/${vehicle}/parts/${id}`).expect(422);
    expect(body.detail).toMatch(/it stays/);
  });

  it('refuses what cannot be, at its field; a part without anything on it goes again', async () => {
    const vehicle = await vehicleOf(here.owner);
    const at = `/vehicles/${vehicle}/parts/${randomUUID()}`;
    expect((await here.owner.put(at, { ...part, width: 0 }).expect(422)).body.field).toBe('width');
    expect(
      (await here.owner.put(at, { ...part, name: panelOf(bodyPlan('saloon'), 'roof').name }).expect(422)).body.field,
    ).toBe('name');
    await here.owner.put(at, part).expect(200);
    await here.owner.delete(at).expect(200);
    await here.owner.delete(at).expect(404);
    const facts = { edges: [{ kind: 'spot', name: 'x', line: squareAt(400, 400, 50) }] };
    const roof = `/vehicles/${vehicle}/panels/roof/facts`;
    expect((await here.owner.put(roof, { facts, seen: null }).expect(422)).body.field).toBe('edges[0].line');
    const stranger = await ownerOf(here.house, 'Strangers with facts');
    await stranger.put(roof, { facts: { visible: true }, seen: null }).expect(404);
    await stranger.put(at, part).expect(404);
  });

  it('keeps its edges on the metal when the outline is changed', async () => {
    const vehicle = await vehicleOf(here.owner);
    const plan = bodyPlan('saloon');
    const panel = panelOf(plan, 'sill-l');
    await here.owner.post(`/vehicles/${vehicle}/readings`, { readings: [reading({ panel: 'sill-l', u: 300, v: 60 })] });
    const at = (u: number, v: number): [number, number] => [u, v];
    const bottom = [panel.outline[0]!, panel.outline[1]!];
    const facts = { edges: [{ kind: 'bolt', pitch: 90, name: 'bolted', line: bottom }] };
    await here.owner.put(`/vehicles/${vehicle}/panels/sill-l/facts`, { facts, seen: null }).expect(200);
    const outline = [at(-20, -200), at(1500, -200), at(1500, 160), at(-20, 160)];
    await here.owner
      .put(`/vehicles/${vehicle}/panels/sill-l/outline`, { outline, name: 'Our sill', version: 0 })
      .expect(200);
    const { facts: left } = (await here.owner.get(`/vehicles/${vehicle}`).expect(200)).body as Vehicle;
    expect(left!.panels['sill-l']!.edges).toEqual([]);
  });
});
