import { describe, expect, it } from 'vitest';
import { randomUUID } from 'node:crypto';
import type { CutPlanView } from '@aspecta/contract/cut';
import type { JobView } from '@aspecta/contract/job';
import type { JointsView } from '@aspecta/contract/repair';
import { METALWORK_WORDS, type MetalworkCost, type MetalworkQuestion, type Shop } from '@aspecta/contract/shop';
import type { MovedEstimate, RepairView, VerdictView } from '@aspecta/contract/verdict';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { usualMetalwork, type Metalwork } from '@aspecta/core/repair';
import { houseWithCar, ownerOf, squareAt, vehicleOf, Visitor, zoneInput } from '../testing/house.ts';

const here = houseWithCar();

describe('how a shop works on metal', () => {
  const shopOf = async (name: string) => {
    const owner = await ownerOf(here.house, name);
    const shop = async () => (await owner.get('/shop').expect(200)).body as Shop;
    const put = async (metalwork: Partial<Metalwork>) => {
      const { id: _id, ...now } = await shop();
      return owner.put('/shop', { ...now, metalwork: { ...now.metalwork, ...metalwork } });
    };
    return { owner, shop, put, vehicle: await vehicleOf(owner) };
  };

  it('is as usual in a new shop; what is none is refused at its field, and a change is told in words', async () => {
    const { owner, shop, put } = await shopOf('Metalwork');
    expect((await shop()).metalwork).toEqual(usualMetalwork);
    expect((await put({ rust: 'pray' as 'blast' })).body).toMatchObject({ field: 'metalwork.rust' });
    expect((await put({ rust: 'blast' })).status).toBe(200);
    expect((await shop()).changed?.rust).toMatchObject({ by: 'Owner Test' });
    expect(JSON.stringify((await owner.get('/shop/audit').expect(200)).body)).toContain(
      'Rust that stays is treated by: Neutralise, then epoxy → Blast to white metal',
    );
  });

  it('comes to other hours by each school on a typical repair, as common practice has it', async () => {
    const { owner } = await shopOf('Compared');
    const all: MetalworkCost[] = [];
    for (const question of Object.keys(METALWORK_WORDS))
      all.push(...((await owner.get(`/estimates/schools/${question}`).expect(200)).body as MetalworkCost[]));
    const of = (question: MetalworkQuestion, choice: string) =>
      all.find((one) => one.question === question && one.choice === choice)!;
    for (const [question, ways] of Object.entries(METALWORK_WORDS))
      for (const choice of Object.keys(ways)) {
        const { hours, cost } = of(question as MetalworkQuestion, choice);
        expect(hours, `${question} ${choice}`).toBeGreaterThan(0);
        expect(cost).toBeGreaterThan(0);
      }
    expect(of('cutBack', 'holes').hours).toBeLessThan(of('cutBack', 'bright').hours);
    expect(of('finish', 'metal').hours).toBeGreaterThan(of('finish', 'filler').hours);
    expect(of('rust', 'convert').hours).toBeLessThan(of('rust', 'neutralise').hours);
    expect(of('rust', 'convert').dries).toBeGreaterThan(of('rust', 'neutralise').dries!);
    expect(of('lowEdge', 'shut').hours).toBeGreaterThan(of('lowEdge', 'open').hours);
    expect(of('primed', 'before').hours).toBeGreaterThan(of('primed', 'after').hours);
    const { cost: least } = of('passage', 'cheapest');
    expect(least).toBe(Math.min(of('passage', 'sections').cost, of('passage', 'neighbour').cost));
    await new Visitor(here.house).get('/estimates/schools/rust').expect(401);
  });

  it('leaves pitted metal where only holes are cut: line, estimate, joints and job follow, before and after it is saved', async () => {
    const { owner, shop, put, vehicle } = await shopOf('Holes alone');
    const layer = panelOf(bodyPlan('saloon'), 'boot-floor').layers[0]!.id;
    const zone = async (kind: string, u: number, size: number, panel = 'boot-floor') => {
      const input = { ...zoneInput(), panel, layer, class: kind };
      const sent = await owner
        .post(`/vehicles/${vehicle}/zones`, { ...input, ring: squareAt(u, panel === 'boot-floor' ? 500 : 250, size) })
        .expect(201);
      return (sent.body as { id: string }).id;
    };
    const zoneIds = [await zone('through', 640, 60), await zone('pitted', 720, 200)];
    const weigh = async () =>
      ((await owner.post(`/vehicles/${vehicle}/verdict`, { zoneIds }).expect(200)).body as VerdictView).verdict;
    const patch = (verdict: VerdictView['verdict']) => verdict.options.find(({ id }) => id === 'patch')!;
    const bright = await weigh();
    const decided = { id: randomUUID(), zoneIds, choice: 'patch', reason: 'small' };
    await owner.post(`/vehicles/${vehicle}/repairs`, decided).expect(201);
    const line = async () => ((await owner.get(`/repairs/${decided.id}/cut`).expect(200)).body as CutPlanView).line;
    const before = await line();
    // Tried before it is saved.
    const { rates, overlay, schools, metalwork } = await shop();
    const moved = (
      await owner
        .post('/estimates/moved', { rates, overlay, schools, metalwork: { ...metalwork, cutBack: 'holes' } })
        .expect(200)
    ).body as MovedEstimate[];
    expect(moved[0]!.after.hours).toBeLessThan(moved[0]!.before.hours);
    expect((await put({ cutBack: 'holes' })).status).toBe(200);
    const holes = await weigh();
    expect(patch(holes).hours.p50).toBeCloseTo(moved[0]!.after.hours, 6);
    // All of it is damage still.
    expect(holes.damageShare).toBeCloseTo(bright.damageShare, 3);
    expect(patch(holes).elements.map(({ name }) => name)).toContain('Convert, neutralise and prime');
    expect((await line()).area).toBeLessThan(before.area / 2);
    // One repair, which takes along what stays beside it.
    await owner.post(`/repairs/${decided.id}/withdraw`, { reason: 'again', version: 1 }).expect(200);
    const again = { ...decided, id: randomUUID() };
    await owner.post(`/vehicles/${vehicle}/repairs`, again).expect(201);
    const repairs = ((await owner.get(`/vehicles/${vehicle}/repairs`).expect(200)).body as RepairView[]).filter(
      ({ withdrawn }) => !withdrawn,
    );
    expect(repairs).toHaveLength(1);
    const { steps } = (await owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
    expect(steps.map(({ title }) => title).join('\n')).toMatch(/treat and prime the metal that stays/);
    expect(((await owner.get(`/repairs/${again.id}/cut`).expect(200)).body as CutPlanView).left).toBeCloseTo(
      200 * 200,
      0,
    );
    // On a front floor a seat mount is never far: there nothing pitted stays.
    const nearby = [await zone('through', 300, 60, 'floor-front-l'), await zone('pitted', 380, 60, 'floor-front-l')];
    const near = { ...decided, id: randomUUID(), zoneIds: nearby };
    await owner.post(`/vehicles/${vehicle}/repairs`, near).expect(201);
    expect(((await owner.get(`/repairs/${near.id}/cut`).expect(200)).body as CutPlanView).left).toBe(0);
    // With a smaller radius it would, and the estimate says so before that is saved.
    const { limits, metalwork: holesAlone } = await shop();
    const tried = { rates, overlay, schools, metalwork: holesAlone, limits: { ...limits, mountRadius: 5 } };
    const smaller = (await owner.post('/estimates/moved', tried).expect(200)).body as MovedEstimate[];
    const there = smaller.find(({ repair }) => repair === near.id)!;
    expect(there.after.hours).toBeLessThan(there.before.hours);
  });

  it('says at the low edge of a hollow how it drains, and works seen welds as the shop does', async () => {
    const { owner, put, vehicle } = await shopOf('Low edges');
    const input = { ...zoneInput(), panel: 'sill-l', layer: 'outer', class: 'through' };
    const { outline } = panelOf(bodyPlan('saloon'), 'sill-l');
    const [u, v] = [Math.min(...outline.map(([x]) => x)), Math.min(...outline.map(([, y]) => y))];
    const { id: zoneId } = (
      await owner.post(`/vehicles/${vehicle}/zones`, { ...input, ring: squareAt(u + 400, v, 60) }).expect(201)
    ).body as { id: string };
    const id = randomUUID();
    const decision = { id, zoneIds: [zoneId], choice: 'patch', reason: 'small' };
    await owner.post(`/vehicles/${vehicle}/repairs`, decision).expect(201);
    const joints = async () => (await owner.get(`/repairs/${id}/joints`).expect(200)).body as JointsView;
    const notes = ({ joints: all }: JointsView) => all.flatMap((joint) => joint.notes).join(' ');
    const usual = await joints();
    expect(notes(usual)).toMatch(/no sealer from end to end here, so that water runs out/);
    await put({ lowEdge: 'shut', finish: 'metal' });
    const other = await joints();
    expect(notes(other)).toMatch(/sealed from end to end/);
    expect(other.hours).toBeGreaterThan(usual.hours);
    expect(((await owner.get(`/repairs/${id}/dress`).expect(200)).body as { finish: string }).finish).toBe('metal');
  });
});
