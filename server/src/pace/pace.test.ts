import { describe, expect, it } from 'vitest';
import type { JobView } from '@aspecta/contract/job';
import type { PacesView } from '@aspecta/contract/pace';
import type { RepairView } from '@aspecta/contract/verdict';
import { decided, houseWithCar, ON_SILL, ownerOf, vehicleOf, type Visitor } from '../testing/house.ts';

const here = houseWithCar();
const paces = async (visitor: Visitor) => (await visitor.get('/paces').expect(200)).body as PacesView;
const makeOf = (view: PacesView) => view.paces.find(({ kind }) => kind === 'make')!;

describe('own paces', () => {
  it('are learnt from hours noted on steps, move later estimates by just that, never learn from themselves, and are forgotten', async () => {
    const owner = await ownerOf(here.house, 'Slow hands');
    const took = async (times: number, repair: RepairView, vehicle: string) => {
      const job = (await owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
      const step = job.steps.find(({ id }) => id === `${repair.id} make`)!;
      const said = { step: step.id, state: 'done', reason: '', until: null, notBefore: null, hours: null };
      await owner.put(`/vehicles/${vehicle}/job/said`, { ...said, spent: step.hours * times }).expect(200);
    };
    const made = async (times: number) => {
      const vehicle = await vehicleOf(owner);
      const repair = await decided(owner, vehicle, 'make', ON_SILL);
      await took(times, repair, vehicle);
      return repair;
    };
    const first = await made(2);
    await made(2);
    expect(makeOf(await paces(owner))).toMatchObject({ used: false });
    await made(2);
    const taught = makeOf(await paces(owner));
    expect(taught).toMatchObject({ used: true });
    expect(taught.cases).toHaveLength(3);
    // Drawn towards 1 by what is believed before any case.
    expect(taught.factor).toBeGreaterThan(1.3);
    expect(taught.factor).toBeLessThan(2);
    const vehicle = await vehicleOf(owner);
    const later = await decided(owner, vehicle, 'make', ON_SILL);
    expect(later.hours.p50).toBeGreaterThan(first.hours.p50 * 1.05);
    // Done in just the hours that are now reckoned: against what was counted that is the same factor again.
    await took(1, later, vehicle);
    const again = makeOf(await paces(owner));
    expect(again.factor).toBeCloseTo(taught.factor, 1);
    expect(again.cases.at(-1)!.spent / again.cases.at(-1)!.counted).toBeCloseTo(taught.factor, 2);
    const forgotten = (await owner.delete('/paces').expect(200)).body as PacesView;
    expect(makeOf(forgotten)).toMatchObject({ used: false, cases: [] });
    const fresh = await decided(owner, await vehicleOf(owner), 'make', ON_SILL);
    expect(fresh.hours.p50).toBeCloseTo(first.hours.p50, 6);
  });

  it('say how the second side compares with the first, by the steps that were timed on both', async () => {
    const owner = await ownerOf(here.house, 'Both sides timed');
    const vehicle = await vehicleOf(owner);
    const took = async (repair: RepairView, hours: Record<string, number>) => {
      for (const [kind, spent] of Object.entries(hours)) {
        const said = { step: `${repair.id} ${kind}`, state: 'done', reason: '', until: null, notBefore: null };
        await owner.put(`/vehicles/${vehicle}/job/said`, { ...said, hours: null, spent }).expect(200);
      }
    };
    const left = await decided(owner, vehicle, 'patch', ON_SILL);
    await took(left, { make: 4, strip: 2, fit: 1 });
    expect((await paces(owner)).second).toMatchObject({ factor: 1, cases: [] });
    const right = await decided(owner, vehicle, 'patch', { ...ON_SILL, panel: 'sill-r' });
    await took(right, { make: 3, strip: 1.5 });
    const { second } = await paces(owner);
    expect(second.cases).toMatchObject([{ panel: 'Sill, right', first: 6, second: 4.5 }]);
    // Drawn towards 1 by what is believed before any case.
    expect(second.factor).toBeLessThan(1);
    expect(second.factor).toBeGreaterThan(0.75);
  });

  it('are of each shop alone, and only its owner has them forgotten', async () => {
    const other = await ownerOf(here.house, 'Others with a pace');
    expect((await paces(other)).paces.every(({ cases, factor }) => cases.length === 0 && factor === 1)).toBe(true);
  });
});
