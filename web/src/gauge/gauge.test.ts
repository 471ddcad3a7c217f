import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { GaugeEvent } from '@aspecta/contract/gauge';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import type { Point } from '@aspecta/core/geometry';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import GaugeEntry from './GaugeEntry.vue';

const panel = panelOf(bodyPlan('saloon'), 'sill-l');
const skin = panelOf(bodyPlan('offroader'), 'bonnet');
const coating = { id: 'c', kind: 'coating', name: 'Coating stand-in', standIn: true, inUseBy: null };
const thickness = { id: 't', kind: 'thickness', name: 'Thickness stand-in', standIn: true, inUseBy: 'Wim' };

/** The line on which a gauge speaks. */
class Line {
  static last: Line | undefined;
  onopen?: () => void;
  onerror?: () => void;
  onmessage?: (message: { data: string }) => void;
  closed = false;
  readonly url: string;
  constructor(url: string) {
    this.url = url;
    Line.last = this;
  }
  close(): void {
    this.closed = true;
  }
  say(event: GaugeEvent): void {
    this.onmessage?.({ data: JSON.stringify(event) });
  }
}

let server: FakeServer;
const stored = vi.fn<(reading: Record<string, unknown>) => Promise<boolean>>();
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  vi.stubGlobal('EventSource', Line);
  Line.last = undefined;
  stored.mockReset().mockResolvedValue(true);
  server = new FakeServer().on('GET /gauges', [coating, thickness]);
  for (const id of ['c', 't'])
    for (const verb of ['zero', 'press', 'place']) server.on(`POST /gauges/${id}/${verb}`, {});
});

async function inHand(name = 'Coating stand-in', over: Record<string, unknown> = {}) {
  const { page } = await openPage(GaugeEntry, {
    panel,
    places: [],
    advice: [],
    store: stored,
    layer: 'outer',
    'onUpdate:layer': (layer: string) => void page.setProps({ layer }),
    onPlaces: (places: Point[]) => void page.setProps({ places }),
    ...over,
  });
  await button(page, `Connect ${name}`).trigger('click');
  Line.last!.onopen!();
  await flushPromises();
  return { page, line: Line.last! };
}
const reads = (value: number | null, over: object = {}): GaugeEvent =>
  ({ type: 'reading', seq: 1, kind: 'coating', value, censored: null, ...over }) as GaugeEvent;

describe('a gauge in hand', () => {
  it('is chosen among those that are known, and who has one is said', async () => {
    const { page } = await openPage(GaugeEntry, { panel, places: [], advice: [], store: stored, layer: 'outer' });
    expect(page.text()).toContain('in the hands of Wim');
    await button(page, 'Connect Coating stand-in').trigger('click');
    expect(Line.last!.url).toBe('/api/gauges/c/stream');
  });

  it('is told the tapped place, and what it reads is stored there', async () => {
    const { page, line } = await inHand();
    await page.setProps({ places: [[300, 60]] });
    await flushPromises();
    expect(server.to('POST /gauges/c/place').at(-1)).toEqual({ panel: 'sill-l', layer: 'outer', u: 300, v: 60 });
    await button(page, 'Press the gauge’s button').trigger('click');
    expect(server.to('POST /gauges/c/press')).toHaveLength(1);
    line.say(reads(312));
    await flushPromises();
    expect(stored).toHaveBeenCalledExactlyOnceWith({
      coatingUm: 312,
      coatingOver: false,
      layer: 'outer',
      u: 300,
      v: 60,
      note: '',
      instrument: 'Coating stand-in',
    });
    expect(page.text()).toContain('312 µm');
    expect(page.text()).toContain('1 stored.');
  });

  it('keeps “more than” and “less than” as such', async () => {
    const { page, line } = await inHand();
    await page.setProps({ places: [[300, 60]] });
    line.say(reads(1500, { censored: 'above' }));
    await flushPromises();
    expect(stored.mock.calls[0]![0]).toMatchObject({ coatingUm: 1500, coatingOver: true });
    expect(page.text()).toContain('more than 1500 µm');
    await page.setProps({ places: [[320, 60]] });
    line.say(reads(0.6, { kind: 'thickness', censored: 'below' }));
    await flushPromises();
    expect(stored.mock.calls[1]![0]).toMatchObject({ metalMm: 0.6, metalUnder: true });
    expect(page.text()).toContain('less than 0.6');
  });

  it('stores nothing where no place is marked or nothing was coupled, and says what to do', async () => {
    const { page, line } = await inHand();
    line.say(reads(200));
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('no place is marked');
    await page.setProps({ places: [[300, 60]] });
    line.say(reads(null, { kind: 'thickness' }));
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('No coupling');
    line.say(reads(null));
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('flat on steel');
    expect(stored).not.toHaveBeenCalled();
  });

  it('reads a row from two taps by its button only, one place after the other', async () => {
    const { page, line } = await inHand();
    await page.get('input[type=radio][value=line]').setValue(true);
    await field(page, 'Step, mm').setValue('100');
    await page.setProps({
      places: [
        [100, 60],
        [400, 60],
      ],
    });
    await flushPromises();
    expect(page.text()).toContain('4 to go');
    for (const n of [1, 2, 3, 4]) {
      line.say(reads(100 + n));
      await flushPromises();
    }
    expect(stored.mock.calls.map(([reading]) => reading['u'])).toEqual([100, 200, 300, 400]);
    expect(page.text()).toContain('4 stored.');
    expect(page.text()).toContain('Tap the place on the sheet');
  });

  it('stays at its place where a reading could not be stored', async () => {
    const { page, line } = await inHand();
    await page.setProps({ places: [[300, 60]] });
    stored.mockRejectedValueOnce(new Error('300 mm from the left lies outside the panel.'));
    line.say(reads(120));
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('outside the panel');
    line.say(reads(120));
    await flushPromises();
    expect(stored).toHaveBeenCalledTimes(2);
    expect(page.text()).toContain('1 stored.');
  });

  it('goes where advice sends it', async () => {
    const { page } = await inHand('Coating stand-in', { advice: [{ u: 210, v: 44, why: 'doubt is largest' }] });
    await page.get('input[type=radio][value=advice]').setValue(true);
    await flushPromises();
    expect(server.to('POST /gauges/c/place').at(-1)).toMatchObject({ u: 210, v: 44 });
  });

  it('prompts for battery and zero, and is put down when it is gone', async () => {
    const { page, line } = await inHand();
    line.say({ type: 'battery', percent: 12 });
    line.say({ type: 'drift', text: 'It has drifted; zero it on the plate.' });
    await flushPromises();
    expect(page.text()).toContain('battery 12 %: charge it soon');
    expect(page.text()).toContain('zero it on the plate');
    line.say({ type: 'nonsense', text: '#?!' });
    await flushPromises();
    expect(page.text()).toContain('take that reading again');
    line.say({ type: 'gone', text: 'The gauge was switched off.' });
    await flushPromises();
    expect(page.text()).toContain('The gauge was switched off.');
    expect(line.closed).toBe(true);
    expect(button(page, 'Connect Coating stand-in').exists()).toBe(true);
  });

  it('says when it does not answer', async () => {
    const { page } = await openPage(GaugeEntry, { panel, places: [], advice: [], store: stored, layer: 'outer' });
    await button(page, 'Connect Thickness stand-in').trigger('click');
    Line.last!.onerror!();
    await flushPromises();
    expect(page.text()).toContain('Thickness stand-in does not answer, or somebody else has it in hand.');
  });

  it('is not used on aluminium when it is magnetic', async () => {
    const { page } = await inHand('Coating stand-in', { panel: skin, layer: skin.layers[0]!.id, places: [] });
    expect(skin.layers[0]!.material).toBe('aluminium');
    await page.setProps({ places: [[300, 300]] });
    expect(page.get('[role=alert]').text()).toContain('a magnetic gauge says nothing there');
    expect(button(page, 'Press the gauge’s button').attributes('disabled')).toBeDefined();
  });
});
