import { flushPromises } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { cutDefaults, figureText, toNextCorner, type CutPlanView, type CutSettings } from '@aspecta/contract/cut';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { cutLine, cutPanelOf, lineByHand, tapesAt, tapesFor } from '@aspecta/core/cut';
import { toRing, type Point } from '@aspecta/core/geometry';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import { useConnection } from '../shell/connection.ts';
import CutPage from './CutPage.vue';

const panel = panelOf(bodyPlan('saloon'), 'floor-front-l');
const damage: Point[] = [
  [200, 120],
  [320, 120],
  [320, 200],
  [200, 200],
];

/** What the server would answer, by the same core. */
function planned(settings: CutSettings, over: Partial<CutPlanView> = {}): CutPlanView {
  const line = cutLine({
    panel: cutPanelOf(bodyPlan('saloon'), panel),
    damage: [damage],
    margin: settings.margin,
    house: settings,
  });
  return {
    repairId: 'r',
    panel: panel.id,
    layer: 'pan',
    thickness: 0.9,
    settings,
    saved: false,
    version: 0,
    line,
    pins: null,
    own: false,
    found: null,
    ...tapesFor({ panel, line, unit: 'mm' }),
    mirror: 'Front floor, right',
    thin: [],
    left: 0,
    onMap: { unmeasured: 0, doubtful: 0 },
    ...over,
  };
}

let server: FakeServer;
beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  signIn();
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', repairView({ panel: panel.id }))
    .on('GET /repairs/r/cut', planned(cutDefaults))
    .on(`GET /vehicles/v/panels/${panel.id}/zones`, [
      { id: 'z', ring: damage },
      { id: 'other', ring: damage },
    ]);
});
afterEach(() => vi.useRealTimers());
const open = async () => (await openPage(CutPage, { id: 'v', repair: 'r' })).page;
const settle = async () => {
  await vi.advanceTimersByTimeAsync(300);
  await flushPromises();
};

describe('the cut', () => {
  it('gives each corner two offsets and the way to the next, and draws only the zones of this repair', async () => {
    const page = await open();
    const plan = planned(cutDefaults);
    const rows = page.findAll('table.offsets tbody tr');
    expect(rows).toHaveLength(plan.corners.length);
    rows.forEach((row, i) => {
      const cells = row.findAll('td').map((cell) => cell.text());
      expect(cells).toEqual([String(i + 1), ...plan.corners[i]!.offsets.map(figureText), toNextCorner(plan, i)]);
    });
    // A line that is closed leads on from every corner; one from edge to edge ends at its last.
    const told = plan.corners.map((_, i) => toNextCorner(plan, i));
    expect(told.filter((text) => text === '–')).toHaveLength(plan.line.joints.filter(({ closed }) => !closed).length);
    expect(page.findAll('path.damage')).toHaveLength(1);
    expect(page.text()).toContain('On Front floor, right the same figures hold');
  });

  it('says what the line weighed and what runs beside what', async () => {
    const page = await open();
    const plan = planned(cutDefaults);
    expect(page.text()).toContain(`in ${plan.line.runs.filter((run) => run.cut).length} straight runs`);
    for (const caution of ['Before you cut.']) expect(page.text()).toContain(caution);
    expect(page.findAll('a[download]').map((link) => link.attributes('href'))).toEqual([
      '/api/repairs/r/cut/patch.dxf',
      '/api/repairs/r/cut/patch.svg',
      '/api/repairs/r/cut/card.pdf',
    ]);
  });

  it('moves the tapes to the corner that is picked, by row or by keyboard on the sheet', async () => {
    const page = await open();
    await button(page, '2').trigger('click');
    expect(page.findAll('g.corner')[1]!.classes()).toContain('on');
    await page.findAll('g.corner')[0]!.trigger('keydown', { key: 'Enter' });
    expect(page.findAll('table.offsets tbody tr')[0]!.classes()).toContain('on');
    const tags = page.findAll('.figure-tag text').map((tag) => tag.text());
    expect(tags).toEqual(planned(cutDefaults).corners[0]!.offsets.map(({ text }) => text));
  });

  it('finds the line again after a setting was changed, once for several quick changes', async () => {
    const page = await open();
    server.on('PUT /repairs/r/cut', ({ version, ...settings }) =>
      planned(settings as unknown as CutSettings, { saved: true, version: Number(version) + 1 }),
    );
    const margin = field(page, 'Sound metal beyond the damage');
    await margin.setValue('1 1/4"');
    await margin.trigger('change');
    await page.get('[aria-label="One run more"]').trigger('click');
    await settle();
    const [sent, ...more] = server.to('PUT /repairs/r/cut');
    expect(more).toEqual([]);
    expect(sent).toMatchObject({ maxCorners: 5, version: 0 });
    expect(sent!['margin']).toBeCloseTo(31.75, 6);
    expect(page.text()).toContain('Saved.');
    expect((margin.element as HTMLInputElement).value).toBe('32 mm');
  });

  it('keeps a length that cannot be read as typed, says how to write it and sends nothing', async () => {
    const page = await open();
    const margin = field(page, 'Sound metal beyond the damage');
    await margin.setValue('a hand');
    await margin.trigger('change');
    await settle();
    expect(page.get('[role=alert]').text()).toMatch(/is not a length; write for example/);
    expect((margin.element as HTMLInputElement).value).toBe('a hand');
    expect(server.to('PUT /repairs/r/cut')).toEqual([]);
  });

  it('sends a change of settings that the server missed once it is back', async () => {
    const page = await open();
    server.on('PUT /repairs/r/cut', () => new Response('away', { status: 503 }));
    await page.get('[aria-label="One run more"]').trigger('click');
    await settle();
    server.on('PUT /repairs/r/cut', ({ version, ...settings }) =>
      planned(settings as unknown as CutSettings, { saved: true, version: Number(version) + 1 }),
    );
    useConnection().note(true);
    await flushPromises();
    await settle();
    expect(server.to('PUT /repairs/r/cut').map(({ maxCorners }) => maxCorners)).toEqual([5, 5]);
    expect(page.text()).toContain('Saved.');
  });

  it('shows what somebody else has made of the line instead of overwriting it', async () => {
    const page = await open();
    const theirs = planned({ ...cutDefaults, margin: 40 }, { saved: true, version: 7 });
    server.on('PUT /repairs/r/cut', () => problem('conflict', 'changed', 409, { current: theirs }));
    await page.get('[aria-label="One run fewer"]').trigger('click');
    await settle();
    expect(page.get('[role=alert]').text()).toContain('Somebody else has changed this line');
    expect((field(page, 'Sound metal beyond the damage').element as HTMLInputElement).value).toMatch(/^40/);
    expect(page.findAll('table.offsets tbody tr')).toHaveLength(theirs.corners.length);
  });

  it('says how much pitted metal stays beside it by the house rules', async () => {
    expect((await open()).text()).not.toContain('stays and is treated');
    server.on('GET /repairs/r/cut', { ...planned(cutDefaults), left: 12_000 });
    expect((await open()).text()).toMatch(/120 cm² of pitted metal stays and is treated/);
  });

  it('warns of metal that is not measured, too thin, or decided before the damage was changed', async () => {
    server
      .on('GET /repairs/r/cut', planned(cutDefaults, { onMap: { unmeasured: 0.4, doubtful: 0.1 } }))
      .on('GET /repairs/r', repairView({ panel: panel.id, staleZones: ['z'], areaNow: 14_820 }));
    const text = (await open()).text();
    expect(text).toContain('40 % of the line runs over metal that has not been measured');
    expect(text).toContain('10 % of the line may run over metal too thin to weld to');
    expect(text).toContain('found 148 cm², decided on 96.0 cm²');
  });

  it('lets a viewer look at it only', async () => {
    signIn('viewer');
    const page = await open();
    expect(page.get('fieldset.settings').attributes('disabled')).toBeDefined();
  });

  it('writes offsets as the server gives them, also in inches', async () => {
    signIn('owner', 'in');
    const plan = planned(cutDefaults);
    const inches = tapesFor({ panel, line: plan.line, unit: 'in' });
    server.on('GET /repairs/r/cut', { ...plan, ...inches });
    const page = await open();
    expect(page.findAll('table.offsets tbody tr')[0]!.text()).toContain(inches.corners[0]!.offsets[0]!.text);
    expect(page.get('.figure').text()).toMatch(/"$|in$/);
  });

  it('asks for no cut where a whole panel comes out along its own edges, and leads to its joints', async () => {
    const plan = planned(cutDefaults);
    server.on('GET /repairs/r', repairView({ panel: panel.id, choice: 'whole' }));
    server.on('GET /repairs/r/cut', { ...plan, corners: [], line: { ...plan.line, cutLength: 0, edgeLength: 2400 } });
    const page = await open();
    expect(page.text()).toContain('it comes out along its own edges, all 2400 mm of them');
    expect(page.find('table.offsets').exists()).toBe(false);
    expect(page.text()).toContain('Open its joints, each in its place');
  });

  it('measures from the edge that the person names', async () => {
    const page = await open();
    const [first] = page.findAll('fieldset.settings select');
    const named = first!.findAll('option').at(-1)!.text();
    await first!.setValue(named);
    await settle();
    expect(server.to('PUT /repairs/r/cut').at(-1)).toMatchObject({ from: [named] });
  });

  it('says which tape cannot be laid, and why; each figure its own edge where they differ', async () => {
    const plan = planned(cutDefaults);
    const [one, ...rest] = plan.corners;
    const other = one!.offsets.map((figure) => ({ ...figure, datum: 'swage line' }));
    const datums = one!.datums.map((datum) => ({
      ...datum,
      name: 'swage line',
    })) as unknown as (typeof plan.corners)[0]['datums'];
    server.on('GET /repairs/r/cut', {
      ...plan,
      corners: [{ ...one!, offsets: other, datums, troubles: ['far', null] }, ...rest],
    });
    const page = await open();
    expect(page.text()).toContain(`Corner 1, ${other[0]!.text} from the swage line: longer than one arm lays a tape.`);
    expect(page.get('table.offsets tbody tr').text()).toContain('swage line');
    expect(page.get('table.offsets thead').text()).toContain('From one edge');
  });

  describe('in the person’s hand', () => {
    const corners: [number, number][] = [
      [160, 90],
      [350, 90],
      [350, 230],
      [160, 230],
    ];
    const byHand = (laid: [number, number][], over: Partial<CutPlanView> = {}): CutPlanView => {
      const found = planned(cutDefaults);
      const line = lineByHand({
        panel: cutPanelOf(bodyPlan('saloon'), panel),
        damage: [damage],
        margin: 20,
        house: cutDefaults,
        corners: laid,
      });
      const tapes = tapesFor({ panel, line, unit: 'mm' });
      return { ...found, line, own: true, pins: null, found: found.line, saved: true, version: 3, ...tapes, ...over };
    };
    const sent = () => server.to('PUT /repairs/r/cut').map((body) => body['corners'] as [number, number][] | null);
    const take = async () => {
      server
        .on('GET /repairs/r/cut', byHand(corners))
        .on('PUT /repairs/r/cut', (body) =>
          body['corners']
            ? byHand(body['corners'] as [number, number][], { version: Number(body['version']) + 1 })
            : planned(cutDefaults, { saved: true, version: Number(body['version']) + 1 }),
        );
      const page = await open();
      await button(page, 'Move the line').trigger('click');
      return page;
    };

    it('stands beside the one that was found, in the same figures', async () => {
      server.on('GET /repairs/r/cut', byHand(corners));
      const page = await open();
      expect(page.text()).toContain('This line was laid by hand.');
      const [first] = page.findAll('table.both tbody tr').map((row) => row.findAll('td').map((cell) => cell.text()));
      const cut = [byHand(corners).line, planned(cutDefaults).line].map(
        ({ cutLength }) => `${Math.round(cutLength)} mm`,
      );
      expect(first).toEqual(cut);
      expect(page.find('path.found').exists()).toBe(true);
    });

    it('moves by the arrow keys, and all figures follow before anything is sent', async () => {
      const page = await take();
      const before = page.get('.figure').text();
      const first = page.get('[aria-label^="Corner 1:"]');
      await first.trigger('keydown', { key: 'ArrowLeft', shiftKey: true });
      expect(page.get('.figure').text()).not.toBe(before);
      expect(sent()).toEqual([]);
      await settle();
      expect(sent()).toEqual([[[150, 90], ...corners.slice(1)]]);
    });

    it('takes the two figures of a tape for a corner, and refuses what is no length', async () => {
      const page = await take();
      const { line } = byHand(corners);
      const at = tapesAt({ panel, corner: line.laid[0]!, piece: line.outline, unit: 'mm' });
      const [first, second] = at.datums.map(({ name }) => field(page, `From the ${name}`));
      expect([first!, second!].map(({ element }) => (element as HTMLInputElement).value)).toEqual(
        at.offsets.map(({ text }) => text),
      );
      await first!.setValue('a hand');
      await page.findAll('form.figures')[0]!.trigger('submit');
      expect(page.text()).toContain('Write both figures as lengths');
      await first!.setValue(`${at.offsets[0]!.mm + 10} mm`);
      await page.findAll('form.figures')[0]!.trigger('submit');
      await settle();
      const [[moved]] = sent() as [[[number, number]]];
      expect(Math.hypot(moved[0] - 160, moved[1] - 90)).toBeCloseTo(10, 0);
    });

    it('lays a run along the edge, or says that none runs beside it', async () => {
      const page = await take();
      await field(page, /distance of|along the edge at/).setValue('60');
      await page.findAll('form.figures')[1]!.trigger('submit');
      await settle();
      const [laid] = sent();
      expect(laid!.slice(0, 2).every(([u, v]) => Math.abs(toRing([u, v], panel.outline) - 60) < 1)).toBe(true);
      await field(page, /distance of|along the edge at/).setValue('-3');
      await page.findAll('form.figures')[1]!.trigger('submit');
      expect(page.text()).toContain('Write how far from it');
      await field(page, /distance of|along the edge at/).setValue('5000');
      await page.findAll('form.figures')[1]!.trigger('submit');
      expect(page.text()).toContain('At most 1000 mm');
    });

    it('holds what is laid along an edge there: it slides, until it is let go, and is sent with the line', async () => {
      const page = await take();
      await field(page, /distance of|along the edge at/).setValue('60');
      await page.findAll('form.figures')[1]!.trigger('submit');
      expect(page.text()).toContain('Corner 1 is held to 60 mm from the edge');
      const first = () => page.get('[aria-label^="Corner 1:"]');
      for (let k = 0; k < 3; k++) await first().trigger('keydown', { key: 'ArrowUp', shiftKey: true });
      await settle();
      const [u, v] = sent().at(-1)![0]!;
      expect(Math.abs(toRing([u, v], panel.outline) - 60)).toBeLessThan(1.5);
      const pins = () =>
        server
          .to('PUT /repairs/r/cut')
          .map((body) => body['pins'])
          .at(-1) as (object | null)[];
      expect(pins().slice(0, 2)).toEqual([
        { along: 'edge', at: 60 },
        { along: 'edge', at: 60 },
      ]);
      expect(pins().at(-1)).toBeNull();
      await button(page, 'Let it go').trigger('click');
      await first().trigger('keydown', { key: 'ArrowUp', shiftKey: true });
      await settle();
      expect(pins()[0]).toBeNull();
      expect(Math.abs(toRing(sent().at(-1)![0]!, panel.outline) - 60)).toBeGreaterThan(5);
      await page.get('[aria-label="Undo"]').trigger('click');
      await page.get('[aria-label="Undo"]').trigger('click');
      expect(page.text()).toContain('Corner 1 is held to');
    });

    it('gains and loses corners, and every step can be taken back', async () => {
      const page = await take();
      await page.get('[aria-label="Add a corner on side 1"]').trigger('pointerdown');
      await settle();
      expect(sent().at(-1)).toHaveLength(5);
      await button(page, /^Take corner 2 away/).trigger('click');
      await page.get('[aria-label="Undo"]').trigger('click');
      await page.get('[aria-label="Undo"]').trigger('click');
      await settle();
      expect(sent().at(-1)).toEqual(corners);
      await page.get('[aria-label="Redo"]').trigger('click');
      await settle();
      expect(sent().at(-1)).toHaveLength(5);
    });

    it('is not sent where it crosses itself, and says so at once', async () => {
      const page = await take();
      const third = page.get('[aria-label^="Corner 3:"]');
      for (let i = 0; i < 25; i++) await third.trigger('keydown', { key: 'ArrowDown', shiftKey: true });
      await settle();
      expect(page.text()).toContain('The line crosses itself');
      const last = sent().at(-1)!;
      expect(last[2]![1]).toBeGreaterThan(90);
      await page.get('[aria-label="Undo"]').trigger('click');
      expect(page.get('.tools').text()).not.toContain('crosses');
    });

    it('is given back to be found', async () => {
      const page = await take();
      await button(page, 'Find the line again').trigger('click');
      await settle();
      expect(sent()).toEqual([null]);
      expect(page.text()).not.toContain('This line was laid by hand.');
    });

    it('takes another line of the list', async () => {
      const page = await open();
      server.on('PUT /repairs/r/cut', (body) => byHand(body['corners'] as [number, number][]));
      const other = planned(cutDefaults).line.alternatives[0]!;
      await page.get(`[aria-label="Take the line: ${other.name}"]`).trigger('click');
      await settle();
      expect(sent()[0]!.map(([u, v]) => [Math.round(u), Math.round(v)])).toEqual(
        other.laid.map(([u, v]) => [Math.round(u), Math.round(v)]),
      );
    });
  });
});
