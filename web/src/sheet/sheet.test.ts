import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fit, moved, toSheet, toWindow, viewFrom, viewText, zoomAt } from './viewport.ts';
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

describe('what is looked at, in the address', () => {
  it('is found again, in a window of another size too', () => {
    const place = fc.integer({ min: -500, max: 3000 });
    // Nearer than this a window of that size does not go.
    fc.assert(
      fc.property(place, place, fc.integer({ min: 100, max: 5000 }), (u, v, across) => {
        const text = `${u},${v},${across}`;
        expect(viewText(viewFrom(text, 1280, 800)!, 1280, 800)).toBe(text);
        const narrow = viewFrom(text, 390, 600)!;
        expect(toWindow(narrow, [u, v])).toEqual([expect.closeTo(195, 6), expect.closeTo(300, 6)]);
        expect(toSheet(narrow, 390, 0)[0] - toSheet(narrow, 0, 0)[0]).toBeCloseTo(across, 6);
      }),
    );
  });

  it.each(['', 'roof', '1,2', '1,2,0', '1,2,-5', '1,2,3,4', 'a,b,c', '1,,'])('“%s” says nothing', (text) => {
    expect(viewFrom(text, 800, 600)).toBeNull();
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
