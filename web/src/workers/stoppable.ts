import { wrap, type Remote } from 'comlink';

/** A worker that is started when it is first asked, and can be ended at once, whatever it is doing. */
export function stoppable<Api>(make: () => Worker) {
  let worker: Worker | undefined;
  let remote: Remote<Api> | undefined;
  const open = (): Remote<Api> => {
    worker ??= make();
    remote ??= wrap<Api>(worker);
    return remote;
  };
  return {
    open,
    /** Asks something of it; the answer is null where it was stopped before. */
    run<T>(ask: (api: Remote<Api>) => Promise<T>): { answer: Promise<T | null>; stop: () => void } {
      let stopped: (value: null) => void = () => undefined;
      const stop = new Promise<null>((resolve) => (stopped = resolve));
      return {
        answer: Promise.race([ask(open()), stop]),
        stop: () => {
          worker?.terminate();
          worker = undefined;
          remote = undefined;
          stopped(null);
        },
      };
    },
  };
}
