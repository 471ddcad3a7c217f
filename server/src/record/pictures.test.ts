import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import type { NewShare, RecordView } from '@aspecta/contract/record';
import { bodyPlan } from '@aspecta/core/body';
import type { PhotoRow } from '../survey/entities.ts';
import { decided, houseWithCar, vehicleOf, Visitor } from '../testing/house.ts';
import { textOf } from '../testing/pdfText.ts';
import { picturesFor } from './pictures.ts';

const here = houseWithCar();
const photo = (id: string, takenAt: string, panel: string | null = 'sill-l') =>
  ({ id, takenAt: new Date(takenAt), panel, note: '' }) as PhotoRow;
const vehicle = { plan: bodyPlan('saloon') };
const names = (pictures: ReturnType<typeof picturesFor>) => pictures.map(({ id, when }) => `${id} ${when}`);

describe('pictures of a repair', () => {
  const all = [
    photo('found', '2026-01-01'),
    photo('opened', '2026-01-10'),
    photo('other', '2026-01-11', 'roof'),
    photo('loose', '2026-01-11', null),
    photo('welded', '2026-01-20'),
  ];
  it('are told apart by its first and last weld; those of other panels are none of it', () => {
    const times = { began: new Date('2026-01-05'), over: new Date('2026-01-15') };
    expect(names(picturesFor(vehicle, { panel: 'sill-l' }, times, all))).toEqual([
      'found before',
      'opened during',
      'welded after',
    ]);
  });

  it('all show what was before as long as nothing is welded, and none what is after while it is not over', () => {
    const none = { began: null, over: null };
    expect(names(picturesFor(vehicle, { panel: 'sill-l' }, none, all)).every((one) => one.endsWith('before'))).toBe(
      true,
    );
    const open = { began: new Date('2026-01-05'), over: null };
    expect(names(picturesFor(vehicle, { panel: 'sill-l' }, open, all))).toEqual([
      'found before',
      'opened during',
      'welded during',
    ]);
  });

  it('are a few of each: the first ones before, the last ones after', () => {
    const many = Array.from({ length: 9 }, (_, i) => photo(String(i), `2026-01-0${i + 1}`));
    const times = { began: new Date('2026-01-05'), over: new Date('2026-01-05') };
    expect(names(picturesFor(vehicle, { panel: 'sill-l' }, times, many))).toEqual([
      '0 before',
      '1 before',
      '2 before',
      '6 after',
      '7 after',
      '8 after',
    ]);
  });

  it('are shown by a link, no other picture of the car is, and none once it is revoked', async () => {
    const id = await vehicleOf(here.owner);
    await decided(here.owner, id, 'patch');
    const send = async (panel: string, shade: number) => {
      const told = new URLSearchParams({ id: randomUUID(), takenAt: '2026-03-01T10:00:00Z', panel, layer: 'outer' });
      const bytes = await sharp({
        create: { width: 64, height: 48, channels: 3, background: { r: shade, g: 9, b: 9 } },
      })
        .jpeg()
        .toBuffer();
      const { body } = await here.owner.agent
        .post(`/api/vehicles/${id}/photos?${told.toString()}`)
        .set('x-aspecta-csrf', here.owner.csrf)
        .set('content-type', 'application/octet-stream')
        .send(bytes)
        .expect(201);
      return (body as { id: string }).id;
    };
    const [own, other] = [await send('quarter-l', 10), await send('roof', 90)];
    const { parts } = (await here.owner.get(`/vehicles/${id}/record`).expect(200)).body as RecordView;
    expect(parts.find(({ pictures }) => pictures)?.pictures).toMatchObject([{ id: own, when: 'before' }]);
    // On paper too, each with what it shows.
    const paper = await here.owner
      .get(`/vehicles/${id}/inspection.pdf`)
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200);
    expect(textOf(paper.body as Buffer)).toContain('Before, 1 Mar 2026');
    const made = (await here.owner.post(`/vehicles/${id}/shares`, { label: 'The tester', days: 14 }).expect(201))
      .body as NewShare;
    const stranger = new Visitor(here.house);
    const picture = (photoId: string) => stranger.get(`/shared/${made.token}/pictures/${photoId}`);
    expect((await picture(own).expect(200)).headers['content-type']).toContain('image/');
    await picture(other).expect(404);
    await picture(randomUUID()).expect(404);
    await stranger.get(`/shared/x/pictures/${own}`).expect(404);
    await here.owner.delete(`/vehicles/${id}/shares/${made.shares[0]!.id}`).expect(200);
    await picture(own).expect(404);
  });
});
