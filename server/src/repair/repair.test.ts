import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import { houseWithCar, ownerOf } from '../testing/house.ts';

const here = houseWithCar();

/** A repair of one zone of a panel, decided so. */
async function decided(panel: string, ring: [number, number][], choice: string, layer = 'outer'): Promise<string> {
  const zone = {
    id: randomUUID(),
    panel,
    layer,
    ring,
    holes: [],
    class: 'through',
    evidence: 'stripped',
    note: '',
    overruled: '',
  };
  await here.owner.post(`/vehicles/${here.vehicle}/zones`, zone).expect(201);
  await here.owner
    .post(`/vehicles/${here.vehicle}/offers`, { panel, maker: 'Harrow', price: 9000, carriage: 1500, leadDays: 5 })
    .expect(201);
  const { body } = await here.owner
    .post(`/vehicles/${here.vehicle}/repairs`, {
      id: randomUUID(),
      zoneIds: [zone.id],
      choice,
      reason: 'as it is',
    })
    .expect(201);
  return (body as { id: string }).id;
}
const joints = async (repair: string) =>
  (await here.owner.get(`/repairs/${repair}/joints`).expect(200)).body as JointsView;
const square = (u: number, v: number, side: number): [number, number][] => [
  [u, v],
  [u + side, v],
  [u + side, v + side],
  [u, v + side],
];

describe('the joints of a repair', () => {
  it('of a whole hemmed skin are hems: nothing to drill', async () => {
    const view = await joints(await decided('door-skin-l', square(300, 40, 80), 'whole'));
    expect(view.whole).toBe(true);
    expect(new Set(view.joints.map(({ kind }) => kind))).toEqual(new Set(['hem']));
    expect(view.fasteners).toEqual([]);
    expect(view.hours).toBeGreaterThan(2);
  });

  it('of a patch that reaches the edge hold the spots there, each in its place on the panel', async () => {
    const view = await joints(await decided('sill-l', square(10, 5, 100), 'patch'));
    expect(view.whole).toBe(false);
    expect(view.joints.some(({ kind }) => kind === 'cut')).toBe(true);
    const spots = view.fasteners.filter(({ kind }) => kind === 'spot');
    expect(spots.length).toBeGreaterThan(3);
    expect(view.fasteners.map(({ n }) => n)).toEqual(view.fasteners.map((_, i) => i + 1));
    expect(view.work.reduce((sum, { hours }) => sum + hours, 0)).toBeCloseTo(view.hours, 9);
  });

  it('are marked as loose or opened, by whom, and taken back; the last word counts', async () => {
    const repair = await decided('boot-floor', square(300, 300, 120), 'whole');
    const [first, second] = (await joints(repair)).fasteners;
    const mark = (body: object) => here.owner.put(`/repairs/${repair}/fasteners`, body);
    await mark({ ids: [first!.id, second!.id], state: 'opened' }).expect(200);
    await mark({ ids: [second!.id], state: 'loose' }).expect(200);
    let now = (await joints(repair)).fasteners;
    expect(now.slice(0, 3).map(({ state }) => state)).toEqual(['opened', 'loose', 'holds']);
    expect(now[0]!.by).toBe('Owner Test');
    now = ((await mark({ ids: [first!.id], state: 'holds' }).expect(200)).body as JointsView).fasteners;
    expect(now[0]).toMatchObject({ state: 'holds', by: null });
  });

  it('refuse what is no fastener of theirs, and strangers', async () => {
    const repair = await decided('tunnel', square(300, 100, 60), 'whole');
    const mark = (body: object) => here.owner.put(`/repairs/${repair}/fasteners`, body);
    expect((await mark({ ids: ['9999:9999'], state: 'opened' }).expect(422)).body).toMatchObject({
      field: 'ids',
      detail: expect.stringMatching(/not on the map any more/),
    });
    expect((await mark({ ids: ['roof'], state: 'opened' }).expect(422)).body.field).toMatch(/^ids/);
    expect((await mark({ ids: [], state: 'opened' }).expect(422)).body.field).toBe('ids');
    expect((await mark({ ids: ['5:5'], state: 'painted' }).expect(422)).body.field).toBe('state');
    const stranger = await ownerOf(here.house, 'Elsewhere');
    await stranger.get(`/repairs/${repair}/joints`).expect(404);
    await stranger.put(`/repairs/${repair}/fasteners`, { ids: ['5:5'], state: 'opened' }).expect(404);
  });
});
