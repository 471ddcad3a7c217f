import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { PlanView, TonightView, WeeksView, WhatIf, Worker } from '@aspecta/contract/plan';
import { replanned } from '@aspecta/core/plan';
import { decided, houseWithCar, memberOf, ownerOf, vehicleOf } from '../testing/house.ts';
import { endOfDay, windowsOf } from './hours.ts';

const here = houseWithCar();
const evenings: [number, number][][] = [[[18, 20]], [[18, 20]], [[18, 20]], [[18, 20]], [], [[9, 15]], []];
const ines = (over: object = {}) => ({
  id: randomUUID(),
  name: 'Ines',
  week: evenings,
  off: [],
  timeZone: 'Europe/Berlin',
  ...over,
});
const plan = async (vehicle = here.vehicle) =>
  (await here.owner.get(`/vehicles/${vehicle}/plan`).expect(200)).body as PlanView;

describe('hours of a person', () => {
  const berlin = (week: [number, number][][], from: string, off: string[] = []) =>
    windowsOf({ week, off }, new Date(from), 'Europe/Berlin');
  it('are those of the shop’s clock, over summer time too', () => {
    const sundays = [[], [], [], [], [], [], [[1, 4]]] as [number, number][][];
    // On 29 March 2026 the clock goes on from two to three: only two of these hours are there.
    const [first, second] = berlin(sundays, '2026-03-28T12:00:00Z');
    expect(first![1] - first![0]).toBe(2);
    expect(second![1] - second![0]).toBe(3);
    // Noon by Greenwich is one o'clock there: midnight is 11 hours off, one o'clock 12.
    expect(first![0]).toBe(12);
  });
  it('begin now where one is in the middle of them, and leave days off out', () => {
    const days = Array.from({ length: 7 }, (): [number, number][] => [[0, 24]]);
    expect(berlin(days, '2026-06-01T10:00:00Z')[0]).toEqual([0, 12]);
    expect(berlin(days, '2026-06-01T10:00:00Z', ['2026-06-01'])[0]).toEqual([12, 36]);
  });
});

describe('the plan as a calendar', () => {
  it('has an entry for each stretch of work and the day it is ready, and is refused where nothing is planned', async () => {
    const owner = await ownerOf(here.house, 'Calendar');
    const car = await vehicleOf(owner);
    expect((await owner.get(`/vehicles/${car}/plan.ics`).expect(422)).body).toMatchObject({
      detail: expect.stringMatching(/Nothing is left/) as string,
    });
    await decided(owner, car, 'patch');
    await owner.post('/workers', ines()).expect(201);
    const view = (await owner.get(`/vehicles/${car}/plan`).expect(200)).body as PlanView;
    const answer = await owner.get(`/vehicles/${car}/plan.ics`).expect(200);
    expect(answer.headers['content-type']).toMatch(/text\/calendar/);
    // Lines are folded at 75 octets (RFC 5545, 3.1).
    const text = answer.text.replace(/\r\n[ \t]/g, '');
    expect(text.startsWith('BEGIN:VCALENDAR')).toBe(true);
    const pieces = view.steps.flatMap((step) => step.pieces);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(pieces.length + 1);
    expect(text).toContain('ready as likely as not');
    expect(text).toContain('(Ines)');
    for (const line of answer.text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});

describe('tonight', () => {
  it('plans all cars of the shop together: nobody works on two of them at once', async () => {
    const owner = await ownerOf(here.house, 'Two cars');
    const tonight = async () => (await owner.get('/tonight').expect(200)).body as TonightView;
    expect(await tonight()).toMatchObject({ workers: 0, steps: [], problem: null });
    const cars = [await vehicleOf(owner), await vehicleOf(owner)];
    for (const car of cars) await decided(owner, car, 'patch');
    expect((await tonight()).problem).toMatch(/who works when/);
    await owner.post('/workers', ines()).expect(201);
    const { steps, workers } = await tonight();
    expect(workers).toBe(1);
    expect(new Set(steps.map(({ vehicle }) => vehicle))).toEqual(new Set(cars));
    const pieces = steps.flatMap((step) => step.pieces).sort((a, b) => a[0].localeCompare(b[0]));
    pieces.slice(1).forEach(([from], i) => expect(from >= pieces[i]![1]).toBe(true));
    expect(steps.every(({ by, nickname }) => by === 'Ines' && nickname !== '')).toBe(true);
    // Further ahead than a week, with what goes by the clock, and when each car is ready.
    const weeks = (await owner.get('/weeks').expect(200)).body as WeeksView;
    expect(weeks.steps.length).toBeGreaterThan(steps.length);
    expect(weeks.cars.map(({ id }) => id).sort()).toEqual([...cars].sort());
    for (const { id, ready } of weeks.cars)
      for (const { vehicle, pieces: own } of weeks.steps)
        if (vehicle === id) expect(own.at(-1)![1] <= ready).toBe(true);
  });
});

describe('the plan of a car', () => {
  it('is empty without work, and asks who works when before it plans', async () => {
    const vehicle = await vehicleOf(here.owner);
    expect(await plan(vehicle)).toMatchObject({ steps: [], problem: null, finish: null });
    await decided(here.owner, here.vehicle, 'patch');
    expect((await plan()).problem).toMatch(/who works when/);
  });

  it('puts every step into somebody’s hours, after what it waits for, and tells how sure the end is', async () => {
    await here.owner.post('/workers', ines()).expect(201);
    await decided(here.owner, here.vehicle, 'patch');
    const view = await plan();
    expect(view).toMatchObject({ problem: null, timeZone: 'Europe/Berlin' });
    expect(view.steps.length).toBeGreaterThan(5);
    const span = (id: string) => {
      const { pieces } = view.steps.find((step) => step.id === id)!;
      return [pieces[0]![0], pieces.at(-1)![1]] as const;
    };
    for (const { by, waits, pieces } of view.steps) {
      expect(by).toBe(waits ? null : 'Ines');
      for (const [from, to] of pieces) expect(from <= to).toBe(true);
    }
    const job = (await here.owner.get(`/vehicles/${here.vehicle}/job`).expect(200)).body as {
      steps: { id: string; waitsFor: { id: string }[] }[];
    };
    for (const { id, waitsFor } of job.steps)
      for (const before of waitsFor) expect(span(before.id)[1] <= span(id)[0]).toBe(true);
    const ends = view.steps.map(({ pieces }) => pieces.at(-1)![1]).sort();
    expect(Math.abs(Date.parse(view.finish!) - Date.parse(ends.at(-1)!))).toBeLessThan(1000);
    expect(view.p50! <= view.p90!).toBe(true);
    expect(Math.max(...view.steps.map(({ critical }) => critical))).toBe(1);
  });

  it('leaves out what is blocked for good, with all behind it, and says so', async () => {
    await here.owner.post('/workers', ines({ name: 'Ada' })).expect(201);
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const word = { reason: 'waits for the engine', until: null, notBefore: null, hours: null, spent: null };
    await here.owner
      .put(`/vehicles/${here.vehicle}/job/said`, { ...word, step: `${repair.id} strip`, state: 'blocked' })
      .expect(200);
    const view = await plan();
    expect(view.blocked).toMatchObject([{ reason: 'waits for the engine' }]);
    expect(view.steps.some(({ id }) => id === `${repair.id} weld`)).toBe(false);
  });

  it('plans nothing before the day that was said', async () => {
    await here.owner.post('/workers', ines({ name: 'Cem' })).expect(201);
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const word = { reason: '', until: null, hours: null, spent: null, state: null };
    const day = new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10);
    await here.owner
      .put(`/vehicles/${here.vehicle}/job/said`, { ...word, step: `${repair.id} strip`, notBefore: day })
      .expect(200);
    const strip = (await plan()).steps.find(({ id }) => id === `${repair.id} strip`)!;
    expect(strip.pieces[0]![0] >= day).toBe(true);
  });

  it.each([
    [{ name: '' }, 'name', /fill it in|not be empty|is not allowed/],
    [{ week: [] }, 'week', /7/],
    [{ week: [[[20, 18]], [], [], [], [], [], []] }, 'week[0]', /end after they begin/],
    [{ timeZone: 'Nowhere/Town' }, 'timeZone', /no time zone/],
    [{ off: ['soon'] }, 'off', /YYYY-MM-DD/],
  ])('refuses %j at its field', async (over, at, words) => {
    const { body } = await here.owner.post('/workers', ines({ name: 'Dora', ...over })).expect(422);
    expect(body.field).toContain(at);
    expect(body.detail).toMatch(words);
  });

  it('knows two people by their names, changes and removes them, for the owner only', async () => {
    const owner = await ownerOf(here.house);
    const one = ines({ name: 'Eva' });
    await owner.post('/workers', one).expect(201);
    expect((await owner.post('/workers', ines({ name: 'eva' })).expect(422)).body).toMatchObject({ field: 'name' });
    const changed = (await owner.put(`/workers/${one.id}`, { ...one, name: 'Eva B.', version: 1 }).expect(200))
      .body as Worker[];
    expect(changed).toMatchObject([{ name: 'Eva B.', version: 2 }]);
    await owner.put(`/workers/${one.id}`, { ...one, name: 'Other', version: 1 }).expect(409);
    await here.owner.put(`/workers/${one.id}`, { ...one, version: 2 }).expect(404);
    await here.owner.delete(`/workers/${one.id}`).expect(404);
    expect((await owner.delete(`/workers/${one.id}`).expect(200)).body).toEqual([]);
  });
});

describe('what is wanted of a plan', () => {
  async function planned(name: string, over: object = {}) {
    const owner = await ownerOf(here.house, name);
    const car = await vehicleOf(owner);
    await decided(owner, car, 'patch');
    await owner.post('/workers', ines(over)).expect(201);
    const view = async () => (await owner.get(`/vehicles/${car}/plan`).expect(200)).body as PlanView;
    const wish = (over: object) =>
      owner.put(`/vehicles/${car}/plan/wish`, { promised: null, outdoors: false, version: 0, ...over });
    return { owner, car, view, wish };
  }

  it('tells what it was made of, so that the page can move a step in it; no money and no input for who only looks', async () => {
    const { view, owner, car } = await planned('Moved');
    const { input, steps, from, finish } = await view();
    const tasks = Object.fromEntries(
      steps.map(({ id, by, pieces }) => [
        id,
        {
          by,
          pieces: pieces.map(
            (piece) => piece.map((at) => (Date.parse(at) - Date.parse(from)) / 3_600_000) as [number, number],
          ),
        },
      ]),
    );
    const first = steps.find(({ by }) => by !== null)!;
    const later = replanned(input!, { tasks }, { task: first.id, from: 24 * 30 });
    expect(later.finish).toBeGreaterThan((Date.parse(finish!) - Date.parse(from)) / 3_600_000);
    const { visitor } = await memberOf(here.house, owner, { role: 'viewer' });
    expect((await visitor.get(`/vehicles/${car}/plan`).expect(200)).body).toMatchObject({ input: null, money: null });
  });

  it('is a day: how likely it is kept, from never to always', async () => {
    const { view, wish } = await planned('Promise');
    expect(await view()).toMatchObject({
      inTime: null,
      wish: { promised: null, outdoors: false, version: 0 },
      wet: [],
    });
    const soon = (await wish({ promised: new Date().toISOString().slice(0, 10) }).expect(200)).body as PlanView;
    expect(soon.inTime).toBe(0);
    const late = (await wish({ promised: '2099-12-31', version: 1 }).expect(200)).body as PlanView;
    expect(late.inTime).toBe(1);
    const { p90 } = late;
    const fair = (await wish({ promised: p90!.slice(0, 10), version: 2 }).expect(200)).body as PlanView;
    expect(fair.inTime).toBeGreaterThanOrEqual(0.9);
    expect((await wish({ promised: '2027-02-30', version: 3 }).expect(422)).body.field).toBe('promised');
    await wish({ version: 1 }).expect(409);
    expect(endOfDay('2026-03-29', 'Europe/Berlin')).toBe(Date.parse('2026-03-29T21:59:59.999Z'));
  });

  it('is to weld in the dry where the car stands in the open', async () => {
    const { view, wish, owner, car } = await planned('Rain');
    const before = await view();
    const outside = (await wish({ outdoors: true }).expect(200)).body as PlanView;
    expect(outside.wet.length).toBeGreaterThan(0);
    const welds = outside.steps.filter(({ kind, waits }) => (kind === 'weld' || kind === 'prime') && !waits);
    expect(welds.length).toBeGreaterThan(0);
    for (const [from, to] of welds.flatMap(({ pieces }) => pieces))
      for (const [a, b] of outside.wet) expect(to <= a || from >= b).toBe(true);
    expect(outside.finish! >= before.finish!).toBe(true);
    // What rains is asked for in the plan of all cars as well.
    const { steps } = (await owner.get('/tonight').expect(200)).body as TonightView;
    expect(steps.every(({ vehicle }) => vehicle === car)).toBe(true);
  });

  it('may be helped: by somebody more, an evening more; most first, none of it later than it is', async () => {
    const { owner, car } = await planned('Help', { week: [[], [], [], [], [], [[9, 11]], []] });
    const list = (await owner.get(`/vehicles/${car}/plan/what-if`).expect(200)).body as WhatIf[];
    expect(list.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['A helper with the hours of Ines', '2 hours more a week from Ines']),
    );
    expect(list.every(({ sooner }) => sooner! >= 0)).toBe(true);
    expect(list[0]!.sooner).toBeGreaterThan(0);
    const empty = await vehicleOf(owner);
    expect((await owner.get(`/vehicles/${empty}/plan/what-if`).expect(200)).body).toEqual([]);
  });
});
