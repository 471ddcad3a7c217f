import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { houseWithCar, reading, zoneInput } from '../testing/house.ts';

const here = houseWithCar();

const readings = (panel: string) => here.owner.get(`/vehicles/${here.vehicle}/panels/${panel}/readings`).expect(200);

describe('readings', () => {
  it('are stored once, however often they are sent', async () => {
    const input = {
      readings: [reading({ panel: 'sill-r', coatingUm: 1500, coatingOver: true, note: 'behind the jack' })],
    };
    const answers = await Promise.all(
      [1, 2, 3].map(() => here.owner.post(`/vehicles/${here.vehicle}/readings`, input)),
    );
    expect(answers.map((answer) => answer.status)).toEqual([201, 201, 201]);
    const { body } = await readings('sill-r');
    expect(body).toHaveLength(1);
    expect(body[0]).toMatchObject({
      coatingOver: true,
      metalMm: 1.1,
      note: 'behind the jack',
      by: 'Owner Test',
      withdrawn: false,
    });
  });

  it.each([
    [{ metalMm: -0.2 }, 'metalMm', /at least 0 mm/],
    [{ u: 9000 }, 'u', /outside Sill, left/],
    [{ panel: 'sill' }, 'panel', /did you mean "sill-l"/],
    [{ layer: 'skin' }, 'layer', /outer, membrane, inner/],
    [{ metalMm: 'thin' }, 'readings[0].metalMm', /must be a number/],
    [{ note: 'x'.repeat(501) }, 'readings[0].note', /501 characters; shorten it to 500/],
    [{ metalMm: null }, 'metalMm', /Enter the coating/],
  ])('refuse %o at its field', async (bad, field, message) => {
    const { body } = await here.owner
      .post(`/vehicles/${here.vehicle}/readings`, { readings: [reading(bad)] })
      .expect(422);
    expect(body.field).toBe(field);
    expect(body.detail).toMatch(message);
    expect((await readings('sill-l')).body).toHaveLength(0);
  });

  it('store all of a batch or none of it', async () => {
    const { body } = await here.owner
      .post(`/vehicles/${here.vehicle}/readings`, { readings: [reading(), reading({ u: -500 })] })
      .expect(422);
    expect(body.field).toBe('readings[1].u');
    expect((await readings('sill-l')).body).toHaveLength(0);
  });

  it('can be withdrawn and count again', async () => {
    const one = reading({ panel: 'roof', layer: 'outer', u: 500, v: 500, metalMm: 0.8 });
    await here.owner.post(`/vehicles/${here.vehicle}/readings`, { readings: [one] }).expect(201);
    await here.owner
      .post(`/vehicles/${here.vehicle}/readings/withdraw`, { ids: [one.id], withdrawn: true })
      .expect(200);
    expect((await readings('roof')).body[0].withdrawn).toBe(true);
    await here.owner
      .post(`/vehicles/${here.vehicle}/readings/withdraw`, { ids: [one.id], withdrawn: false })
      .expect(200);
    expect((await readings('roof')).body[0].withdrawn).toBe(false);
  });
});

describe('importing readings', () => {
  const head = 'panel,layer,u_mm,v_mm,coating_um,metal_mm,note\n';
  const send = (text: string, store: boolean) =>
    here.owner.agent
      .post(`/api/vehicles/${here.vehicle}/readings/import${store ? '?store=1' : ''}`)
      .set('x-aspecta-csrf', here.owner.csrf)
      .set('content-type', 'text/csv')
      .send(text);

  it('shows what is in the file before anything is stored', async () => {
    const text = `${head}bonnet,outer,300,300,120,0.85,\nbonnet,outer,400,300,125,0.84,\n`;
    expect((await send(text, false).expect(200)).body).toMatchObject({
      count: 2,
      panels: { bonnet: 2 },
      errors: [],
      stored: false,
    });
    expect((await readings('bonnet')).body).toHaveLength(0);
    expect((await send(text, true).expect(200)).body).toMatchObject({ stored: true });
    expect((await readings('bonnet')).body).toHaveLength(2);
  });

  it('stores nothing while a line is wrong', async () => {
    const { body } = await send(
      `${head}boot-lid,outer,300,300,120,0.85,\nboot-lid,outer,300,300,abc,0.85,\n`,
      true,
    ).expect(200);
    expect(body).toMatchObject({ stored: false, errors: [{ line: 3, column: 'coating' }] });
    expect((await readings('boot-lid')).body).toHaveLength(0);
  });

  it('refuses a huge file with a clear message', async () => {
    const { body } = await send(head + 'roof,outer,1,1,,1,\n'.repeat(1_500_000), true).expect(413);
    expect(body.detail).toMatch(/split it/);
    const rows = (await send(head + 'roof,outer,100,300,,0.8,\n'.repeat(20_001), true).expect(200)).body;
    expect(rows.errors[0].message).toMatch(/at most 20000/);
  });
});

describe('zones', () => {
  const zones = (panel: string) => here.owner.get(`/vehicles/${here.vehicle}/panels/${panel}/zones`).expect(200);

  it('carry their area on the sheet, and every version', async () => {
    const input = zoneInput();
    const { body: zone } = await here.owner.post(`/vehicles/${here.vehicle}/zones`, input).expect(201);
    expect(zone).toMatchObject({ version: 1, area: expect.closeTo(8000, 0) });
    await here.owner.post(`/vehicles/${here.vehicle}/zones`, input).expect(201);
    const { id: _id, panel: _panel, ...fields } = input;
    await here.owner
      .put(`/vehicles/${here.vehicle}/zones/${zone.id}`, { ...fields, evidence: 'opened', version: 1 })
      .expect(200);
    const { body: history } = await here.owner.get(`/vehicles/${here.vehicle}/zones/${zone.id}/history`).expect(200);
    expect(history.map((entry: { evidence: string }) => entry.evidence)).toEqual(['stripped', 'opened']);
  });

  it('never overwrite silently: the second person is shown what is stored', async () => {
    const input = zoneInput();
    await here.owner.post(`/vehicles/${here.vehicle}/zones`, input).expect(201);
    const { id, panel: _panel, ...fields } = input;
    const answers = await Promise.all(
      ['first', 'second'].map((note) =>
        here.owner.put(`/vehicles/${here.vehicle}/zones/${String(id)}`, { ...fields, note, version: 1 }),
      ),
    );
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409]);
    const [kept, refused] = [answers.find((a) => a.status === 200)!, answers.find((a) => a.status === 409)!];
    expect(refused.body.current).toMatchObject({ version: 2, note: kept.body.note });
    await here.owner
      .put(`/vehicles/${here.vehicle}/zones/${String(id)}`, { ...fields, note: 'chosen', version: 2 })
      .expect(200);
  });

  it.each([
    [
      {
        ring: [
          [0, 0],
          [100, 100],
          [100, 0],
          [0, 100],
        ],
      },
      'ring',
      /crosses itself/,
    ],
    [
      {
        ring: [
          [-900, -900],
          [-800, -900],
          [-800, -800],
        ],
      },
      'ring',
      /outside Rear quarter/,
    ],
    [
      {
        ring: [
          [0, 0],
          [1, 1],
        ],
      },
      'ring',
      /at least 3/,
    ],
    [{ class: 'rusty' }, 'class', /must be one of/],
    [{ note: 'x'.repeat(600) }, 'note', /shorten it to 500/],
  ])('refuse %o at its field', async (bad, field, message) => {
    const { body } = await here.owner.post(`/vehicles/${here.vehicle}/zones`, zoneInput(bad)).expect(422);
    expect(body.field).toBe(field);
    expect(body.detail).toMatch(message);
  });

  it('can be removed and brought back', async () => {
    const input = zoneInput({
      panel: 'roof',
      ring: [
        [300, 300],
        [400, 300],
        [400, 400],
      ],
    });
    await here.owner.post(`/vehicles/${here.vehicle}/zones`, input).expect(201);
    await here.owner.delete(`/vehicles/${here.vehicle}/zones/${String(input['id'])}`).expect(204);
    expect((await zones('roof')).body).toEqual([]);
    await here.owner.post(`/vehicles/${here.vehicle}/zones/${String(input['id'])}/restore`).expect(200);
    expect((await zones('roof')).body).toHaveLength(1);
  });

  it('answer 404 for an id that is unknown or no id at all', async () => {
    const body = {
      layer: 'outer',
      ring: [
        [0, 0],
        [1, 0],
        [1, 1],
      ],
      class: 'thin',
      evidence: 'map',
      note: '',
      version: 1,
    };
    await here.owner.put(`/vehicles/${here.vehicle}/zones/${randomUUID()}`, body).expect(404);
    await here.owner.put(`/vehicles/${here.vehicle}/zones/banana`, body).expect(404);
    await here.owner.get('/vehicles/undefined/board').expect(404);
    await here.owner.get('/no/such/address').expect(404);
    await here.owner.agent
      .post('/api/vehicles')
      .set('x-aspecta-csrf', here.owner.csrf)
      .set('content-type', 'application/json')
      .send('{"a":')
      .expect(400);
  });
});
