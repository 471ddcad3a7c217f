import { whenStored } from './api.ts';

/** ms after a change of one's own in which nothing is loaded anew: it is on the page, and more is being typed. */
const BUSY = 1500;
/** ms in which several calls become one. */
const TOGETHER = 300;

let lastWrite = -Infinity;
whenStored(() => (lastWrite = performance.now()));

/** Does something a moment later, once for many calls, and not while this person is changing things. */
export function whenCalm(act: () => void): { call: () => void; stop: () => void } {
  let waiting: ReturnType<typeof setTimeout> | undefined;
  function wait(): void {
    const left = Math.max(TOGETHER, lastWrite + BUSY - performance.now());
    waiting = setTimeout(() => {
      waiting = undefined;
      if (performance.now() < lastWrite + BUSY) wait();
      else act();
    }, left);
  }
  return {
    call: () => {
      if (waiting === undefined) wait();
    },
    stop: () => clearTimeout(waiting),
  };
}
