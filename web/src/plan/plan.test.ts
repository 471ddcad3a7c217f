import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlannedStep, PlanView } from '@aspecta/contract/plan';
import { replanned, type CalendarInput } from '@aspecta/core/plan';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { hoursText, readHours } from './hoursText.ts';
import { useSession } from '../shell/session.ts';
import ChartView from '../charts/ChartView.vue';
import PlanPage from './PlanPage.vue';
import StagesTable from './StagesTable.vue';
import { holdUps, waits } from './holdUps.ts';
import { barsOf, spanFor } from './bars.ts';
import { slotsOf, takesIn, tonightOf } from './planScene.ts';

/** The worker answers with the same function, in the page. */
vi.mock('../workers/planBridge.ts', () => ({
  replan: (
    ...[input, tasks, move]: [CalendarInput, Parameters<typeof replanned>[1]['tasks'], { task: string; from: number }]
  ) =>
    new Promise((resolve) => {
      try {
        resolve({ plan: replanned(input, { tasks }, move), took: 1 });
      } catch (error) {
        resolve({ refused: (error as Error).message });
      }
    }),
}));

const planned = (id: string, pieces: [string, string][], over: Partial<PlannedStep> = {}): PlannedStep => ({
  id,
  kind: 'weld',
  title: `Step ${id}`,
  repair: 'r',
  panel: 'sill-l',
  path: 'repairs/r/weld',
  waits: false,
  state: 'ready',
  needs: [],
  hours: 2,
  share: 0,
  said: null,
  by: 'Ines',
  pieces,
  critical: 0,
  outside: {},
  why: [],
  ...over,
});
const steps = [
  planned('a', [['2026-02-03T18:00:00.000Z', '2026-02-03T19:00:00.000Z']], { critical: 1, needs: ['welder'] }),
  planned('b', [
    ['2026-02-03T19:00:00.000Z', '2026-02-03T20:00:00.000Z'],
    ['2026-02-04T18:00:00.000Z', '2026-02-04T19:00:00.000Z'],
  ]),
  planned('c', [['2026-02-04T19:00:00.000Z', '2026-02-05T19:00:00.000Z']], { by: null, waits: true }),
];
const view = (over: Partial<PlanView> = {}): PlanView => ({
  workers: [{ id: 'w', name: 'Ines', week: [[[18, 20]], [], [], [], [], [], []], off: [], version: 1 }],
  timeZone: 'Europe/Berlin',
  from: '2026-02-03T12:00:00.000Z',
  steps,
  finish: '2026-02-05T19:00:00.000Z',
  input: null,
  p50: '2026-02-05T19:00:00.000Z',
  p90: '2026-02-12T19:00:00.000Z',
  left: 4,
  broken: [],
  stages: [],
  money: null,
  blocked: [],
  problem: null,
  wish: { promised: null, outdoors: false, version: 0 },
  inTime: null,
  wet: [],
  ...over,
});

describe('the plan as one reads it', () => {
  const day = (iso: string) => iso.slice(0, 10);
  it('is a list of evenings, each with its steps; the next one of each person comes first', () => {
    const slots = slotsOf(steps, day);
    expect(
      slots.map(({ by, from, to, steps: own }) => [by, day(from), to.slice(11, 16), own.map(({ id }) => id)]),
    ).toEqual([
      ['Ines', '2026-02-03', '20:00', ['a', 'b']],
      ['Ines', '2026-02-04', '19:00', ['b']],
    ]);
    expect(tonightOf(slots)).toEqual([slots[0]]);
  });
  describe('as bars', () => {
    const { from } = view();
    const shown = { from, span: 'days', title: 'When', dayText: day } as const;
    const points = ({ chart }: ReturnType<typeof barsOf>) =>
      chart.series.flatMap(({ points: own }) => own as unknown as readonly (readonly [number, number, number])[]);
    it('has a row for each step, the first at the top, over as many days as are asked for', () => {
      const bars = barsOf(steps, shown);
      expect(points(bars).map(([, , row]) => row)).toEqual([0, 1, 2]);
      expect(points(bars)[0]![0]).toBeCloseTo(0.25, 9);
      expect(points(bars)[2]![1]).toBeCloseTo(2 + 7 / 24, 9);
      expect(bars.chart.x).toMatchObject({ min: 0, max: 14, every: 1 });
      const late = planned('late', [['2026-03-03T18:00:00.000Z', '2026-03-03T19:00:00.000Z']]);
      expect(barsOf([...steps, late], shown).bars).toHaveLength(3);
      expect(barsOf([...steps, late], { ...shown, span: 'weeks' }).bars).toHaveLength(4);
    });
    it('has a row for each person with every piece of work in it, and says what each bar is', () => {
      const bars = barsOf(steps, { ...shown, row: ({ by }) => by ?? 'dries' });
      expect(bars.chart.y.names).toEqual(['Ines', 'dries']);
      expect(bars.bars.map(({ step, first }) => [step.id, first])).toEqual([
        ['a', true],
        ['b', true],
        ['b', false],
        ['c', true],
      ]);
      expect(bars.chart.series).toMatchObject([
        { name: 'Work', labels: ['Step a', 'Step b', 'Step b'] },
        { name: 'Dries, or is on its way', labels: ['Step c'] },
      ]);
    });
    it('says how many steps it leaves out, never none', () => {
      const many = Array.from({ length: 45 }, (_, i) =>
        planned(`s${i}`, [['2026-02-04T18:00:00.000Z', '2026-02-04T19:00:00.000Z']]),
      );
      expect(barsOf(many, shown)).toMatchObject({ more: 5 });
    });
    it('begins with the least that shows all of it', () => {
      expect(spanFor(from, '2026-02-12T00:00:00.000Z')).toBe('days');
      expect(spanFor(from, '2026-03-12T00:00:00.000Z')).toBe('weeks');
      expect(spanFor(from, '2026-09-12T00:00:00.000Z')).toBe('months');
      expect(spanFor(from, null)).toBe('days');
    });
  });
  it('takes hours as one writes them, and gives them back so', () => {
    expect(readHours('9-12, 14–17:30', 'x')).toEqual([
      [9, 12],
      [14, 17.5],
    ]);
    expect(readHours('', 'x')).toEqual([]);
    expect(
      hoursText([
        [9, 12],
        [14, 17.5],
      ]),
    ).toBe('9-12, 14-17:30');
    for (const wrong of ['late', '21-19', '9-25', '9'])
      expect(() => readHours(wrong, 'week[2]')).toThrowError(/write 19-21/);
  });
});

let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /vehicles/v/plan', view());
});
const open = async () => openPage(PlanPage, { id: 'v' });

describe('the plan of a car', () => {
  it('says when it is ready, how sure that is, and what is done next by whom', async () => {
    const { page } = await open();
    const text = page.text();
    expect(text).toMatch(/Thu,? 5 Feb/);
    expect(text).toContain('12 February 2026');
    expect(text).toMatch(/Next for Ines.*Tuesday,? 3 February 2026, 19:00 to 21:00/s);
    expect(text).toContain('holds the end up');
    expect(page.get('.tonight a').attributes('href')).toBe('/vehicles/v/repairs/r/weld');
  });

  describe('by its bars', () => {
    const said = {
      state: null,
      reason: '',
      until: null,
      notBefore: '2026-02-09',
      hours: null,
      spent: null,
      share: null,
    };
    const drag = async (index: number, x: number) => {
      const { page } = await open();
      page.getComponent(ChartView).vm.$emit('moved', index, x);
      await flushPromises();
      return page;
    };
    const sent = () => server.to('PUT /vehicles/v/job/said');
    beforeEach(() => {
      server.on('PUT /vehicles/v/job/said', {});
    });

    it('puts a step off to the day on which its bar is let go, and lets it go again', async () => {
      // From noon on the 3rd: three and a half days later it is the 7th, at midnight and an hour in Berlin.
      const page = await drag(0, 3.5);
      expect(sent()).toMatchObject([{ step: 'a', notBefore: '2026-02-07', state: null }]);
      const off = [{ ...steps[0]!, said: { ...said, by: 'Ines', at: '2026-02-03T12:00:00.000Z' } }, ...steps.slice(1)];
      server.on('GET /vehicles/v/plan', view({ steps: off }));
      page.unmount();
      const { page: later } = await open();
      expect(later.text()).toContain('not before 9 Feb 2026, as was said');
      await button(later, 'Let it go').trigger('click');
      await flushPromises();
      expect(sent().at(-1)).toMatchObject({ step: 'a', notBefore: null });
    });
    it('moves the rest along while it is dragged, says what that does to the end, and puts all back where it is let go of', async () => {
      const input: CalendarInput = {
        tasks: [
          { id: 'a', hours: 1 },
          { id: 'b', hours: 2, after: [{ id: 'a' }] },
          { id: 'c', hours: 24, by: [], after: [{ id: 'b' }] },
        ],
        people: { Ines: Array.from({ length: 20 }, (_, i): [number, number] => [6 + 24 * i, 8 + 24 * i]) },
      };
      server.on('GET /vehicles/v/plan', view({ input }));
      const { page } = await open();
      const chart = page.getComponent(ChartView);
      const begins = () => chart.props('chart').series.flatMap((one) => one.points.map(([x]) => x));
      expect(begins()![0]).toBeCloseTo(0.25, 9);
      // Three days and a half on it is the 7th in Berlin: that evening is the fourth from the first.
      chart.vm.$emit('dragging', { index: 0, x: 3.5 });
      await vi.waitFor(() => expect(page.text()).toContain('All done then by 9 Feb 2026: 4 days later'));
      expect(begins().map((x) => x!.toFixed(2))).toEqual(['4.25', '4.29', '5.29']);
      chart.vm.$emit('dragging', null);
      await vi.waitFor(() => expect(begins()![0]).toBeCloseTo(0.25, 9));
      expect(page.text()).not.toContain('All done then');
      // So late nobody works any more: said, and the bars stay.
      chart.vm.$emit('dragging', { index: 0, x: 40 });
      await vi.waitFor(() => expect(page.text()).toContain('a fits into no window'));
      expect(sent()).toEqual([]);
    });
    it('says why a step cannot begin sooner, and asks for nothing where it stays on its day', async () => {
      const why = ['It waits for the welder.'];
      server.on('GET /vehicles/v/plan', view({ steps: [{ ...steps[1]!, why, pieces: [steps[1]!.pieces[1]!] }] }));
      expect((await drag(0, 0.1)).text()).toContain('cannot begin before 4 Feb 2026. It waits for the welder.');
      await drag(0, 1.3);
      expect(sent()).toEqual([]);
    });
    it('moves what goes by the clock for nobody, and nothing for who only looks', async () => {
      const movable = (page: Awaited<ReturnType<typeof open>>['page']) => page.getComponent(ChartView).props('movable');
      const { page } = await open();
      expect([0, 1, 2].map((i) => movable(page)!(i))).toEqual([true, true, false]);
      signIn('viewer');
      expect(movable((await open()).page)).toBeUndefined();
    });
  });

  it('asks who works when before anything can be planned, in the words of a week', async () => {
    server.on(
      'GET /vehicles/v/plan',
      view({ workers: [], steps: [], p50: null, p90: null, problem: 'Say who works when.' }),
    );
    server.on('POST /workers', []);
    const { page } = await open();
    await button(page, 'Say who works when').trigger('click');
    await field(page, 'Name').setValue('Ines');
    await field(page, 'Monday').setValue('18:30-20');
    await field(page, 'Friday').setValue('never');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('“never” is no stretch of hours');
    await field(page, 'Friday').setValue('');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    const [sent] = server.to('POST /workers') as [{ week: number[][][]; name: string; timeZone: string }];
    expect(sent).toMatchObject({ name: 'Ines', timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone });
    expect(sent.week[0]).toEqual([[18.5, 20]]);
    expect(sent.week[4]).toEqual([]);
  });

  it('shows what is refused of somebody’s hours, and tells what is blocked and what comes too late', async () => {
    server
      .on(
        'GET /vehicles/v/plan',
        view({
          blocked: [{ title: 'Chassis leg: weld', reason: 'the engine is still in' }],
          broken: [{ title: 'prime', after: 'weld', late: 30 }],
        }),
      )
      .on('PUT /workers/w', () => problem('invalid', 'There is somebody called Ada already.', 422, { field: 'name' }));
    const { page } = await open();
    expect(page.text()).toMatch(/Not planned: Chassis leg: weld \(the engine is still in\)/);
    expect(page.text()).toMatch(/prime comes 30\.0 h too late after “weld”/);
    await button(page, 'Change').trigger('click');
    await field(page, 'Name').setValue('Ada');
    await page.get('.dialog form').trigger('submit');
    await flushPromises();
    expect(page.text()).toContain('There is somebody called Ada already.');
  });
});

describe('what is wanted of a plan', () => {
  it('is said by a worker: the day that was promised with its chance, and rain where the car stands in the open', async () => {
    server.on(
      'GET /vehicles/v/plan',
      view({
        wish: { promised: '2026-02-10', outdoors: true, version: 3 },
        inTime: 0.35,
        wet: [['2026-02-04T08:00:00.000Z', '2026-02-04T11:00:00.000Z']],
      }),
    );
    server.on(
      'PUT /vehicles/v/plan/wish',
      view({ wish: { promised: '2026-03-01', outdoors: true, version: 4 }, inTime: 0.9 }),
    );
    const { page } = await open();
    expect(page.text()).toMatch(/35 %\s*of the runs are ready by .*10 February 2026/s);
    expect(page.text()).toMatch(/Rain is forecast .*4 Feb.*09:00 to 12:00/s);
    await field(page, /^Promised/).setValue('2026-03-01');
    await page.get('.wish').trigger('submit');
    await flushPromises();
    expect(server.to('PUT /vehicles/v/plan/wish')).toEqual([{ promised: '2026-03-01', outdoors: true, version: 3 }]);
    expect(page.text()).toMatch(/90 %\s*of the runs/);
  });

  it('is helped by what is asked for, in days, and not by what changes nothing', async () => {
    server.on('GET /vehicles/v/plan/what-if', [
      { name: 'A helper with the hours of Ines', p50: '2026-02-03T19:00:00.000Z', sooner: 2.1 },
      { name: '2 hours more a week from Ines', p50: '2026-02-05T19:00:00.000Z', sooner: 0 },
    ]);
    const { page } = await open();
    await button(page, /^Try a helper/).trigger('click');
    await flushPromises();
    const [first, second] = page.findAll('.whatif li').map((one) => one.text());
    expect(first).toMatch(/helper.*2 days sooner/);
    expect(second).toContain('no sooner');
  });

  it('is not asked of a viewer', async () => {
    signIn('viewer');
    const { page } = await open();
    expect(page.find('.wish').exists()).toBe(false);
  });
});

describe('what holds the end up', () => {
  it('is told by deliveries, what dries, panels and the car, longest first; what seldom does is left out', () => {
    const held = (id: string, over: Partial<PlannedStep>) => planned(id, steps[0]!.pieces, { critical: 1, ...over });
    const told = holdUps(
      [
        held('1', { title: 'Sill: cut', hours: 3, critical: 0.7 }),
        held('2', { title: 'Sill: weld', hours: 5 }),
        held('3', { title: 'Roof: weld', panel: 'roof', hours: 30, critical: 0.4 }),
        held('4', { title: 'Sill: on its way', kind: 'delivery', hours: 96 }),
        held('5', { title: 'Sill: the primer dries', kind: 'cure', waits: true, hours: 24 }),
        held('6', { title: 'Measure again', kind: 'measure', panel: null, hours: 1 }),
      ],
      0.5,
    );
    expect(told.map(({ what, hours, critical, steps: own }) => [what, hours, critical, own.length])).toEqual([
      ['Sill: on its way', 96, 1, 1],
      ['Coats that dry and harden', 24, 1, 1],
      ['Work on Sill', 8, 1, 2],
      ['The car as a whole', 1, 1, 1],
    ]);
  });
});

describe('how long a step takes of an evening', () => {
  const evening = { from: '2026-02-03T18:00:00.000Z', to: '2026-02-03T20:00:00.000Z' };
  const pieces: [string, string][] = [
    ['2026-02-03T19:00:00.000Z', '2026-02-03T20:00:00.000Z'],
    ['2026-02-05T18:00:00.000Z', '2026-02-05T19:00:00.000Z'],
  ];
  it('is all that is left of it, or as much as is there where it goes on another time', () => {
    expect(takesIn(evening, planned('a', pieces, { hours: 2, share: 0 }))).toBe('1.0 h of 2.0 h');
    expect(takesIn(evening, planned('a', pieces, { hours: 4, share: 0.5 }))).toBe('1.0 h of 2.0 h left, 50 % done');
    expect(takesIn(evening, planned('a', pieces.slice(0, 1), { hours: 1, share: 0 }))).toBe('1.0 h');
  });
});

describe('what holds the end up and is no work', () => {
  it('is told with its day and its reason, rain and money by the step that waits', () => {
    const said = { until: '2026-03-06', notBefore: null, reason: 'Engine is still in' };
    const told = waits(
      [
        planned('1', steps[0]!.pieces, {
          ...{ title: 'Leg: strip', state: 'blocked', said: said as PlannedStep['said'] },
          outside: { date: 0.9, weather: 0.1 },
        }),
        planned('2', steps[0]!.pieces, { title: 'Sill: order it', outside: { money: 1 } }),
        planned('3', steps[0]!.pieces, { title: 'Sill: weld', outside: { weather: 0.6 } }),
      ],
      0.5,
    );
    expect(told.map(({ what }) => what)).toEqual([
      'Sill: order it: waits for the money',
      'Leg: strip: not before 6 Mar 2026 – Engine is still in',
      'Sill: weld: waits for dry hours',
    ]);
  });
});

describe('from bare metal to paint', () => {
  it('tells what is reached, when the rest is, and what comes too late for the day that was promised', async () => {
    server.on('GET /vehicles/v/plan', {
      ...view({ wish: { promised: '2026-02-10', outdoors: false, version: 1 } }),
      stages: [
        {
          ...{ repair: 'r', panel: 'quarter-l', name: 'Rear quarter, left', now: 'primed' },
          stages: {
            opened: { done: true, end: null },
            primed: { done: false, end: '2026-02-05T19:00:00.000Z' },
            painted: { done: false, end: null },
            ready: { done: false, end: '2026-02-12T19:00:00.000Z' },
          },
        },
        {
          ...{ repair: 's', panel: 'floor-l', name: 'Floor, left', now: null },
          stages: { opened: { done: true, end: null }, ready: { done: true, end: null } },
        },
      ],
    } satisfies PlanView);
    const { page } = await openPage(PlanPage, { id: 'v' });
    const rows = page
      .findAll('[aria-label^="From bare metal"] tr')
      .map((row) => row.findAll('th, td').map((cell) => cell.text()));
    expect(rows).toEqual([
      ['Panel', 'Opened', 'Primed', 'Painted', 'Ready'],
      [
        'Rear quarter, left',
        'done',
        expect.stringMatching(/5 Feb/),
        'not planned',
        expect.stringMatching(/12 Feb.*, too late/),
      ],
      ['Floor, left', 'done', '–', '–', 'done'],
    ]);
  });

  it('is not late on the evening of the day that was promised, by the clock of the shop', async () => {
    const ends = async (end: string) => {
      const { page } = await openPage(StagesTable, {
        ...{ vehicle: 'v', promised: '2026-02-10', dayText: (iso: string) => iso },
        stages: [{ repair: 'r', panel: 'p', name: 'Sill', now: 'ready', stages: { ready: { done: false, end } } }],
      });
      return page.text().includes('too late');
    };
    useSession().current!.shop.timeZone = 'America/Los_Angeles';
    // Seven in the evening there is the next morning by UTC.
    expect([await ends('2026-02-11T03:00:00.000Z'), await ends('2026-02-11T09:00:00.000Z')]).toEqual([false, true]);
  });
});
