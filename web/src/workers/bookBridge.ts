import { proxy, wrap, type Remote } from 'comlink';
import type { Answer, BookApi } from './book.ts';

let worker: Worker | undefined;
let remote: Remote<BookApi> | undefined;

function open(): Remote<BookApi> {
  worker ??= new Worker(new URL('./book.ts', import.meta.url), { type: 'module' });
  remote ??= wrap<BookApi>(worker);
  return remote;
}

export const listBook = () => open().list();

/** Runs one calculation; `stop` ends it at once, whatever it is doing. */
export function runBook(
  id: string,
  input: unknown,
  progress: (share: number) => void,
): { answer: Promise<Answer | null>; stop: () => void } {
  let stopped: (value: null) => void = () => undefined;
  const stop = new Promise<null>((resolve) => (stopped = resolve));
  // The input is plain data; a reactive one cannot be sent.
  const answer = Promise.race([open().run(id, structuredClone(input), proxy(progress)), stop]);
  return {
    answer,
    stop: () => {
      worker?.terminate();
      worker = undefined;
      remote = undefined;
      stopped(null);
    },
  };
}
