import { describe, expect, it } from 'vitest';
import { SCHOOL_WORDS, type SchoolCost, type Shop } from '@aspecta/contract/shop';
import { houseWithCar, ownerOf, Visitor } from '../testing/house.ts';

const here = houseWithCar();

describe('the schools of joints', () => {
  it('are compared on typical repairs by the rates of the shop: a lap takes less than a butt, and no two questions mix', async () => {
    const owner = await ownerOf(here.house, 'Schools');
    const costs = async () => {
      const all: SchoolCost[] = [];
      for (const question of Object.keys(SCHOOL_WORDS))
        all.push(...((await owner.get(`/estimates/schools/${question}`).expect(200)).body as SchoolCost[]));
      return all;
    };
    await owner.get('/estimates/schools/toString').expect(404);
    const before = await costs();
    expect(before.map(({ question, choice }) => `${question} ${choice}`).sort()).toEqual(
      Object.entries(SCHOOL_WORDS)
        .flatMap(([question, ways]) => Object.keys(ways).map((choice) => `${question} ${choice}`))
        .sort(),
    );
    const of = (all: readonly SchoolCost[], question: string, choice: string) =>
      all.find((one) => one.question === question && one.choice === choice)!;
    for (const question of ['seen', 'hidden'])
      expect(of(before, question, 'lap').hours).toBeLessThan(of(before, question, 'butt').hours);
    expect(of(before, 'flange', 'spot').hours).toBeLessThan(of(before, 'flange', 'plug').hours);
    // Another rate moves the money and no hour; the school of another question is that of the house.
    const { id: _id, version, ...shop } = (await owner.get('/shop').expect(200)).body as Shop;
    const rates = { ...shop.rates, hour: 2 * shop.rates.hour };
    await owner.put('/shop', { ...shop, rates, schools: { ...shop.schools, hidden: 'lap' }, version }).expect(200);
    const after = await costs();
    expect(of(after, 'seen', 'butt').hours).toBe(of(before, 'seen', 'butt').hours);
    expect(of(after, 'seen', 'butt').cost).toBeGreaterThan(1.8 * of(before, 'seen', 'butt').cost);
    expect(of(after, 'flange', 'plug').hours).toBeLessThan(of(before, 'flange', 'plug').hours);
    await new Visitor(here.house).get('/estimates/schools/seen').expect(401);
  });
});
