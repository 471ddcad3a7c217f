import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { LaidOutView, StockView } from '@aspecta/contract/stock';
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
    const asked = { repairs: [repair], gap: 5, turn: true };
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
    const back = (await owner.delete(`/stock/cut/${repair}`).expect(200)).body as StockView;
    expect(back.blanks[0]!.cutFrom).toBeNull();
    expect(back.sheets.map(({ id }) => id)).toContain(right);
    expect(back.sheets.some((sheet) => sheet.leftover)).toBe(false);
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
