import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { FeedView, NewFeed } from '@aspecta/contract/plan';
import { decided, houseWithCar, ON_SILL, ownerOf, vehicleOf, Visitor } from '../testing/house.ts';

const here = houseWithCar();

describe('the plan in a calendar of one’s own', () => {
  it('is read by its address without an account, over all cars, and no more once it has ended or was made anew', async () => {
    const owner = await ownerOf(here.house, 'Lane & Lantern');
    await decided(owner, await vehicleOf(owner), 'patch', ON_SILL);
    const week = [[[18, 21]], [[18, 21]], [[18, 21]], [[18, 21]], [[18, 21]], [[9, 14]], []];
    await owner
      .post('/workers', { id: randomUUID(), name: 'Ines', week, off: [], timeZone: 'Europe/Berlin' })
      .expect(201);
    expect((await owner.get('/feed').expect(200)).body).toEqual({ since: null });
    const { token, since } = (await owner.post('/feed').expect(201)).body as NewFeed;
    expect(since).not.toBeNull();
    const calendar = new Visitor(here.house);
    const read = async (of: string) => calendar.get(`/calendar/${of}.ics`);
    const { text, headers } = await read(token);
    expect(headers['content-type']).toContain('text/calendar');
    expect(text).toMatch(/BEGIN:VCALENDAR[\s\S]*BEGIN:VEVENT[\s\S]*\(Ines\)/);
    expect(text).not.toMatch(/€|EUR|[\w.]+@bench\.example/);
    expect((await read(`x${token}`)).status).toBe(404);
    const { token: next } = (await owner.post('/feed').expect(201)).body as NewFeed;
    expect((await read(token)).status).toBe(404);
    expect((await read(next)).status).toBe(200);
    expect((await owner.delete('/feed').expect(200)).body as FeedView).toEqual({ since: null });
    expect((await read(next)).status).toBe(404);
  });

  it('is an empty calendar where nothing is planned, and is of each person alone', async () => {
    const owner = await ownerOf(here.house, 'Nothing to do here');
    const { token } = (await owner.post('/feed').expect(201)).body as NewFeed;
    const { text } = await new Visitor(here.house).get(`/calendar/${token}`).expect(200);
    expect(text).toContain('BEGIN:VCALENDAR');
    expect(text).not.toContain('BEGIN:VEVENT');
    await new Visitor(here.house).get('/feed').expect(401);
  });
});
