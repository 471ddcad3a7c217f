import { mount } from '@vue/test-utils';
import { beforeEach, describe, expect, it } from 'vitest';
import type { PhotoView } from '@aspecta/contract/survey';
import { bodyPlan, panelOf } from '@aspecta/core/body';
import { signIn } from '../testing/fakeServer.ts';
import BeforeAfter from './BeforeAfter.vue';
import { usePictureRegion } from './usePictureRegion.ts';

const panel = panelOf(bodyPlan('saloon'), 'roof');
const square = (side: number): [number, number][] => [
  [100, 100],
  [100 + side, 100],
  [100 + side, 100 + side],
  [100, 100 + side],
];
const photo = (id: string, takenAt: string, region: PhotoView['region']): PhotoView => ({
  id,
  panel: 'roof',
  layer: 'outer',
  u: null,
  v: null,
  note: '',
  width: 800,
  height: 600,
  takenAt,
  pairs: square(300).map(([u, v], i) => ({ x: i, y: i, u, v })),
  matrix: [1, 0, 0, 0, 1, 0, 0, 0, 1],
  rms: 0.4,
  worst: 0.6,
  region,
  version: 1,
  at: takenAt,
  by: 'Ines',
});

beforeEach(() => signIn());

describe('two pictures of one place', () => {
  const before = photo('a', '2026-01-10T10:00:00Z', { what: 'rust', parts: [[square(20)]] });
  const after = (side: number, what: 'rust' | 'bare' = 'rust') =>
    photo('b', '2026-02-10T10:00:00Z', { what, parts: [[square(side)]] });
  const told = (photos: PhotoView[]) =>
    mount(BeforeAfter, { props: { vehicle: 'v', panel, photos } })
      .text()
      .replace(/\s+/g, ' ');

  it('are compared by the area of what was stroked on them', () => {
    // 20 × 20 mm are 4 cm², 30 × 30 mm are 9: more than twice as much.
    const text = told([before, after(30)]);
    expect(text).toContain('Before: rust 4');
    expect(text).toContain('after: rust 9');
    expect(text).toContain('2.3 times as much');
  });

  it('say both areas where different things were stroked, and what to do where nothing was', () => {
    const text = told([before, after(30, 'bare')]);
    expect(text).toContain('after: bare metal 9');
    expect(text).not.toContain('times as much');
    expect(told([before, photo('b', '2026-02-10T10:00:00Z', null)])).toContain(
      'Stroke the same kind of damage on both',
    );
  });
});

describe('strokes on a picture', () => {
  it('are looked at only where the picture lies true to size on a panel', () => {
    const tool = usePictureRegion(() => ({ href: '', matrix: null, sheet: null }));
    tool.stroke([[1, 1]], false);
    expect(tool.drawing.value).toEqual([[1, 1]]);
    tool.stroke(
      [
        [1, 1],
        [9, 4],
      ],
      true,
    );
    expect(tool.drawing.value).toBeNull();
    expect(tool.strokes.value).toEqual([
      {
        inside: true,
        places: [
          [1, 1],
          [9, 4],
        ],
      },
    ]);
    expect(tool.busy.value).toBe(false);
    // A second finger: it was a pinch and no stroke.
    tool.stroke([[5, 5]], false);
    tool.stroke(null, true);
    expect(tool.strokes.value).toHaveLength(1);
    tool.takeBack();
    expect(tool.strokes.value).toEqual([]);
    expect(tool.kept.value).toBeNull();
  });
});
