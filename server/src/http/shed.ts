import { monitorEventLoopDelay } from 'node:perf_hooks';
import type { RequestHandler } from 'express';
import { ServerProblem } from './problems.ts';

/** Requests that may be under way at once; more than a shop's telephones ask, fewer than hold the server up. */
const MOST_AT_ONCE = 200;
/** ms that the process may be behind with its work before strangers to it wait outside. */
const LATEST = 1000;
/** ms between looks at the clock. */
const EVERY = 250;
/** Looks in a row that must find it late: one long step of work is no crowd, and over when it is seen. */
const LOOKS = 3;

/**
 * Turns requests away while more are under way than can be answered in good time: a quick “later” keeps
 * those that are let in quick, and a client that is told so comes again. Streams, which stay open, do not count.
 */
export function shed({ most = MOST_AT_ONCE, latest = LATEST } = {}): { handler: RequestHandler; close(): void } {
  let underWay = 0;
  let behind: readonly number[] = [];
  const delay = monitorEventLoopDelay({ resolution: 20 });
  delay.enable();
  const timer = setInterval(() => {
    behind = [...behind, delay.percentile(50) / 1e6].slice(-LOOKS);
    delay.reset();
  }, EVERY);
  timer.unref();
  const handler: RequestHandler = (request, response, next) => {
    if (request.headers.accept === 'text/event-stream') return next();
    if (underWay >= most || (behind.length === LOOKS && Math.min(...behind) > latest))
      throw new ServerProblem('busy', 'Too many are asking at this moment; try again in a few seconds.');
    underWay++;
    response.once('close', () => underWay--);
    next();
  };
  return {
    handler,
    close: () => {
      clearInterval(timer);
      delay.disable();
    },
  };
}
