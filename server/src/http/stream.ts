import type { Response } from 'express';

/** ms between signs of life, so that a proxy or a sleeping phone is noticed. */
const HEARTBEAT = 10_000;

/**
 * Opens a stream of server-sent events; returns how to tell. It ends when the page is gone, and
 * when the session that it was opened in has ended: signed out, removed or too old.
 */
export function openStream<T>(
  response: Response,
  { closed, stillOpen }: { closed: () => void; stillOpen: () => Promise<boolean> },
): (event: T) => void {
  response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' });
  response.flushHeaders();
  response.write(': open\n\n');
  const beat = setInterval(() => {
    response.write(': here\n\n');
    // A database that is away for a moment ends no stream.
    void stillOpen().then(
      (open) => open || response.end(),
      () => undefined,
    );
  }, HEARTBEAT);
  response.once('close', () => {
    clearInterval(beat);
    closed();
  });
  return (event) => {
    if (!response.writableEnded) response.write(`data: ${JSON.stringify(event)}\n\n`);
  };
}
