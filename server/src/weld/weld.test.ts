import { describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import { patternDefaults } from '@aspecta/contract/pattern';
import type { Shop } from '@aspecta/contract/shop';
import { weldDefaults, type UsualWeld, type WeldPlanView } from '@aspecta/contract/weld';
import { bodyPlan } from '@aspecta/core/body';
import { weldId, type StrategyPlan } from '@aspecta/core/weld';
import { decided, houseWithCar, ON_SILL, ownerOf, readInches, squareAt, vehicleOf } from '../testing/house.ts';
import { textOf } from '../testing/pdfText.ts';

const here = houseWithCar();
/** A body with sheets of aluminium. */
const OFFROADER = 'offroader';

describe('weld', () => {
  const settings = { process: 'mig', position: 'flat', handWarm: 50, strategy: 'coolest' };

  it('is laid out once, ticked off step by step, and keeps every tick', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    expect((await here.owner.get(`/repairs/${repair.id}/weld`).expect(200)).body).toBeNull();
    const laid = (await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200))
      .body as WeldPlanView;
    expect(laid.plan.steps[0]).toMatchObject({ n: 1, kind: 'prepare' });
    const tick = (n: number, done = true) =>
      here.owner.put(`/repairs/${repair.id}/weld/steps/${n}`, { done, version: laid.version });
    expect((await tick(1).expect(422)).body.detail).toMatch(/cautions/);
    expect((await here.owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200)).body.acknowledged.by).toBe(
      'Owner Test',
    );
    await Promise.all([tick(1), tick(1), tick(1)]);
    const round = (steps: number[], done: boolean) =>
      here.owner.put(`/repairs/${repair.id}/weld/steps`, { steps, done, version: laid.version });
    await round([2, 3, 4], true).expect(200);
    await round([3, 4], false).expect(200);
    await round([1, 99_999], true).expect(404);
    await round([], true).expect(422);
    await tick(2).expect(200);
    await tick(2, false).expect(200);
    const now = (await here.owner.get(`/repairs/${repair.id}/weld`)).body as WeldPlanView;
    expect(now.done.map((step) => step.n)).toEqual([1]);
    await tick(99_999).expect(404);
    expect(
      (await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, strategy: 'skip', version: 1 }).expect(409))
        .body.detail,
    ).toMatch(/Welding has begun/);
  });

  it('takes the sheet that the piece is cut from: thicker metal is told, and a plan for another is laid out anew', async () => {
    const owner = await ownerOf(here.house);
    const repair = await decided(owner, await vehicleOf(owner), 'patch');
    const lay = async (version: number) =>
      (await owner.put(`/repairs/${repair.id}/weld`, { ...settings, version }).expect(200)).body as WeldPlanView;
    const seen = async () => (await owner.get(`/repairs/${repair.id}/weld`).expect(200)).body as WeldPlanView;
    const cutFrom = (thickness: number | null, version: number) =>
      owner.put(`/repairs/${repair.id}/pattern`, { ...patternDefaults, thickness, version }).expect(200);
    const before = await lay(0);
    const { thickness } = before.sheet;
    expect([before.sheet.other, before.plan.sheets]).toEqual([null, [thickness, thickness]]);
    await cutFrom(1.5, 0);
    expect(await seen()).toMatchObject({ moved: true, sheet: { thickness, other: 1.5 } });
    expect(await lay(1)).toMatchObject({ moved: false, plan: { sheets: [thickness, 1.5] } });
    // Thinner than the car: it is what blows through.
    await cutFrom(thickness - 0.2, 1);
    expect(await seen()).toMatchObject({ moved: true, sheet: { thickness: thickness - 0.2, other: thickness } });
    await cutFrom(1.5, 2);
    expect((await seen()).moved).toBe(false);
  });

  it('begins as the shop last welded sheet of the same kind, on whichever car; what was said of one joint stays there', async () => {
    const owner = await ownerOf(here.house);
    const [first, second] = [await vehicleOf(owner), await vehicleOf(owner, OFFROADER)];
    const repair = await decided(owner, first, 'patch');
    const next = await decided(owner, first, 'patch', ON_SILL);
    const usual = async (id: string) => (await owner.get(`/repairs/${id}/weld/usual`).expect(200)).body as UsualWeld;
    expect(await usual(next.id)).toBeNull();
    const mine = { ...weldDefaults, process: 'tig', handWarm: 45, stitch: 13, other: 1.5 };
    await owner.put(`/repairs/${repair.id}/weld`, { ...mine, version: 0 }).expect(200);
    // Laid out is not welded.
    expect(await usual(next.id)).toBeNull();
    await owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
    await owner.put(`/repairs/${repair.id}/weld/steps/1`, { done: true, version: 1 }).expect(200);
    expect(await usual(next.id)).toMatchObject({
      input: { process: 'tig', handWarm: 45, stitch: 13, other: null, first: [], barred: [] },
      last: { panel: 'Rear quarter, left', car: 'Old grey' },
      ruled: [],
    });
    expect(await usual(repair.id)).toBeNull();
    const skin = bodyPlan(OFFROADER).panels.find(({ layers }) => layers[0]!.material === 'aluminium')!;
    const other = await decided(owner, second, 'patch', {
      panel: skin.id,
      layer: skin.layers[0]!.id,
      ring: squareAt(200, 200, 60),
    });
    expect(await usual(other.id)).toBeNull();
    // A house rule stands before what was done last, and where nothing was done yet.
    const { id: _id, ...shop } = (await owner.get('/shop').expect(200)).body as Shop;
    const welding = { process: 'mig', strategy: null, holding: 'screws' };
    await owner.put('/shop', { ...shop, welding }).expect(200);
    expect(await usual(next.id)).toMatchObject({
      input: { process: 'mig', holding: 'screws', handWarm: 45 },
      last: { car: 'Old grey' },
      ruled: ['process', 'holding'],
    });
    expect(await usual(other.id)).toMatchObject({ input: { process: 'mig', strategy: 'coolest' }, last: null });
  });

  it('says when the line has moved since, and is laid out anew with a reason; welds that are done stay as history', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const at = `/repairs/${repair.id}`;
    const plan = async () => (await here.owner.get(`${at}/weld`).expect(200)).body as WeldPlanView;
    await here.owner.put(`${at}/weld`, { ...settings, version: 0 }).expect(200);
    await here.owner.post(`${at}/weld/acknowledge`).expect(200);
    await here.owner.put(`${at}/weld/steps/1`, { done: true, version: 1 }).expect(200);
    expect(await plan()).toMatchObject({ moved: false, earlier: [] });
    await here.owner.put(`${at}/cut`, { margin: 35, maxCorners: 4, cornerRadius: 15, kerf: 1, version: 0 }).expect(200);
    const before = await plan();
    expect(before).toMatchObject({ moved: true, done: [{ n: 1 }] });
    const again = (reason: string) => here.owner.put(`${at}/weld`, { ...settings, reason, version: 1 });
    expect((await again('').expect(409)).body).toMatchObject({
      field: 'reason',
      detail: expect.stringMatching(/1 of/),
    });
    const { body } = await again('the hole went on').expect(200);
    expect(body).toMatchObject({
      moved: false,
      done: [],
      acknowledged: null,
      version: 2,
      earlier: [{ done: [{ n: 1, by: 'Owner Test' }], steps: before.plan.steps.length, reason: 'the hole went on' }],
    });
    await here.owner.put(`${at}/weld/steps/1`, { done: true, version: 1 }).expect(409);
  });

  it('has every joint of a whole panel in it, and is out of place once one of them is closed in another way', async () => {
    const repair = await decided(here.owner, here.vehicle, 'make');
    const at = `/repairs/${repair.id}`;
    const joints = (await here.owner.get(`${at}/joints`).expect(200)).body as JointsView;
    const laid = (await here.owner.put(`${at}/weld`, { ...settings, version: 0 }).expect(200)).body as WeldPlanView;
    const count = (kind: string) => laid.plan.steps.filter((step) => step.kind === kind).length;
    const plugged = joints.joints
      .filter(({ closing }) => closing === 'plug')
      .reduce((sum, { welds }) => sum + welds, 0);
    expect(plugged).toBeGreaterThan(10);
    expect(count('plug')).toBe(plugged);
    expect(laid.joints).toHaveLength(joints.joints.filter(({ closing }) => closing !== 'make').length);
    expect(laid.moved).toBe(false);
    const spotted = joints.joints.find(({ kind }) => kind === 'spot')!;
    const change = { at: spotted.at, kind: 'spot', closing: 'spot', pitch: null, found: null };
    await here.owner.put(`${at}/joints`, { ...change, version: joints.version }).expect(200);
    expect((await here.owner.get(`${at}/weld`).expect(200)).body.moved).toBe(true);
    const again = (await here.owner.put(`${at}/weld`, { ...settings, version: 1 }).expect(200)).body as WeldPlanView;
    expect(again.plan.steps.filter(({ kind }) => kind === 'spot')).toHaveLength(spotted.welds);
  });

  it('takes what a person says of pitch, holes, position and single welds into the plan', async () => {
    const repair = await decided(here.owner, here.vehicle, 'make');
    const put = async (over: object, version: number) =>
      (await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, ...over, version }).expect(200))
        .body as WeldPlanView;
    const usual = await put({}, 0);
    const [plug] = usual.plan.steps.filter(({ kind }) => kind === 'plug').slice(-1);
    const id = weldId('plug', plug!.from!, plug!.to!);
    const other = usual.joints.findIndex((_, i) => i !== plug!.seam && usual.joints[i]!.closing === 'plug');
    const [u, v] = usual.joints[other]!.points[0]!;
    const said = await put(
      { hole: 8, holding: 'screws', barred: [id], positions: [{ at: [u, v], position: 'overhead' }] },
      1,
    );
    const kinds = said.plan.steps.map(({ kind }) => kind);
    expect(kinds).toContain('turn');
    expect(kinds).toContain('hole');
    const plugs = said.plan.steps.filter(({ kind }) => kind === 'plug');
    expect(plugs.map(({ from, to }) => weldId('plug', from!, to!))).not.toContain(id);
    expect(plugs[0]!.text).toMatch(/8 mm hole/);
    expect(said.input).toMatchObject({ hole: 8, barred: [id], other: null });
    expect((await put({ barred: [id, 'plug 1:1 1:1'] }, 2)).input.barred).toEqual([id]);
    const { body } = await here.owner
      .put(`/repairs/${repair.id}/weld`, { ...settings, other: 4, version: 3 })
      .expect(422);
    expect(body).toMatchObject({ field: 'other', detail: expect.stringMatching(/burns away/) });
  });

  it('is out of place once the repair is none in the sheet any more', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200);
    const again = { choice: 'make', reason: 'all of it', done: false, version: 1 };
    await here.owner.put(`/repairs/${repair.id}`, again).expect(200);
    expect((await here.owner.get(`/repairs/${repair.id}/weld`).expect(200)).body.moved).toBe(true);
  });

  it('compares the strategies for the same welds, and keeps nothing of it', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const { body } = await here.owner.post(`/repairs/${repair.id}/weld/compare`, settings).expect(200);
    const plans = body as StrategyPlan[];
    expect(plans.map(({ strategy }) => strategy)).toEqual(['coolest', 'skip', 'backstep', 'continuous']);
    expect(new Set(plans.map(({ arcTime }) => arcTime.toFixed(3))).size).toBe(1);
    expect((await here.owner.get(`/repairs/${repair.id}/weld`).expect(200)).body).toBeNull();
  });

  it('shows the other device that the plan has changed', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200);
    await here.owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
    await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, process: 'tig', version: 1 }).expect(200);
    expect(
      (await here.owner.put(`/repairs/${repair.id}/weld/steps/1`, { done: true, version: 1 }).expect(409)).body.current
        .version,
    ).toBe(2);
  });

  it.each([
    [{ process: 'laser' }, 'process', /mig, tig, gas/],
    [{ position: 'sideways' }, 'position', /flat, vertical, overhead/],
    [{ handWarm: 10 }, 'handWarm', /at least 30/],
    [{ handWarm: 1e6 }, 'handWarm', /at most 150/],
    [{ strategy: 'fast' }, 'strategy', /coolest/],
  ])('refuses %j at its field, and lays nothing out', async (over, at, words) => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const { body } = await here.owner
      .put(`/repairs/${repair.id}/weld`, { ...settings, ...over, version: 0 })
      .expect(422);
    expect(body).toMatchObject({ field: at, detail: expect.stringMatching(words) });
    expect((await here.owner.get(`/repairs/${repair.id}/weld`).expect(200)).body).toBeNull();
  });

  it('closes the whole joint: its steps cover the cut from the first tack to the last stitch', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const { line } = (await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body;
    for (const strategy of ['coolest', 'skip', 'backstep', 'continuous']) {
      const stored = (await here.owner.get(`/repairs/${repair.id}/weld`)).body as WeldPlanView | null;
      const { plan } = (
        await here.owner
          .put(`/repairs/${repair.id}/weld`, { ...settings, strategy, version: stored?.version ?? 0 })
          .expect(200)
      ).body as WeldPlanView;
      expect(plan.steps.map(({ n }) => n)).toEqual(plan.steps.map((_, i) => i + 1));
      expect(plan.steps.filter(({ kind }) => kind === 'tack')).toHaveLength(plan.tacks);
      const stitches = plan.steps.filter(({ kind }) => kind === 'stitch');
      expect(stitches).toHaveLength(plan.stitches);
      const long = stitches.reduce((sum, { from, to }) => sum + Math.hypot(to![0] - from![0], to![1] - from![1]), 0);
      expect(long).toBeGreaterThan(line.cutLength * 0.9);
      expect(plan.steps.every(({ wait }) => wait >= 0)).toBe(true);
    }
  });

  it('is ticked by two devices at once without losing a tick', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const laid = (await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200))
      .body as WeldPlanView;
    await here.owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
    const steps = laid.plan.steps.slice(0, 8).map(({ n }) => n);
    await Promise.all(
      steps.map((n) => here.owner.put(`/repairs/${repair.id}/weld/steps/${n}`, { done: true, version: 1 }).expect(200)),
    );
    const now = (await here.owner.get(`/repairs/${repair.id}/weld`)).body as WeldPlanView;
    expect(now.done.map(({ n }) => n)).toEqual(steps);
    expect(now.done.every(({ by }) => by === 'Owner Test')).toBe(true);
  });

  it('is nobody else’s', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    await here.owner.put(`/repairs/${repair.id}/weld`, { ...settings, version: 0 }).expect(200);
    const stranger = await ownerOf(here.house);
    await stranger.get(`/repairs/${repair.id}/weld`).expect(404);
    await stranger.put(`/repairs/${repair.id}/weld/steps/1`, { done: true, version: 1 }).expect(404);
    await stranger.post(`/repairs/${repair.id}/weld/acknowledge`).expect(404);
  });
});

describe('the weld card', () => {
  it('has the settings, every step with its place by the tape and its wait, and the cautions, in the units of the shop', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    await here.owner.get(`/repairs/${repair.id}/weld/card.pdf`).expect(404);
    const laid = (await here.owner.put(`/repairs/${repair.id}/weld`, { ...weldDefaults, version: 0 }).expect(200))
      .body as WeldPlanView;
    const card = async () =>
      textOf((await here.owner.get(`/repairs/${repair.id}/weld/card.pdf`).buffer().expect(200)).body as Buffer);
    const text = await card();
    expect(text).toContain('Weld card');
    expect(text).toMatch(/MIG: tacks \d+ A/);
    expect(text).toMatch(/\d+(\.\d+)? mm from the /);
    expect(text.split('\n').filter((line) => /^\d+$/.test(line)).length).toBeGreaterThanOrEqual(laid.plan.steps.length);
    expect(text).toContain('Before you weld');
    const back = await readInches(here.owner);
    expect(await card()).not.toMatch(/\d mm\b/);
    await back();
  });
});
