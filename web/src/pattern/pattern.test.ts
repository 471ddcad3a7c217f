import { flushPromises } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import { patternDefaults, type PatternView } from '@aspecta/contract/pattern';
import type { Point } from '@aspecta/core/geometry';
import { blankOf, type TurnChoice } from '@aspecta/core/pattern';
import { button, FakeServer, field, openPage, problem, signIn } from '../testing/fakeServer.ts';
import { repairView } from '../testing/repairView.ts';
import PatternPage from './PatternPage.vue';

const piece: Point[] = [
  [0, 0],
  [300, 0],
  [300, 200],
  [0, 200],
];
const joints = piece.map((p, i) => ({
  ...{ name: ['lower edge', 'in the sheet', 'upper edge', 'front edge'][i]!, kind: i === 1 ? 'cut' : 'spot' },
  ...{ closing: i === 1 ? ('butt' as const) : ('plug' as const), line: [p, piece[(i + 1) % 4]!] },
  at: [(p[0] + piece[(i + 1) % 4]![0]) / 2, (p[1] + piece[(i + 1) % 4]![1]) / 2] as Point,
}));
function view(turns: TurnChoice[] = [], over: Partial<PatternView> = {}): PatternView {
  const blank = blankOf({
    ...{ piece, thickness: 0.9, material: 'steel', radius: 1, gap: 1, trim: 0, choices: turns },
    joints: joints.map((one) => ({ ...one, length: 0, fasteners: 3, welds: 3, chosen: false, counted: false })),
  });
  return {
    ...{ repairId: 'r', panel: 'floor-front-l', layer: 'outer', asBuilt: 0.9, thickness: 0.9, material: 'steel' },
    ...{ piece, joints, blank, notes: [], otherSide: 'Front floor, right', version: 0, cutFrom: null },
    ...{ section: 0, sections: 1, cutOtherwise: null },
    settings: { ...patternDefaults, turns },
    ...over,
  };
}
const at = '/repairs/r/pattern';
let server: FakeServer;
beforeEach(() => {
  signIn('owner');
  document.body.innerHTML = '';
  server = new FakeServer()
    .on('GET /vehicles/v', { id: 'v', nickname: 'Marigold', planId: 'saloon' })
    .on('GET /repairs/r', repairView({ id: 'r', panel: 'floor-front-l' }))
    .on(`GET ${at}`, view());
});
const open = async () => (await openPage(PatternPage, { id: 'v', repair: 'r' })).page;
const edge = (page: Awaited<ReturnType<typeof open>>, name: RegExp) =>
  page.findAll('.edge-row').find((row) => name.test(row.text()))!;

describe('the pattern of a piece', () => {
  it('takes a nut with its hole, measured from the piece, and lets it be taken away', async () => {
    const page = await open();
    await button(page, 'Add a nut or a hole').trigger('click');
    await field(page, 'From the left end').setValue('somewhere');
    await field(page, 'From the lower edge').setValue('50');
    await page.findAll('form').at(-1)!.trigger('submit');
    expect(page.text()).toContain('Type a length in mm');
    await field(page, 'From the left end').setValue('120');
    await field(page, 'Hole across, mm').setValue('6.5');
    const nut = { name: 'Captive nut', at: [120, 50] as [number, number], diameter: 6.5 };
    const kept = view([], { version: 1, settings: { ...patternDefaults, fittings: [nut] } });
    server.on(`PUT ${at}`, { ...kept, blank: { ...kept.blank, fittings: [nut] } });
    await page.findAll('form').at(-1)!.trigger('submit');
    await flushPromises();
    expect(server.to(`PUT ${at}`).at(-1)).toMatchObject({ fittings: [nut] });
    expect(page.text()).toContain('Captive nut: hole of 6.5 mm, 120 mm from the left end, 50 mm from the lower edge');
    server.on(`PUT ${at}`, view([], { version: 2 }));
    await page.get('[aria-label="Take Captive nut away"]').trigger('click');
    await flushPromises();
    expect(server.to(`PUT ${at}`).at(-1)).toMatchObject({ fittings: [] });
  });

  it('says when it is cut to a traced card, and goes back to its line', async () => {
    const traced = { ring: piece, from: 'picture of 3 May' };
    server.on(`GET ${at}`, view([], { settings: { ...patternDefaults, traced } }));
    const page = await open();
    expect(page.text()).toContain('cut to what was traced (picture of 3 May)');
    server.on(`PUT ${at}`, view([], { version: 1 }));
    await button(page, 'Back to its line').trigger('click');
    await flushPromises();
    expect(server.to(`PUT ${at}`).at(-1)).toMatchObject({ traced: null });
    expect(page.text()).toContain('A card that was held in place');
  });

  it('says how each edge goes on, and takes another word for one of them', async () => {
    const page = await open();
    expect(edge(page, /lower edge/).text()).toMatch(/15 mm turned in by 90° – 1\d(\.5)? mm on the flat/);
    expect(edge(page, /in the sheet/).text()).toContain('ends here');
    await edge(page, /lower edge/).trigger('click');
    await field(page, 'How wide, outside, mm').setValue('wide');
    await page.get('form.edge').trigger('submit');
    expect(page.text()).toContain('Type a length in mm');
    await field(page, 'How wide, outside, mm').setValue('22');
    const said: TurnChoice = { at: [150, 0], kind: 'spot', width: 22, angle: 90, way: 'in' };
    server.on(`PUT ${at}`, view([said], { version: 1 }));
    await page.get('form.edge').trigger('submit');
    await flushPromises();
    expect(server.to(`PUT ${at}`)).toMatchObject([{ turns: [said], version: 0, radius: 1 }]);
    expect(edge(page, /lower edge/).text()).toContain('22 mm turned in');
    expect(page.find('form.edge').exists()).toBe(false);
  });

  it('keeps what was typed where it is refused, and says why in the unit of the shop', async () => {
    const page = await open();
    await edge(page, /upper edge/).trigger('click');
    server.on(`PUT ${at}`, problem('too-narrow', 'This bend alone takes 1.9 mm.', 422, { field: 'choices' }));
    await field(page, 'How wide, outside, mm').setValue('1');
    await page.get('form.edge').trigger('submit');
    await flushPromises();
    expect(page.get('form.edge').text()).toContain('This bend alone takes 1.9 mm.');
    expect((field(page, 'How wide, outside, mm').element as HTMLInputElement).value).toBe('1');
  });

  it('is drawn for the other side as well, and leads to the sheets', async () => {
    const page = await open();
    const links = () => page.findAll('a[href*="/pattern/file"]').map((link) => link.attributes('href')!);
    expect(links().every((href) => href.includes('side=own'))).toBe(true);
    await page.get('input[value="other"]').setValue(true);
    expect(links().every((href) => href.includes('side=other'))).toBe(true);
    expect(page.get('.next').text()).toContain('Choose the sheet');
  });

  it('of a piece that goes in parted is shown section by section, each with its own files', async () => {
    const part = (section: number) => view([], { section, sections: 2 });
    server.on(`GET ${at}`, part(0)).on(`GET ${at}?section=1`, part(1));
    const page = await open();
    const links = () => page.findAll('a[href*="/pattern/file"]').map((link) => link.attributes('href')!);
    expect(links().every((href) => href.includes('section=0'))).toBe(true);
    await page.get('input[value="2"]').setValue(true);
    await flushPromises();
    expect(links().every((href) => href.includes('section=1'))).toBe(true);
    expect(page.get('[role="group"]').attributes('aria-label')).toContain('section 2 of 2');
  });

  it('says what was cut when the piece went in otherwise', async () => {
    const cut = { sheet: 'Rack 1', by: 'Ines', at: '2026-02-03T18:00:00.000Z', section: 0, of: 2 };
    server.on(`GET ${at}`, view([], { cutOtherwise: cut }));
    expect((await open()).text()).toMatch(/cut from Rack 1 .* parted into 2: see whether it still serves/);
  });

  it('is read by somebody who may not change it', async () => {
    signIn('viewer');
    const page = await open();
    await edge(page, /lower edge/).trigger('click');
    expect(page.find('form.edge').exists()).toBe(false);
    expect(page.text()).not.toContain('Left on at butted edges');
  });
});
