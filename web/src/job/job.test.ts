import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { JobView, StepView } from '@aspecta/contract/job';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import JobPage from './JobPage.vue';

const step = (over: Partial<StepView>): StepView => ({
  id: 'r open',
  kind: 'open',
  repair: 'r',
  panel: 'sill-l',
  title: 'Sill, left: open its joints',
  hours: 3,
  reckoned: 3,
  waits: false,
  dry: false,
  needs: [],
  share: 0,
  closes: [],
  path: 'repairs/r/joints',
  state: 'ready',
  waitsFor: [],
  at: null,
  said: null,
  own: null,
  clocks: [],
  ...over,
});
const weld = step({
  id: 'r weld',
  kind: 'weld',
  title: 'Sill, left: weld and join',
  state: 'waits',
  path: 'repairs/r/weld',
  waitsFor: [{ id: 'r open', title: 'Sill, left: open its joints', why: 'The old metal is out of the way.' }],
});
const jobOf = (...steps: StepView[]): JobView => ({ steps, hours: 6, left: 4.5, pace: null, toSignOff: [] });

let server: FakeServer;
beforeEach(() => {
  signIn('worker');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /vehicles/v/job', jobOf(step({}), weld));
});
const open = async () => openPage(JobPage, { id: 'v' });

describe('the job of a car', () => {
  it('asks for a last look where every step is done, and leads on where nothing is left', async () => {
    const done = step({ state: 'done' });
    server
      .on('GET /vehicles/v/repairs', [repairView({ id: 'r', panel: 'sill-l', layers: ['outer'] })])
      .on('GET /vehicles/v/job', { ...jobOf(done), left: 0, toSignOff: ['r'] })
      .on('PUT /repairs/r', (body) => {
        server.on('GET /vehicles/v/job', { ...jobOf(done), left: 0 });
        return body;
      });
    const { page } = await open();
    expect(page.text()).toMatch(/Every step is done.*Sill, left: patch/s);
    expect(page.text()).toContain('All that was decided is done.');
    await button(page, 'Sign it off').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r')[0]).toMatchObject({ done: true });
    expect(page.text()).not.toContain('Sign it off');
  });
  it('says what is left, what can be done now, and leads to where it is done', async () => {
    const { page } = await open();
    expect(page.text()).toContain('4.5 h');
    expect(page.text()).toContain('Sill, left: open its joints');
    expect(page.text()).not.toContain('Sill, left: weld and join');
    expect(page.get('[data-step="r open"] a').attributes('href')).toBe('/vehicles/v/repairs/r/joints');
    await page.get('input[type=radio][value=waits]').setValue(true);
    await flushPromises();
    expect(page.text()).toContain('The old metal is out of the way.');
  });

  it('says how much longer it takes than reckoned, by what was noted', async () => {
    const pace = { steps: 2, planned: 4, spent: 6, left: 6.75 };
    server.on('GET /vehicles/v/job', { ...jobOf(step({}), weld), pace });
    const { page } = await open();
    expect(page.text()).toContain('2 steps took 6.0 h where 4.0 h were reckoned: at this pace 6.8 h are left.');
  });

  it('tells an empty car how work comes into being', async () => {
    server.on('GET /vehicles/v/job', { steps: [], hours: 0, left: 0, pace: null, toSignOff: [] });
    const { page } = await open();
    expect(page.text()).toMatch(/There is no work yet.*Draw damage/s);
  });

  it('starts one’s own clock and stops it; one that was forgotten is dropped', async () => {
    const running = { clocks: [{ personId: 'p', by: 'Ada', since: '2026-02-03T18:00:00.000Z' }] };
    server.on('PUT /vehicles/v/job/clock', (body) =>
      body['run']
        ? jobOf(step(running), weld)
        : body['drop']
          ? jobOf(step({}), weld)
          : problem('invalid', 'Your clock has run for 40 h without a break.', 422, { field: 'drop' }),
    );
    const { page } = await open();
    await button(page, 'Start the clock').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Ada works on it since');
    await button(page, 'Stop the clock').trigger('click');
    await flushPromises();
    expect(page.text()).toContain('Your clock has run for 40 h without a break.');
    await button(page, 'Drop it').trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/job/clock').at(-1)).toEqual({ step: 'r open', run: false, drop: true });
    expect(page.text()).not.toContain('Ada works on it since');
  });

  it('leaves the clock of somebody else alone', async () => {
    const other = { clocks: [{ personId: 'q', by: 'Tobi', since: '2026-02-03T18:00:00.000Z' }] };
    server.on('GET /vehicles/v/job', jobOf(step(other), weld));
    const { page } = await open();
    expect(page.text()).toContain('Tobi works on it since');
    expect(page.findAll('button').some((one) => one.text() === 'Stop the clock')).toBe(false);
  });

  it('is done with one tap, and taken back', async () => {
    const said = {
      state: 'done',
      reason: '',
      until: null,
      notBefore: null,
      hours: null,
      spent: null,
      share: null,
      by: 'Ada',
      at: '2026-02-03T10:00:00.000Z',
    } as const;
    server.on('PUT /vehicles/v/job/said', jobOf(step({ state: 'done', said })));
    const { page } = await open();
    await button(page, 'Done').trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/job/said')[0]).toMatchObject({ step: 'r open', state: 'done' });
    await page.get('input[type=radio][value=done]').setValue(true);
    await flushPromises();
    await button(page, 'Take it back').trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/job/said')[1]).toMatchObject({ step: 'r open', state: null });
  });

  it('is blocked with a reason and a day; a refusal stands at its field and nothing is lost', async () => {
    server.on('PUT /vehicles/v/job/said', () =>
      problem('invalid', 'reason must not be empty; fill it in.', 422, { field: 'reason' }),
    );
    const { page } = await open();
    await button(page, 'More …').trigger('click');
    await field(page, 'Blocked until').setValue('2026-03-01');
    await field(page, 'Hours it will take').setValue('2,5');
    await button(page, 'It is blocked').trigger('click');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/job/said')[0]).toMatchObject({
      state: 'blocked',
      until: '2026-03-01',
      hours: 2.5,
      reason: '',
    });
    expect(page.text()).toMatch(/must not be empty/);
    expect((field(page, 'Blocked until').element as HTMLInputElement).value).toBe('2026-03-01');
  });

  it('is partly done, as somebody says in per cent; what is no number is refused at its field', async () => {
    const said = {
      ...{ state: null, reason: '', until: null, notBefore: null, hours: null, spent: null, share: 0.4 },
      ...{ by: 'Ada', at: '2026-02-03T10:00:00.000Z' },
    } as const;
    server.on('PUT /vehicles/v/job/said', (sent) =>
      typeof sent['share'] === 'number'
        ? jobOf(step({ share: 0.4, said }), weld)
        : problem('invalid', 'Done of it, % must be a number.', 422, { field: 'share' }),
    );
    const { page } = await open();
    await button(page, 'More …').trigger('click');
    await field(page, 'Done of it, %').setValue('some');
    await button(page, 'Keep').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('Done of it, % must be a number.');
    await field(page, 'Done of it, %').setValue('40 %');
    await button(page, 'Keep').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/job/said').map(({ share }) => share)).toEqual(['some', 0.4]);
    expect(page.text()).toContain('40 % done, as you said');
    expect((field(page, 'Done of it, %').element as HTMLInputElement).value).toBe('40');
  });

  it('takes a step of one’s own after those that it comes after', async () => {
    server.on('POST /vehicles/v/job/steps', jobOf(step({}), weld));
    const { page } = await open();
    await button(page, 'Add a step').trigger('click');
    const body = document.body;
    await field(page, 'What is to be done').setValue('Engine out');
    await field(page, 'Hours').setValue('6');
    await field(page, 'After which step').setValue('r open');
    await field(page, 'Before which step').setValue('r weld');
    await flushPromises();
    expect(body.textContent).toContain('Take off');
    await page.get('input[value=clock]').setValue(true);
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(server.to('POST /vehicles/v/job/steps')[0]).toMatchObject({
      title: 'Engine out',
      hours: 6,
      after: ['r open'],
      before: ['r weld'],
      waits: true,
      dry: false,
    });
  });

  it('is for looking only to a viewer', async () => {
    signIn('viewer');
    const { page } = await open();
    expect(page.findAll('button').some((one) => one.text() === 'Done')).toBe(false);
  });
});
