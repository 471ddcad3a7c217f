import type { ECharts } from 'echarts/core';
import type { Series } from './chart.ts';

type Bar = Extract<Series, { kind: 'bars' }>['points'][number];

/** A bar that is being dragged: which one, where its beginning lies now, and its box in the drawing, px. */
export interface Dragged {
  index: number;
  x: number;
  box: { left: number; top: number; width: number; height: number };
}

/** What a drawing knows of its axes; the library's own as far as it is needed here. */
export type Axes = Pick<ECharts, 'convertFromPixel' | 'convertToPixel'>;

/** px. A bar is a thin thing for a finger: so much around it counts. */
const REACH = 10;
/** px. A press that moves less is none. */
const STILL = 4;
const HALF = 7;

/** Which bar lies under a place of the drawing, px; the one whose middle is nearest where several do. */
export function barAt(axes: Axes, bars: readonly Bar[], [left, top]: readonly [number, number]): number | null {
  const near = bars.flatMap((bar, index) => {
    const box = boxOf(axes, bar, bar[0]);
    const away = Math.abs(top - (box.top + box.height / 2));
    const within = left >= box.left - REACH && left <= box.left + box.width + REACH && away <= HALF + REACH;
    return within ? [{ index, away }] : [];
  });
  return near.sort((a, b) => a.away - b.away)[0]?.index ?? null;
}

/** Where a bar would lie, px, were its beginning at x. */
function boxOf(axes: Axes, [low, high, y]: Bar, x: number): Dragged['box'] {
  const [left, middle] = axes.convertToPixel({ gridIndex: 0 }, [x, y]) as [number, number];
  const [right] = axes.convertToPixel({ gridIndex: 0 }, [x + high - low, y]) as [number, number];
  return { left, top: middle - HALF, width: right - left, height: 2 * HALF };
}

interface Dragging {
  axes: () => Axes | undefined;
  bars: () => readonly Bar[];
  movable: (index: number) => boolean;
  /** While it is dragged; null when it is let go. */
  shown: (dragged: Dragged | null) => void;
  moved: (index: number, x: number) => void;
}

/**
 * Lets the bars of a drawing be dragged along x, by mouse, pen or finger. Escape lets a bar go where it was.
 *
 * @returns takes the listening away again
 */
export function dragBars(place: HTMLElement, { axes, bars, movable, shown, moved }: Dragging): () => void {
  // The bar as it lay when it was taken: the others may move while it is dragged.
  let held: { index: number; bar: Bar; from: number; dragged: Dragged | null } | null = null;
  const at = ({ clientX, clientY }: PointerEvent): [number, number] => {
    const { left, top } = place.getBoundingClientRect();
    return [clientX - left, clientY - top];
  };
  const end = () => {
    held = null;
    shown(null);
  };
  const down = (event: PointerEvent) => {
    const known = axes();
    const index = known && event.button === 0 ? barAt(known, bars(), at(event)) : null;
    if (index === null || !movable(index)) return;
    held = { index, bar: bars()[index]!, from: at(event)[0], dragged: null };
    place.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent) => {
    const known = axes();
    if (!known) return;
    if (!held) {
      const index = barAt(known, bars(), at(event));
      place.style.cursor = index !== null && movable(index) ? 'ew-resize' : '';
      return;
    }
    const by = at(event)[0] - held.from;
    if (!held.dragged && Math.abs(by) < STILL) return;
    const { bar } = held;
    const was = boxOf(known, bar, bar[0]);
    const [x] = known.convertFromPixel({ gridIndex: 0 }, [was.left + by, was.top]) as [number, number];
    held.dragged = { index: held.index, x, box: boxOf(known, bar, x) };
    shown(held.dragged);
  };
  const up = () => {
    const dragged = held?.dragged;
    end();
    if (dragged) moved(dragged.index, dragged.x);
  };
  const key = (event: KeyboardEvent) => {
    if (event.key === 'Escape' && held) end();
  };
  place.addEventListener('pointerdown', down);
  place.addEventListener('pointermove', move);
  place.addEventListener('pointerup', up);
  place.addEventListener('pointercancel', end);
  window.addEventListener('keydown', key);
  return () => {
    place.removeEventListener('pointerdown', down);
    place.removeEventListener('pointermove', move);
    place.removeEventListener('pointerup', up);
    place.removeEventListener('pointercancel', end);
    window.removeEventListener('keydown', key);
  };
}
