import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { NewShare, RecordView, ShareView, Timeline } from '@aspecta/contract/record';
import { patternDefaults } from '@aspecta/contract/pattern';
import { weldDefaults } from '@aspecta/contract/weld';
import { ShareEntity } from './entities.ts';
import { decided, houseWithCar, reading, vehicleOf, Visitor, zoneInput } from '../testing/house.ts';

const here = houseWithCar();
const timeline = async (vehicle: string, query = '') =>
  (await here.owner.get(`/vehicles/${vehicle}/timeline${query}`).expect(200)).body as Timeline;
const record = async (vehicle: string) =>
  (await here.owner.get(`/vehicles/${vehicle}/record`).expect(200)).body as RecordView;

describe('the timeline of a car', () => {
  it('tells what happened, newest first, by station and by word', async () => {
    const vehicle = await vehicleOf(here.owner);
    await decided(here.owner, vehicle, 'patch');
    const all = await timeline(vehicle);
    expect(all.events.length).toBeGreaterThan(1);
    const times = all.events.map(({ at }) => at);
    expect(times).toEqual([...times].sort().reverse());
    expect(all.subjects.find(({ subject }) => subject === 'verdict')!.count).toBe(1);
    const only = await timeline(vehicle, '?subject=verdict');
    expect(only.events).toHaveLength(1);
    expect((await timeline(vehicle, `?search=${encodeURIComponent('quarter')}`)).events.length).toBeGreaterThan(0);
    // What stands for any letters elsewhere is looked for as it is.
    expect((await timeline(vehicle, '?search=%25')).events).toEqual([]);
    expect((await timeline(vehicle, `?before=${times.at(-1)!}`)).events).toEqual([]);
    expect((await timeline(vehicle, '?before=yesterday')).events.length).toBe(all.events.length);
  });
});

describe('undoing from the timeline', () => {
  const undoOf = async (vehicle: string, word: string) =>
    (await timeline(vehicle)).events.find(({ text }) => text.includes(word))!.undo;
  it('brings back a zone, a find and readings, once each', async () => {
    const vehicle = await vehicleOf(here.owner);
    const zone = zoneInput({ panel: 'roof' });
    await here.owner.post(`/vehicles/${vehicle}/zones`, zone).expect(201);
    const find = { id: randomUUID(), panel: 'roof', layer: 'outer', u: 300, v: 300, sign: 'hole', note: '' };
    await here.owner.post(`/vehicles/${vehicle}/finds`, find).expect(201);
    const one = reading({ panel: 'roof' });
    await here.owner.post(`/vehicles/${vehicle}/readings`, { readings: [one] }).expect(201);
    await here.owner.delete(`/vehicles/${vehicle}/zones/${zone.id}`).expect(204);
    await here.owner.post(`/vehicles/${vehicle}/finds/${find.id}/remove`).expect(204);
    await here.owner.post(`/vehicles/${vehicle}/readings/withdraw`, { ids: [one.id], withdrawn: true }).expect(200);
    for (const [word, address] of [
      ['Zone on Roof panel', 'zones'],
      ['Find on', 'finds'],
      ['1 reading withdrawn', 'readings'],
    ] as const) {
      const found = (await timeline(vehicle)).events.find(({ text, undo }) => text.includes(word.slice(0, 7)) && undo);
      expect(found, word).toBeDefined();
      const { path, body } = found!.undo!;
      expect(path).toContain(address);
      const { status } = await here.owner.post(path, body);
      expect([200, 204]).toContain(status);
      // Undone, it offers no undoing any more.
      const again = (await timeline(vehicle)).events.find(({ id }) => id === found!.id)!;
      expect(again.undo).toBeNull();
    }
    const zones = await here.owner.get(`/vehicles/${vehicle}/panels/roof/zones`).expect(200);
    expect(zones.body).toHaveLength(1);
  });
  it('lets a decision stand again and takes a move of an order back, as long as nothing came after it', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch');
    await here.owner
      .post(`/repairs/${repair.id}/withdraw`, { reason: 'too soon', version: repair.version })
      .expect(200);
    const undo = (await undoOf(vehicle, 'decision taken back'))!;
    expect(undo.says).toBe('Let it stand again');
    await here.owner.post(undo.path, undo.body).expect(200);
    expect(await undoOf(vehicle, 'decision taken back')).toBeNull();
    const line = { vehicleId: vehicle, panel: 'roof', maker: 'Harrow', price: 1, quantity: 1, carriage: 0 };
    const made = (await here.owner.post('/orders', line).expect(201)).body as { id: string };
    const move = (state: string, version: number) =>
      here.owner.post(`/orders/${made.id}/move`, { state, on: '2026-11-02', version }).expect(200);
    await move('ordered', 1);
    expect((await undoOf(vehicle, ': ordered'))!.says).toBe('Take it back');
    await move('confirmed', 2);
    expect(await undoOf(vehicle, ': ordered')).toBeNull();
    const back = (await undoOf(vehicle, ': confirmed'))!;
    await here.owner.post(back.path, back.body).expect(200);
    expect(await undoOf(vehicle, ': confirmed')).toBeNull();
  });
});

describe('the record of a car', () => {
  it('says of each repair what was wrong, what was decided and why, the metal, how it is joined, and what was not inspected', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch');
    await here.owner.put(`/repairs/${repair.id}/weld`, { ...weldDefaults, version: 0 }).expect(200);
    const { parts, notInspected, deference } = await record(vehicle);
    const part = parts.find(({ title }) => title.startsWith('Rear quarter, left'))!;
    const text = part.lines.join('\n');
    expect(text).toMatch(/Damage: rusted through, 80 cm²/);
    expect(text).toMatch(/Decided on \d+ \w+ \d{4} by Owner Test, because: a test decision\./);
    expect(text.match(/Metal as built: .*steel, 0\.\d\d mm/g)).toHaveLength(1);
    expect(text).not.toContain('Metal let in');
    expect(text).toMatch(/Joined by MIG welding: /);
    expect(text).not.toMatch(/\b1 (welds|spots|bolts|rivets)\b/);
    // One day is told once.
    expect(text).not.toMatch(/done between (.+) and \1/);
    expect(text).toContain('Not finished.');
    await here.owner
      .put(`/repairs/${repair.id}/pattern`, { ...patternDefaults, thickness: 1.5, version: 0 })
      .expect(200);
    expect((await record(vehicle)).parts.flatMap(({ lines }) => lines)).toContain('Metal let in: steel, 1.50 mm.');
    expect(notInspected).toContain('Front wing, left');
    expect(notInspected).not.toContain('Rear quarter, left');
    expect(deference).toMatch(/not a certificate/);
  });
});

describe('the costs of a car', () => {
  it('has a line for each repair with hours reckoned and noted and its parts, and what was ordered beside', async () => {
    const vehicle = await vehicleOf(here.owner);
    const repair = await decided(here.owner, vehicle, 'patch');
    const said = {
      step: `${repair.id} strip`,
      state: 'done',
      reason: '',
      until: null,
      notBefore: null,
      hours: null,
      spent: 1.25,
    };
    await here.owner.put(`/vehicles/${vehicle}/job/said`, said).expect(200);
    const wire = {
      vehicleId: vehicle,
      panel: '',
      item: '=wire',
      maker: 'Any mill',
      price: 1000,
      quantity: 2,
      carriage: 0,
    };
    await here.owner.post('/orders', wire).expect(201);
    const text = (await here.owner.get(`/vehicles/${vehicle}/costs.csv`).expect(200)).text;
    const [head, first, second] = text
      .split('\n')
      .map((line) => line.replace(/"[^"]*"/g, (cell) => cell.replaceAll(',', ' ')).split(','));
    expect(head).toContain('hours_noted');
    expect(Number(first![head!.indexOf('hours_reckoned')])).toBeCloseTo(repair.hours.p50, 2);
    expect(Number(first![head!.indexOf('hours_noted')])).toBe(1.25);
    // A cell cannot start a formula; two at ten, and the tax of the shop.
    expect(second![0]).toContain("'=wire");
    expect(Number(second![head!.indexOf('parts_landed')])).toBeGreaterThanOrEqual(20);
    const xlsx = await here.owner.get(`/vehicles/${vehicle}/costs.xlsx`).buffer().expect(200);
    expect(xlsx.headers['content-type']).toContain('spreadsheetml');
  });
});

describe('a link to the record', () => {
  it('opens without an account, tells no hours and no prices, is counted, and ends when it is revoked', async () => {
    const vehicle = await vehicleOf(here.owner);
    await decided(here.owner, vehicle, 'patch');
    const made = (await here.owner.post(`/vehicles/${vehicle}/shares`, { label: 'The tester', days: 14 }).expect(201))
      .body as NewShare;
    expect(made.shares[0]).toMatchObject({ label: 'The tester', revokedAt: null, opened: 0 });
    expect(JSON.stringify(made.shares)).not.toContain(made.token);
    const stranger = new Visitor(here.house);
    const read = (await stranger.get(`/shared/${made.token}`).expect(200)).body as RecordView;
    expect(read.parts.length).toBeGreaterThan(0);
    expect(JSON.stringify(read)).not.toMatch(/\d h (were|of work)|€|EUR/);
    await stranger.get(`/vehicles/${vehicle}/record`).expect(401);
    await stranger.get(`/shared/x${made.token}`).expect(404);
    const shares = (await here.owner.get(`/vehicles/${vehicle}/shares`).expect(200)).body as ShareView[];
    expect(shares[0]!.opened).toBe(1);
    await here.owner.delete(`/vehicles/${vehicle}/shares/${shares[0]!.id}`).expect(200);
    await stranger.get(`/shared/${made.token}`).expect(404);
  });

  it('ends by itself, and with its car; a label and a number of days are needed', async () => {
    const vehicle = await vehicleOf(here.owner);
    const share = (over: object) =>
      here.owner.post(`/vehicles/${vehicle}/shares`, { label: 'A buyer', days: 3, ...over });
    const made = (await share({}).expect(201)).body as NewShare;
    await here.house.db.getRepository(ShareEntity).update({ id: made.shares[0]!.id }, { expiresAt: new Date(0) });
    await new Visitor(here.house).get(`/shared/${made.token}`).expect(404);
    const other = (await share({}).expect(201)).body as NewShare;
    await here.owner.delete(`/vehicles/${vehicle}`).expect((answer) => expect(answer.status).toBeLessThan(300));
    await new Visitor(here.house).get(`/shared/${other.token}`).expect(404);
    const bad = await here.owner.post(`/vehicles/${here.vehicle}/shares`, { label: 'x', days: 0 }).expect(422);
    expect(bad.body).toMatchObject({ field: 'label' });
    await here.owner.delete(`/vehicles/${here.vehicle}/shares/${randomUUID()}`).expect(404);
  });
});
