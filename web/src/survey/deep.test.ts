import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { bodyPlan, panelOf, sheetOf } from '@aspecta/core/body';
import { inPolygon, type Point, type Polygon } from '@aspecta/core/geometry';
import { mapCoating, rectifyPhoto } from '@aspecta/core/survey';
import type { ZoneView } from '@aspecta/contract/survey';
import { alongLine, overGrid } from '../gauge/rows.ts';
import { merged } from '../live/listen.ts';
import { onPanel, photoTiles } from '../photo/photoTiles.ts';
import { keepTraced, takeTraced } from '../photo/traced.ts';
import { coatingLook, paintCells, PIXELS, type Rgb } from './paintMap.ts';
import { useZoneDraft } from './useZoneDraft.ts';

const roof = panelOf(bodyPlan('saloon'), 'roof');

describe('rows and grids for a gauge', () => {
  it('divide a row evenly, ends included', () => {
    expect(alongLine([0, 0], [100, 0], 30)).toEqual([
      [0, 0],
      [33.3, 0],
      [66.7, 0],
      [100, 0],
    ]);
    expect(alongLine([5, 5], [5, 5], 30)).toHaveLength(2);
  });
  it('run there and back over a grid, on the sheet only', () => {
    const places = overGrid([-200, 300], [600, 500], 100, sheetOf(roof));
    expect(places.length).toBeGreaterThan(10);
    expect(places.every((p) => inPolygon(p, sheetOf(roof)))).toBe(true);
    const rows = [...new Set(places.map((p) => p[1]))];
    const us = (row: number) => places.filter((p) => p[1] === rows[row]).map((p) => p[0]);
    expect([...us(0)].sort((a, b) => a - b)).toEqual(us(0));
    expect([...us(1)].sort((a, b) => b - a)).toEqual(us(1));
  });
});

describe('a picture laid over the sheet', () => {
  const pairs = [
    { x: 210, y: 880, u: 0, v: 0 },
    { x: 1190, y: 820, u: 300, v: 0 },
    { x: 1120, y: 190, u: 300, v: 200 },
    { x: 300, y: 140, u: 0, v: 200 },
  ];
  const { matrix } = rectifyPhoto({ pairs, points: [] });
  it('is carried by pieces that meet within a millimetre of where they belong', () => {
    const tiles = photoTiles({ width: 1400, height: 1000, matrix });
    expect(tiles.length).toBe(256);
    fc.assert(
      fc.property(fc.integer({ min: 150, max: 1250 }), fc.integer({ min: 120, max: 900 }), (x, y) => {
        const tile = tiles.find((t) => x >= t.x && x <= t.x + t.width && y >= t.y && y <= t.y + t.height)!;
        const [a, b, c, d, e, f] = tile.matrix;
        const [u, v] = onPanel(matrix, x, y)!;
        expect(Math.hypot(a * x + c * y + e - u, b * x + d * y + f - v)).toBeLessThan(1);
      }),
    );
  });
  it('is not drawn before four points are known', () => {
    expect(photoTiles({ width: 10, height: 10, matrix: null })).toEqual([]);
  });
  it('hands what was traced to its own panel, once', () => {
    const parts = [[[[0, 0]]], [[[5, 5]]]] as unknown as Polygon[];
    keepTraced({ vehicle: 'v', panel: 'roof', parts, what: 'rust' });
    expect(takeTraced('v', 'bonnet')).toBeNull();
    expect(takeTraced('v', 'roof')).toEqual({ polygon: [[[0, 0]]], what: 'rust' });
    expect(takeTraced('v', 'roof')).toEqual({ polygon: [[[5, 5]]], what: 'rust' });
    expect(takeTraced('v', 'roof')).toBeNull();
  });
});

describe('drawing a zone', () => {
  const square: Point[] = [
    [0, 0],
    [100, 0],
    [100, 100],
    [0, 100],
  ];
  it('goes corner by corner, is closed, and its corners move', () => {
    const draft = useZoneDraft();
    square.forEach(draft.tap);
    draft.back();
    draft.close('outer');
    expect(draft.closed.value).toBe(true);
    draft.tap([500, 500]);
    expect(draft.ring.value).toHaveLength(3);
    draft.move(0, [-10.04, 0]);
    draft.add(1, [50, -5]);
    expect(draft.shape().ring).toEqual([
      [-10, 0],
      [50, -5],
      [100, 0],
      [100, 100],
    ]);
    draft.move(0, [200, 50]);
    expect(draft.crossing.value).toMatch(/crosses itself/);
  });
  it('takes islands that lie inside, and no others', () => {
    const draft = useZoneDraft();
    draft.take(square, { layer: 'outer' });
    draft.setDrawing('island');
    expect(draft.keepIsland()).toMatch(/three corners/);
    for (const p of [
      [20, 20],
      [40, 20],
      [30, 140],
    ] as Point[])
      draft.tap(p);
    expect(draft.keepIsland()).toMatch(/reaches out/);
    draft.setDrawing('outline');
    draft.setDrawing('island');
    for (const p of [
      [20, 20],
      [40, 20],
      [30, 40],
    ] as Point[])
      draft.tap(p);
    expect(draft.keepIsland()).toBeNull();
    expect(draft.shape().holes).toEqual([
      [
        [20, 20],
        [40, 20],
        [30, 40],
      ],
    ]);
    draft.dropIslands();
    expect(draft.shape().holes).toEqual([]);
  });
  it('opens a stored zone as it is and forgets it when left', () => {
    const draft = useZoneDraft();
    const zone = {
      id: 'z',
      ring: square,
      holes: [],
      class: 'pitted',
      layer: 'inner',
      evidence: 'map',
      note: 'n',
      overruled: '',
    };
    draft.open(zone as unknown as ZoneView);
    expect(draft.fresh.value).toMatchObject({ class: 'pitted', layer: 'inner', evidence: 'map' });
    draft.clear();
    expect([draft.ring.value.length, draft.editing.value]).toEqual([0, null]);
  });
});

describe('changes of others', () => {
  it('are merged by id, in place, and what is gone goes', () => {
    const list = [
      { id: 'a', n: 1 },
      { id: 'b', n: 1 },
      { id: 'c', n: 1 },
    ];
    expect(
      merged(
        list,
        [
          { id: 'b', n: 2 },
          { id: 'd', n: 1 },
        ],
        ['c'],
      ),
    ).toEqual([
      { id: 'a', n: 1 },
      { id: 'b', n: 2 },
      { id: 'd', n: 1 },
    ]);
  });
});

describe('the map of the coating', () => {
  it('shows filler with waves, and what is not measured not at all', () => {
    const readings = Array.from({ length: 60 }, (_, i) => ({
      u: 60 + (i % 10) * 50,
      v: 60 + Math.floor(i / 10) * 50,
      value: i % 10 > 6 ? 1800 : 150,
    }));
    const map = mapCoating({ sheet: sheetOf(roof), readings });
    const colours: Record<string, Rgb> = { '--filler': [200, 0, 100], '--metal-line': [9, 9, 9] };
    const { data, width } = paintCells(map, coatingLook(map), (name) => colours[name] ?? [1, 1, 1]);
    const filler = map.classes.findIndex((code, cell) => code === 6 && map.filler[cell]! > 0.95);
    const [x, y] = [(filler % map.columns) * PIXELS, (map.rows - 1 - Math.floor(filler / map.columns)) * PIXELS];
    const pixel = (dx: number, dy: number) =>
      Array.from(data.subarray(((y + dy) * width + x + dx) * 4, ((y + dy) * width + x + dx) * 4 + 3));
    expect(pixel(0, 0)).toEqual([200, 0, 100]);
    expect(pixel(0, 2)).toEqual([9, 9, 9]);
    const clear = map.classes.findIndex((code) => code === 1);
    expect(coatingLook(map)(clear)).toBeNull();
  });
});

describe('sending a picture', () => {
  beforeEach(() => vi.resetModules());
  it('goes as it is where the browser cannot open it, so that the server says what is wrong', async () => {
    const sent = vi.fn().mockResolvedValue({ answer: { id: 'p' } });
    vi.doMock('../shell/api.ts', () => ({ serverNow: () => Date.parse('2026-05-01T00:00:00Z') }));
    vi.doMock('../outbox/useOutbox.ts', () => ({ useOutbox: () => ({ record: sent }) }));
    const { sendPhoto } = await import('../photo/takePhoto.ts');
    const file = new File(['not a picture'], 'x.jpg', { lastModified: Date.parse('2026-04-01T00:00:00Z') });
    await sendPhoto('v', file, { panel: 'roof', layer: null, u: 1, v: 2, note: 'a b' });
    const { path, body: bytes } = sent.mock.calls[0]![0] as { path: string; body: Blob };
    const query = new URLSearchParams(path.split('?')[1]);
    expect(Object.fromEntries([...query].filter(([key]) => key !== 'id'))).toEqual({
      takenAt: '2026-04-01T00:00:00.000Z',
      note: 'a b',
      panel: 'roof',
      u: '1',
      v: '2',
    });
    expect(bytes.size).toBe(file.size);
    vi.doUnmock('../shell/api.ts');
    vi.doUnmock('../outbox/useOutbox.ts');
  });
});
