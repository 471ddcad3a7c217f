import { moved, zoomAt, type Viewport } from './viewport.ts';

interface Target {
  view(): Viewport;
  change(next: Viewport): void;
  tap(x: number, y: number): void;
  /** Does one pointer draw instead of moving the sheet? */
  draws(): boolean;
  /** A stroke so far, from its first place on; `done` when the pointer is lifted, null when it was no stroke after all. */
  stroke(places: readonly (readonly [number, number])[] | null, done: boolean): void;
}

/** px. A pointer that moved less was meant as a tap: fingers in gloves tremble. */
const TAP_SLACK = 8;

/** Pans or draws with one pointer, pinches with two, zooms with the wheel, and tells taps from drags. Returns how to let go. */
export function gesturesOn(element: HTMLElement, target: Target): () => void {
  const pointers = new Map<number, { x: number; y: number; startX: number; startY: number }>();
  let dragged = false;
  let stroke: [number, number][] | null = null;
  const local = (event: PointerEvent | WheelEvent): [number, number] => {
    const frame = element.getBoundingClientRect();
    return [event.clientX - frame.left, event.clientY - frame.top];
  };
  const down = (event: PointerEvent) => {
    if (event.button !== 0 || (event.target as Element).closest('[data-own-pointer]')) return;
    const [x, y] = local(event);
    pointers.set(event.pointerId, { x, y, startX: x, startY: y });
    if (pointers.size === 1) {
      dragged = false;
      stroke = target.draws() ? [[x, y]] : null;
      if (stroke) target.stroke(stroke, false);
    } else if (stroke) {
      // A second finger: it is a pinch, and nothing was drawn.
      stroke = null;
      target.stroke(null, true);
    }
    element.setPointerCapture(event.pointerId);
  };
  const move = (event: PointerEvent) => {
    const pointer = pointers.get(event.pointerId);
    if (!pointer) return;
    const [x, y] = local(event);
    if (stroke) {
      stroke = [...stroke, [x, y]];
      target.stroke(stroke, false);
    } else if (pointers.size === 1) {
      if (!dragged && Math.hypot(x - pointer.startX, y - pointer.startY) < TAP_SLACK) return;
      dragged = true;
      target.change(moved(target.view(), x - pointer.x, y - pointer.y));
    } else pinch(event.pointerId, x, y);
    Object.assign(pointer, { x, y });
  };
  const pinch = (id: number, x: number, y: number) => {
    dragged = true;
    const before = pointers.get(id)!;
    const other = [...pointers.entries()].find(([key]) => key !== id)![1];
    const was = Math.hypot(before.x - other.x, before.y - other.y);
    const is = Math.hypot(x - other.x, y - other.y);
    if (was < 1) return;
    const zoomed = zoomAt(target.view(), is / was, other.x, other.y);
    target.change(moved(zoomed, (x - before.x) / 4, (y - before.y) / 4));
  };
  const up = (event: PointerEvent) => {
    if (!pointers.delete(event.pointerId)) return;
    if (stroke) {
      target.stroke(event.type === 'pointerup' ? stroke : null, true);
      stroke = null;
      return;
    }
    if (event.type === 'pointerup' && !dragged && pointers.size === 0) target.tap(...local(event));
  };
  const wheel = (event: WheelEvent) => {
    event.preventDefault();
    target.change(zoomAt(target.view(), Math.exp(-event.deltaY * 0.0016), ...local(event)));
  };
  element.addEventListener('pointerdown', down);
  element.addEventListener('pointermove', move);
  element.addEventListener('pointerup', up);
  element.addEventListener('pointercancel', up);
  element.addEventListener('wheel', wheel, { passive: false });
  return () => {
    element.removeEventListener('pointerdown', down);
    element.removeEventListener('pointermove', move);
    element.removeEventListener('pointerup', up);
    element.removeEventListener('pointercancel', up);
    element.removeEventListener('wheel', wheel);
  };
}
