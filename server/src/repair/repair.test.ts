import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import type { VerdictView } from '@aspecta/contract/verdict';
import { houseWithCar, ownerOf, readInches, vehicleOf, zoneInput } from '../testing/house.ts';
import { textOf } from '../testing/pdfText.ts';

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

  describe('are closed', () => {
    const choose = (repair: string, joint: { at: [number, number]; kind: string }, over: object) =>
      here.owner.put(`/repairs/${repair}/joints`, {
        ...{ at: joint.at, kind: joint.kind, closing: 'spot', pitch: null, version: 0 },
        ...over,
      });
    const spotted = (view: JointsView) => view.joints.find(({ kind }) => kind === 'spot')!;

    it('as the house does it, until a person says otherwise for one of them; hours and drill map follow', async () => {
      const repair = await decided('sill-l', square(10, 5, 100), 'patch');
      const before = await joints(repair);
      const joint = spotted(before);
      expect(joint).toMatchObject({ closing: 'plug', chosen: false, ways: ['plug', 'spot', 'butt'] });
      const { body: spots } = await choose(repair, joint, {}).expect(200);
      expect(spotted(spots)).toMatchObject({ closing: 'spot', chosen: true });
      expect(spots.hours).toBeLessThan(before.hours);
      const { body: lip } = await choose(repair, joint, { closing: 'butt', version: 1 }).expect(200);
      expect(lip.fasteners.length).toBe(before.fasteners.length - joint.fasteners);
      expect(spotted(lip).notes).toEqual([expect.stringMatching(/sound lip/)]);
      const { body: house } = await choose(repair, joint, { closing: null, version: 2 }).expect(200);
      expect({ ...house, version: 0 }).toEqual(before);
    });

    it('by the rules of the house, which its verdict weighs with as well', async () => {
      const owner = await ownerOf(here.house, 'Lapping');
      const { id: _id, ...rules } = (await owner.get('/shop').expect(200)).body;
      const vehicle = await vehicleOf(owner);
      const zone = zoneInput({ panel: 'floor-front-l', ring: square(200, 120, 90) });
      await owner.post(`/vehicles/${vehicle}/zones`, zone).expect(201);
      const patch = async () => {
        const { body } = await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds: [zone['id']] }).expect(200);
        return (body as VerdictView).verdict.options.find(({ id }) => id === 'patch')!;
      };
      expect((await patch()).elements.map(({ name }) => name)).toContain('Tack and stitch');
      const schools = { seen: 'butt', hidden: 'lap', flange: 'plug' };
      await owner.put('/shop', { ...rules, schools }).expect(200);
      const lapped = await patch();
      expect(lapped.elements.map(({ name }) => name)).toContain('Seal the overlap');
      const decision = { id: randomUUID(), zoneIds: [zone['id']], choice: 'patch', reason: 'hidden' };
      await owner.post(`/vehicles/${vehicle}/repairs`, decision).expect(201);
      const view = (await owner.get(`/repairs/${decision.id}/joints`).expect(200)).body as JointsView;
      expect(view.joints.map(({ closing }) => closing)).toEqual(['lap']);
      // The same line and the same joints: what the verdict counted is what the plan counts.
      const counted = (name: string) => lapped.elements.find((element) => element.name === name)!.count;
      expect(view.work.find(({ name }) => name === 'Seal the overlap')!.count).toBeCloseTo(
        counted('Seal the overlap'),
        6,
      );
    });

    it('run by run where that is said: one run joggled, the rest as it was, and one again when it is taken back', async () => {
      const repair = await decided('floor-front-l', square(300, 200, 150), 'patch');
      const before = await joints(repair);
      const cut = before.joints.find(({ kind }) => kind === 'cut')!;
      expect(cut.runs.length).toBeGreaterThan(3);
      const run = cut.runs[1]!;
      const { body } = await choose(repair, { ...cut, at: run.at }, { closing: 'joggle', alone: true }).expect(200);
      const alone = (body as JointsView).joints.filter((joint) => joint.alone);
      expect(alone).toMatchObject([{ closing: 'joggle', chosen: true, name: `in the sheet, towards the ${run.name}` }]);
      expect((body as JointsView).joints.filter(({ kind }) => kind === 'cut')).toHaveLength(2);
      // Said again of the same run it gives way; said of the rest, the run keeps its own word.
      const lapped = (await choose(repair, alone[0]!, { closing: 'lap', alone: true, version: 1 }).expect(200))
        .body as JointsView;
      expect(lapped.joints.filter((joint) => joint.alone)).toMatchObject([{ closing: 'lap' }]);
      const rest = lapped.joints.find((joint) => joint.kind === 'cut' && !joint.alone)!;
      const both = (await choose(repair, rest, { closing: 'joggle', version: 2 }).expect(200)).body as JointsView;
      expect(
        both.joints
          .filter(({ kind }) => kind === 'cut')
          .map(({ closing }) => closing)
          .sort(),
      ).toEqual(['joggle', 'lap']);
      const own = both.joints.find((joint) => joint.alone)!;
      const one = (await choose(repair, own, { closing: null, alone: true, version: 3 }).expect(200))
        .body as JointsView;
      expect(one.joints.filter(({ kind }) => kind === 'cut')).toMatchObject([{ closing: 'joggle' }]);
    });

    it('by as many as were counted on the car, whatever the pitch says', async () => {
      const repair = await decided('sill-l', square(10, 5, 100), 'patch');
      const before = await joints(repair);
      const joint = spotted(before);
      const { body } = await choose(repair, joint, { closing: null, found: joint.fasteners + 3 }).expect(200);
      expect(body.fasteners).toHaveLength(before.fasteners.length + 3);
      expect(spotted(body)).toMatchObject({ counted: true, chosen: false, fasteners: joint.fasteners + 3 });
      expect(body.hours).toBeGreaterThan(before.hours);
      expect((await choose(repair, joint, { closing: null, found: -1, version: 1 }).expect(422)).body.field).toBe(
        'found',
      );
      const { body: none } = await choose(repair, joint, { closing: null, version: 1 }).expect(200);
      expect({ ...none, version: 0 }).toEqual(before);
    });

    it('refuse a way that such a joint cannot have, a pitch of nothing, and a joint that is not there', async () => {
      const repair = await decided('sill-l', square(10, 5, 100), 'patch');
      const joint = spotted(await joints(repair));
      expect((await choose(repair, joint, { closing: 'hem' }).expect(422)).body.field).toBe('closing');
      expect((await choose(repair, joint, { closing: 'glue' }).expect(422)).body.field).toBe('closing');
      expect((await choose(repair, joint, { closing: 'plug', pitch: 0 }).expect(422)).body.field).toBe('pitch');
      expect((await choose(repair, joint, { at: [9000, 9000] }).expect(422)).body.detail).toMatch(/not there any more/);
      expect((await joints(repair)).version).toBe(0);
    });

    it('show the one who was slower what is chosen now', async () => {
      const repair = await decided('sill-l', square(10, 5, 100), 'patch');
      const joint = spotted(await joints(repair));
      await choose(repair, joint, {}).expect(200);
      expect((await choose(repair, joint, { closing: 'butt' }).expect(409)).body.current.version).toBe(1);
    });
  });
});

describe('the drill map on paper', () => {
  it('has every joint with its count, pitch and first place by the tape, what is hidden, and the cautions', async () => {
    const repair = await decided('sill-r', square(200, 20, 100), 'whole');
    const view = await joints(repair);
    const map = async () =>
      textOf((await here.owner.get(`/repairs/${repair}/drill-map.pdf`).buffer().expect(200)).body as Buffer);
    const text = (await map()).replace(/\n/g, ' ');
    expect(text).toContain(`${view.fasteners.length} fasteners, 0 of them opened`);
    for (const joint of view.joints.filter(({ fasteners }) => fasteners > 0))
      expect(text).toMatch(new RegExp(`${joint.fasteners} (spots?|bolts?|rivets?|fasteners?), No. \\d+ to \\d+`));
    expect(text).toMatch(/mm from the .* end|mm from the /);
    expect(text).toContain('Before you drill');
    const back = await readInches(here.owner);
    expect(await map()).not.toMatch(/\d mm\b/);
    await back();
  });
});
