import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openHouse, ownerOf, reading, vehicleOf, type House } from '../testing/house.ts';

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

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
    // The same change again, because its answer was lost, is done; another one is told what is stored.
    expect((await fresh.put(`/vehicles/${own}`, change).expect(200)).body.version).toBe(2);
    const other = { ...change, nickname: 'Old green' };
    expect((await fresh.put(`/vehicles/${own}`, other).expect(409)).body.current.nickname).toBe('Old blue');
    await fresh.delete(`/vehicles/${own}`).expect(204);
    await fresh.get(`/vehicles/${own}`).expect(404);
    expect((await fresh.get('/vehicles/removed')).body).toHaveLength(1);
    await fresh.post(`/vehicles/${own}/restore`).expect(200);
    await fresh.get(`/vehicles/${own}`).expect(200);
    expect((await fresh.post('/vehicles', { ...change, planId: 'hovercraft' }).expect(422)).body.field).toBe('version');
  });
});
