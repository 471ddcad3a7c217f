import DxfParser from 'dxf-parser';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openHouse, Visitor, type House } from '../testing/house.ts';
import { textOf } from '../testing/pdfText.ts';

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

const cut = [
  [
    [10, 10],
    [310, 10],
    [310, 190],
    [10, 190],
  ],
];
const mark = [
  [
    [10, 20],
    [310, 20],
  ],
];
const send = (body: object) =>
  new Visitor(house).agent.post('/api/shape/outline').send({ title: 'Patch', cut, mark, ...body });

describe('outlines as files at 1:1', () => {
  it.each(['dxf', 'dxf-r12'])('%s is read back by another package to the same size', async (as) => {
    const { text } = await send({ as }).expect(200).expect('content-type', /dxf/);
    const read = new DxfParser().parseSync(text)!;
    const closed = read.entities.find((entity) => entity.layer === 'CUT') as unknown as {
      vertices: { x: number; y: number }[];
      shape: boolean;
    };
    expect(closed.shape).toBe(true);
    expect(Math.max(...closed.vertices.map((v) => v.x))).toBeCloseTo(300, 3);
    expect(Math.max(...closed.vertices.map((v) => v.y))).toBeCloseTo(180, 3);
    expect(read.entities.filter((entity) => entity.layer === 'MARK')).toHaveLength(1);
    if (as === 'dxf-r12') expect(text).toContain('AC1009');
  });

  it.each(['pdf-a4', 'pdf-letter'])(
    '%s takes two sheets for 300 × 180 mm, each with its name and the check bar',
    async (as) => {
      const { body } = await send({ as })
        .buffer(true)
        .parse((response, done) => {
          const chunks: Buffer[] = [];
          response.on('data', (chunk: Buffer) => chunks.push(chunk));
          response.on('end', () => done(null, Buffer.concat(chunks)));
        })
        .expect(200)
        .expect('content-type', /pdf/);
      const text = textOf(body as Buffer);
      expect(text.match(/100 mm: measure it/g)).toHaveLength(2);
      expect(text).toContain('sheet 2 of 2 across');
    },
  );

  it('refuses by field what is no outline, and a drawing as large as a barn', async () => {
    expect((await send({ as: 'dxf', cut: [[[0, 0]]] }).expect(422)).body.field).toMatch(/^cut/);
    expect((await send({ as: 'dwg' }).expect(422)).body.field).toBe('as');
    const barn = [
      [
        [0, 0],
        [20_000, 0],
        [20_000, 9000],
      ],
    ];
    expect((await send({ as: 'pdf-a4', cut: barn }).expect(422)).body.detail).toMatch(/sheets of paper/);
  });
});
