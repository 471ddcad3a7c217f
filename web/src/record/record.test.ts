import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { RecordView, ShareView, Timeline } from '@aspecta/contract/record';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import RecordPage from './RecordPage.vue';
import SharedPage from './SharedPage.vue';

const record: RecordView = {
  car: 'Marigold',
  shop: 'Lantern Lane',
  on: '2026-02-03T18:00:00.000Z',
  parts: [
    {
      title: 'Sill, left: patch',
      lines: ['Damage: rusted through, 80 cm².', 'Metal as built: outer, steel, 0.90 mm.'],
    },
  ],
  notInspected: ['Roof'],
  deference: 'These are reminders, not a certificate.',
};
const event = (id: string, at: string, text: string) => ({ id, at, by: 'Ines', subject: 'weld', text, undo: null });
const timeline: Timeline = {
  events: [
    event('b', '2026-02-03T18:00:00.000Z', 'Last weld on Sill, left done'),
    event('a', '2026-02-02T18:00:00.000Z', 'Cautions before welding read'),
  ],
  more: true,
  subjects: [{ subject: 'weld', count: 3 }],
};
const share: ShareView = {
  id: 's',
  label: 'The tester',
  by: 'Ines',
  createdAt: '2026-01-01T00:00:00.000Z',
  expiresAt: '2999-01-01T00:00:00.000Z',
  revokedAt: null,
  opened: 1,
};
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /vehicles/v/record', record)
    .on('GET /vehicles/v/timeline', timeline)
    .on('GET /vehicles/v/shares', [share]);
});
const open = async (tab?: string) => {
  const { page } = await openPage(RecordPage, { id: 'v' });
  if (tab) {
    await page.get(`input[value="${tab}"]`).setValue(true);
    await flushPromises();
  }
  return page;
};

describe('the record', () => {
  it('reads in words, says what was not inspected, and in inches in an inch shop', async () => {
    const page = await open();
    expect(page.text()).toContain('Damage: rusted through, 80 cm².');
    expect(page.text()).toContain('Nothing is said of these: Roof.');
    signIn('owner', 'in');
    expect((await open()).text()).not.toMatch(/\d ?(mm|cm²)/);
  });
  it('shows the timeline by day, fewer by station and word, and older ones', async () => {
    const page = await open('timeline');
    expect(page.findAll('section h2').map((head) => head.text())).toEqual(['3 Feb 2026', '2 Feb 2026']);
    server.on('GET /vehicles/v/timeline?subject=&search=&before=2026-02-02T18%3A00%3A00.000Z', {
      ...timeline,
      more: false,
      events: [event('z', '2026-02-01T18:00:00.000Z', 'Car rolled in')],
    });
    await button(page, 'Older').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Car rolled in');
    server.on('GET /vehicles/v/timeline?subject=&search=nothing', { ...timeline, events: [], more: false });
    await field(page, 'Word').setValue('nothing');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Nothing of this kind.');
  });
  it('is shared by a link that is shown once, and revoked', async () => {
    server
      .on('POST /vehicles/v/shares', () => ({ shares: [share], token: 'secret' }))
      .on('DELETE /vehicles/v/shares/s', () => [{ ...share, revokedAt: '2026-02-04T00:00:00.000Z' }]);
    const page = await open('share');
    await field(page, 'For whom').setValue('The tester');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /vehicles/v/shares')).toEqual([{ label: 'The tester', days: 14 }]);
    expect(page.text()).toContain('/shared/secret');
    await button(page, 'Revoke').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('revoked 4 Feb 2026');
    expect(page.findAll('button').some((one) => one.text() === 'Revoke')).toBe(false);
  });
});

describe('pictures of a repair', () => {
  const part = {
    ...record.parts[0]!,
    pictures: [
      { id: 'a', when: 'before' as const, takenAt: '2026-01-03T10:00:00.000Z', note: 'As found' },
      { id: 'b', when: 'after' as const, takenAt: '2026-02-03T10:00:00.000Z', note: '' },
    ],
  };
  it('stand beside it before and after, for the shop and by the link', async () => {
    server.on('GET /vehicles/v/record', { ...record, parts: [part] });
    const page = await open();
    expect(page.findAll('figure').map((one) => one.text())).toEqual([
      'Before, 3 Jan 2026As found',
      'After, 3 Feb 2026',
    ]);
    expect(page.get('img').attributes('src')).toBe('/api/vehicles/v/photos/a/picture?small=1');
    server.on('GET /shared/t', { ...record, parts: [part] });
    const shared = await openPage(SharedPage, { token: 't' });
    expect(shared.page.get('img').attributes('src')).toBe('/api/shared/t/pictures/a');
  });
});

describe('a shared record', () => {
  it('reads without an account, and says when its link leads nowhere', async () => {
    server.on('GET /shared/t', record);
    const { page } = await openPage(SharedPage, { token: 't' });
    expect(page.text()).toContain('Sill, left: patch');
    server.on('GET /shared/t', () => problem('not-found', 'This shared record does not exist.', 404));
    const gone = await openPage(SharedPage, { token: 't' });
    expect(gone.page.text()).toContain('This shared record does not exist.');
  });
});

describe('the timeline', () => {
  const gone = {
    ...event('c', '2026-02-04T18:00:00.000Z', 'Zone on Sill, left (rusted through) taken away'),
    undo: { says: 'Bring it back', path: '/vehicles/v/zones/z/restore', body: {} },
  };
  it('undoes from where it stands, and says where that is not possible any more', async () => {
    server
      .on('GET /vehicles/v/timeline', { ...timeline, events: [gone, ...timeline.events] })
      .on('POST /vehicles/v/zones/z/restore', () => problem('not-found', 'This zone does not exist.', 404));
    const page = await open('timeline');
    await button(page, 'Bring it back').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('This zone does not exist.');
  });
  it('offers nothing to undo to a viewer', async () => {
    signIn('viewer');
    server.on('GET /vehicles/v/timeline', { ...timeline, events: [gone] });
    const page = await open('timeline');
    expect(page.text()).toContain('taken away');
    expect(page.text()).not.toContain('Bring it back');
  });
});
