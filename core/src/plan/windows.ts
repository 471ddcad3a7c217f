import { finite, list } from '../check.ts';
import { refuse } from '../problem.ts';
import type { Window } from './calendarTypes.ts';
import { ROUNDING } from '../tolerances.ts';

/** h. Pieces shorter than this are none. */
export const NO_TIME = ROUNDING;

/** Windows as they may come in, sorted, and joined where they touch. @throws Problem naming the field */
export function windowsOf(field: string, given: unknown): Window[] {
  const windows = list<Window>(field, given, 0, 20_000).map((window, i): Window => {
    const from = finite(`${field}[${i}][0]`, window?.[0], { min: 0, max: 1e6, unit: 'h' });
    const to = finite(`${field}[${i}][1]`, window[1], { min: 0, max: 1e6, unit: 'h' });
    if (to <= from)
      refuse('ends-before', `${field}[${i}]`, `${field}[${i}] ends at ${to} h before it begins at ${from} h.`);
    return [from, to];
  });
  const out: [number, number][] = [];
  for (const [from, to] of windows.sort((a, b) => a[0] - b[0])) {
    const last = out.at(-1);
    if (last && from <= last[1] + NO_TIME) last[1] = Math.max(last[1], to);
    else out.push([from, to]);
  }
  return out;
}

/** Hours that lie in both lists of windows. */
export function both(a: readonly Window[], b: readonly Window[]): Window[] {
  const out: Window[] = [];
  for (let i = 0, k = 0; i < a.length && k < b.length;) {
    const from = Math.max(a[i]![0], b[k]![0]);
    const to = Math.min(a[i]![1], b[k]![1]);
    if (to - from > NO_TIME) out.push([from, to]);
    if (a[i]![1] < b[k]![1]) i++;
    else k++;
  }
  return out;
}

/** Index of the first window that ends after this hour. */
export function windowAt(windows: readonly Window[], hour: number): number {
  let low = 0;
  let high = windows.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (windows[middle]![1] > hour + NO_TIME) high = middle;
    else low = middle + 1;
  }
  return low;
}

/** Where a task lies. */
export interface Placed {
  pieces: [number, number][];
  start: number;
  end: number;
}

/**
 * The soonest place from an hour on for so many hours of work in these windows, paused between them, in one where it
 * must not be broken, and not over a time in which the same person is busy; null where there is none.
 */
export function soonest(
  windows: readonly Window[],
  busy: readonly Window[],
  { from, hours, unbroken }: { from: number; hours: number; unbroken: boolean },
): Placed | null {
  let hour = from;
  for (;;) {
    const next = busy.find(([, to]) => to > hour + NO_TIME);
    if (next && next[0] <= hour + NO_TIME) {
      hour = next[1];
      continue;
    }
    const placed = filled(windows, { from: hour, hours, unbroken });
    if (!placed) return null;
    // The whole span is this task's: nothing else in between.
    const over = busy.find(([start, end]) => start < placed.end - NO_TIME && end > placed.start + NO_TIME);
    if (!over) return placed;
    hour = over[1];
  }
}

function filled(
  windows: readonly Window[],
  { from, hours, unbroken }: { from: number; hours: number; unbroken: boolean },
): Placed | null {
  const pieces: [number, number][] = [];
  let left = hours;
  for (let i = windowAt(windows, from); i < windows.length; i++) {
    const start = Math.max(from, windows[i]![0]);
    const room = windows[i]![1] - start;
    if (unbroken && room < hours - NO_TIME) continue;
    const piece = Math.min(left, room);
    pieces.push([start, start + piece]);
    left -= piece;
    if (left <= NO_TIME) return { pieces, start: pieces[0]![0], end: pieces.at(-1)![1] };
  }
  return null;
}
