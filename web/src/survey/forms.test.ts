import { h } from 'vue';
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { SessionView } from '@aspecta/contract/shop';
import type { ZoneView } from '@aspecta/contract/survey';
import type { Layer } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import LengthField from '../shell/LengthField.vue';
import { useSession } from '../shell/session.ts';
import ConflictDialog from './ConflictDialog.vue';
import ReadingEntry from './ReadingEntry.vue';
import SizedZone from './SizedZone.vue';
import ZoneForm from './ZoneForm.vue';
import CornerHandles from '../sheet/CornerHandles.vue';

const layers: Layer[] = [
  { id: 'outer', name: 'Outer sill', thickness: 1.2, material: 'steel' },
  { id: 'inner', name: 'Inner sill', thickness: 1.2, material: 'steel' },
];
const inUnit = (unit: 'mm' | 'in') =>
  (useSession().current = { shop: { unit, currency: 'EUR' }, person: {}, csrf: '' } as unknown as SessionView);

beforeEach(() => {
  setActivePinia(createPinia());
  inUnit('mm');
  HTMLDialogElement.prototype.showModal = vi.fn();
  HTMLDialogElement.prototype.close = vi.fn();
});

describe('a length', () => {
  const field = (mm: number) => mount(LengthField, { props: { modelValue: mm, label: 'Margin' } });
  const type = async (wrapper: ReturnType<typeof field>, text: string) => {
    await wrapper.get('input').setValue(text);
    await wrapper.get('input').trigger('change');
  };

  it('is shown in the person’s unit and taken in either', async () => {
    inUnit('in');
    const wrapper = field(25.4);
    expect(wrapper.get('input').element.value).toBe('1"');
    await type(wrapper, '32 mm');
    expect(wrapper.emitted('update:modelValue')!.at(-1)).toEqual([32]);
    await type(wrapper, '1 1/2');
    expect(wrapper.emitted('update:modelValue')!.at(-1)![0]).toBeCloseTo(38.1, 9);
  });

  it('keeps what cannot be read, with the reason beside it', async () => {
    const wrapper = field(20);
    await type(wrapper, 'a bit more');
    expect(wrapper.get('input').element.value).toBe('a bit more');
    expect(wrapper.get('[role=alert]').text()).toMatch(/not a length/);
    expect(wrapper.emitted('update:modelValue')).toBeUndefined();
    expect(wrapper.get('input').attributes('aria-invalid')).toBe('true');
  });
});

describe('entering readings', () => {
  const entry = (places: Point[], store = vi.fn().mockResolvedValue(true)) => ({
    store,
    wrapper: mount(ReadingEntry, { props: { places, layers, layer: 'outer', store } }),
  });

  it('asks for the place first', async () => {
    const { wrapper, store } = entry([]);
    await wrapper.get('input[inputmode=decimal]').setValue('0.8');
    await wrapper.get('form').trigger('submit');
    expect(wrapper.get('[role=alert]').text()).toMatch(/Tap the place/);
    expect(store).not.toHaveBeenCalled();
  });

  it('stores the number at the place that was tapped, and says so', async () => {
    const { wrapper, store } = entry([[120.04, 33.33]]);
    await wrapper.get('input[inputmode=decimal]').setValue('0,82');
    await wrapper.get('form').trigger('submit');
    await vi.waitFor(() => expect(wrapper.emitted('stored')).toHaveLength(1));
    expect(store).toHaveBeenCalledWith(
      expect.objectContaining({ layer: 'outer', u: 120, v: 33.3, metalMm: expect.closeTo(0.82, 9) }),
    );
    expect(wrapper.get('[role=status]').text()).toBe('Stored.');
  });

  it('says when a reading is kept on the device', async () => {
    const { wrapper } = entry([[1, 1]], vi.fn().mockResolvedValue(false));
    await wrapper.get('input[inputmode=decimal]').setValue('1');
    await wrapper.get('form').trigger('submit');
    await vi.waitFor(() => expect(wrapper.get('[role=status]').text()).toBe('Kept on this device.'));
  });

  it('does not guess where more numbers than places were said', async () => {
    const { wrapper, store } = entry([[1, 1]]);
    await wrapper.get('input[inputmode=decimal]').setValue('0.8 0.7 0.6');
    await wrapper.get('form').trigger('submit');
    expect(wrapper.get('[role=alert]').text()).toMatch(/3 numbers for 1 marked place/);
    expect(store).not.toHaveBeenCalled();
  });

  it('takes the verdict of the probe with one tap', async () => {
    const { wrapper, store } = entry([[1, 1]]);
    await wrapper.get('input[value=probe]').setValue(true);
    await wrapper
      .findAll('button')
      .find((button) => button.text() === 'through')!
      .trigger('click');
    await vi.waitFor(() => expect(store).toHaveBeenCalledWith(expect.objectContaining({ probe: 'through' })));
  });
});

describe('a zone', () => {
  const draft = { class: 'thin', layer: 'outer', evidence: 'stripped', note: '', overruled: '' } as const;
  const form = (over: object = {}) =>
    mount(ZoneForm, {
      props: {
        draft,
        layers,
        errors: {},
        busy: false,
        crossing: null,
        existing: false,
        canWork: true,
        told: () => null,
        ...over,
      },
    });

  it('may say what is to be done instead: no reading overrules that, and nobody asks how it is known', async () => {
    const wrapper = form({ told: () => ({ class: 'through', because: 'a reading in it is a hole' }) });
    expect(wrapper.text()).toContain('By its evidence');
    await wrapper.get('input[value=opening]').setValue(true);
    expect(wrapper.text()).not.toContain('By its evidence');
    expect(wrapper.text()).not.toContain('Why not what the evidence says?');
    expect(wrapper.text()).not.toContain('How do you know?');
    await wrapper.get('form').trigger('submit');
    expect(wrapper.emitted('save')![0]![0]).toMatchObject({ class: 'opening', overruled: '' });
  });

  describe('by its size', () => {
    const OUTLINE = [
      [0, 0],
      [500, 0],
      [500, 300],
    ] as const;
    const sized = async (shape: string, typed: string[], unit: 'mm' | 'in' = 'mm') => {
      inUnit(unit);
      const wrapper = mount(SizedZone, { props: { outline: OUTLINE } });
      await wrapper.get(`input[value=${shape}]`).setValue(true);
      const fields = wrapper.findAll('input:not([type=radio])');
      for (const [i, text] of typed.entries()) await fields[i]!.setValue(text);
      await wrapper.get('form').trigger('submit');
      return wrapper;
    };
    const ringOf = (wrapper: Awaited<ReturnType<typeof sized>>) =>
      wrapper.emitted('take')![0]![0] as [number, number][];

    it('is a round one around its middle, or a rectangle', async () => {
      const round = ringOf(await sized('round', ['250', '160', '80']));
      for (const [u, v] of round) expect(Math.hypot(u - 250, v - 160)).toBeCloseTo(40, 1);
      expect((await sized('round', ['250', '160', '80'])).emitted('take')![0]![1]).toBe('hole');
      expect(ringOf(await sized('rectangle', ['100', '50', '60', '20']))).toEqual([
        [70, 40],
        [130, 40],
        [130, 60],
        [70, 60],
      ]);
    });

    it('is the whole panel with one tap, and asks for no size', async () => {
      const whole = await sized('panel', []);
      expect(whole.findAll('input:not([type=radio])')).toEqual([]);
      expect(ringOf(whole)).toEqual(OUTLINE);
      // Until the person says what it is: a panel gone as a whole is no hole to close.
      expect(whole.emitted('take')![0]![1]).toBe('through');
    });

    it('is read in inches where the shop reads so', async () => {
      const wrapper = await sized('rectangle', ['10', '5', '2', '1/2'], 'in');
      expect(wrapper.text()).toContain('Middle, from the left, inches');
      expect(ringOf(wrapper)[0]![0]).toBeCloseTo(9 * 25.4, 9);
      expect(ringOf(wrapper)[0]![1]).toBeCloseTo(4.75 * 25.4, 9);
    });

    it.each([
      ['round', ['250', '160', '0']],
      ['round', ['250', 'there', '80']],
      ['rectangle', ['250', '160', '80', '']],
    ])('is not drawn from %s %j, and says what is asked for', async (shape, typed) => {
      const wrapper = await sized(shape, typed);
      expect(wrapper.emitted('take')).toBeUndefined();
      expect(wrapper.get('[role=alert]').text()).toMatch(/^Write its middle and its/);
    });
  });

  it('is saved with its class, layer and evidence', async () => {
    const wrapper = form();
    await wrapper.get('input[value=through]').setValue(true);
    await wrapper.get('input[value=inner]').setValue(true);
    await wrapper.get('input[value=opened]').setValue(true);
    await wrapper.get('textarea').setValue('behind the jack');
    await wrapper.get('form').trigger('submit');
    expect(wrapper.emitted('save')![0]).toEqual([
      { class: 'through', layer: 'inner', evidence: 'opened', note: 'behind the jack', overruled: '' },
    ]);
  });

  it('follows its evidence until a person overrules it, and then asks why', async () => {
    const wrapper = form({ told: () => ({ class: 'through', because: 'a reading in it is a hole' }) });
    await wrapper.get('form').trigger('submit');
    expect(wrapper.emitted('save')![0]).toMatchObject([{ class: 'through', overruled: '' }]);
    await wrapper.get('input[value=pitted]').setValue(true);
    const why = wrapper.findAll('.field').find((field) => field.text().includes('Why not what the evidence says'))!;
    await why.get('input').setValue('Probe slipped');
    await wrapper.get('form').trigger('submit');
    expect(wrapper.emitted('save')![1]).toMatchObject([{ class: 'pitted', overruled: 'Probe slipped' }]);
  });

  it('is not held to a coating that came off when its metal was laid bare', async () => {
    const wrapper = form({
      told: (isBare: boolean) => (isBare ? null : { class: 'filler', because: 'the coating in it is 1800 µm' }),
    });
    expect(wrapper.text()).not.toContain('By its evidence');
    await wrapper.get('input[value=blister]').setValue(true);
    expect(wrapper.text()).toContain('the coating in it is 1800 µm');
  });

  it('cannot be saved while it crosses itself', () => {
    const wrapper = form({ crossing: 'The outline crosses itself' });
    expect(wrapper.get('[role=alert]').text()).toMatch(/crosses itself/);
    expect(wrapper.get('button.main').attributes('disabled')).toBeDefined();
  });

  it('is removed only after asking twice, and not at all by who may only look', async () => {
    const wrapper = form({ existing: true });
    const button = (text: string) => wrapper.findAll('button').find((candidate) => candidate.text() === text);
    await button('Remove')!.trigger('click');
    expect(wrapper.emitted('remove')).toBeUndefined();
    await button('Yes, remove it')!.trigger('click');
    expect(wrapper.emitted('remove')).toHaveLength(1);
    expect(form({ canWork: false }).find('button').exists()).toBe(false);
  });

  it('is closed by its first corner only, and not by a fingertip that meant a place beside it', () => {
    const corners: Point[] = [
      [0, 0],
      [100, 0],
      [100, 18],
    ];
    const drawn = mount(() =>
      h('svg', [
        h(CornerHandles, {
          ring: corners,
          closed: false,
          place: ([u, v]: Point): [number, number] => [u, v],
          sheetAt: (x: number, y: number): Point => [x, y],
        }),
      ]),
    );
    const wrapper = drawn.getComponent(CornerHandles);
    const down = (corner: string, clientX: number, clientY: number) =>
      wrapper
        .get(`[aria-label="${corner}"]`)
        .element.dispatchEvent(new MouseEvent('pointerdown', { clientX, clientY, bubbles: true }));
    down('Close the zone', 0, 18);
    down('Corner 3', 100, 40);
    expect(wrapper.emitted('beside')).toEqual([[[0, 18]], [[100, 40]]]);
    expect(wrapper.emitted('close')).toBeUndefined();
    down('Close the zone', 3, 4);
    expect(wrapper.emitted('close')).toHaveLength(1);
  });

  it('has corners that move by keys as well, a millimetre or ten', async () => {
    const ring: Point[] = [
      [0, 0],
      [100, 0],
      [100, 100],
    ];
    const wrapper = mount(CornerHandles, {
      props: {
        ring,
        closed: true,
        place: ([u, v]: Point): [number, number] => [u, v],
        sheetAt: (x: number, y: number): Point => [x, y],
      },
    });
    const second = wrapper.get('[aria-label^="Corner 2"]');
    await second.trigger('keydown', { key: 'ArrowUp' });
    await second.trigger('keydown', { key: 'ArrowRight', shiftKey: true });
    expect(wrapper.emitted('move')).toEqual([
      [1, [100, 1]],
      [1, [110, 0]],
    ]);
    await wrapper.get('[aria-label="Add a corner on side 1"]').trigger('pointerdown');
    expect(wrapper.emitted('add')![0]).toEqual([1, [50, 0]]);
  });

  it('that two have changed is shown side by side', async () => {
    const mine = {
      id: 'z',
      ring: [
        [0, 0],
        [1, 0],
        [1, 1],
      ],
      class: 'thin',
      evidence: 'map',
      layer: 'outer',
      note: 'mine',
      holes: [],
      overruled: '',
      area: 5,
      share: 0.1,
      version: 1,
      panel: 'p',
      changedAt: new Date().toISOString(),
      changedBy: 'A',
    } as unknown as ZoneView;
    const theirs = { ...mine, class: 'pitted', note: 'theirs', changedBy: 'Tobi', version: 2 } as ZoneView;
    const wrapper = mount(ConflictDialog, { props: { mine, theirs } });
    expect(wrapper.text()).toContain('Tobi saved it');
    expect(wrapper.findAll('tr.differs')).toHaveLength(2);
    await wrapper.get('button.main').trigger('click');
    expect(wrapper.emitted('choose')![0]).toEqual([true]);
  });
});
