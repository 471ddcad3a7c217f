import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { Standing } from '@aspecta/contract/garage';
import type { JobView, StepView } from '@aspecta/contract/job';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { weldDefaults } from '@aspecta/contract/weld';
import { StepClockEntity } from './entities.ts';
import { decided, houseWithCar, ownerOf, vehicleOf, zoneInput } from '../testing/house.ts';

const here = houseWithCar();
const job = async (vehicle = here.vehicle) =>
  (await here.owner.get(`/vehicles/${vehicle}/job`).expect(200)).body as JobView;
const of = (view: JobView, repair: { id: string }, kind: string): StepView =>
  view.steps.find(({ id }) => id === `${repair.id} ${kind}`)!;
const nothing = { reason: '', until: null, notBefore: null, hours: null, spent: null };
const say = (step: string, over: object, vehicle = here.vehicle) =>
  here.owner.put(`/vehicles/${vehicle}/job/said`, { ...nothing, step, state: null, ...over });

describe('the job of a car', () => {
  it('has no steps on an empty car, and begins with the decision where damage is drawn', async () => {
    const vehicle = await vehicleOf(here.owner);
    expect(await job(vehicle)).toEqual({ steps: [], hours: 0, left: 0, pace: null, toSignOff: [] });
    await here.owner.post(`/vehicles/${vehicle}/zones`, zoneInput()).expect(201);
    expect((await job(vehicle)).steps).toMatchObject([
      { kind: 'decide', state: 'ready', path: `panels/${zoneInput()['panel'] as string}/verdict` },
    ]);
  });

  it('shares out the hours of a decision, and says of each step what it waits for and why', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const view = await job();
    const own = view.steps.filter((step) => step.repair === repair.id && !step.waits);
    const hours = own
      .filter(({ kind }) => !['look', 'seal', 'cover', 'harden', 'fill', 'surface'].includes(kind))
      .reduce((sum, step) => sum + step.hours, 0);
    expect(Math.abs(hours - repair.hours.p50)).toBeLessThan(0.05);
    const weld = of(view, repair, 'weld');
    expect(weld.state).toBe('waits');
    expect(weld.waitsFor.length).toBeGreaterThan(1);
    for (const { title, why } of weld.waitsFor) {
      expect(title).not.toContain(repair.id);
      expect(why).toMatch(/\.$/);
    }
    expect(of(view, repair, 'strip').state).toBe('ready');
  });

  it('asks for a last look once every step of a repair is done, until it is signed off', async () => {
    const { owner } = here;
    const car = await vehicleOf(owner);
    const repair = await decided(owner, car, 'patch');
    const view = async () => (await owner.get(`/vehicles/${car}/job`).expect(200)).body as JobView;
    const standing = async () =>
      ((await owner.get(`/vehicles/${car}/line`).expect(200)).body as Standing[]).find(
        ({ station }) => station === 'job',
      )!;
    expect((await view()).toSignOff).toEqual([]);
    for (const { id } of (await view()).steps)
      await say(id, { state: 'skipped', reason: 'a car of a test' }, car).expect(200);
    const done = await view();
    expect(done.steps.filter(({ state }) => state === 'waits' || state === 'running')).toEqual([]);
    expect(done.toSignOff).toEqual([repair.id]);
    expect(await standing()).toMatchObject({ word: '1 to sign off', waits: true, done: false });
    await owner
      .put(`/repairs/${repair.id}`, {
        choice: repair.choice,
        reason: repair.reason,
        done: true,
        version: repair.version,
      })
      .expect(200);
    expect((await view()).toSignOff).toEqual([]);
    expect(await standing()).toMatchObject({ word: 'all done', done: true });
  });

  it('goes on as steps are done, left out and blocked, each with who said it; a word can be taken back', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const step = (kind: string) => `${repair.id} ${kind}`;
    await say('car safe', { state: 'done', spent: 0.5 }).expect(200);
    // An hour was reckoned and half of it was enough: at this pace half of what is left is left.
    const timed = await job();
    expect(timed.pace).toMatchObject({ steps: 1, planned: 1, spent: 0.5 });
    expect(timed.pace!.left).toBeCloseTo(timed.left / 2, 6);
    await say(step('strip'), { state: 'skipped', reason: 'it was bare' }).expect(200);
    let view = await job();
    expect(view.steps.find(({ id }) => id === 'car safe')).toMatchObject({
      state: 'done',
      said: { by: 'Owner Test', spent: 0.5 },
    });
    expect(of(view, repair, 'strip')).toMatchObject({ state: 'skipped', said: { reason: 'it was bare' } });
    await say(step('open'), { state: 'blocked', reason: 'the engine is still in', until: '2099-03-01' }).expect(200);
    view = await job();
    const open = of(view, repair, 'open');
    if (open.waitsFor.length === 0) expect(open).toMatchObject({ state: 'blocked' });
    await say(step('open'), {}).expect(200);
    expect(of(await job(), repair, 'open').said).toBeNull();
    expect((await say(step('open'), { state: 'skipped' }).expect(422)).body).toMatchObject({ field: 'reason' });
    expect((await say(step('open'), { hours: 0 }).expect(422)).body).toMatchObject({ field: 'hours' });
    expect((await say('no such step', { state: 'done' }).expect(422)).body).toMatchObject({ field: 'step' });
  });

  it('has half of its hours left of a step that is half done; what comes before it is past', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch');
    const before = await job(vehicle);
    const make = of(before, repair, 'make');
    await say(make.id, { state: null, share: 0.5 }, vehicle).expect(200);
    const after = await job(vehicle);
    expect(of(after, repair, 'make')).toMatchObject({ share: 0.5, hours: make.hours, said: { share: 0.5 } });
    expect(of(after, repair, 'strip').state).toBe('passed');
    const past = after.steps.filter(
      ({ id, state }) => state === 'passed' && before.steps.some((step) => step.id === id),
    );
    const gone = past.filter(({ waits }) => !waits).reduce((sum, { hours }) => sum + hours, 0);
    expect(before.left - after.left).toBeCloseTo(gone + make.hours / 2, 6);
    expect((await say(make.id, { state: null, share: 1.5 }, vehicle).expect(422)).body).toMatchObject({
      field: 'share',
    });
    await say(make.id, { state: null, share: 1 }, vehicle).expect(200);
    expect(of(await job(vehicle), repair, 'make').state).toBe('done');
    await say(make.id, { state: null, share: null }, vehicle).expect(200);
    expect(of(await job(vehicle), repair, 'make')).toMatchObject({ share: 0, said: null });
  });

  it('keeps what was said when the decision is made again, and knows what was ticked at the bench', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    await say(`${repair.id} open`, { state: 'done', hours: 9 }).expect(200);
    const laid = (await here.owner.put(`/repairs/${repair.id}/weld`, { ...weldDefaults, version: 0 }).expect(200))
      .body as WeldPlanView;
    await here.owner.post(`/repairs/${repair.id}/weld/acknowledge`).expect(200);
    await here.owner.put(`/repairs/${repair.id}/weld/steps`, { steps: [1, 2], done: true, version: 1 }).expect(200);
    let view = await job();
    expect(of(view, repair, 'weld').share).toBeCloseTo(2 / laid.plan.steps.length, 6);
    expect(of(view, repair, 'fit').state).toBe('passed');
    const again = { choice: 'make', reason: 'all of it', done: false, version: 1 };
    await here.owner.put(`/repairs/${repair.id}`, again).expect(200);
    view = await job();
    expect(of(view, repair, 'open')).toMatchObject({ state: 'done', hours: 9 });
    expect(of(view, repair, 'open').reckoned).not.toBe(9);
  });

  it('counts the hours of a clock; one person works on one step at a time; one that was forgotten is dropped', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch');
    const [strip, open] = [`${repair.id} strip`, `${repair.id} open`];
    const clock = (step: string, run: boolean, drop = false) =>
      here.owner.put(`/vehicles/${vehicle}/job/clock`, { step, run, drop });
    const back = (step: string, hours: number) =>
      here.house.db
        .getRepository(StepClockEntity)
        .update({ vehicleId: vehicle, step }, { since: new Date(Date.now() - hours * 3_600_000) });
    const step = async (kind: string) => of(await job(vehicle), repair, kind);
    await clock(strip, true).expect(200);
    await clock(strip, true).expect(200);
    expect((await step('strip')).clocks).toMatchObject([{ by: 'Owner Test' }]);
    await back(strip, 1.5);
    // Another one is started: the first is stopped and noted.
    await clock(open, true).expect(200);
    expect(await step('strip')).toMatchObject({ clocks: [], said: { spent: 1.5, state: null } });
    await clock(strip, true).expect(200);
    await back(strip, 0.5);
    await clock(strip, false).expect(200);
    expect((await step('strip')).said).toMatchObject({ spent: 2 });
    await clock(open, true).expect(200);
    await back(open, 40);
    expect((await clock(open, false).expect(422)).body).toMatchObject({ field: 'drop' });
    await clock(open, false, true).expect(200);
    expect(await step('open')).toMatchObject({ clocks: [], said: null });
    expect((await clock('no such step', true).expect(422)).body).toMatchObject({ field: 'step' });
  });

  it('takes steps of one’s own, once, refuses a circle in words, and gives them back', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const own = { id: randomUUID(), title: 'Engine out', hours: 6, after: ['car safe'] };
    const at = `/vehicles/${here.vehicle}/job/steps`;
    await here.owner.post(at, own).expect(201);
    await here.owner.post(at, own).expect(201);
    let view = await job();
    expect(view.steps.filter(({ id }) => id === own.id)).toMatchObject([{ title: 'Engine out', own: { version: 1 } }]);
    const second = { id: randomUUID(), title: 'Engine in', hours: 6, after: [own.id] };
    await here.owner.post(at, second).expect(201);
    const circle = await here.owner.put(`${at}/${own.id}`, { ...own, after: [second.id], version: 1 }).expect(422);
    expect(circle.body.detail).toMatch(/“Engine (in|out)”.*after.*“Engine/);
    await here.owner.put(`${at}/${own.id}`, { ...own, title: 'Engine out and away', version: 1 }).expect(200);
    await here.owner.put(`${at}/${own.id}`, { ...own, title: 'Other', version: 1 }).expect(409);
    // What hardens by the clock is waited for by what it was put before, and is no work.
    const weld = `${repair.id} weld`;
    const cure = {
      id: randomUUID(),
      title: 'Glue hardens',
      hours: 48,
      after: ['car safe'],
      before: [weld],
      waits: true,
    };
    const before = await job();
    const with48 = (await here.owner.post(at, cure).expect(201)).body as JobView;
    expect(with48.hours).toBeCloseTo(before.hours, 6);
    expect(with48.steps.find(({ id }) => id === weld)!.waitsFor).toContainEqual(
      expect.objectContaining({ id: cure.id, why: 'You have put this before it.' }),
    );
    expect(with48.steps.find(({ id }) => id === cure.id)).toMatchObject({ waits: true, own: { before: [weld] } });
    await here.owner.delete(`${at}/${cure.id}`).expect(200);
    view = (await here.owner.delete(`${at}/${own.id}`).expect(200)).body as JobView;
    expect(view.steps.some(({ id }) => id === own.id)).toBe(false);
    expect(of(view, repair, 'weld')).toBeDefined();
  });

  it('says on the Board what can be done next', async () => {
    await decided(here.owner, here.vehicle, 'patch');
    const { body } = await here.owner.get(`/vehicles/${here.vehicle}/line`).expect(200);
    expect((body as { station: string; word: string }[]).find(({ station }) => station === 'job')!.word).toMatch(
      /\d+ can be done/,
    );
  });

  it('is nobody else’s', async () => {
    const stranger = await ownerOf(here.house);
    await stranger.get(`/vehicles/${here.vehicle}/job`).expect(404);
    await stranger
      .put(`/vehicles/${here.vehicle}/job/said`, { ...nothing, step: 'car safe', state: 'done' })
      .expect(404);
    await stranger
      .post(`/vehicles/${here.vehicle}/job/steps`, { id: randomUUID(), title: 'Wax', hours: 1 })
      .expect(404);
  });
});
