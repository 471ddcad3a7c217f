import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { DressView } from '@aspecta/contract/dress';
import type { JobView } from '@aspecta/contract/job';
import type { RecordView } from '@aspecta/contract/record';
import { ON_SILL, decided, houseWithCar, ownerOf, squareAt, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
/** On a door skin, which is seen and carries nothing. */
const SEEN = { panel: 'door-skin-l', ring: squareAt(300, 200, 80) };
async function repairOn(zone: object) {
  const vehicle = await vehicleOf(here.owner);
  const { id } = await decided(here.owner, vehicle, 'patch', zone);
  const view = async () => (await here.owner.get(`/repairs/${id}/dress`).expect(200)).body as DressView;
  const read = (readings: object[], over: object = {}) =>
    here.owner.post(`/repairs/${id}/dress/rounds`, { id: randomUUID(), readings, note: '', ...over });
  return { vehicle, id, view, read };
}

describe('a straight edge over the welds', () => {
  it('is read round by round: what is stretched first is filled later, and the job knows when it is level', async () => {
    const { vehicle, id, view, read } = await repairOn(SEEN);
    const first = await view();
    expect(first).toMatchObject({ noFiller: null, welded: null, rounds: [] });
    expect(first.places.every(({ mm, end }) => mm >= 0 && end !== '')).toBe(true);
    const all = (mm: number) => first.places.map(({ id: place }) => ({ place, mm }));
    const low = (await read(all(-3)).expect(201)).body as DressView;
    expect(low.rounds[0]!.result).toMatchObject({ low: 3, good: false, fill: { kind: 'ordinary', layers: 2 } });
    const step = async () =>
      ((await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView).steps.find(
        (one) => one.id === `${id} dress`,
      )!;
    expect(await step()).toMatchObject({ share: 0.5, path: `repairs/${id}/dress` });
    const good = (await read(all(-1)).expect(201)).body as DressView;
    expect(good.rounds.map(({ result }) => result.good)).toEqual([false, true]);
    expect((await step()).state).toBe('done');
    const { parts } = (await here.owner.get(`/vehicles/${vehicle}/record`).expect(200)).body as RecordView;
    expect(JSON.stringify(parts)).toContain(
      `1.0 mm at its lowest, 0.0 mm at its proudest, read at ${all(0).length} places`,
    );
    await here.owner.delete(`/repairs/${id}/dress/rounds/${good.rounds[1]!.id}`).expect(200);
    expect((await view()).rounds).toHaveLength(1);
    await here.owner.delete(`/repairs/${id}/dress/rounds/${good.rounds[1]!.id}`).expect(404);
  });

  it('fills nothing on what carries load, and says why', async () => {
    const { view, read } = await repairOn(ON_SILL);
    const { noFiller, places } = await view();
    expect(noFiller).toMatch(/carries load/);
    const { body } = await read([{ place: places[0]!.id, mm: -4 }]).expect(201);
    expect((body as DressView).rounds[0]!.result).toMatchObject({ fill: null, good: true });
  });

  it('sent twice is kept once; a place that is none, a reading that is none and a stranger are refused', async () => {
    const { id, view, read } = await repairOn(SEEN);
    const round = randomUUID();
    const [place] = (await view()).places;
    await read([{ place: place!.id, mm: 1 }], { id: round }).expect(201);
    await read([{ place: place!.id, mm: 1 }], { id: round }).expect(201);
    expect((await view()).rounds).toHaveLength(1);
    expect((await read([{ place: '9:9', mm: 1 }]).expect(422)).body.field).toBe('readings[0].place');
    expect((await read([{ place: place!.id, mm: 90 }]).expect(422)).body.field).toMatch(/mm/);
    const stranger = await ownerOf(here.house, 'Strangers with an edge');
    await stranger.get(`/repairs/${id}/dress`).expect(404);
    await stranger.delete(`/repairs/${id}/dress/rounds/${round}`).expect(404);
  });
});
