import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fit, moved, toSheet, toWindow, zoomAt } from './viewport.ts';
import { tapeMarks } from './tapeMarks.ts';
import { dotsPath, ringPath } from './pathData.ts';

const box = { minU: 0, minV: 0, maxU: 1400, maxV: 120 };

describe('viewport', () => {
  it('fits the whole panel, v upwards', () => {
    const view = fit(box, 900, 600);
    const [x0, y0] = toWindow(view, [0, 0]);
    const [x1, y1] = toWindow(view, [1400, 120]);
    expect(x0).toBeGreaterThan(0);
    expect(x1).toBeLessThan(900);
    expect(y1).toBeLessThan(y0);
  });

  it('keeps the place under the finger while zooming, and leads back from px to mm', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 8, noNaN: true }),
        fc.integer({ min: 0, max: 900 }),
        fc.integer({ min: 0, max: 600 }),
        (factor, x, y) => {
          const before = fit(box, 900, 600);
          const after = moved(zoomAt(before, factor, x, y), 0, 0);
          const [a, b] = [toSheet(before, x, y), toSheet(after, x, y)];
          expect(a[0]).toBeCloseTo(b[0], 6);
          expect(a[1]).toBeCloseTo(b[1], 6);
          expect(toWindow(after, b)[0]).toBeCloseTo(x, 6);
        },
      ),
    );
  });
});

describe('tapes', () => {
  it('carry millimetres or inches, never crowded', () => {
    const mm = tapeMarks(0, 1000, 0.5, 'mm');
    expect(mm.filter((mark) => mark.label).map((mark) => mark.label)).toEqual(['0', '500', '1000']);
    const inches = tapeMarks(0, 305, 3, 'in');
    expect(inches.filter((mark) => mark.label).map((mark) => mark.label)).toEqual(
      expect.arrayContaining(['0', '1', '12']),
    );
    for (const scale of [0.02, 0.3, 4, 20]) expect(tapeMarks(0, 900 / scale, scale, 'mm').length).toBeLessThan(200);
  });
});

describe('paths', () => {
  it('are written in mm', () => {
    expect(
      ringPath([
        [0, 0],
        [10, 0],
        [10, 5.04],
      ]),
    ).toBe('M0 0L10 0L10 5Z');
    expect(dotsPath([[1, 2]])).toBe('M1 2h0');
    expect(ringPath([])).toBe('');
  });
});
