import DxfParser from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import type { PatternView } from '@aspecta/contract/pattern';
import { decided, houseWithCar, ownerOf, squareAt, vehicleOf } from '../testing/house.ts';

const here = houseWithCar();
async function patterned(zone: object = { panel: 'floor-front-l', ring: squareAt(30, 30, 120) }) {
  const vehicle = await vehicleOf(here.owner);
  const { id } = await decided(here.owner, vehicle, 'patch', zone);
  const view = async () => (await here.owner.get(`/repairs/${id}/pattern`).expect(200)).body as PatternView;
  return { vehicle, id, view, put: (body: object) => here.owner.put(`/repairs/${id}/pattern`, body) };
}

describe('the pattern of a repair', () => {
  it('goes beyond the edge that the patch takes in by its flange, and changes as the edge is turned', async () => {
    const { view, put } = await patterned();
    const first = await view();
    const at = first.joints.findIndex(({ kind }) => kind === 'spot');
    expect(first.blank.edges[at]).toMatchObject({ angle: 90, chosen: false });
    expect(first.blank.edges[at]!.reach).toBeGreaterThan(10);
    const edge = { at: first.joints[at]!.at, kind: 'spot', width: 30, angle: 90, way: 'out' };
    const body = { ...first.settings, turns: [edge], version: first.version };
    const wider = (await put(body).expect(200)).body as PatternView;
    expect(wider.blank.edges[at]).toMatchObject({ width: 30, way: 'out', chosen: true });
    expect(wider.blank.area).toBeGreaterThan(first.blank.area);
    expect((await view()).version).toBe(1);
    // Somebody else has changed it meanwhile.
    await put({ ...body, trim: 20 }).expect(409);
  });

  it('refuses an edge that cannot be bent, and keeps what was there', async () => {
    const { view, put } = await patterned();
    const { joints, settings, version } = await view();
    const spot = joints.find(({ kind }) => kind === 'spot')!;
    const turns = [{ at: spot.at, kind: 'spot', width: 0.5, angle: 90, way: 'in' }];
    const { body } = await put({ ...settings, turns, version }).expect(422);
    expect(body.detail).toMatch(/this bend alone takes/);
    expect((await view()).settings.turns).toEqual([]);
    await put({ ...settings, radius: -1, version }).expect(422);
  });

  it('carries a captive nut and a hole, and refuses one that lies beside the piece', async () => {
    const { id, view, put } = await patterned();
    const { settings, version, blank } = await view();
    const at: [number, number] = [60, 60];
    const fittings = [{ name: 'Captive nut', at, diameter: 6.5 }];
    const kept = (await put({ ...settings, fittings, version }).expect(200)).body as PatternView;
    expect(kept.blank.fittings).toEqual(fittings);
    expect(kept.blank.area).toBeLessThan(blank.area);
    const { body } = await put({
      ...settings,
      fittings: [{ name: 'Drain', at: [-500, 0], diameter: 8 }],
      version: kept.version,
    }).expect(422);
    expect(body).toMatchObject({
      field: expect.stringMatching(/^fittings/),
      detail: expect.stringContaining('“Drain”'),
    });
    const file = await here.owner
      .get(`/repairs/${id}/pattern/file?as=svg`)
      .buffer(true)
      .parse(binary as never)
      .expect(200);
    expect(file.body.toString()).toContain('Captive nut, 6.50 mm');
  });

  it('of a part of a bought panel says which edges come with it', async () => {
    const vehicle = await vehicleOf(here.owner);
    const price = { panel: 'floor-front-l', maker: 'Harrow Pressings', price: 9000, carriage: 1000, leadDays: 4 };
    await here.owner.post(`/vehicles/${vehicle}/offers`, price).expect(201);
    const { id } = await decided(here.owner, vehicle, 'part', { panel: 'floor-front-l', ring: squareAt(30, 30, 120) });
    const view = (await here.owner.get(`/repairs/${id}/pattern`).expect(200)).body as PatternView;
    const at = view.joints.findIndex(({ kind }) => kind === 'spot');
    expect(view.blank.edges[at]).toMatchObject({ bought: true, width: 0 });
    expect(view.blank.bends).toEqual([]);
    expect(view.notes.join(' ')).toContain('its own edges come with it');
  });

  it('is cut to what was traced on a picture, until it is given back to its line', async () => {
    const { view, put } = await patterned();
    const first = await view();
    const ring = squareAt(0, 0, 240) as [number, number][];
    const traced = { ring, from: 'picture of 3 May' };
    const cut = (await put({ ...first.settings, traced, version: 0 }).expect(200)).body as PatternView;
    expect(cut.blank.area).toBeCloseTo(240 * 240, 0);
    expect(cut.joints).toMatchObject([{ name: 'as traced' }]);
    expect(cut.notes.join(' ')).toContain('picture of 3 May');
    const back = (await put({ ...first.settings, traced: null, version: 1 }).expect(200)).body as PatternView;
    expect(back.blank.area).toBeCloseTo(first.blank.area, 3);
    await put({ ...first.settings, traced: { ...traced, ring: ring.slice(0, 2) }, version: 2 }).expect(422);
  });

  it('goes out as DXF with bends on their own layer, as SVG and as PDF at 1:1, for both sides', async () => {
    const { id, view } = await patterned();
    const { blank, otherSide } = await view();
    expect(otherSide).toMatch(/right/i);
    const file = (query: string) =>
      here.owner
        .get(`/repairs/${id}/pattern/file?${query}`)
        .buffer(true)
        .parse(binary as never);
    const dxf = new DxfParser().parseSync((await file('as=dxf').expect(200)).body.toString())!;
    const outer = dxf.entities.filter(({ layer }) => layer === 'CUT') as unknown as { vertices: { x: number }[] }[];
    const us = outer.flatMap(({ vertices }) => vertices.map(({ x }) => x));
    expect(Math.max(...us) - Math.min(...us)).toBeCloseTo(blank.box.width, 1);
    const bends = dxf.entities.filter(({ layer }) => layer === 'BEND');
    expect(bends).toHaveLength(blank.bends.length);
    expect((await file('as=svg&side=other').expect(200)).body.toString()).toContain('id="bend"');
    expect((await file('as=pdf-a4').expect(200)).body.subarray(0, 5).toString()).toBe('%PDF-');
    await file('as=gif').expect(422);
  });

  it('has none where the panel is kept, and none for strangers', async () => {
    const vehicle = await vehicleOf(here.owner);
    const { id } = await decided(here.owner, vehicle, 'treat', {
      panel: 'roof',
      ring: squareAt(500, 300, 60),
      class: 'pitted',
    });
    const { body } = await here.owner.get(`/repairs/${id}/pattern`).expect(422);
    expect(body.detail).toMatch(/nothing to cut out/);
    const stranger = await ownerOf(here.house, 'Strangers with a pattern');
    await stranger.get(`/repairs/${id}/pattern`).expect(404);
  });
});

function binary(response: NodeJS.ReadableStream, done: (error: Error | null, body: Buffer) => void): void {
  const chunks: Buffer[] = [];
  response.on('data', (chunk: Buffer) => chunks.push(chunk));
  response.on('end', () => done(null, Buffer.concat(chunks)));
}
