import { proxy } from 'comlink';
import type { Answer, BookApi } from './book.ts';
import { stoppable } from './stoppable.ts';

const worker = stoppable<BookApi>(() => new Worker(new URL('./book.ts', import.meta.url), { type: 'module' }));

export const listBook = () => worker.open().list();

/** Runs one calculation; `stop` ends it at once, whatever it is doing. */
export const runBook = (
  id: string,
  input: unknown,
  progress: (share: number) => void,
): { answer: Promise<Answer | null>; stop: () => void } =>
  // The input is plain data; a reactive one cannot be sent.
  worker.run<Answer>(async (api) => api.run(id, structuredClone(input), proxy(progress)));
