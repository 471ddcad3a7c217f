import { flushPromises, mount } from '@vue/test-utils';
import { createPinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { defineComponent, h } from 'vue';
import { createMemoryHistory, createRouter } from 'vue-router';
import { calculate } from '@aspecta/contract/calc';
import { Problem } from '@aspecta/core';
import type { Answer } from '../workers/book.ts';
import BookDrawing from './BookDrawing.vue';
import { pageOf } from './shelf.ts';
import { useBook } from './useBook.ts';

/* The worker is replaced by the calculation itself; `hold` keeps it from answering. */
const worker = vi.hoisted(() => ({ hold: false, stops: 0, progress: [] as ((share: number) => void)[] }));
vi.mock('../workers/bookBridge.ts', () => ({
  listBook: () => Promise.resolve([]),
  runBook: (id: string, input: unknown, progress: (share: number) => void) => {
    worker.progress.push(progress);
    let stop: (value: null) => void = () => undefined;
    const stopped = new Promise<null>((resolve) => (stop = resolve));
    const answer = (): Answer => {
      try {
        return { result: calculate(id, input), took: 1 };
      } catch (error) {
        if (!(error instanceof Problem)) throw error;
        return { problem: { code: error.code, field: error.field, detail: error.message } };
      }
    };
    return {
      answer: worker.hold ? stopped : Promise.resolve().then(answer),
      stop: () => {
        worker.stops++;
        stop(null);
      },
    };
  },
}));
class NoObserver {
  observe(): void {}
  disconnect(): void {}
}
vi.stubGlobal('ResizeObserver', NoObserver);

async function open(key: string, query = '') {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/book/:name', component: { render: () => null } }],
  });
  await router.push(`/book/${key}${query}`);
  let book!: ReturnType<typeof useBook>;
  const host = mount(
    defineComponent({
      setup() {
        book = useBook(pageOf(key)!);
        return () => h('i');
      },
    }),
    { global: { plugins: [router, createPinia()] } },
  );
  await flushPromises();
  return { book, router, host };
}
/** Typing is waited for. */
async function settled(): Promise<void> {
  await flushPromises();
  vi.advanceTimersByTime(200);
  await flushPromises();
}

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  worker.hold = false;
  worker.stops = 0;
  worker.progress = [];
});

describe('a page of the Bench book', () => {
  it('answers at once with its usual values, and again after typing', async () => {
    const { book, router } = await open('bend');
    expect(book.result.value).toMatchObject({ setback: expect.closeTo(3, 6) });
    book.typed['radius'] = '4 mm';
    await settled();
    expect(book.result.value).toMatchObject({ setback: expect.closeTo(5, 6) });
    expect(router.currentRoute.value.query['radius']).toBe('4 mm');
    expect(JSON.parse(localStorage.getItem('aspecta.book.bend')!)).toMatchObject({ radius: '4 mm' });
  });

  it('takes values from the address first, then from this device, then the usual ones', async () => {
    localStorage.setItem('aspecta.book.bend', JSON.stringify({ radius: '7 mm', angle: '45' }));
    const { book } = await open('bend', '?radius=3%20mm');
    expect(book.typed).toMatchObject({ radius: '3 mm', angle: '45', thickness: '1 mm' });
    book.reset();
    expect(book.typed).toMatchObject({ radius: '2 mm', angle: '90' });
  });

  it('forgets what it kept where that cannot be read', async () => {
    localStorage.setItem('aspecta.book.bend', 'no json');
    expect((await open('bend')).book.typed['angle']).toBe('90');
  });

  it('says at the field what is wrong, keeps the last answer and what was typed', async () => {
    const { book } = await open('bend');
    const before = book.result.value;
    book.typed['angle'] = 'ninety';
    await settled();
    expect(book.errors['angle']).toMatch(/must be a number in °/);
    book.typed['angle'] = '190';
    await settled();
    // The calculation's own refusal comes to the same field.
    expect(book.errors['angle']).toMatch(/at most 179/);
    expect(book.result.value).toBe(before);
    expect(book.typed['angle']).toBe('190');
  });

  it('brings a refusal to the field that feeds it, and a text of figures that cannot be read to the text', async () => {
    const { book } = await open('pits');
    book.typed['patch'] = '0';
    await settled();
    expect(book.errors['patch']).toMatch(/sampledArea/);
    book.typed['patch'] = '36';
    book.typed['depths'] = '0.2 deep 0.3';
    await settled();
    expect(book.errors['depths']).toMatch(/“deep” \(number 2/);
  });

  it('shows progress after half a second, can be stopped, and does not mind what comes after', async () => {
    worker.hold = true;
    const { book } = await open('nest');
    expect(book.progress.value).toBeNull();
    vi.advanceTimersByTime(600);
    expect(book.progress.value).toBe(0);
    worker.progress.at(-1)!(0.4);
    expect(book.progress.value).toBe(0.4);
    book.stop();
    await flushPromises();
    expect([book.progress.value, book.stopped.value]).toEqual([null, true]);
    worker.progress.at(-1)!(0.6);
    expect(book.progress.value).toBeNull();
    worker.hold = false;
    book.again();
    await flushPromises();
    expect(book.stopped.value).toBe(false);
    expect(book.result.value).toMatchObject({ unplaced: [] });
  });

  it('ends what still runs when the page is left or another question is asked', async () => {
    worker.hold = true;
    const { book, host } = await open('nest');
    vi.advanceTimersByTime(600);
    book.typed['gap'] = '8 mm';
    await settled();
    expect(worker.stops).toBe(1);
    vi.advanceTimersByTime(600);
    host.unmount();
    expect(worker.stops).toBe(2);
  });
});

describe('the drawing', () => {
  it('fits what it is given into its frame and says what it shows', () => {
    const drawing = {
      label: 'A square with its size',
      parts: [
        {
          kind: 'area' as const,
          rings: [
            [
              [0, 0],
              [100, 0],
              [100, 100],
              [0, 100],
            ] as [number, number][],
          ],
          look: 'metal' as const,
        },
        { kind: 'size' as const, from: [0, 0] as [number, number], to: [100, 0] as [number, number], text: '100 mm' },
        { kind: 'dots' as const, points: [[50, 50]] as [number, number][], look: 'mark' as const },
        {
          kind: 'line' as const,
          points: [
            [0, 0],
            [100, 100],
          ] as [number, number][],
          look: 'ghost' as const,
        },
      ],
    };
    const { element, ...shown } = mount(BookDrawing, { props: { drawing } });
    const svg = element.querySelector('svg')!;
    expect(svg.getAttribute('aria-label')).toBe('A square with its size');
    expect(shown).toBeDefined();
    expect(svg.textContent).toContain('100 mm');
    const numbers = [
      ...svg
        .querySelector('path')!
        .getAttribute('d')!
        .matchAll(/-?\d+\.?\d*/g),
    ].map(Number);
    expect(numbers.every((x) => x >= 0 && x <= 600)).toBe(true);
    // v up: the first corner, at 0 0, is drawn below the third.
    expect(numbers[1]!).toBeGreaterThan(numbers[5]!);
  });
});
