import { computed, onBeforeUnmount, onMounted, ref, shallowRef, watch, type Ref } from 'vue';
import type { Box, Point } from '@aspecta/core/geometry';
import { fit, moved, toSheet, toWindow, transformOf, viewFrom, viewText, zoomAt, type Viewport } from './viewport.ts';
import { gesturesOn } from './gestures.ts';

/** ms for which a window must rest until it is kept where it is. */
const RESTS = 400;

/** A window onto the sheet: fitted at first, then moved and zoomed by mouse, touch and keys. */
export function useViewport(
  host: Ref<HTMLElement | undefined>,
  box: () => Box,
  on: {
    tap: (place: Point) => void;
    draws: () => boolean;
    /** Places of a stroke so far; null when it was none. */
    stroke: (places: readonly Point[] | null, done: boolean) => void;
  },
  /** Where it is kept what is looked at, and found again; empty while the whole is. */
  kept: Ref<string>,
) {
  const size = ref({ width: 100, height: 100 });
  const view = shallowRef<Viewport>({ scale: 0.1, x: 0, y: 0 });
  let touched = false;
  let observer: ResizeObserver | undefined;
  let release: (() => void) | undefined;
  /** A wheel or a finger tells of itself more often than a frame is drawn: only the last one of a frame is. */
  let latest = view.value;
  let frame = 0;

  let rest = 0;
  const keep = () => {
    clearTimeout(rest);
    rest = window.setTimeout(() => {
      kept.value = touched ? viewText(latest, size.value.width, size.value.height) : '';
    }, RESTS);
  };
  const fitted = () => {
    latest = view.value = fit(box(), size.value.width, size.value.height);
  };
  const refit = () => {
    touched = false;
    fitted();
    keep();
  };
  /** As it was left, or the whole. */
  const begin = () => {
    const left = viewFrom(kept.value, size.value.width, size.value.height);
    if (!left) return fitted();
    touched = true;
    latest = view.value = left;
  };
  const change = (next: Viewport) => {
    touched = true;
    latest = next;
    keep();
    frame ||= requestAnimationFrame(() => {
      frame = 0;
      view.value = latest;
    });
  };
  onMounted(() => {
    const element = host.value!;
    observer = new ResizeObserver(([entry]) => {
      size.value = { width: entry!.contentRect.width, height: entry!.contentRect.height };
      if (!touched) begin();
    });
    observer.observe(element);
    release = gesturesOn(element, {
      view: () => latest,
      change,
      tap: (x, y) => on.tap(toSheet(latest, x, y)),
      draws: on.draws,
      stroke: (places, done) => on.stroke(places?.map(([x, y]) => toSheet(latest, x, y)) ?? null, done),
    });
  });
  onBeforeUnmount(() => {
    observer?.disconnect();
    cancelAnimationFrame(frame);
    clearTimeout(rest);
    release?.();
  });
  watch(box, () => !touched && fitted());

  function onKey(event: KeyboardEvent): void {
    const step = 60;
    const middle = [size.value.width / 2, size.value.height / 2] as const;
    const actions: Record<string, () => void> = {
      '+': () => change(zoomAt(latest, 1.3, ...middle)),
      '=': () => change(zoomAt(latest, 1.3, ...middle)),
      '-': () => change(zoomAt(latest, 1 / 1.3, ...middle)),
      '0': refit,
      ArrowLeft: () => change(moved(latest, step, 0)),
      ArrowRight: () => change(moved(latest, -step, 0)),
      ArrowUp: () => change(moved(latest, 0, step)),
      ArrowDown: () => change(moved(latest, 0, -step)),
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
    zoomBy: (factor: number) => change(zoomAt(latest, factor, size.value.width / 2, size.value.height / 2)),
    place: (p: Point) => toWindow(view.value, p),
    sheetAt: (x: number, y: number): Point => toSheet(view.value, x, y),
  };
}
