import { beforeEach, describe, expect, it, vi } from 'vitest';
import { barAt, dragBars, type Axes, type Dragged } from './barDrag.ts';

/** Ten px to a day, forty to a row, beginning at 100 px. */
const axes = {
  convertToPixel: (_finder: unknown, [x, y]: [number, number]) => [100 + 10 * x, 20 + 40 * y],
  convertFromPixel: (_finder: unknown, [left, top]: [number, number]) => [(left - 100) / 10, (top - 20) / 40],
} as unknown as Axes;
const bars = [
  [0, 2, 0],
  [3, 7, 1],
] as const;
let place: HTMLElement;
const shown = vi.fn<(dragged: Dragged | null) => void>();
const moved = vi.fn<(index: number, x: number) => void>();
const press = (type: string, clientX: number, clientY: number) =>
  place.dispatchEvent(new MouseEvent(type, { clientX, clientY, button: 0 }));

beforeEach(() => {
  shown.mockClear();
  moved.mockClear();
  place = document.createElement('div');
  place.setPointerCapture = () => undefined;
});

describe('dragging a bar', () => {
  const begin = (movable = (_index: number) => true) =>
    dragBars(place, { axes: () => axes, bars: () => bars, movable, shown, moved });

  it('takes the one under the finger, also a little beside it, and none far from all', () => {
    expect(barAt(axes, bars, [110, 20])).toBe(0);
    expect(barAt(axes, bars, [95, 33])).toBe(0);
    expect(barAt(axes, bars, [150, 60])).toBe(1);
    expect(barAt(axes, bars, [400, 60])).toBeNull();
    expect(barAt(axes, bars, [150, 300])).toBeNull();
  });

  it('shows where it would lie, and says where it was let go', () => {
    begin();
    press('pointerdown', 110, 20);
    press('pointermove', 140, 22);
    expect(shown).toHaveBeenLastCalledWith({ index: 0, x: 3, box: { left: 130, top: 13, width: 20, height: 14 } });
    press('pointerup', 140, 22);
    expect(shown).toHaveBeenLastCalledWith(null);
    expect(moved.mock.calls).toEqual([[0, 3]]);
  });

  it('moves nothing by a mere press, by Escape, beside all bars, or where it may not be moved', () => {
    const end = begin((index) => index === 1);
    press('pointerdown', 110, 20);
    press('pointermove', 160, 20);
    press('pointerup', 160, 20);
    press('pointerdown', 150, 60);
    press('pointermove', 152, 60);
    press('pointerup', 152, 60);
    press('pointerdown', 150, 60);
    press('pointermove', 190, 60);
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }));
    press('pointerup', 190, 60);
    expect(moved).not.toHaveBeenCalled();
    end();
    press('pointerdown', 150, 60);
    press('pointermove', 190, 60);
    press('pointerup', 190, 60);
    expect(moved).not.toHaveBeenCalled();
  });

  it('says by the pointer which can be moved', () => {
    begin((index) => index === 1);
    press('pointermove', 110, 20);
    expect(place.style.cursor).toBe('');
    press('pointermove', 150, 60);
    expect(place.style.cursor).toBe('ew-resize');
  });
});
