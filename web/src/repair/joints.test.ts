import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import {
  closedJoints,
  closedWork,
  closingsOf,
  fastenersOf,
  meanHours,
  panelJoints,
  pieceJoints,
  placeOf,
  straightRuns,
  type ClosedJoint,
  type JointChoice,
} from '@aspecta/core/repair';
import { lineLength, type Point } from '@aspecta/core/geometry';
import type { RepairView } from '@aspecta/contract/verdict';
import { repairView } from '../testing/repairView.ts';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import JointsPage from './JointsPage.vue';

const plan = bodyPlan('saloon');
let server: FakeServer;

const placed = (joint: Pick<ClosedJoint, 'line'>) => [...placeOf(joint)] as [number, number];
const shown = (joint: ClosedJoint) => ({
  ...joint,
  at: placed(joint),
  ways: [...closingsOf(joint)],
  runs:
    joint.kind === 'cut' && !joint.alone
      ? straightRuns(joint.line).map((line) => ({ at: placed({ line }), length: lineLength(line), name: 'edge' }))
      : [],
  notes: [],
});
/** The chip of this label. */
const radio = (page: Awaited<ReturnType<typeof open>>, label: RegExp | string) =>
  page.findAll('input[type="radio"]').find((one) => one.element.closest('label')!.textContent!.match(label))!;

const viewOf = (id: string, opened: readonly string[] = [], choices: readonly JointChoice[] = []): JointsView => {
  const own = panelOf(plan, id);
  const how = { visible: own.visible, made: false };
  const joints = closedJoints(panelJoints(plan, own), { ...how, choices });
  const work = closedWork(joints, how);
  return {
    repairId: 'r',
    panel: id,
    choice: 'whole',
    piece: own.outline,
    whole: true,
    layer: 'skin',
    joints: joints.map((joint) => ({
      ...shown(joint),
      hours: meanHours(closedWork([joint], how)),
    })),
    version: choices.length,
    fasteners: fastenersOf(joints).map((fastener) => ({
      ...fastener,
      state: opened.includes(fastener.id) ? ('opened' as const) : ('holds' as const),
      by: null,
    })),
    hours: meanHours(work),
    work: work.map((element) => ({ ...element, hours: meanHours([element]) })),
  };
};
const vehicle = { id: 'v', nickname: 'Marigold', year: 1964, planId: 'saloon', version: 1 };
const open = async (view: JointsView, repairs: readonly RepairView[] = []) => {
  server.on('GET /vehicles/v', vehicle);
  server.on('GET /plans/saloon', plan);
  server.on('GET /vehicles/v/repairs', repairs);
  server.on('GET /repairs/r/joints', view);
  const { page } = await openPage(JointsPage, { id: 'v', repair: 'r' });
  await flushPromises();
  return page;
};

beforeEach(() => {
  server = new FakeServer();
  signIn();
});

describe('the joints of a piece', () => {
  it('are named one by one with length, fasteners and sheets, and their hours add up', async () => {
    const view = viewOf('sill-l');
    const page = await open(view);
    expect(page.text()).toContain(`${view.fasteners.length} fasteners`);
    expect(page.text()).toContain('plug welds · 37 spots every 38 mm · 3 sheets: they part in an order');
    expect(page.text()).toContain('Front floor to inner sill, left');
    expect(page.text()).toContain(`About ${view.hours.toFixed(1)} h`);
    expect(page.findAll('.fastener')).toHaveLength(view.fasteners.length);
    expect(page.findAll('.fastener.hidden').length).toBeGreaterThan(0);
  });

  it('lead to the verdict where no panel is ordered any more, and to the order book where one is to come', async () => {
    const line = { id: 'o', unneeded: null };
    const next = async (order: RepairView['order']) =>
      (await open(viewOf('sill-l'), [repairView({ panel: 'sill-l', choice: 'whole', order })]))
        .get('.next a')
        .attributes('href');
    expect(await next({ ...line, state: 'returned' })).toBe('/vehicles/v/panels/sill-l/verdict?repair=r');
    expect(await next(null)).toBe('/vehicles/v/panels/sill-l/verdict?repair=r');
    expect(await next({ ...line, state: 'ordered' })).toBe('/orders');
    expect(await next({ ...line, state: 'checked' })).toBe('/vehicles/v/repairs/r/weld');
  });

  it('are marked as a whole, and a refusal is shown', async () => {
    const view = viewOf('sill-l');
    const page = await open(view);
    const [first] = view.joints.keys();
    const ids = view.fasteners.filter(({ joint }) => joint === first).map(({ id }) => id);
    server.on('PUT /repairs/r/fasteners', () => viewOf('sill-l', ids));
    await button(page, 'All opened').trigger('click');
    await flushPromises();
    expect(server.to('PUT /repairs/r/fasteners').at(-1)).toEqual({ ids, state: 'opened' });
    expect(page.text()).toContain(`${ids.length} of ${view.fasteners.length} opened or loose`);
    expect(button(page, 'Not opened').exists()).toBe(true);
    server.on('PUT /repairs/r/fasteners', () =>
      problem('invalid', 'This fastener is not on the map any more.', 422, { field: 'ids' }),
    );
    await button(page, 'All opened').trigger('click');
    await flushPromises();
    expect(page.get('[role=alert]').text()).toContain('not on the map any more');
  });

  it('of a hemmed skin have nothing to drill, and say what there is instead', async () => {
    const page = await open(viewOf('door-skin-l'));
    expect(page.text()).toContain('Hem');
    expect(page.findAll('.fastener')).toHaveLength(0);
    expect(page.text()).toContain('Fold hems over in passes');
  });

  it('of what is treated are none', async () => {
    const page = await open({ ...viewOf('sill-l'), choice: 'treat', joints: [], fasteners: [], work: [], hours: 0 });
    expect(page.text()).toContain('treated and kept');
  });

  describe('one by one', () => {
    const picked = async (view = viewOf('sill-l')) => {
      const page = await open(view);
      await page.findAll('.pick')[0]!.trigger('click');
      const joint = view.joints[0]!;
      return { page, view, joint };
    };

    it('are closed run by run: one of a cut joggled, the rest as it is', async () => {
      const ring: Point[] = [
        [300, 150],
        [600, 150],
        [600, 350],
        [300, 350],
      ];
      const floor = panelOf(plan, 'floor-front-l');
      const cutView = (choices: JointChoice[] = []): JointsView => {
        const joints = closedJoints(pieceJoints(plan, floor, ring), { visible: false, choices });
        const base = viewOf('floor-front-l');
        return {
          ...base,
          whole: false,
          piece: ring,
          fasteners: [],
          version: choices.length,
          joints: joints.map((joint) => ({ ...shown(joint), hours: 1 })),
        };
      };
      const page = await open(cutView());
      await page.findAll('.pick')[0]!.trigger('click');
      const run = cutView().joints[0]!.runs[0]!;
      await radio(page, 'towards').setValue();
      const joggled: JointChoice = { at: run.at, kind: 'cut', closing: 'joggle', alone: true };
      server.on('PUT /repairs/r/joints', cutView([joggled]));
      await radio(page, 'Joggled lap').setValue();
      await flushPromises();
      expect(server.to('PUT /repairs/r/joints').at(-1)).toMatchObject({ at: run.at, alone: true, closing: 'joggle' });
      expect(page.text()).toContain('Chosen for this run.');
      expect(page.text()).toContain('As the rest of the cut');
    });

    it('are closed in another way, by the version that was seen', async () => {
      const { page, joint } = await picked();
      server.on('PUT /repairs/r/joints', (body) =>
        viewOf('sill-l', [], [{ at: joint.at, kind: joint.kind, closing: body['closing'] as 'spot' }]),
      );
      expect(page.get('.edit').text()).toContain('As the house does it.');
      await page.get('.edit input[value=spot]').setValue(true);
      await flushPromises();
      expect(server.to('PUT /repairs/r/joints')).toEqual([
        { at: joint.at, kind: joint.kind, alone: false, closing: 'spot', pitch: null, found: null, version: 0 },
      ]);
      expect(page.get('.edit').text()).toContain('Chosen for this repair.');
      await button(page, 'As the house does it').trigger('click');
      await flushPromises();
      expect(server.to('PUT /repairs/r/joints').at(-1)).toMatchObject({ closing: null, version: 1 });
    });

    it('take a distance of their welds in the unit of the shop, and refuse what is none', async () => {
      signIn('owner', 'in');
      const { page } = await picked();
      server.on('PUT /repairs/r/joints', viewOf('sill-l'));
      const every = page.get('.edit form input');
      await every.setValue('wide');
      await page.get('.edit form').trigger('submit');
      expect(page.text()).toContain('Write a length, in inches');
      await every.setValue('1 1/2');
      await page.get('.edit form').trigger('submit');
      await flushPromises();
      expect(server.to('PUT /repairs/r/joints')[0]!['pitch']).toBeCloseTo(38.1, 6);
      expect(page.text()).not.toMatch(/\d mm/);
    });

    it('are counted on the car, and what is no number is not taken', async () => {
      const { page, joint } = await picked();
      server.on('PUT /repairs/r/joints', viewOf('sill-l', [], [{ at: joint.at, kind: joint.kind, found: 31 }]));
      const count = page.findAll('.edit form input')[1]!;
      await count.setValue('some');
      await page.findAll('.edit form')[1]!.trigger('submit');
      expect(page.text()).toContain('Write how many there are');
      await count.setValue('31');
      await page.findAll('.edit form')[1]!.trigger('submit');
      await flushPromises();
      expect(server.to('PUT /repairs/r/joints')[0]).toMatchObject({ closing: null, pitch: null, found: 31 });
      expect(page.get('.edit').text()).toContain('Counted on the car');
      expect(page.findAll('.one')).toHaveLength(31);
      await button(page, 'As reckoned').trigger('click');
      expect(server.to('PUT /repairs/r/joints').at(-1)).toMatchObject({ found: null });
    });

    it('have each fastener to press, also without a mouse', async () => {
      const { page, view } = await picked();
      server.on('PUT /repairs/r/fasteners', viewOf('sill-l', [view.fasteners[0]!.id]));
      const first = page.get('[aria-label="1: holds"]');
      await first.trigger('click');
      await flushPromises();
      expect(server.to('PUT /repairs/r/fasteners')).toEqual([{ ids: [view.fasteners[0]!.id], state: 'opened' }]);
      expect(page.get('[aria-label="1: opened"]').text()).toBe('1 ✓');
    });

    it('show what somebody else has chosen meanwhile', async () => {
      const { page } = await picked();
      server.on('PUT /repairs/r/joints', () =>
        problem('conflict', 'changed', 409, { current: { ...viewOf('sill-l'), version: 4 } }),
      );
      await page.get('.edit input[value=spot]').setValue(true);
      await flushPromises();
      expect(page.text()).toContain('Somebody else has changed how these joints are closed');
    });
  });
});
