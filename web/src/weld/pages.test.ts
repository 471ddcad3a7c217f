import { flushPromises, type VueWrapper } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { OPTION_WORDS } from '@aspecta/contract/verdict';
import { weldDefaults, type WeldPlanView, type WeldSettingsInput } from '@aspecta/contract/weld';
import { planRepair, weldId } from '@aspecta/core/weld';
import { cautionsFor } from '@aspecta/core/safety';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import KitSlider from '../kit/KitSlider.vue';
import { roundFrom } from './weldScene.ts';
import BenchPage from './BenchPage.vue';
import WeldPage from './WeldPage.vue';

const joints: WeldPlanView['joints'] = [
  {
    points: [
      [200, 120],
      [320, 120],
      [320, 200],
    ],
    closed: false,
    name: 'in the sheet',
    kind: 'cut',
    closing: 'butt',
    welds: 0,
  },
];
/** What the server would lay out, by the same core. */
const laid = (input: WeldSettingsInput, over: Partial<WeldPlanView> = {}): WeldPlanView => ({
  repairId: 'r',
  panel: 'floor-front-l',
  input,
  plan: planRepair({
    joints: joints.map(({ points, ...joint }) => ({ ...joint, line: points })),
    thickness: 0.9,
    process: input.process,
    strategy: input.strategy,
    first: input.first,
    barred: input.barred,
  }),
  done: [],
  acknowledged: null,
  version: 1,
  joints,
  moved: false,
  sheet: { thickness: 1, other: null, material: 'steel', ambient: 20 },
  earlier: [],
  ...over,
});
const read = { by: 'Ada', at: '2026-02-03T10:00:00.000Z' };

let server: FakeServer;
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', repairView({ panel: 'floor-front-l' }))
    .on('GET /repairs/r/weld/usual', () => null)
    .on('GET /repairs/r/weld', laid(weldDefaults));
});
afterEach(() => vi.useRealTimers());
const open = () => openPage(WeldPage, { id: 'v', repair: 'r' });

describe('the weld plan', () => {
  it('is laid out from the settings on the card, once there is none', async () => {
    server
      .on('GET /repairs/r/weld', () => null)
      .on('PUT /repairs/r/weld', ({ version: _version, ...input }) => laid(input as unknown as WeldSettingsInput));
    const { page } = await open();
    expect(page.text()).toContain('No plan yet.');
    await page.get('input[type=radio][value=tig]').setValue(true);
    await button(page, /^Lay out every weld/).trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld')).toEqual([{ ...weldDefaults, process: 'tig', reason: '', version: 0 }]);
    expect(page.text()).toContain('Filler rod');
  });

  it('begins as this shop welded last, and says where that was', async () => {
    const input = { ...weldDefaults, process: 'tig' as const, handWarm: 45, stitch: 13 };
    server
      .on('GET /repairs/r/weld', () => null)
      .on('GET /repairs/r/weld/usual', { input, last: { panel: 'Door skin, left', car: 'Finch' }, ruled: ['process'] })
      .on('PUT /repairs/r/weld', ({ version: _version, ...sent }) => laid(sent as unknown as WeldSettingsInput));
    const { page } = await open();
    expect(page.text()).toContain('It stands as you welded last: Door skin, left, Finch.');
    await button(page, /^Lay out every weld/).trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld')).toEqual([{ ...input, reason: '', version: 0 }]);
  });

  it('says how long it takes, how much of it is waiting, and how hot a stitch may start', async () => {
    const { page } = await open();
    const { plan } = laid(weldDefaults);
    const text = page.text();
    expect(text).toContain(`${plan.tacks} tacks, ${plan.stitches} stitches`);
    expect(text).toContain(`No weld starts above ${Math.round(plan.hottestStart)} °C`);
    expect(text).toContain(`${plan.settings.tackCurrent} A`);
    expect(text).toContain(`${plan.settings.seamCurrent} A`);
  });

  it('works out both sides in turn: what it saves, when one goes over, and leads to each bench', async () => {
    const turn = {
      turns: [
        { side: 0, first: 1, last: 7, start: 0 },
        { side: 1, first: 1, last: 5, start: 600 },
        { side: 0, first: 8, last: 9, start: 1500 },
      ],
      ...{ total: 3600, waiting: 120, oneAfterOther: { total: 5400, waiting: 1500 } },
    };
    const other = { repairId: 'o', name: 'Front floor, right', planned: true };
    server.on('GET /repairs/r/weld/both', { name: 'Front floor, left', other, turn });
    const { page } = await open();
    await button(page, 'Work it out').trigger('click');
    await flushPromises();
    const text = page.text().replace(/\s+/g, ' ');
    expect(text).toContain('1 h 0 min for Front floor, left and Front floor, right, 2 min of it waiting');
    expect(text).toContain('one after the other 1 h 30 min with 25 min of waiting');
    expect(text).toContain('Front floor, right, steps 1 to 5, from 10 min on');
    const links = page.findAll('.turns a').map((one) => one.attributes('href'));
    expect(links).toEqual([
      '/vehicles/v/repairs/r/bench',
      '/vehicles/v/repairs/o/bench',
      '/vehicles/v/repairs/r/bench',
    ]);
    // Where there is nothing on the other side it says how to begin there.
    server.on('GET /repairs/r/weld/both', { name: 'Front floor, left', other: null, turn: null });
    await button(page, 'Work it out again').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Same on the other side');
  });

  it('draws where it pulls the sheet together, a figure for each run, and takes it off again', async () => {
    const { page } = await open();
    const drawn = () => page.findAll('.pull text').map((one) => one.text());
    expect(drawn()).toEqual([]);
    const box = page.findAll('[role=checkbox]').find((one) => one.text().includes('Draw it on the sheet'))!;
    await box.trigger('click');
    const figures = drawn();
    expect(figures).toHaveLength(2);
    for (const figure of figures) expect(figure).toMatch(/^0\.1\d mm$/);
    expect(page.text()).toContain('it is no forecast');
    await box.trigger('click');
    expect(drawn()).toEqual([]);
  });

  it('is played step by step, and stopped', async () => {
    const { page } = await open();
    const at = () => page.get('.player span.mono').text();
    const { plan } = laid(weldDefaults);
    expect(at()).toBe(`0 / ${plan.steps.length}`);
    await page.get('[aria-label="Play the sequence"]').trigger('click');
    await vi.advanceTimersByTimeAsync(260 * 3);
    expect(at()).toBe(`3 / ${plan.steps.length}`);
    expect(page.text()).toContain(plan.steps[2]!.text);
    await page.get('[aria-label="Stop"]').trigger('click');
    await vi.advanceTimersByTimeAsync(260 * 5);
    expect(at()).toBe(`3 / ${plan.steps.length}`);
  });

  it('says that the line has moved, and is laid out anew with a reason; what was done stays told', async () => {
    const done = [{ n: 1, at: '2026-02-03T10:00:00.000Z', by: 'Ada' }];
    server.on('GET /repairs/r/weld', laid(weldDefaults, { moved: true, done, acknowledged: read, version: 4 }));
    const { page } = await open();
    expect(page.text()).toContain('are not any more what these steps were laid out for.');
    expect(page.find('form').exists()).toBe(false);
    await button(page, 'Lay it out anew …').trigger('click');
    server.on('PUT /repairs/r/weld', () => problem('already-there', 'Say why.', 409, { field: 'reason' }));
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Say why.');
    const old = { steps: 40, done, reason: 'the hole went on', by: 'Ben', at: '2026-02-04T10:00:00.000Z' };
    server.on('PUT /repairs/r/weld', laid(weldDefaults, { earlier: [old], version: 5 }));
    await field(page, 'Why is it laid out anew?').setValue('the hole went on');
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld').at(-1)).toMatchObject({ reason: 'the hole went on', version: 4 });
    expect(page.text()).toMatch(/1 of 40 steps done.*Laid out anew by Ben: the hole went on/s);
  });

  it('puts a weld first or leaves it out, and plans the rest around it', async () => {
    server.on('PUT /repairs/r/weld', ({ version, ...input }) =>
      laid(input as unknown as WeldSettingsInput, { version: (version as number) + 1 }),
    );
    const { page } = await open();
    const { plan } = laid(weldDefaults);
    const tack = plan.steps.filter(({ kind }) => kind === 'tack').at(-1)!;
    const id = weldId('tack', tack.from!, tack.to!);
    const goTo = async (n: number) => {
      (page.findComponent(KitSlider) as VueWrapper).vm.$emit('update:modelValue', n);
      await flushPromises();
    };
    await goTo(tack.n);
    await button(page, 'Weld this first').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld').at(-1)).toMatchObject({ first: [id], barred: [] });
    expect(page.text()).toContain('1 weld comes first of its round');
    await goTo(plan.steps.find(({ kind }) => kind === 'tack')!.n);
    await button(page, 'Leave it out').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld').at(-1)).toMatchObject({ first: [], barred: [id] });
    expect(page.text()).toContain('1 weld is left out');
    await button(page, 'All as planned again').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld').at(-1)).toMatchObject({ first: [], barred: [] });
  });

  it('compares the strategies beside the one that is chosen', async () => {
    const plan = { arcTime: 60, waitTime: 300, totalTime: 1200, hottestStart: 48, distortionIndex: 1 };
    server.on('POST /repairs/r/weld/compare', [
      { ...plan, strategy: 'coolest' },
      { ...plan, strategy: 'continuous', totalTime: 1920, distortionIndex: 1.4 },
    ]);
    const { page } = await open();
    await button(page, 'Compare them').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('12 min longer, 40 % more pull');
    expect(server.to('POST /repairs/r/weld/compare')[0]).toMatchObject({ process: 'mig', strategy: 'coolest' });
  });

  it('shows what was refused, whatever field the server names for it', async () => {
    server
      .on('GET /repairs/r/weld', () => null)
      .on('PUT /repairs/r/weld', () => problem('invalid', 'Nothing is welded in here.', 422, { field: 'choice' }));
    const { page } = await open();
    await page.get('form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Nothing is welded in here.');
  });

  it('leads from one repair of the car to the next', async () => {
    server.on('GET /vehicles/v/repairs', [
      repairView({ panel: 'floor-front-l' }),
      repairView({ id: 's', panel: 'sill-l', areaNow: 4500 }),
      repairView({ id: 'w', panel: 'roof', choice: 'whole' }),
    ]);
    const { page, router } = await open();
    const choice = page.get('select[aria-label="Which repair"]');
    expect(choice.findAll('option').map((option) => option.text())).toEqual([
      'Front floor, left: patch, 96.0 cm²',
      'Sill, left: patch, 45.0 cm²',
      `Roof skin: ${OPTION_WORDS.whole.name.toLowerCase()}`,
    ]);
    await choice.setValue('s');
    await flushPromises();
    expect(router.currentRoute.value.path).toBe('/vehicles/v/repairs/s/weld');
  });

  it('asks for the cautions before the bench, by name, and only once', async () => {
    const { page, router } = await open();
    server.on('POST /repairs/r/weld/acknowledge', laid(weldDefaults, { acknowledged: read }));
    await button(page, 'Begin at the bench').trigger('click');
    const dialog = page.get('.dialog');
    for (const caution of cautionsFor('weld')) expect(dialog.text()).toContain(caution.title);
    const go = button(page, 'To the bench');
    expect(go.attributes('disabled')).toBeDefined();
    await dialog.get('[role=checkbox]').trigger('click');
    await go.trigger('click');
    await flushPromises();
    expect(server.to('POST /repairs/r/weld/acknowledge')).toHaveLength(1);
    expect(router.currentRoute.value.path).toBe('/vehicles/v/repairs/r/bench');
  });

  it('keeps a limit that cannot be read as typed, and shows what the server says of it', async () => {
    server.on('PUT /repairs/r/weld', () =>
      problem('invalid', 'handWarm must be a number; enter digits only.', 422, { field: 'handWarm' }),
    );
    const { page } = await open();
    await field(page, /^Weld again below/).setValue('lukewarm');
    await button(page, /^Lay (it )?out/).trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld')[0]).toMatchObject({ handWarm: 'lukewarm' });
    expect(page.text()).toContain('The temperature to weld again below must be a number');
    expect((field(page, /^Weld again below/).element as HTMLInputElement).value).toBe('lukewarm');
  });

  it('shows what somebody else has laid out instead of overwriting it', async () => {
    const theirs = laid({ ...weldDefaults, strategy: 'backstep' }, { version: 4 });
    server.on('PUT /repairs/r/weld', () => problem('conflict', 'changed', 409, { current: theirs }));
    const { page } = await open();
    await button(page, /^Lay (it )?out/).trigger('click');
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('Somebody else has laid the plan out anew');
    expect((page.get('input[value=backstep]').element as HTMLInputElement).checked).toBe(true);
  });
});

describe('the bench', () => {
  const bench = () => openPage(BenchPage, { id: 'v', repair: 'r' });
  it('does not begin before the cautions have been read', async () => {
    const { page } = await bench();
    expect(page.text()).toContain('Read the cautions first.');
    expect(page.find('.btn.done').exists()).toBe(false);
  });

  it('shows one step at a time with its current, and ticks it off at the server', async () => {
    const view = laid(weldDefaults, { acknowledged: read });
    const tack = view.plan.steps.find(({ kind }) => kind === 'tack')!.n;
    const done = view.plan.steps.slice(0, tack).map(({ n }) => ({ n, at: '2026-02-03T10:01:00.000Z', by: 'Ada' }));
    server.on('GET /repairs/r/weld', { ...view, done: done.slice(0, -1) });
    server.on('PUT /repairs/r/weld/steps', { ...view, done });
    const { page } = await bench();
    expect(page.get('.count').text()).toBe(String(tack));
    expect(page.text()).toContain(`${view.plan.settings.tackCurrent} A`);
    expect(page.get('.place').text()).toMatch(
      /^0 mm from the (upper|lower|front|rear|left-hand|right-hand) end of the joint/,
    );
    await page.get('.btn.done').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld/steps')).toEqual([{ steps: [tack], done: true, version: 1 }]);
    expect(page.get('header').text()).toContain(`${tack} of ${view.plan.steps.length}`);
  });

  it('ticks a round off at once where nothing has to cool in between', async () => {
    const view = laid(weldDefaults, { acknowledged: read });
    const tack = view.plan.steps.find(({ kind }) => kind === 'tack')!.n;
    const done = view.plan.steps.slice(0, tack - 1).map(({ n }) => ({ n, at: '2026-02-03T10:01:00.000Z', by: 'Ada' }));
    server.on('GET /repairs/r/weld', { ...view, done }).on('PUT /repairs/r/weld/steps', view);
    const { page } = await bench();
    const round = roundFrom(view.plan.steps, new Set(done.map(({ n }) => n)), view.plan.steps[tack - 1]!);
    expect(round.length).toBeGreaterThan(1);
    await button(page, `All ${round.length} tacks`).trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld/steps')[0]).toMatchObject({ steps: round.map(({ n }) => n), done: true });
  });

  it('ends with a fire watch, and can be taken a step back', async () => {
    const view = laid(weldDefaults, { acknowledged: read });
    const done = view.plan.steps.map(({ n }) => ({ n, at: '2026-02-03T10:01:00.000Z', by: 'Ada' }));
    server.on('GET /repairs/r/weld', { ...view, done });
    const last = view.plan.steps.length;
    server.on('PUT /repairs/r/weld/steps', { ...view, done: done.slice(0, -1) });
    const { page } = await bench();
    expect(page.text()).toContain('Fire watch');
    await button(page, 'Take the last step back').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/weld/steps')[0]).toMatchObject({ steps: [last], done: false });
    expect(page.get('.count').text()).toBe(String(last));
  });

  it('is for looking only to a viewer', async () => {
    signIn('viewer');
    server.on('GET /repairs/r/weld', laid(weldDefaults, { acknowledged: read }));
    const { page } = await bench();
    expect(page.get('.btn.done').attributes('disabled')).toBeDefined();
  });
});
