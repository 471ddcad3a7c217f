import { randomUUID } from 'node:crypto';
import ExcelJS from 'exceljs';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { textOf } from '../testing/pdfText.ts';
import {
  decided,
  openHouse,
  ownerOf,
  reading,
  readInches,
  vehicleOf,
  zoneInput,
  type House,
  type Visitor,
} from '../testing/house.ts';

let house: House;
let owner: Visitor;
let vehicle: string;
beforeAll(async () => {
  house = await openHouse();
  owner = await ownerOf(house);
  vehicle = await vehicleOf(owner);
  const readings = [];
  for (let u = 100; u < 1300; u += 60)
    for (const v of [30, 60, 90]) readings.push(reading({ u, v, metalMm: u < 300 ? 0.5 : 1.15 }));
  await owner.post(`/vehicles/${vehicle}/readings`, { readings }).expect(201);
  await owner
    .post(
      `/vehicles/${vehicle}/zones`,
      zoneInput({
        panel: 'sill-l',
        ring: [
          [80, 10],
          [290, 10],
          [290, 100],
          [80, 100],
        ],
        class: 'thin',
        note: 'Front end',
      }),
    )
    .expect(201);
  await owner
    .post(`/vehicles/${vehicle}/finds`, {
      id: randomUUID(),
      panel: 'sill-l',
      layer: 'outer',
      u: 200,
      v: 60,
      sign: 'filler-over-hole',
      note: '=1',
    })
    .expect(201);
});
afterAll(() => house.close());

const file = async (name: string) =>
  (
    await owner
      .get(`/vehicles/${vehicle}/${name}`)
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk));
        response.on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200)
  ).body as Buffer;

it('tells the workshop state, doubt, what was not inspected, and what is grave first', async () => {
  const text = textOf(await file('inspection.pdf'));
  expect(text).toMatch(/Inspection: Old grey, 1967/);
  expect(text).toMatch(/Outer sill: [\d.]+ % ± [\d.]+ % below/);
  expect(text).toMatch(/Too thin to weld: \d+ cm²/);
  expect(text.indexOf('First: found on load-bearing metal')).toBeGreaterThan(0);
  expect(text.indexOf('First: found on load-bearing metal')).toBeLessThan(text.indexOf('Sill, left: thin'));
  expect(text).toMatch(/Nothing is known of: /);
  expect(text).toMatch(/not a certificate/);
  expect(text.toLowerCase()).not.toMatch(/\bis safe\b|passes/);
});

it('tells a customer the same in plain words', async () => {
  const text = textOf(await file('inspection.pdf?for=customer'));
  expect(text).toMatch(/too thin to be welded to/);
  expect(text).not.toMatch(/±|kriged|Gumbel/);
});

it('gives tables of every panel, known or not, without formulas', async () => {
  const rows = (await file('inspection.csv')).toString().trim().split('\n');
  expect(rows).toHaveLength(47);
  expect(rows.find((row) => row.startsWith('"Sill, left"'))).toMatch(/thin/);
  expect(rows.filter((row) => row.includes('not inspected'))).toHaveLength(45);
  const book = new ExcelJS.Workbook();
  await book.xlsx.load((await file('inspection.xlsx')) as unknown as ExcelJS.Buffer);
  expect(book.worksheets.map((sheet) => sheet.name)).toEqual(['Panels', 'Finds']);
  expect(book.getWorksheet('Finds')!.getRow(2).getCell(7).value).toBe("'=1");
});

it('is nobody else’s', async () => {
  const stranger = await ownerOf(house, 'Elsewhere');
  for (const name of ['inspection.pdf', 'inspection.csv', 'inspection.xlsx', 'readings.json'])
    await stranger.get(`/vehicles/${vehicle}/${name}`).expect(404);
});

it('tells an inch shop in inches, and what has been decided of the car', async () => {
  const back = await readInches(owner);
  await decided(owner, vehicle, 'patch');
  const text = textOf(await file('inspection.pdf'));
  expect(text).toMatch(/Too thin to weld: [\d.]+ sq in/);
  expect(text).not.toMatch(/\d (mm|cm²|µm|°C)/);
  expect(text).toMatch(/What has been decided/);
  expect(text).toMatch(/Rear quarter, left: let in a patch\. a test decision/);
  await back();
  // A customer is told what, and not why.
  const told = textOf(await file('inspection.pdf?for=customer'));
  expect(told).toMatch(/Rear quarter, left: let in a patch/);
  expect(told).not.toMatch(/a test decision/);
});

it('tells the workshop what is still awaited, and a customer nothing of orders', async () => {
  const line = { vehicleId: vehicle, maker: 'Harrow', price: 100, quantity: 1, carriage: 0 };
  await owner.post('/orders', { ...line, panel: 'roof' }).expect(201);
  const { id, version } = (await owner.post('/orders', { ...line, panel: 'bonnet' }).expect(201)).body;
  for (const [n, state] of (['ordered', 'arrived', 'checked'] as const).entries())
    await owner.post(`/orders/${id}/move`, { state, on: '2026-02-01', due: null, version: version + n }).expect(200);
  const chapter = /What is ordered and awaited[\s\S]*/.exec(textOf(await file('inspection.pdf')))![0];
  expect(chapter).toMatch(/Roof skin, Harrow: wanted/);
  expect(chapter).not.toMatch(/Bonnet.*checked/);
  expect(textOf(await file('inspection.pdf?for=customer'))).not.toMatch(/Harrow|ordered and awaited/);
});
