import { describe, expect, it } from 'vitest';
import type { PracticeResult, PracticeView } from '@aspecta/contract/practice';
import { bodyPlans } from '@aspecta/core/body';
import { houseWithCar, ownerOf } from '../testing/house.ts';

const here = houseWithCar();
const car = { plan: 'saloon', level: 1, seed: 5 };
const view = async (of: object = car) =>
  (await here.owner.get(`/practice?${new URLSearchParams({ ...of } as never).toString()}`).expect(200))
    .body as PracticeView;
const end = async (answers: object[], readings = 0, of: object = car) =>
  (await here.owner.post('/practice/end', { ...of, answers, readings }).expect(200)).body as PracticeResult;

describe('practice', () => {
  it('shows what shows and never the damage; the same number is the same car', async () => {
    const first = await view();
    expect(first.panels).toHaveLength(3);
    expect(JSON.stringify(first)).not.toMatch(/spots|depth|gone/);
    expect((await view()).panels).toEqual(first.panels);
    const { panel } = first.panels[0]!;
    const read = { ...car, panel, at: [100, 40], gauge: 'metal', n: 0 };
    const value = async (body: object) =>
      ((await here.owner.post('/practice/read', body)).body as { value: number }).value;
    expect(await value(read)).toBe(await value(read));
  });

  it('is scored the same twice for the same decisions; who knows the truth has all points, and the best is kept', async () => {
    const nothing = await end([]);
    expect(nothing.score.points).toBeLessThan(100);
    expect((await end([])).score).toEqual(nothing.score);
    const right = nothing.score.panels.map(({ panel, best }) => ({
      panel,
      choice: best,
      zones: best === 'patch' ? nothing.truth.find((one) => one.panel === panel)!.gone : [],
    }));
    const best = await end(right);
    expect(best.score.points).toBe(100);
    await end([]);
    expect((await view()).best!.points).toBe(100);
    const other = await ownerOf(here.house, 'Others who practise');
    const { body } = await other.get('/practice?plan=saloon&level=1&seed=5').expect(200);
    expect((body as PracticeView).best).toBeNull();
  });

  it('goes on every body and level, and refuses what is no car or no area', async () => {
    for (const plan of bodyPlans())
      for (const level of [1, 2, 3]) {
        const { panels } = await view({ plan: plan.id, level, seed: 8 });
        const answers = panels.map(({ panel }) => ({ panel, choice: 'whole', zones: [] }));
        const { score } = await end(answers, 5, { plan: plan.id, level, seed: 8 });
        // Also where it is sound: all of its seams are opened for nothing.
        expect(
          score.panels.filter(({ hours }) => !(hours > 0.5)),
          `${plan.id} ${level}`,
        ).toEqual([]);
      }
    await here.owner.get('/practice?plan=saloon&level=4&seed=1').expect(422);
    await here.owner.get('/practice?plan=no-such&level=1&seed=1').expect(422);
    const { panel } = (await view()).panels[0]!;
    const crossing = [
      [0, 0],
      [200, 200],
      [200, 0],
      [0, 200],
    ];
    await here.owner
      .post('/practice/end', { ...car, answers: [{ panel, choice: 'patch', zones: [crossing] }], readings: 0 })
      .expect(422);
  });
});
