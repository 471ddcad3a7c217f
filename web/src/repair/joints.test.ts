import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { JointsView } from '@aspecta/contract/repair';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { fastenersOf, jointWork, meanHours, panelJoints } from '@aspecta/core/repair';
import { button, FakeServer, openPage, problem, signIn } from '../testing/fakeServer.ts';
import JointsPage from './JointsPage.vue';

const plan = bodyPlan('saloon');
let server: FakeServer;

const viewOf = (id: string, opened: readonly string[] = []): JointsView => {
  const own = panelOf(plan, id);
  const joints = panelJoints(plan, own);
  const work = jointWork(joints, { visible: own.visible, made: false });
  return {
    repairId: 'r',
    panel: id,
    choice: 'whole',
    piece: own.outline,
    whole: true,
    joints,
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
const open = async (view: JointsView) => {
  server.on('GET /vehicles/v', vehicle);
  server.on('GET /plans/saloon', plan);
  server.on('GET /vehicles/v/repairs', []);
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
    expect(page.text()).toContain('37 spots every 38 mm · 3 sheets: they part in an order');
    expect(page.text()).toContain('Front floor to inner sill, left');
    expect(page.text()).toContain(`About ${view.hours.toFixed(1)} h`);
    expect(page.findAll('.fastener')).toHaveLength(view.fasteners.length);
    expect(page.findAll('.fastener.hidden').length).toBeGreaterThan(0);
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
});
