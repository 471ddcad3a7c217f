import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { HoldView, RoundView } from '@aspecta/contract/hold';
import type { JobView } from '@aspecta/contract/job';
import { weldDefaults } from '@aspecta/contract/weld';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { apart, gapPlaces } from '@aspecta/core/hold';
import { ON_SILL, decided, houseWithCar, squareAt, vehicleOf, zoneInput } from '../testing/house.ts';

const here = houseWithCar();
const view = async (vehicle = here.vehicle) =>
  (await here.owner.get(`/vehicles/${vehicle}/hold`).expect(200)).body as HoldView;
const begin = async (vehicle: string, name = 'Before the first cut'): Promise<string> => {
  const id = randomUUID();
  await here.owner.post(`/vehicles/${vehicle}/hold/rounds`, { id, name, stand: 'stands' }).expect(201);
  return id;
};
const roundOf = (all: HoldView, id: string): RoundView => all.rounds.find((round) => round.id === id)!;
const tape = (vehicle: string, round: string, over: object) =>
  here.owner.post(`/vehicles/${vehicle}/hold/rounds/${round}/tapes`, { id: randomUUID(), kind: 'tape', ...over });
/** Takes all tapes of a figure; `sunk` lowers the points named by so many mm. */
async function takeAll(vehicle: string, round: string, figure: string, sunk: Record<string, number> = {}) {
  const { points, figures } = await view(vehicle);
  const at = (id: string) => {
    const point = points.find((one) => one.id === id)!;
    return { at: [point.at[0], point.at[1], point.at[2] - (sunk[id] ?? 0)] as const };
  };
  for (const [from, to] of figures.find(({ id }) => id === figure)!.tapes)
    await tape(vehicle, round, { from, to, length: apart(at(from), at(to)) }).expect(201);
}
const finish = (vehicle: string, round: string, version: number) =>
  here.owner.put(`/vehicles/${vehicle}/hold/rounds/${round}`, {
    name: 'Before',
    stand: 'jig',
    finished: true,
    kept: null,
    version,
  });

describe('the measurements of a car', () => {
  it('say which tape comes next, until a figure is whole, and name one that was misread', async () => {
    const vehicle = await vehicleOf(here.owner);
    const round = await begin(vehicle);
    const before = roundOf(await view(vehicle), round).figures.find(({ figure }) => figure === 'door-l')!;
    expect(before).toMatchObject({ taken: 0, of: 6, moved: null, held: { open: expect.any(String) as string } });
    expect(before.next).not.toBeNull();
    await takeAll(vehicle, round, 'door-l');
    await takeAll(vehicle, round, 'under');
    let under = roundOf(await view(vehicle), round).figures.find(({ figure }) => figure === 'under')!;
    expect(under).toMatchObject({ next: null, doubtful: [] });
    const { figures } = await view(vehicle);
    const [from, to] = figures.find(({ id }) => id === 'under')!.tapes[3]!;
    const right = roundOf(await view(vehicle), round).tapes.find((one) => one.from === from && one.to === to)!.length;
    await tape(vehicle, round, { from: to, to: from, length: right + 30 }).expect(201);
    under = roundOf(await view(vehicle), round).figures.find(({ figure }) => figure === 'under')!;
    expect(under.doubtful.map((pair) => [...pair].sort())).toContainEqual([from, to].sort());
    // Taken again it fits, and what was read before is kept.
    await tape(vehicle, round, { from, to, length: right }).expect(201);
    const now = roundOf(await view(vehicle), round);
    expect(now.figures.find(({ figure }) => figure === 'under')!.doubtful).toEqual([]);
    expect(now.tapes.find((one) => one.from === from && one.to === to)!.before).toEqual([right, right + 30]);
  });

  it('show what has moved since the first one, with points that nobody has touched laid over each other', async () => {
    const vehicle = await vehicleOf(here.owner);
    const [first, check] = [await begin(vehicle), await begin(vehicle, 'Floor is cut')];
    await takeAll(vehicle, first, 'door-l');
    await takeAll(vehicle, check, 'door-l', { 'lock-foot-l': 4 });
    await tape(vehicle, first, { kind: 'height', from: 'hinge-foot-l', to: '', length: 400 }).expect(201);
    await tape(vehicle, first, { kind: 'height', from: 'hinge-foot-r', to: '', length: 403 }).expect(201);
    await tape(vehicle, check, { kind: 'height', from: 'hinge-foot-l', to: '', length: 398 }).expect(201);
    const kept = ['hinge-foot-l', 'hinge-head-l', 'lock-head-l'];
    const put = { name: 'Floor is cut', stand: 'stands', finished: false, kept, version: 1 };
    await here.owner.put(`/vehicles/${vehicle}/hold/rounds/${check}`, put).expect(200);
    const all = await view(vehicle);
    const moved = roundOf(all, check).figures.find(({ figure }) => figure === 'door-l')!.moved!;
    const foot = moved.find(({ id }) => id === 'lock-foot-l')!;
    expect(foot.beyond).toBe(true);
    expect(foot.by[1]).toBeCloseTo(-4, 0);
    expect(moved.filter(({ beyond }) => beyond)).toHaveLength(1);
    expect(roundOf(all, check).compared).toContainEqual({
      kind: 'height',
      from: 'hinge-foot-l',
      to: '',
      was: 400,
      now: 398,
    });
    expect(roundOf(all, first).sides).toEqual([{ name: 'Foot of the hinge post', left: 400, right: 403 }]);
  });

  it('refuse what cannot be: no such point, the same point, inches read as millimetres; the same tape sent twice is one', async () => {
    const vehicle = await vehicleOf(here.owner);
    const round = await begin(vehicle);
    const pair = { from: 'hinge-foot-l', to: 'lock-foot-l' };
    expect((await tape(vehicle, round, { ...pair, length: 42.4 }).expect(422)).body).toMatchObject({ field: 'length' });
    expect((await tape(vehicle, round, { ...pair, to: 'nowhere', length: 900 }).expect(422)).body).toMatchObject({
      field: 'to',
    });
    expect((await tape(vehicle, round, { ...pair, to: pair.from, length: 900 }).expect(422)).body).toMatchObject({
      field: 'to',
    });
    const same = { ...pair, id: randomUUID(), length: 1076 };
    await tape(vehicle, round, same).expect(201);
    const again = (await tape(vehicle, round, same).expect(201)).body as HoldView;
    expect(roundOf(again, round).tapes).toHaveLength(1);
    const taken = roundOf(again, round).tapes[0]!.id;
    await here.owner.delete(`/vehicles/${vehicle}/hold/rounds/${round}/tapes/${taken}`).expect(200);
    expect(roundOf(await view(vehicle), round).tapes).toEqual([]);
  });

  it('take in a point of one’s own, which then gets its tapes', async () => {
    const vehicle = await vehicleOf(here.owner);
    const point = { id: randomUUID(), name: 'Striker', figure: 'door-l', at: [2338, 620] };
    const added = (await here.owner.post(`/vehicles/${vehicle}/hold/points`, point).expect(201)).body as HoldView;
    const door = added.figures.find(({ id }) => id === 'door-l')!;
    expect(door.tapes.flat()).toContain(point.id);
    await here.owner.delete(`/vehicles/${vehicle}/hold/points/${point.id}`).expect(200);
    expect((await view(vehicle)).figures.find(({ id }) => id === 'door-l')!.tapes).toHaveLength(6);
  });
});

describe('what stands in the way', () => {
  it('of a tape takes it out of the figure, another takes its place, and it comes back when it is free', async () => {
    const vehicle = await vehicleOf(here.owner);
    const round = await begin(vehicle);
    const underOf = (all: HoldView) => all.figures.find(({ id }) => id === 'under')!;
    const before = underOf(await view(vehicle));
    const [from, to] = before.tapes[2]!;
    const id = randomUUID();
    const bar = { id, kind: 'barred', from, to, length: 0 };
    const barred = underOf((await tape(vehicle, round, bar).expect(201)).body as HoldView);
    expect(barred.barred).toEqual([{ id, round, ends: [from, to] }]);
    expect(barred.tapes.some((pair) => pair.includes(from) && pair.includes(to))).toBe(false);
    expect(barred.tapes.length).toBeGreaterThanOrEqual(2 * barred.points.length - 3);
    expect(roundOf(await view(vehicle), round).tapes).toEqual([]);
    expect((await tape(vehicle, round, { ...bar, id: randomUUID(), length: 5 }).expect(422)).body).toMatchObject({
      field: 'length',
    });
    await here.owner.delete(`/vehicles/${vehicle}/hold/rounds/${round}/tapes/${id}`).expect(200);
    expect(underOf(await view(vehicle)).tapes).toEqual(before.tapes);
  });
  it('is not the lean of the car: heights say which side stands higher, and that it was put elsewhere', async () => {
    const vehicle = await vehicleOf(here.owner);
    const first = await begin(vehicle);
    const { points } = await view(vehicle);
    const corner = points.filter(({ id }) => /^(hinge-foot|lock-foot)-[lr]$/.test(id));
    expect(corner).toHaveLength(4);
    for (const { id, at } of corner)
      await tape(vehicle, first, { kind: 'height', from: id, to: '', length: at[2] + 300 + at[1] / 200 }).expect(201);
    const leant = roundOf(await view(vehicle), first).tilt!;
    expect(leant.left).toBeCloseTo(5, 3);
    expect(leant.rear).toBeCloseTo(0, 3);
    const second = randomUUID();
    const moved = { id: second, name: 'On the jig', stand: 'jig' };
    await here.owner.post(`/vehicles/${vehicle}/hold/rounds`, moved).expect(201);
    const all = await view(vehicle);
    expect([roundOf(all, first).restood, roundOf(all, second).restood]).toEqual([null, 'stands']);
    expect(roundOf(all, second).tilt).toBeNull();
  });
});

describe('an opening by its four corners', () => {
  it('is answered as soon as all six tapes are there, held against the first time, and refused in words', async () => {
    const vehicle = await vehicleOf(here.owner);
    const round = await begin(vehicle);
    const take = (at: string, to: string, length: number) =>
      tape(vehicle, at, { kind: 'corners', from: 'Floor', to, length });
    const lengths = { ab: 1000, bc: 600, cd: 1000, da: 600, ac: 1171, bd: 1161.3 };
    const entries = Object.entries(lengths);
    for (const [to, length] of entries.slice(0, 5)) await take(round, to, length).expect(201);
    expect(roundOf(await view(vehicle), round).corners).toEqual([
      { name: 'Floor', lengths: expect.objectContaining({ ac: 1171 }) as object, found: null, trouble: null },
    ]);
    await take(round, 'bd', lengths.bd).expect(201);
    const [floor] = roundOf(await view(vehicle), round).corners;
    // By the parallelogram law the end of 4 w s = ac² − bd² stands over by s.
    const over = (lengths.ac ** 2 - lengths.bd ** 2) / (4 * lengths.ab);
    expect(floor!.found!.over).toBeCloseTo(over, 0);
    expect(floor!.found!.moves.c[0]).toBeCloseTo(-over, 0);
    const check = await begin(vehicle, 'Check');
    await take(check, 'ac', 1168).expect(201);
    expect(roundOf(await view(vehicle), check).compared).toEqual([
      { kind: 'corners', from: 'Floor', to: 'ac', was: 1171, now: 1168 },
    ]);
    expect((await take(round, 'ae', 900).expect(422)).body).toMatchObject({ field: 'to' });
    // Six tapes that cannot meet are said, and nothing is lost.
    await take(check, 'ab', 100).expect(201);
    for (const [to, length] of entries.slice(1)) await take(check, to, length).expect(201);
    const [odd] = roundOf(await view(vehicle), check).corners;
    expect(odd).toMatchObject({ found: null, trouble: expect.stringContaining('cannot meet') as string });
  });
});

describe('braces', () => {
  it('are proposed for a sill that is decided, come out after the check, or for a reason', async () => {
    const vehicle = await vehicleOf(here.owner);
    await decided(here.owner, vehicle, 'patch', ON_SILL);
    const first = await begin(vehicle);
    await takeAll(vehicle, first, 'door-l');
    await finish(vehicle, first, 1).expect(200);
    const before = await view(vehicle);
    expect(before.out).toEqual(['sill-l']);
    const proposal = before.proposals.find(({ figure }) => figure === 'door-l')!;
    expect(proposal.stiff).toBe(true);
    const job = async () => (await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
    const step = (all: JobView, id: string) => all.steps.find((one) => one.id === id)!;
    expect(step(await job(), 'car baseline').state).toBe('done');
    const all = before.proposals.flatMap(({ braces }) => braces);
    const ids = all.map(() => randomUUID());
    for (const [i, { figure, ends, cut }] of all.entries()) {
      await here.owner.post(`/vehicles/${vehicle}/hold/braces`, { id: ids[i], figure, ends, length: cut }).expect(201);
    }
    expect(step(await job(), 'car brace').state).toBe('done');
    const out = (reason: string) => here.owner.put(`/vehicles/${vehicle}/hold/braces/${ids[0]}/out`, { reason });
    expect((await out('').expect(422)).body).toMatchObject({ field: 'reason' });
    const taken = (await out('it is in the way of the seat rail').expect(200)).body as HoldView;
    expect(taken.braces.find(({ id }) => id === ids[0])).toMatchObject({ outBy: 'Owner Test' });
    // Taken back, it is in again.
    await here.owner.delete(`/vehicles/${vehicle}/hold/braces/${ids[0]}`).expect(200);
    expect((await view(vehicle)).braces.every(({ outAt }) => outAt === null)).toBe(true);
    // The last weld is made, then the tapes are taken again.
    const [repair] = (await here.owner.get(`/vehicles/${vehicle}/repairs`).expect(200)).body as { id: string }[];
    const laid = (await here.owner.put(`/repairs/${repair!.id}/weld`, { ...weldDefaults, version: 0 }).expect(200))
      .body as WeldPlanView;
    await here.owner.post(`/repairs/${repair!.id}/weld/acknowledge`).expect(200);
    await here.owner
      .put(`/vehicles/${vehicle}/close/overruled`, { repair: repair!.id, reason: 'coated, not noted' })
      .expect(200);
    const steps = laid.plan.steps.map(({ n }) => n);
    await here.owner.put(`/repairs/${repair!.id}/weld/steps`, { steps, done: true, version: 1 }).expect(200);
    expect(await view(vehicle)).toMatchObject({ out: [], checked: false });
    await out('').expect(422);
    const check = await begin(vehicle, 'After the last weld');
    await takeAll(vehicle, check, 'door-l');
    await finish(vehicle, check, 1).expect(200);
    expect((await view(vehicle)).checked).toBe(true);
    for (const id of ids)
      await here.owner.put(`/vehicles/${vehicle}/hold/braces/${id}/out`, { reason: '' }).expect(200);
    const ended = await job();
    expect([step(ended, 'car measure').state, step(ended, 'car unbrace').state]).toEqual(['done', 'done']);
  });
});

describe('gaps', () => {
  it('of a door that has sunk at its latch say what to do at the hinges, with the shims at hand', async () => {
    const vehicle = await vehicleOf(here.owner);
    // Sunk by 2 mm and turned clockwise, so that its rear hangs: what each edge then shows.
    const turn = -0.004;
    const places = gapPlaces(panelOf(bodyPlan('saloon'), 'door-skin-l'));
    const readings = places.map(({ id, at: [u, v], normal: [nu, nv] }) => ({
      place: id,
      gap: 4 - nu * (-turn * (v - 500)) - nv * (-2 + turn * (u - 500)),
      wanted: 4,
    }));
    const input = { id: randomUUID(), hung: 'door-l', readings, shims: [0.5, 1, 2] };
    const {
      gaps: [set],
    } = (await here.owner.post(`/vehicles/${vehicle}/hold/gaps`, input).expect(201)).body as HoldView;
    expect(set!.fit.movement.turn).toBeCloseTo((turn * 180) / Math.PI, 4);
    expect(set!.fit.rms).toBeLessThan(1e-6);
    expect(set!.mounts.map(({ name }) => name)).toEqual(['Upper hinge', 'Lower hinge']);
    expect(set!.mounts[0]!.along).not.toBeCloseTo(set!.mounts[1]!.along, 1);
    // Shims between hinge and post move a door along the car.
    for (const { along, shims, rest } of set!.mounts)
      expect(shims.reduce((a, b) => a + b, 0) + rest).toBeCloseTo(Math.abs(along), 2);
    const few = {
      ...input,
      id: randomUUID(),
      readings: readings.filter(({ place }) => place.startsWith('lower')),
    };
    expect((await here.owner.post(`/vehicles/${vehicle}/hold/gaps`, few).expect(422)).body).toMatchObject({
      field: 'readings',
    });
    const strange = { ...input, id: randomUUID(), hung: 'sunroof' };
    expect((await here.owner.post(`/vehicles/${vehicle}/hold/gaps`, strange).expect(422)).body).toMatchObject({
      field: 'hung',
    });
  });

  // Tight above and wide below at the rear edge of the door: its rear end hangs.
  const hanging = [
    ['rear-upper', 3],
    ['rear-middle', 5],
    ['rear-lower', 7],
    ['lower-front', 4],
    ['lower-rear', 4],
  ].map(([place, gap]) => ({ place, gap, wanted: 4 }));

  it('of a cab whose rear mount has sunk say to lift that one, by shims, and to leave the other', async () => {
    const vehicle = await vehicleOf(here.owner, 'pickup');
    const input = { id: randomUUID(), hung: 'cab-l', readings: hanging, shims: [1, 2] };
    const { gaps: sets } = (await here.owner.post(`/vehicles/${vehicle}/hold/gaps`, input).expect(201))
      .body as HoldView;
    const [front, rear] = sets[0]!.mounts;
    expect(front).toMatchObject({ id: 'front', lift: 0, shims: [] });
    expect(rear!.lift).toBeGreaterThan(1);
    expect(rear!.shims.length).toBeGreaterThan(0);
    expect([front!.rotten, rear!.rotten]).toEqual([[], []]);
  });

  it('name what is rotten under a mount, as long as nothing of it is repaired: it is rebuilt before it is shimmed', async () => {
    const vehicle = await vehicleOf(here.owner, 'pickup');
    const corner = await decided(here.owner, vehicle, 'patch', { panel: 'cab-corner-l', ring: squareAt(60, 40, 60) });
    await here.owner
      .post(
        `/vehicles/${vehicle}/zones`,
        zoneInput({ panel: 'cab-floor-r', class: 'pitted', ring: squareAt(200, 200, 60) }),
      )
      .expect(201);
    const layer = panelOf(bodyPlan('pickup'), 'cab-floor-l').layers[0]!.id;
    const find = { id: randomUUID(), panel: 'cab-floor-l', layer, u: 300, v: 200, sign: 'pinholes', note: '' };
    const input = { id: randomUUID(), hung: 'cab-l', readings: hanging, shims: [] };
    await here.owner.post(`/vehicles/${vehicle}/hold/gaps`, input).expect(201);
    const rotten = async () => (await view(vehicle)).gaps[0]!.mounts.map((mount) => mount.rotten);
    expect(await rotten()).toEqual([[], ['Cab corner, left: rusted through']]);
    await here.owner.post(`/vehicles/${vehicle}/finds`, find).expect(201);
    expect((await rotten())[0]).toHaveLength(1);
    const { zoneIds, choice, reason, version } = corner;
    await here.owner.put(`/repairs/${corner.id}`, { zoneIds, choice, reason, version, done: true }).expect(200);
    expect((await rotten())[1]).toEqual([]);
  });
});
