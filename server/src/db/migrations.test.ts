import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createDataSource } from './dataSource.ts';
import { openHouse, ownerOf, vehicleOf, type House } from '../testing/house.ts';

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

describe('migrations', () => {
  it('leave nothing for the entities to add (no drift)', async () => {
    const { upQueries } = await house.db.driver.createSchemaBuilder().log();
    expect(upQueries.map((query) => query.query)).toEqual([]);
  });

  it('run on a filled database without touching it', async () => {
    const owner = await ownerOf(house);
    const vehicle = await vehicleOf(owner);
    const again = await createDataSource(house.address).initialize();
    expect(await again.runMigrations({ transaction: 'each' })).toEqual([]);
    await again.destroy();
    await owner.get(`/vehicles/${vehicle}`).expect(200);
  });
});
