import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch, type Ref } from 'vue';
import type { Box, Point } from '@aspecta/core/geometry';
import { fit, moved, toSheet, toWindow, transformOf, zoomAt, type Viewport } from './viewport.ts';
import { gesturesOn } from './gestures.ts';

/** A window onto the sheet: fitted at first, then moved and zoomed by mouse, touch and keys. */
export function useViewport(host: Ref<HTMLElement | undefined>, box: () => Box, onTap: (place: Point) => void) {
  const size = ref({ width: 100, height: 100 });
  const view = shallowRef<Viewport>({ scale: 0.1, x: 0, y: 0 });
  let touched = false;
  let observer: ResizeObserver | undefined;
  let release: (() => void) | undefined;

  const refit = () => {
    touched = false;
    view.value = fit(box(), size.value.width, size.value.height);
  };
  const change = (next: Viewport) => {
    touched = true;
    view.value = next;
  };
  onMounted(() => {
    const element = host.value!;
    observer = new ResizeObserver(([entry]) => {
      size.value = { width: entry!.contentRect.width, height: entry!.contentRect.height };
      if (!touched) refit();
    });
    observer.observe(element);
    release = gesturesOn(element, { view: () => view.value, change, tap: (x, y) => onTap(toSheet(view.value, x, y)) });
  });
  onBeforeUnmount(() => {
    observer?.disconnect();
    release?.();
  });
  watch(box, () => !touched && refit());

  function onKey(event: KeyboardEvent): void {
    const step = 60;
    const middle = [size.value.width / 2, size.value.height / 2] as const;
    const actions: Record<string, () => void> = {
      '+': () => change(zoomAt(view.value, 1.3, ...middle)),
      '=': () => change(zoomAt(view.value, 1.3, ...middle)),
      '-': () => change(zoomAt(view.value, 1 / 1.3, ...middle)),
      '0': refit,
      ArrowLeft: () => change(moved(view.value, step, 0)),
      ArrowRight: () => change(moved(view.value, -step, 0)),
      ArrowUp: () => change(moved(view.value, 0, step)),
      ArrowDown: () => change(moved(view.value, 0, -step)),
    };
    const action = actions[event.key];
    if (!action || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    action();
  }
  return {
    view,
    size,
    transform: computed(() => transformOf(view.value)),
    refit,
    onKey,
    zoomBy: (factor: number) => change(zoomAt(view.value, factor, size.value.width / 2, size.value.height / 2)),
    place: (p: Point) => toWindow(view.value, p),
    sheetAt: (x: number, y: number): Point => toSheet(view.value, x, y),
  };
}
