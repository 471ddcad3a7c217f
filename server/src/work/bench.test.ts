import { deflateRawSync } from 'node:zlib';
import { afterAll, describe, expect, it } from 'vitest';
import { bodyPlan } from '@aspecta/core/body';
import { Workbench, type Limits } from './bench.ts';

/** One bench for all of it: what one job does to a thread must not trouble the next. */
const bench = new Workbench({ longest: 30 });
afterAll(() => bench.close());

async function withBench(limits: Partial<Limits>, use: (own: Workbench) => Promise<void>): Promise<void> {
  const own = new Workbench(limits);
  await use(own).finally(() => own.close());
}

const circle = (r: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="100mm" viewBox="0 0 100 100"><circle r="${r}"/></svg>`;
const drawing = (text: string) => ({ text, name: 'drawing' });

/** A zip archive with one file of zeros that says that it is `told` bytes long and unfolds to `real`. */
function zipOf(real: number, told: number): Buffer {
  const packed = deflateRawSync(Buffer.alloc(real));
  const name = Buffer.from('xl/workbook.xml');
  const head = (sign: number, extra: number[]) => {
    const fixed = Buffer.alloc(26);
    fixed.writeUInt16LE(20, 0);
    fixed.writeUInt16LE(8, 4);
    fixed.writeUInt32LE(packed.length, 14);
    fixed.writeUInt32LE(told, 18);
    fixed.writeUInt16LE(name.length, 22);
    const start = Buffer.alloc(4);
    start.writeUInt32LE(sign);
    return Buffer.concat([start, Buffer.from(extra), fixed, Buffer.alloc(sign === 0x02014b50 ? 14 : 0), name]);
  };
  const local = head(0x04034b50, []);
  const central = head(0x02014b50, [20, 0]);
  const end = Buffer.alloc(22);
  end.writeUInt32LE(0x06054b50);
  end.writeUInt16LE(1, 8);
  end.writeUInt16LE(1, 10);
  end.writeUInt32LE(central.length, 12);
  end.writeUInt32LE(local.length + packed.length, 16);
  return Buffer.concat([local, packed, central, end]);
}

describe('the workbench', () => {
  it('answers, and passes on what a job refuses', async () => {
    const parse = (text: string) => bench.run('calc', { id: 'units.parseLength', text }, 'me');
    expect(await parse('{"text":"6 3/4","unit":"in"}')).toEqual({ mm: 171.45 });
    await expect(parse('{"text":"some","unit":"in"}')).rejects.toMatchObject({ field: 'text' });
    await expect(parse('{')).rejects.toMatchObject({ code: 'bad-json' });
  });

  it('stops what takes too long, and goes on with the next', () =>
    withBench({ longest: 2, threads: 1 }, async (own) => {
      // Asked to look for a better order for ten seconds.
      const tasks = Array.from({ length: 60 }, (_, i) => ({
        id: `t${i}`,
        duration: 1 + ((i * 7) % 11),
        needs: { bay: 1 + (i % 2) },
        after: i > 3 ? [`t${i - 4}`] : [],
      }));
      const endless = { tasks, resources: { bay: 3 }, seconds: 10 };
      const long = own.run('calc', { id: 'plan.schedule', text: JSON.stringify(endless) }, 'me');
      const short = own.run('calc', { id: 'units.parseLength', text: '{"text":"1","unit":"in"}' }, 'me');
      await expect(long).rejects.toMatchObject({ code: 'took-too-long' });
      expect(await short).toEqual({ mm: 25.4 });
    }));

  it('lets nobody take it whole', () =>
    withBench({ threads: 1, mostOfOne: 2 }, async (own) => {
      const job = (asker: string) =>
        own.run('calc', { id: 'units.parseLength', text: '{"text":"1","unit":"mm"}' }, asker);
      const greedy = Array.from({ length: 6 }, () =>
        job('greedy').then(
          () => 'done',
          (error: { code: string }) => error.code,
        ),
      );
      const modest = job('modest');
      expect(await Promise.all(greedy)).toEqual(['done', 'done', 'done', 'busy', 'busy', 'busy']);
      expect(await modest).toEqual({ mm: 1 });
    }));
});

describe('files that would hang or fill a server', () => {
  it.each([
    ['comments without an end', '<!--'.repeat(70)],
    ['comments that might begin anywhere', '<!---->'.repeat(40) + '<!--'],
    ['questions without an end', '<?'.repeat(5000)],
    ['nothing but spaces', ' '.repeat(200_000)],
  ])('%s are no drawing', async (_name, text) => {
    await expect(bench.run('outlineFrom', drawing(text), 'me')).rejects.toMatchObject({ code: 'not-a-drawing' });
  });

  it.each([
    ['a circle as large as a solar system', circle('1e15'), 'too-large'],
    ['a circle without a size', circle('NaN'), 'no-outline'],
    [
      'a curve far beyond any body',
      circle('50').replace('<circle r="50"/>', '<path d="M0 0C1e9 0 1e9 1e9 0 1e9Z"/>'),
      'too-large',
    ],
    [
      'more lines than a panel has',
      circle('5').replace('<circle r="5"/>', '<circle r="5"/>'.repeat(60_000)),
      'too-large',
    ],
    ['a nest of groups', `<svg>${'<g>'.repeat(20_000)}<circle r="5"/>${'</g>'.repeat(20_000)}</svg>`, 'not-a-drawing'],
  ])('%s is refused', async (_name, text, code) => {
    const answer = await bench.run('outlineFrom', drawing(text), 'me').then(
      () => 'taken',
      (error: { code: string }) => error.code,
    );
    expect([code, 'too-large']).toContain(answer);
  });

  it('sixty thousand loose lines are looked through, or refused, but do not hang', async () => {
    const lines = (count: number) =>
      Array.from({ length: count }, (_, i) => {
        const [x, y] = [(i * 7919) % 9000, (i * 104_729) % 9000];
        return `0\nLINE\n8\n0\n10\n${x}\n20\n${y}\n11\n${x + 3}\n21\n${y + 1}\n`;
      }).join('');
    const dxf = (count: number) => `0\nSECTION\n2\nENTITIES\n${lines(count)}0\nENDSEC\n0\nEOF\n`;
    await expect(bench.run('outlineFrom', drawing(dxf(60_000)), 'me')).rejects.toMatchObject({ code: 'too-large' });
    await expect(bench.run('outlineFrom', drawing(dxf(45_000)), 'me')).rejects.toMatchObject({
      code: 'no-outline',
    });
  });

  it('a workbook that unfolds to gigabytes is refused, whatever it says of its size', async () => {
    const plan = bodyPlan('saloon');
    const read = (bytes: Buffer) => bench.run('readReadings', { bytes, plan }, 'me');
    await expect(read(zipOf(200_000_000, 200_000_000))).rejects.toMatchObject({ code: 'too-large', field: 'file' });
    await expect(read(zipOf(200_000_000, 1000))).rejects.toMatchObject({ code: 'invalid', field: 'file' });
    await expect(read(zipOf(1000, 1000))).rejects.toMatchObject({ code: 'invalid', field: 'file' });
  });
});
