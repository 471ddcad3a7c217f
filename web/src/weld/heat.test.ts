import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { WeldPlanView } from '@aspecta/contract/weld';
import { bodyPlan } from '@aspecta/core/body';
import { heatReplay, planRepair, type HeatReplayInput } from '@aspecta/core/weld';
import { button, FakeServer, field, openPage, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import HeatPage from './HeatPage.vue';
import { heatColour, heatTable, HEAT_PIXELS, paintHeat, type HeatColours } from './paintHeat.ts';
import { weldDefaults } from '@aspecta/contract/weld';

const colours: HeatColours = {
  cool: [10, 10, 10],
  warm: [20, 20, 20],
  hot: [30, 30, 30],
  arc: [40, 40, 40],
  slash: [200, 0, 0],
};
const given = { ambient: 20, handWarm: 50, colours };

describe('a picture of the heat', () => {
  it('leaves cold metal clear, and is another colour above hand-warm than below', () => {
    expect(heatColour(20, given).cover).toBe(0);
    expect(heatColour(49, given).rgb).toEqual(colours.cool);
    expect(heatColour(50, given).rgb).toEqual(colours.warm);
    expect(heatColour(900, given).rgb).toEqual(colours.arc);
  });
  it('is slashed only where the metal is too warm to be welded, and has its first row below', () => {
    // Two columns by three rows: the lowest row glows, the highest is cold.
    const rises = Uint16Array.from([3000, 3000, 200, 200, 0, 0]);
    const { width, height, data } = paintHeat({ cols: 2, rows: 3, rises }, 0, heatTable(given));
    expect([width, height]).toEqual([2 * HEAT_PIXELS, 3 * HEAT_PIXELS]);
    const pixel = (x: number, y: number) => [...data.slice(4 * (y * width + x), 4 * (y * width + x) + 4)];
    expect(pixel(0, 0)[3]).toBe(0);
    expect(pixel(1, height - 1)[3]).toBeGreaterThan(200);
    const slashes = (y: number) =>
      Array.from({ length: width }, (_, x) => pixel(x, y)).filter(([r]) => r === 200).length;
    const rows = Array.from({ length: height }, (_, y) => slashes(y));
    expect(rows.slice(-3).reduce((a, b) => a + b, 0)).toBeGreaterThan(0);
    expect(rows.slice(0, 3).reduce((a, b) => a + b, 0)).toBe(0);
  });
});

// The reckoning itself is the core's; here it runs beside the page, as its worker does away from it.
const asked: HeatReplayInput[] = [];
vi.mock('../workers/heatBridge.ts', () => ({
  runReplay: (input: HeatReplayInput) => {
    asked.push(structuredClone(input));
    const answer = () => {
      try {
        return { replay: heatReplay({ ...input, frames: 40 }) };
      } catch (error) {
        return { refused: (error as Error).message };
      }
    };
    return { answer: Promise.resolve(answer()), stop: () => undefined };
  },
}));
HTMLCanvasElement.prototype.getContext = (() => ({ putImageData: () => undefined })) as never;
vi.stubGlobal('ImageData', class {});

const joint = {
  ...{
    points: [
      [500, 300],
      [760, 300],
    ] as [number, number][],
    closed: false,
    name: 'in the sheet',
    kind: 'cut',
  },
  ...{ closing: 'butt' as const, welds: 0, sheets: undefined },
};
const plan = planRepair({
  joints: [{ ...joint, line: joint.points }],
  ...{ process: 'mig', thickness: 1, ambient: 20, handWarm: 50 },
});
const view = (over: Partial<WeldPlanView> = {}): WeldPlanView => ({
  ...{ repairId: 'r1', panel: 'quarter-l', input: weldDefaults, plan, done: [], acknowledged: null, version: 1 },
  ...{
    joints: [joint],
    moved: false,
    sheet: { thickness: 1, other: null, material: 'steel', ambient: 20 },
    earlier: [],
  },
  ...over,
});
let server: FakeServer;
beforeEach(() => {
  signIn('owner', 'in');
  asked.length = 0;
  server = new FakeServer()
    .on('GET /vehicles/v1', { id: 'v1', nickname: 'Finch', planId: 'saloon' })
    .on('GET /plans/saloon', bodyPlan('saloon'))
    .on('GET /vehicles/v1/repairs', [repairView({ id: 'r1', panel: 'quarter-l' })])
    .on('GET /repairs/r1/weld', view());
});
const open = () => openPage(HeatPage, { id: 'v1', repair: 'r1' });

describe('the heat of a weld plan', () => {
  it('is asked for with the open joint and the edge of the sheet, and says what is warm in the units of the shop', async () => {
    const { page } = await open();
    expect(asked[0]).toMatchObject({ joints: [{ open: true }], copper: false, handWarm: 50 });
    expect(asked[0]!.outline!.length).toBeGreaterThan(3);
    await page.get('input[type=range]').setValue(20);
    expect(page.text()).toContain('at the warmest place');
    expect(page.text()).toMatch(/Next: (tack|stitch) \d+/);
    expect(page.text()).not.toMatch(/\bmm\b|°C/);
  });
  it('is reckoned again with copper and with a pause, and tells the difference', async () => {
    const { page } = await open();
    await page.get('input[type=range]').setValue(10);
    await field(page, /Pause before/).setValue('none');
    await button(page, 'Try this pause').trigger('submit');
    expect(page.text()).toContain('Type minutes');
    await field(page, /Pause before/).setValue('5');
    await button(page, 'Try this pause').trigger('submit');
    await flushPromises();
    expect(asked.at(-1)!.pauses).toEqual([expect.objectContaining({ seconds: 300 })]);
    expect(page.text()).toMatch(/With a pause: the warmest weld starts at/);
    await button(page, 'As it is laid out again').trigger('click');
    await flushPromises();
    expect(asked.at(-1)!.pauses).toEqual([]);
  });
  it('says why where a plan does not know its heat, and where nothing is laid out', async () => {
    const old = plan.steps.map(({ energy: _energy, ...step }) => step);
    server.on('GET /repairs/r1/weld', view({ plan: { ...plan, steps: old } }));
    expect((await open()).page.text()).toContain('lay it out anew to see it');
    server.on('GET /repairs/r1/weld', null);
    expect((await open()).page.text()).toContain('Nothing is laid out for this repair yet.');
  });
});
