import { describe, expect, it } from 'vitest';
import type { ReadingView } from '@aspecta/contract/survey';
import { CELL_CODES, mapThickness } from '@aspecta/core/survey';
import { parseEntry } from './entry.ts';
import { metalLook, paintCells, PIXELS, type Rgb } from './paintMap.ts';
import { dotPaths, readingAt } from './surveyScene.ts';
import { useHistory } from './useHistory.ts';

describe('typing and dictating readings', () => {
  it.each([
    ['0.82', 'metal', [{ metalMm: 0.82 }]],
    ['0,82 0,79', 'metal', [{ metalMm: 0.82 }, { metalMm: 0.79 }]],
    ['nought point eight two', 'metal', [{ metalMm: 0.82 }]],
    ['zero point nine; through', 'metal', [{ metalMm: 0.9 }, { probe: 'through' }]],
    ['140', 'coating', [{ coatingUm: 140 }]],
    ['>1500', 'coating', [{ coatingUm: 1500, coatingOver: true }]],
    ['hole', 'probe', [{ probe: 'through' }]],
    ['-0.2', 'metal', [{ metalMm: -0.2 }]],
  ] as const)('%s (%s)', (text, kind, values) => {
    const got = parseEntry(text, kind, 'mm');
    got.forEach((value, i) => {
      const wanted = values[i]! as Record<string, unknown>;
      for (const key of Object.keys(wanted)) {
        if (typeof wanted[key] === 'number') expect((value as Record<string, number>)[key]).toBeCloseTo(wanted[key], 9);
        else expect((value as Record<string, unknown>)[key]).toBe(wanted[key]);
      }
    });
    expect(got).toHaveLength(values.length);
  });
  it('reads inches and gauge where they are marked', () => {
    expect(parseEntry('0.032"', 'metal', 'mm')[0]!.metalMm).toBeCloseTo(0.8128, 6);
    expect(parseEntry('20ga', 'metal', 'mm')[0]!.metalMm).toBeCloseTo(0.91186, 5);
  });
  it('takes a bare number in the unit of the shop, and a mark apart from it', () => {
    const [bare, marked, gauge] = parseEntry('0.032 0.82 mm 20 ga', 'metal', 'in');
    expect(bare!.metalMm).toBeCloseTo(0.8128, 6);
    expect(marked!.metalMm).toBeCloseTo(0.82, 9);
    expect(gauge!.metalMm).toBeCloseTo(0.91186, 5);
    expect(parseEntry('140 µm', 'coating', 'in')).toEqual([{ coatingUm: 140 }]);
  });
  it.each([
    ['', 'metal'],
    ['thin', 'metal'],
    ['12 apples', 'coating'],
    ['0.8', 'probe'],
  ] as const)('refuses %j (%s) and says how', (text, kind) => {
    expect(() => parseEntry(text, kind, 'mm')).toThrow(expect.objectContaining({ field: 'value' }));
  });
});

describe('painting the map', () => {
  const colours: Record<string, Rgb> = {
    '--sound': [0, 200, 0],
    '--worn': [200, 200, 0],
    '--thin': [200, 100, 0],
    '--failing': [200, 0, 0],
    '--through': [0, 0, 0],
    '--metal-line': [9, 9, 9],
    '--paper': [250, 250, 250],
  };
  const samples = Array.from({ length: 30 }, (_, i) => ({
    u: 20 + (i % 6) * 30,
    v: 20 + Math.floor(i / 6) * 30,
    value: i % 6 < 3 ? 0.9 : 0.3,
  }));
  const map = mapThickness({
    sheet: [
      [
        [0, 0],
        [900, 0],
        [900, 160],
        [0, 160],
      ],
    ],
    asBuilt: 0.9,
    readings: samples,
  });
  const { width, height, data } = paintCells(map, metalLook(map), (name) => colours[name]!);

  it('leaves clear what was not measured, so that it never looks sound', () => {
    const unmeasured = CELL_CODES.indexOf('unmeasured');
    expect(map.classes).toContain(unmeasured);
    map.classes.forEach((code, cell) => {
      const x = (cell % map.columns) * PIXELS;
      const y = (map.rows - 1 - Math.floor(cell / map.columns)) * PIXELS;
      if (code === unmeasured) expect(data[(y * width + x) * 4 + 3]).toBe(0);
    });
    expect(data).toHaveLength(width * height * 4);
  });

  it('tells the classes apart without colour: failing metal carries dots', () => {
    const failing = map.classes.findIndex((code, cell) => CELL_CODES[code] === 'failing' && map.under[cell]! > 0.95);
    const [x, y] = [
      (failing % map.columns) * PIXELS + 2,
      (map.rows - 1 - Math.floor(failing / map.columns)) * PIXELS + 2,
    ];
    expect(Array.from(data.subarray((y * width + x) * 4, (y * width + x) * 4 + 3))).toEqual([9, 9, 9]);
    expect(Array.from(data.subarray((y * width + x - 2) * 4 + 4, (y * width + x - 2) * 4 + 7))).toEqual([200, 0, 0]);
  });

  it('hatches where the metal may lie on either side of the limit', () => {
    const hatched = data.some((value, i) => i % 4 === 0 && value === 9 && data[i + 1] === 9 && data[i + 3] === 190);
    expect(hatched).toBe(true);
  });
});

describe('dots', () => {
  const reading = (u: number, over: Partial<ReadingView>): ReadingView => ({
    id: String(u),
    panel: 'p',
    layer: 'outer',
    u,
    v: 0,
    coatingUm: null,
    coatingOver: false,
    metalMm: null,
    metalUnder: false,
    instrument: '',
    takenAt: null,
    probe: null,
    note: '',
    at: '',
    by: '',
    withdrawn: false,
    ...over,
  });
  const list = [
    reading(0, { metalMm: 0.9 }),
    reading(10, { probe: 'through' }),
    reading(20, { coatingUm: 1800 }),
    reading(30, { coatingUm: 90 }),
    reading(40, { probe: 'soft' }),
  ];
  it('are grouped by what they say', () => {
    expect(Object.fromEntries(dotPaths(list, 0.9).map(({ look, path }) => [look, path]))).toEqual({
      sound: 'M0 0h0',
      through: 'M10 0h0',
      filler: 'M20 0h0',
      coated: 'M30 0h0',
      thin: 'M40 0h0',
    });
  });
  it('are found by a tap close by, the nearest first', () => {
    expect(readingAt(list, [12, 3], 6)?.u).toBe(10);
    expect(readingAt(list, [500, 3], 6)).toBeUndefined();
  });
});

describe('undo and redo', () => {
  it('go back and forth, and stay where the server refuses', async () => {
    const problems: string[] = [];
    const history = useHistory((message) => problems.push(message));
    let value = 1;
    history.did({ label: 'One', undo: async () => void (value = 0), redo: async () => void (value = 1) });
    await history.undo();
    expect([value, history.canRedo.value]).toEqual([0, 'One']);
    await history.redo();
    expect([value, history.canUndo.value]).toEqual([1, 'One']);
    history.did({ label: 'Two', undo: () => Promise.reject(new Error('gone')), redo: async () => undefined });
    await history.undo();
    expect(history.canUndo.value).toBe('Two');
    expect(problems[0]).toMatch(/Two.*gone/);
  });
});
