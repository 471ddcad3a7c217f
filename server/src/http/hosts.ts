import { isIP } from 'node:net';
import { hostname } from 'node:os';
import type { RequestHandler } from 'express';
import { ServerProblem } from './problems.ts';

/**
 * Answers only to the names by which this shop is known. A page of another site can make its
 * own name point at this machine and would otherwise be taken for ours; an address of digits
 * cannot be made to do so.
 * @param named further names, such as the one that a proxy in front is known by
 */
export function knownHosts(named: readonly string[]): RequestHandler {
  const machine = hostname().toLowerCase();
  const known = new Set(['localhost', machine, `${machine}.local`, ...named.map((name) => name.toLowerCase())]);
  return (request, _response, next) => {
    const name = (request.hostname ?? '').toLowerCase().replace(/^\[|\]$/g, '');
    if (isIP(name) === 0 && !known.has(name))
      throw new ServerProblem(
        'unknown-host',
        'This shop is not known by the name in the address. Whoever runs it can add the name: ASPECTA_HOSTS.',
      );
    next();
  };
}
