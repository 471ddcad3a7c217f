import { describe, expect, it } from 'vitest';
import { NO_WELDING, type Shop, type WeldingCost } from '@aspecta/contract/shop';
import { houseWithCar, memberOf, ownerOf, Visitor } from '../testing/house.ts';

const here = houseWithCar();

describe('schools of welding', () => {
  it('tell how long a typical patch takes by each, and how much it pulls, as a weld plan reckons it', async () => {
    const owner = await ownerOf(here.house, 'Schools of welding');
    const all: WeldingCost[] = [];
    for (const question of Object.keys(NO_WELDING))
      all.push(...((await owner.get(`/weld/schools/${question}`).expect(200)).body as WeldingCost[]));
    const of = (choice: string) => all.find((one) => one.choice === choice)!;
    expect(all.map(({ choice }) => choice)).toEqual([
      ...['mig', 'tig', 'gas'],
      ...['coolest', 'skip', 'backstep'],
      ...['clamps', 'screws'],
      ...['cool', 'pass'],
    ]);
    for (const { total, wait, pull } of all) {
      expect(wait).toBeLessThanOrEqual(total);
      expect(pull).toBeGreaterThanOrEqual(1);
    }
    // Common practice: TIG is slower than MIG, holes of screws are more to weld, and nothing is sooner than the coolest place.
    expect(of('tig').total).toBeGreaterThan(of('mig').total);
    expect(of('screws').total).toBeGreaterThan(of('clamps').total);
    expect(of('coolest').total).toBeLessThanOrEqual(Math.min(of('skip').total, of('backstep').total));
    // One pass before it is cold waits less.
    expect(of('pass').wait).toBeLessThan(of('cool').wait);
    await owner.get('/weld/schools/toString').expect(404);
    await new Visitor(here.house).get('/weld/schools/process').expect(401);
  });

  it('are chosen as a house rule, with who changed it and when; what is none is refused at its field', async () => {
    const owner = await ownerOf(here.house, 'Chosen');
    const shop = async () => (await owner.get('/shop').expect(200)).body as Shop;
    const { id: _id, ...before } = await shop();
    expect(before.welding).toEqual(NO_WELDING);
    const put = (welding: object) => owner.put('/shop', { ...before, welding });
    expect((await put({ ...NO_WELDING, process: 'laser' }).expect(422)).body).toMatchObject({
      field: 'welding.process',
    });
    await put({ ...NO_WELDING, process: 'tig' }).expect(200);
    const { welding, changed } = await shop();
    expect(welding.process).toBe('tig');
    expect(Object.keys(changed!)).toEqual(['process']);
    expect(changed!.process).toMatchObject({ by: 'Owner Test' });
    expect(JSON.stringify((await owner.get('/shop/audit').expect(200)).body)).toContain(
      'Process: as welded last → TIG',
    );
    const { visitor } = await memberOf(here.house, owner, { role: 'worker' });
    await visitor.put('/shop', { ...before, version: before.version + 1 }).expect(403);
  });
});
