import type { Response } from 'express';

/** ms between signs of life, so that a proxy or a sleeping phone is noticed. */
const HEARTBEAT = 15_000;

/** Opens a stream of server-sent events; returns how to tell and runs `closed` once when the page is gone. */
export function openStream<T>(response: Response, closed: () => void): (event: T) => void {
  response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' });
  response.flushHeaders();
  response.write(': open\n\n');
  const beat = setInterval(() => response.write(': here\n\n'), HEARTBEAT);
  response.once('close', () => {
    clearInterval(beat);
    closed();
  });
  return (event) => {
    if (!response.writableEnded) response.write(`data: ${JSON.stringify(event)}\n\n`);
  };
}
