import { DxfWriter, Units, point3d } from '@tarikjabiri/dxf';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { bodyPlan, panelOf, sectionAt, withOutline } from '@aspecta/core/body';
import { area, boxOf } from '@aspecta/core/geometry';
import { openHouse, ownerOf, reading, vehicleOf, type House, type Visitor } from '../testing/house.ts';
import { outlineFrom } from './outlineFiles.ts';

let house: House;
let owner: Visitor;
beforeAll(async () => {
  house = await openHouse();
  owner = await ownerOf(house);
});
afterAll(() => house.close());

const rectangle = (width: number, height: number): [number, number][] => [
  [0, 0],
  [width, 0],
  [width, height],
  [0, height],
];

describe('own body plans', () => {
  it('are made by changing an outline; the car moves onto them and nothing measured is lost', async () => {
    const vehicle = await vehicleOf(owner);
    await owner
      .post(`/vehicles/${vehicle}/readings`, { readings: [reading({ panel: 'sill-l', u: 300, v: 60 })] })
      .expect(201);
    const path = `/vehicles/${vehicle}/panels/sill-l/outline`;
    const outline = rectangle(1500, 140).map(([u, v]) => [u - 20, v - 10]);
    const { body } = await owner.put(path, { outline, name: 'Our long sill', version: 0 }).expect(200);
    expect(body).toMatchObject({ version: 1, planId: expect.stringMatching(/-/) });
    const sill = panelOf(body.plan, 'sill-l');
    expect(boxOf(sill.outline)).toMatchObject({ minU: 0, maxU: 1500, maxV: 140 });
    expect((await owner.get(`/vehicles/${vehicle}`)).body.planId).toBe(body.planId);
    // The reading keeps its place on the metal: the origin moved by 20 and 10 mm.
    expect((await owner.get(`/vehicles/${vehicle}/panels/sill-l/readings`)).body[0]).toMatchObject({ u: 320, v: 70 });
    await owner.get(`/vehicles/${vehicle}/board`).expect(200);
    const plans = (await owner.get('/plans').expect(200)).body as { name: string; own: boolean }[];
    expect(plans.filter((plan) => plan.own).map((plan) => plan.name)).toEqual(['Our long sill']);
    await owner.put(path, { outline: rectangle(1520, 140), name: 'Our long sill', version: 1 }).expect(200);
    await owner.put(path, { outline: rectangle(1530, 140), name: 'Our long sill', version: 1 }).expect(409);
    const stranger = await ownerOf(house, 'Elsewhere');
    await stranger.get(`/plans/${body.planId}`).expect(404);
    await stranger
      .post('/vehicles', { nickname: 'x', year: 1970, planId: body.planId, goal: 'driver', climate: 'wet' })
      .expect(422);
  });

  it('refuse an outline that crosses itself, is tiny, or leaves readings outside', async () => {
    const vehicle = await vehicleOf(owner);
    await owner
      .post(`/vehicles/${vehicle}/readings`, { readings: [reading({ panel: 'sill-l', u: 1200, v: 60 })] })
      .expect(201);
    const put = (outline: number[][]) =>
      owner.put(`/vehicles/${vehicle}/panels/sill-l/outline`, { outline, name: 'x', version: 0 }).expect(422);
    expect(
      (
        await put([
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ])
      ).body,
    ).toMatchObject({ field: 'outline', detail: expect.stringMatching(/crosses itself/) });
    expect((await put(rectangle(10, 10))).body.detail).toMatch(/check its unit/);
    expect((await put(rectangle(500, 120))).body.detail).toMatch(/1 reading lies outside/);
    expect((await owner.get(`/vehicles/${vehicle}`)).body.planId).toBe('saloon');
  });

  it('drop what is no longer on the sheet, and say so', () => {
    const sill = panelOf(bodyPlan('saloon'), 'sill-l');
    const { panel, dropped } = withOutline(sill, rectangle(700, 120));
    expect(panel.holes.map((hole) => hole.id)).toEqual(['drain-1', 'drain-2'].slice(0, panel.holes.length));
    expect(dropped).toContain('Rear jacking point');
  });
});

describe('outlines from drawings', () => {
  it('come out of a DXF that another package wrote, in its unit', () => {
    const dxf = new DxfWriter();
    dxf.setUnits(Units.Inches);
    dxf.addLine(point3d(1, 1), point3d(11, 1));
    dxf.addLine(point3d(11, 6), point3d(11, 1));
    dxf.addLine(point3d(11, 6), point3d(1, 6));
    dxf.addLine(point3d(1, 6), point3d(1, 1));
    dxf.addCircle(point3d(6, 3.5), 1);
    const { outline, holes, notes } = outlineFrom(dxf.stringify(), 'panel.dxf');
    expect(boxOf(outline)).toEqual({ minU: 0, minV: 0, maxU: 254, maxV: 127 });
    expect(holes).toHaveLength(1);
    expect(area([holes[0]!]) / (Math.PI * 25.4 ** 2)).toBeCloseTo(1, 1);
    expect(notes).toEqual([]);
  });

  it('come out of an SVG at its size, curves and transforms included', () => {
    const svg = `<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="100mm" viewBox="0 0 400 200">
      <g transform="translate(20 20)"><path d="M0 0h200v100h-200z"/><circle cx="100" cy="50" r="20"/></g></svg>`;
    const { outline, holes } = outlineFrom(svg, 'x.svg');
    expect(boxOf(outline)).toEqual({ minU: 0, minV: 0, maxU: 100, maxV: 50 });
    expect(area([holes[0]!]) / (Math.PI * 100)).toBeCloseTo(1, 1);
  });

  it.each([
    ['a letter', 'Dear Sir', /neither an SVG nor an ASCII DXF/],
    ['an open line', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h10"/></svg>', /no closed line/],
    ['a broken SVG', '<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0', /cannot be read|no closed line/],
  ])('refuse %s', (_what, text, message) => {
    expect(() => outlineFrom(text, 'panel.dxf')).toThrow(message);
  });

  it('are offered over HTTP', async () => {
    const { body } = await owner.agent
      .post('/api/plans/outline-from-drawing?name=x.svg')
      .set('x-aspecta-csrf', owner.csrf)
      .set('content-type', 'text/plain')
      .send(
        '<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 100 50"><rect width="100" height="50"/></svg>',
      )
      .expect(200);
    expect(body.outline).toHaveLength(4);
  });
});

describe('section', () => {
  it('shows the sheets from outside in, and the drains of each hollow by how near they are', () => {
    const plan = bodyPlan('saloon');
    const { sheets, hollows } = sectionAt(plan, panelOf(plan, 'sill-l'), 200);
    expect(sheets.map((sheet) => sheet.layer)).toEqual(['outer', 'membrane', 'inner']);
    const middle = (i: number) => sheets[i]!.lines[0]![20]![0];
    expect(middle(0)).toBeLessThan(middle(1));
    expect(middle(1)).toBeLessThan(middle(2));
    expect(hollows.map(({ cavity }) => cavity.id)).toEqual(['sill-outer-l', 'sill-inner-l']);
    const alongs = hollows[0]!.nearest.map(({ along }) => Math.abs(along));
    expect([...alongs].sort((a, b) => a - b)).toEqual(alongs);
  });
});
