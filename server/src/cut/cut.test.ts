import DxfParser from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import { figureText, type CutPlanView } from '@aspecta/contract/cut';
import { between, signedArea, type Point } from '@aspecta/core/geometry';
import { textOf } from '../testing/pdfText.ts';
import { decided, houseWithCar, ownerOf, readInches, squareAt, zoneInput } from '../testing/house.ts';

const here = houseWithCar();

describe('cut', () => {
  it('computes the line, and offsets that lead back to it', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch', {
      panel: 'floor-front-l',
      ring: [
        [200, 120],
        [320, 120],
        [320, 200],
        [200, 200],
      ],
    });
    const cut = (await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    expect(cut.line.runs.every((run) => run.cut)).toBe(true);
    expect(cut.corners.every((corner) => corner.error < 1)).toBe(true);
    expect(cut.mirror).toBe('Front floor, right');
    expect(cut.onMap.unmeasured).toBe(1);
    const wider = (
      await here.owner
        .put(`/repairs/${repair.id}/cut`, { margin: 30, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 0 })
        .expect(200)
    ).body as CutPlanView;
    expect(wider.line.cutLength).toBeGreaterThan(cut.line.cutLength);
    await here.owner
      .put(`/repairs/${repair.id}/cut`, { margin: 35, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 0 })
      .expect(409);
    expect(
      (
        await here.owner
          .put(`/repairs/${repair.id}/cut`, { margin: -3, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 1 })
          .expect(422)
      ).body.field,
    ).toBe('margin');
  });

  describe('laid by hand', () => {
    const settings = { margin: 20, maxCorners: 4, cornerRadius: 15, kerf: 1 };
    const lay = (repair: string, corners: unknown, version = 0, pins: unknown = null) =>
      here.owner.put(`/repairs/${repair}/cut`, { ...settings, corners, pins, version });
    const around = squareAt(1070, 270, 160);

    it('is kept with all that follows from it, beside the one that would be found, until it is given back', async () => {
      const { id } = await decided(here.owner, here.vehicle, 'patch');
      const found = (await here.owner.get(`/repairs/${id}/cut`).expect(200)).body as CutPlanView;
      expect(found).toMatchObject({ own: false, found: null });
      const { body: own } = await lay(id, around).expect(200);
      expect(own).toMatchObject({ own: true, saved: true, found: { cutLength: found.line.cutLength } });
      expect(own.line.cutLength).toBeGreaterThan(found.line.cutLength);
      expect(own.corners).toHaveLength(4);
      const { body: joints } = await here.owner.get(`/repairs/${id}/joints`).expect(200);
      expect(joints.piece).toEqual(own.line.outline);
      expect((await here.owner.get(`/repairs/${id}/cut`).expect(200)).body.line).toEqual(own.line);
      const { body: again } = await lay(id, null, 1).expect(200);
      expect(again).toMatchObject({ own: false, line: { cutLength: found.line.cutLength } });
    });

    it.each([
      ['crosses itself', [around[0], around[2], around[1], around[3]], /crosses itself/],
      ['misses the damage', squareAt(100, 700, 50), /none of the damage/],
      ['lies beside the panel', squareAt(-900, -900, 50), /none of the damage/],
      ['has two corners', around.slice(0, 2), /at least 3/],
      ['has a corner without a figure', [[1], [2, 3], [4, 5]], /2/],
    ])('is refused where it %s, and nothing is kept', async (_what, corners, words) => {
      const { id } = await decided(here.owner, here.vehicle, 'patch');
      const { body } = await lay(id, corners).expect(422);
      expect(body.field).toMatch(/^corners/);
      expect(body.detail).toMatch(words);
      expect((await here.owner.get(`/repairs/${id}/cut`).expect(200)).body.saved).toBe(false);
    });

    it('keeps what its corners are held to, in the order of the line, and nothing of it for a line that is found', async () => {
      const { id } = await decided(here.owner, here.vehicle, 'patch');
      const pin = { along: 'edge', at: 60 };
      const { body } = await lay(id, around, 0, [pin, null, null, null]).expect(200);
      const at = (cut: CutPlanView) => cut.line.laid[cut.pins!.findIndex(Boolean)]!;
      expect(Math.hypot(at(body)[0] - around[0]![0], at(body)[1] - around[0]![1])).toBeLessThan(1);
      // Given the other way round it is the same corner that is held.
      const turned = (await lay(id, around.toReversed(), 1, [null, null, null, pin]).expect(200)).body;
      expect(Math.hypot(at(turned)[0] - around[0]![0], at(turned)[1] - around[0]![1])).toBeLessThan(1);
      expect((await lay(id, around, 2, [pin]).expect(422)).body).toMatchObject({ field: 'pins' });
      expect((await lay(id, around, 2, [{ along: 'edge', at: -4 }, null, null, null]).expect(422)).body.field).toMatch(
        /^pins/,
      );
      await lay(id, null, 2, [pin, null, null, null]).expect(422);
      expect((await lay(id, null, 2).expect(200)).body).toMatchObject({ own: false, pins: null });
    });

    it('shows the one who was slower how the line lies now', async () => {
      const { id } = await decided(here.owner, here.vehicle, 'patch');
      await lay(id, around).expect(200);
      const { body } = await lay(id, squareAt(1040, 240, 220)).expect(409);
      expect(body.current).toMatchObject({ own: true, version: 1 });
    });

    it('gives way to the one that is found, with words, where the damage has moved away from it', async () => {
      const { id, zoneIds } = await decided(here.owner, here.vehicle, 'patch');
      await lay(id, around).expect(200);
      const { id: _id, panel: _panel, ...zone } = zoneInput({ ring: squareAt(300, 300, 90) });
      await here.owner.put(`/vehicles/${here.vehicle}/zones/${zoneIds[0]}`, { ...zone, version: 1 }).expect(200);
      const { body } = await here.owner.get(`/repairs/${id}/cut`).expect(200);
      expect(body.own).toBe(false);
      expect(body.line.warnings[0]).toMatch(/laid by hand cannot be used any more/);
    });
  });

  it('gives the patch at 1:1 as DXF that another package reads back to the same outline', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const cut = (await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    const { text, headers } = await here.owner
      .get(`/repairs/${repair.id}/cut/patch.dxf`)
      .buffer(true)
      .parse((response, done) => {
        let data = '';
        response.on('data', (chunk: Buffer) => (data += chunk.toString()));
        response.on('end', () => done(null, data));
      })
      .expect(200)
      .then((response) => ({ text: response.body as string, headers: response.headers }));
    expect(headers['content-disposition']).toMatch(/patch-quarter-l\.dxf/);
    const dxf = new DxfParser().parseSync(text)!;
    const outline = dxf.entities.find((entity) => entity.layer === 'PATCH') as unknown as {
      vertices: { x: number; y: number }[];
      shape: boolean;
    };
    expect(outline.shape).toBe(true);
    const read = outline.vertices.map(({ x, y }): Point => [x, y]);
    expect(Math.abs(signedArea(read))).toBeCloseTo(Math.abs(signedArea(cut.line.patch)), 3);
    const side = (ring: readonly Point[]) => ring.map((p, i) => between(p, ring[(i + 1) % ring.length]!));
    side(read).forEach((length, i) => expect(length).toBeCloseTo(side(cut.line.patch)[i]!, 4));
  });

  it('gives SVG in millimetres and a card as PDF with the check bar', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const svg = (await here.owner.get(`/repairs/${repair.id}/cut/patch.svg`).expect(200)).body.toString();
    expect(svg).toMatch(/width="[\d.]+mm"/);
    expect(svg).toContain('h100');
    const pdf = (await here.owner.get(`/repairs/${repair.id}/cut/card.pdf`).buffer(true).expect(200)).body as Buffer;
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf.length).toBeGreaterThan(2000);
  });

  it.each([
    [{ margin: 4 }, 'margin', /at least 5/],
    [{ margin: 'wide' }, 'margin', /must be a number/],
    [{ maxCorners: 2 }, 'maxCorners', /at least 3/],
    [{ maxCorners: 4.5 }, 'maxCorners', /whole number/],
    [{ cornerRadius: 5 }, 'cornerRadius', /at least 12/],
    [{ kerf: 9 }, 'kerf', /at most 5/],
    [{ version: undefined }, 'version', /fill it in/],
  ])('refuses %j at its field and keeps what is saved', async (over, at, words) => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const good = { margin: 30, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 0 };
    const { body } = await here.owner.put(`/repairs/${repair.id}/cut`, { ...good, ...over }).expect(422);
    expect(body).toMatchObject({ field: at, detail: expect.stringMatching(words) });
    expect((await here.owner.get(`/repairs/${repair.id}/cut`)).body).toMatchObject({ saved: false, version: 0 });
  });

  it('follows the damage: the line found again for a changed zone is another one', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const line = async () => ((await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView).line;
    const before = await line();
    expect(await line()).toEqual(before);
    const { body: zones } = await here.owner.get(`/vehicles/${here.vehicle}/panels/quarter-l/zones`);
    const zone = zones.find((entry: { id: string }) => entry.id === repair.zoneIds[0]);
    await here.owner
      .put(`/vehicles/${here.vehicle}/zones/${zone.id}`, {
        layer: zone.layer,
        class: zone.class,
        evidence: zone.evidence,
        note: '',
        version: zone.version,
        ring: [
          [1080, 280],
          [1240, 280],
          [1240, 390],
          [1080, 390],
        ],
      })
      .expect(200);
    const after = await line();
    expect(after.area).toBeGreaterThan(before.area + 40 * 20);
    await here.owner.put(`/vehicles/${here.vehicle}/zones/${zone.id}`, {
      layer: zone.layer,
      class: zone.class,
      evidence: zone.evidence,
      note: '',
      version: zone.version + 1,
      ring: zone.ring,
    });
    expect(await line()).toEqual(before);
  });

  it('writes on the card what the tape must show, the cautions, and that the drawing is not at 1:1', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const cut = (await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    const pdf = (await here.owner.get(`/repairs/${repair.id}/cut/card.pdf`).buffer(true).expect(200)).body as Buffer;
    const text = textOf(pdf);
    for (const corner of cut.corners)
      for (const offset of corner.offsets) expect(text).toContain(figureText(offset).replace(' mm', ''));
    expect(text).toContain('Old grey');
    expect(text).toContain('Before you cut');
    expect(text).toMatch(/100 mm/);
  });

  it('writes the card in inches where the shop reads inches, its check bar too', async () => {
    const back = await readInches(here.owner);
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const pdf = (await here.owner.get(`/repairs/${repair.id}/cut/card.pdf`).buffer(true).expect(200)).body as Buffer;
    const text = textOf(pdf);
    expect(text).toMatch(/Check bar: 4"/);
    expect(text).toMatch(/Rough line 1\/2" inside it first/);
    expect(text).not.toMatch(/\d mm/);
    await back();
  });

  it('gives the SVG the same outline as the DXF: each in mm, one to one', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const cut = (await here.owner.get(`/repairs/${repair.id}/cut`).expect(200)).body as CutPlanView;
    const svg = (await here.owner.get(`/repairs/${repair.id}/cut/patch.svg`).expect(200)).body.toString() as string;
    const [, data] = /id="patch" d="M([^Z]*)Z"/.exec(svg)!;
    const read = data!.split('L').map((pair) => pair.split(',').map(Number) as [number, number]);
    expect(Math.abs(signedArea(read))).toBeCloseTo(Math.abs(signedArea(cut.line.patch)), 0);
    const [, width, , box] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+)/.exec(svg)!;
    expect(width).toBe(box);
  });

  it('is nobody else’s, in no form', async () => {
    const repair = await decided(here.owner, here.vehicle, 'patch');
    const stranger = await ownerOf(here.house);
    for (const path of ['cut', 'cut/patch.dxf', 'cut/patch.svg', 'cut/card.pdf'])
      await stranger.get(`/repairs/${repair.id}/${path}`).expect(404);
    await stranger
      .put(`/repairs/${repair.id}/cut`, { margin: 30, maxCorners: 4, cornerRadius: 20, kerf: 1, version: 0 })
      .expect(404);
  });
});
