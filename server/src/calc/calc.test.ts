import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { build } from 'esbuild';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { calculate, catalogue } from '@aspecta/contract/calc';
import { openHouse, Visitor, type House } from '../testing/house.ts';

let house: House;
beforeAll(async () => {
  house = await openHouse();
});
afterAll(() => house.close());

describe('calculations over HTTP', () => {
  it('are listed, and answer without an account', async () => {
    const visitor = new Visitor(house);
    const list = (await visitor.get('/calc').expect(200)).body as { id: string; example: object }[];
    expect(list.map((entry) => entry.id)).toEqual(catalogue.map((entry) => entry.id));
    for (const { id, example } of list) await visitor.agent.post(`/api/calc/${id}`).send(example).expect(200);
  });

  it('refuse by field, and do not know what does not exist', async () => {
    const { body } = await new Visitor(house).agent
      .post('/api/calc/weld.cooling')
      .send({ heatInput: 1, thickness: -1, preheat: 20 })
      .expect(422);
    expect(body).toMatchObject({ field: 'thickness', detail: expect.stringMatching(/at least 0.05 mm/) });
    await new Visitor(house).agent.post('/api/calc/weld.magic').send({}).expect(422);
  });
});

describe('calculations on the command line', () => {
  /* The program as it is shipped: one bundle, our own packages inside. It lies where the packages from the registry are found. */
  const folder = mkdtempSync(new URL('../../.calc-test-', import.meta.url).pathname);
  const program = `${folder}/calc.js`;
  beforeAll(async () => {
    await build({
      entryPoints: [new URL('./main.ts', import.meta.url).pathname],
      outfile: program,
      bundle: true,
      platform: 'node',
      format: 'esm',
      logLevel: 'error',
      plugins: [
        {
          name: 'own-packages-inside',
          setup(builder) {
            builder.onResolve({ filter: /^[^./]/ }, ({ path, kind }) =>
              path.startsWith('@aspecta/') || kind === 'entry-point' ? undefined : { path, external: true },
            );
          },
        },
      ],
    });
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const calc = (id: string, input: string) => spawnSync(process.execPath, [program, id], { input, encoding: 'utf8' });

  it('answer the worked example of every id, one line each', () => {
    for (const { id, example } of catalogue) {
      const { status, stdout, stderr } = calc(id, JSON.stringify(example));
      expect(`${id} ${status} ${stderr}`.trim()).toBe(`${id} 0`);
      expect(JSON.parse(stdout)).toEqual(JSON.parse(JSON.stringify(calculate(id, example))));
    }
  }, 300_000);

  it('take one input, and exit 2 where it is refused', () => {
    const good = calc('units.parseLength', '{"text":"6 3/4","unit":"in"}');
    expect([good.status, JSON.parse(good.stdout)]).toEqual([0, { mm: 171.45 }]);
    const bad = calc('units.parseLength', '{"text":"a bit","unit":"in"}');
    expect(bad.status).toBe(2);
    expect(JSON.parse(bad.stderr).problem.field).toBe('text');
    expect(calc('units.parseLength', 'not json').status).toBe(2);
  });

  it('take lines, and answer each', () => {
    const { status, stdout } = calc(
      'units.formatLength',
      '{"mm":25.4,"unit":"in"}\n{"mm":"x","unit":"in"}\n{"mm":1,"unit":"mm"}\n',
    );
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { text?: string; problem?: { field: string } });
    expect(status).toBe(0);
    expect(lines).toEqual([{ text: '1"' }, { problem: expect.objectContaining({ field: 'mm' }) }, { text: '1 mm' }]);
  });
});
