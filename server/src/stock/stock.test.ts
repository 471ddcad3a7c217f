import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { PatternView } from '@aspecta/contract/pattern';
import type { LaidOutView, StockView } from '@aspecta/contract/stock';
import type { WayView } from '@aspecta/contract/way';
import { boxOf } from '@aspecta/core/geometry';
import { decided, houseWithCar, ownerOf, squareAt, vehicleOf, type Visitor } from '../testing/house.ts';

const here = houseWithCar();
const sheetOf = (over: object = {}) => ({
  ...{ id: randomUUID(), name: 'Rack 1', width: 1000, height: 1000, thickness: 0.9, material: 'steel' },
  ...over,
});
async function rack(visitor: Visitor) {
  const view = async () => (await visitor.get('/stock').expect(200)).body as StockView;
  return { view, add: (over: object = {}) => visitor.post('/stock/sheets', sheetOf(over)).expect(201) };
}

describe('the rack', () => {
  it('gives sheets to the patterns that wait, takes back what is left, and can be told that it was not so', async () => {
    const owner = await ownerOf(here.house, 'Rack and shears');
    const vehicle = await vehicleOf(owner);
    const repair = (await decided(owner, vehicle, 'patch', { panel: 'floor-front-l', ring: squareAt(200, 200, 120) }))
      .id;
    const { view, add } = await rack(owner);
    const [blank] = (await view()).blanks;
    expect(blank).toMatchObject({ repair, cutFrom: null });
    await add({ name: 'Too thin', thickness: 0.5 });
    const asked = { blanks: [repair], gap: 5, turn: true };
    const none = (await owner.post('/stock/lay-out', asked).expect(200)).body as LaidOutView;
    expect(none.without).toEqual([{ blank: repair, why: 'metal' }]);
    const right = randomUUID();
    await add({ id: right, thickness: blank!.thickness });
    const laid = (await owner.post('/stock/lay-out', asked).expect(200)).body as LaidOutView;
    expect(laid.sheets.map(({ sheet }) => sheet)).toEqual([right]);
    const cut = (await owner.post('/stock/cut', { ...asked, sheet: right, version: 1 }).expect(200)).body as StockView;
    expect(cut.blanks[0]!.cutFrom).toMatchObject({ sheet: 'Rack 1' });
    const leftover = cut.sheets.find((sheet) => sheet.leftover)!;
    expect(leftover).toMatchObject({ name: 'Left of Rack 1', width: 1000 });
    expect(cut.sheets.some(({ id }) => id === right)).toBe(false);
    // The same sheet cannot be cut twice.
    await owner.post('/stock/cut', { ...asked, sheet: right, version: 1 }).expect(422);
    const back = (await owner.delete(`/stock/cut/${repair}/0`).expect(200)).body as StockView;
    expect(back.blanks[0]!.cutFrom).toBeNull();
    expect(back.sheets.map(({ id }) => id)).toContain(right);
    expect(back.sheets.some((sheet) => sheet.leftover)).toBe(false);
  });

  it('gives a sheet to each section of a piece that goes in parted, and forgets none of them', async () => {
    const owner = await ownerOf(here.house, 'Halves on sheets');
    const vehicle = await vehicleOf(owner);
    const { id } = await decided(owner, vehicle, 'make', { panel: 'floor-front-l', ring: squareAt(200, 200, 160) });
    const { view, add } = await rack(owner);
    const { minU, maxU } = boxOf(((await owner.get(`/repairs/${id}/way`).expect(200)).body as WayView).piece);
    const half = Math.round((maxU - minU) / 2);
    // Too narrow for all of it, wide enough for a half.
    const route = { name: 'Hatch', opening: { a: half + 30, b: 100 }, room: null, parts: [] };
    const way = {
      ...{ depth: 40, clearance: 20, lines: [{ across: true, at: half }], version: 0 },
      routes: [{ id: randomUUID(), ...route }],
    };
    await owner.put(`/repairs/${id}/way`, { ...way, chosen: way.routes[0]!.id }).expect(200);
    const waiting = (await view()).blanks;
    expect(waiting.map(({ id: blank }) => blank)).toEqual([`${id}.0`, `${id}.1`]);
    const sheets = [randomUUID(), randomUUID()];
    for (const sheet of sheets) await add({ id: sheet, thickness: waiting[0]!.thickness });
    const cut = async (blank: string) => {
      const asked = { blanks: [blank], gap: 5, turn: true };
      const laid = (await owner.post('/stock/lay-out', asked).expect(200)).body as LaidOutView;
      const body = { ...asked, sheet: laid.sheets[0]!.sheet, version: 1 };
      return (await owner.post('/stock/cut', body).expect(200)).body as StockView;
    };
    expect((await cut(`${id}.1`)).blanks.map(({ cutFrom }) => cutFrom === null)).toEqual([true, false]);
    expect((await cut(`${id}.0`)).blanks.map(({ cutFrom }) => cutFrom === null)).toEqual([false, false]);
    // Whole again: what was cut for the halves is told, and counts for nothing.
    await owner.put(`/repairs/${id}/way`, { ...way, chosen: null, version: 1 }).expect(200);
    expect((await view()).blanks).toMatchObject([{ id, cutFrom: null }]);
    const whole = (await owner.get(`/repairs/${id}/pattern`).expect(200)).body as PatternView;
    expect(whole.cutOtherwise).toMatchObject({ sheet: 'Left of Rack 1', of: 2 });
    await owner.put(`/repairs/${id}/way`, { ...way, chosen: way.routes[0]!.id, version: 2 }).expect(200);
    // The second was cut from what the first one left: it goes back before the first can.
    expect((await owner.delete(`/stock/cut/${id}/1`).expect(422)).body.field).toBe('sheet');
    const back = (await owner.delete(`/stock/cut/${id}/0`).expect(200)).body as StockView;
    expect(back.blanks.map(({ cutFrom }) => cutFrom === null)).toEqual([true, false]);
    await owner.delete(`/stock/cut/${id}/0`).expect(404);
  });

  it('is changed and cleared, by people of the shop alone; a sheet of nothing is refused at its field', async () => {
    const owner = await ownerOf(here.house, 'Second rack');
    const { view, add } = await rack(owner);
    await add();
    const [sheet] = (await view()).sheets;
    const changed = { ...sheetOf({ id: sheet!.id, name: 'By the door' }), version: sheet!.version };
    await owner.put(`/stock/sheets/${sheet!.id}`, changed).expect(200);
    expect((await view()).sheets[0]!.name).toBe('By the door');
    expect((await owner.post('/stock/sheets', sheetOf({ width: 0 })).expect(422)).body.field).toBe('width');
    await here.owner.delete(`/stock/sheets/${sheet!.id}`).expect(404);
    await owner.delete(`/stock/sheets/${sheet!.id}`).expect(200);
    expect((await view()).sheets).toEqual([]);
  });
});
