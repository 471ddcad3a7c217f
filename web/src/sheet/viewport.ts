import type { Box, Point } from '@aspecta/core/geometry';

/**
 * The one place where mm become px. The sheet has u right and v up; the window has x right
 * and y down. `scale` is px for each mm; `x`, `y` is where the sheet's origin lies in the window.
 */
export interface Viewport {
  scale: number;
  x: number;
  y: number;
}

export const toWindow = (view: Viewport, [u, v]: Point): [number, number] => [
  view.x + u * view.scale,
  view.y - v * view.scale,
];
export const toSheet = (view: Viewport, x: number, y: number): [number, number] => [
  (x - view.x) / view.scale,
  (view.y - y) / view.scale,
];
export const transformOf = (view: Viewport) => `translate(${view.x} ${view.y}) scale(${view.scale} ${-view.scale})`;

/** px. Room left around what is fitted, for the tapes. */
const MARGIN = 34;
/** px/mm. From a whole body on a phone to a thumb filling the window. */
const SMALLEST = 0.02;
const LARGEST = 20;

/** The viewport that shows the whole box in a window of this size. */
export function fit(box: Box, width: number, height: number, margin = MARGIN): Viewport {
  const scale = clampScale(
    Math.min(
      (width - 2 * margin) / Math.max(1, box.maxU - box.minU),
      (height - 2 * margin) / Math.max(1, box.maxV - box.minV),
    ),
  );
  return {
    scale,
    x: width / 2 - ((box.minU + box.maxU) / 2) * scale,
    y: height / 2 + ((box.minV + box.maxV) / 2) * scale,
  };
}

/** What is looked at, for the address: the middle and how much of the sheet lies across the window, mm. */
export function viewText(view: Viewport, width: number, height: number): string {
  const [u, v] = toSheet(view, width / 2, height / 2);
  return [u, v, width / view.scale].map((mm) => String(Math.round(mm))).join(',');
}
/** The same in a window of any size; null where the text says nothing of the kind. */
export function viewFrom(text: string, width: number, height: number): Viewport | null {
  const [u, v, across, ...more] = text.split(',').map(Number);
  if (u === undefined || v === undefined || !across || more.length > 0) return null;
  if (![u, v, across].every(Number.isFinite) || across <= 0) return null;
  const scale = clampScale(width / across);
  return { scale, x: width / 2 - u * scale, y: height / 2 + v * scale };
}

/** Zooms by a factor and keeps the place under (x, y) where it is. */
export function zoomAt(view: Viewport, factor: number, x: number, y: number): Viewport {
  const scale = clampScale(view.scale * factor);
  const [u, v] = toSheet(view, x, y);
  return { scale, x: x - u * scale, y: y + v * scale };
}

export const moved = (view: Viewport, dx: number, dy: number): Viewport => ({
  ...view,
  x: view.x + dx,
  y: view.y + dy,
});
const clampScale = (scale: number) => Math.min(LARGEST, Math.max(SMALLEST, scale));
