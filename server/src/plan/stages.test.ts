import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { CloseView } from '@aspecta/contract/close';
import type { PlanView } from '@aspecta/contract/plan';
import type { Shop } from '@aspecta/contract/shop';
import { decided, houseWithCar, ownerOf, vehicleOf } from '../testing/house.ts';

/* From bare metal to paint: what the rules of the house, the plan and the coats make of it. */
const here = houseWithCar();

async function carWithPatch() {
  const owner = await ownerOf(here.house);
  const car = await vehicleOf(owner);
  const repair = await decided(owner, car, 'patch');
  const stages = async () => ((await owner.get(`/vehicles/${car}/plan`).expect(200)).body as PlanView).stages;
  const paints = async (on: boolean) => {
    const { id: _id, ...rules } = (await owner.get('/shop').expect(200)).body as Shop;
    return (await owner.put('/shop', { ...rules, paints: on }).expect(200)).body as Shop;
  };
  return { owner, car, repair, stages, paints };
}

describe('from bare metal to paint', () => {
  it('a repair has no days as long as nobody works; then each stage has one, none before the stage below it', async () => {
    const { owner, repair, stages } = await carWithPatch();
    const [before] = await stages();
    expect(before).toMatchObject({ repair: repair.id, panel: 'quarter-l', now: 'opened' });
    expect(Object.values(before!.stages).map(({ end }) => end)).toEqual([null, null, null, null, null, null]);
    const evening: [number, number] = [18, 21];
    await owner
      .post('/workers', {
        id: randomUUID(),
        name: 'Ines',
        week: Array.from({ length: 7 }, () => [evening]),
        off: [],
        timeZone: 'Europe/Berlin',
      })
      .expect(201);
    const [planned] = await stages();
    const { opened, sound, primed, filled, surfacer, ready } = planned!.stages;
    const ends = [opened, sound, primed, filled, surfacer, ready].map((stage) => stage!.end!);
    expect([...ends].sort()).toEqual(ends);
  });

  it('ends in paint where the house paints, and paint on the face that is seen ticks it', async () => {
    const { owner, car, stages, paints } = await carWithPatch();
    expect((await stages())[0]!.stages.painted).toBeUndefined();
    expect((await paints(true)).paints).toBe(true);
    expect((await stages())[0]!.stages.painted).toMatchObject({ done: false });
    const { faces } = (await owner.get(`/vehicles/${car}/close`).expect(200)).body as CloseView;
    const outside = faces.filter(({ kind, panel }) => kind === 'outside' && panel === 'quarter-l').map(({ id }) => id);
    await owner
      .post(`/vehicles/${car}/close/coats`, {
        ...{ id: randomUUID(), product: 'paint', faces: outside },
        ...{ celsius: 20, humidity: null, steel: null, note: '' },
      })
      .expect(201);
    const [painted] = await stages();
    expect(painted!.stages.painted).toMatchObject({ done: true });
    // What comes before it was done, or left out without a note.
    expect(painted!.stages.surfacer).toMatchObject({ done: true });
    expect(painted!.now).toBe('ready');
    await paints(false);
    expect((await stages())[0]!.stages.painted).toBeUndefined();
  });
});
