import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { FindView } from '@aspecta/contract/survey';
import type { SessionView } from '@aspecta/contract/shop';
import { useSession } from '../shell/session.ts';
import FindList from './FindList.vue';

const fetching = vi.fn<typeof fetch>();
const find: FindView = {
  id: 'f',
  panel: 'roof',
  layer: 'outer',
  u: 10,
  v: 10,
  sign: 'blister',
  note: 'beside the seam',
  place: null,
  photoId: null,
  structural: false,
  closed: null,
  version: 4,
  at: '2026-03-01T10:00:00Z',
  by: 'Ines',
};
const list = (finds: FindView[] = [find], canWork = true) =>
  mount(FindList, {
    props: { finds, vehicle: 'v', canWork },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  });
const press = (wrapper: ReturnType<typeof list>, name: string) =>
  wrapper
    .findAll('button')
    .find((button) => button.text() === name)!
    .trigger('click');
const sent = (call = 0) => JSON.parse(String(fetching.mock.calls[call]![1]!.body)) as Record<string, unknown>;

beforeEach(() => {
  setActivePinia(createPinia());
  useSession().current = { shop: { unit: 'mm' }, person: { role: 'owner' }, csrf: 'x' } as unknown as SessionView;
  vi.stubGlobal('fetch', fetching);
  fetching.mockReset();
});

describe('what was found', () => {
  it('is closed with how it was cured, and shown as cured', async () => {
    const closed = { note: 'Cut out, new metal', photoId: null, at: '2026-04-02T08:00:00Z', by: 'Tom' };
    fetching.mockResolvedValue(new Response(JSON.stringify({ ...find, closed, version: 5 }), { status: 200 }));
    const wrapper = list();
    await press(wrapper, 'It is cured');
    await wrapper.get('form input:not([type=file])').setValue('Cut out, new metal');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(sent()).toEqual({
      sign: 'blister',
      note: 'beside the seam',
      closed: { note: 'Cut out, new metal', photoId: null },
      version: 4,
    });
    await wrapper.setProps({ finds: [wrapper.emitted('changed')![0]![0] as FindView] });
    expect(wrapper.text()).toContain('Cured 2 Apr 2026, Tom: Cut out, new metal');
    await press(wrapper, 'Open again');
    await flushPromises();
    expect(sent(1)).toMatchObject({ closed: null, version: 5 });
  });

  it('is changed on the version that was seen, and shows what somebody else has stored', async () => {
    const theirs = { ...find, note: 'theirs', version: 9 };
    const problem = { code: 'conflict', detail: 'Somebody else was quicker.', current: theirs };
    fetching.mockResolvedValue(new Response(JSON.stringify(problem), { status: 409 }));
    const wrapper = list();
    await press(wrapper, 'Change');
    await wrapper.get('select').setValue('hole');
    await wrapper.get('form').trigger('submit');
    await flushPromises();
    expect(sent()).toMatchObject({ sign: 'hole', version: 4 });
    expect(wrapper.text()).toContain('Somebody else was quicker.');
    expect(wrapper.emitted('changed')![0]![0]).toMatchObject({ note: 'theirs' });
    // What was chosen still stands there, for a second try.
    expect((wrapper.get('select').element as HTMLSelectElement).value).toBe('hole');
  });

  it('is removed, and brought back', async () => {
    fetching.mockImplementation(() => Promise.resolve(new Response(null, { status: 204 })));
    const wrapper = list();
    await press(wrapper, 'Remove');
    await flushPromises();
    expect(wrapper.emitted('gone')).toHaveLength(1);
    await wrapper.setProps({ finds: [] });
    await press(wrapper, 'Bring it back');
    await flushPromises();
    expect(fetching.mock.calls[1]![0]).toBe('/api/vehicles/v/finds/f/restore');
    expect(wrapper.emitted('changed')![0]![0]).toMatchObject({ id: 'f' });
  });

  it('is nobody’s to change who only looks, nor as long as it is on this device', () => {
    expect(list([find], false).findAll('button')).toHaveLength(0);
    expect(list([{ ...find, version: 0 }]).findAll('button')).toHaveLength(0);
  });
});
