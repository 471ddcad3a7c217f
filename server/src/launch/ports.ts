import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname } from 'node:path';

/** The first free port from this one on. */
export async function freePort(from: number, host = '127.0.0.1'): Promise<number> {
  for (let port = from; port < from + 200; port++) if (await isFree(port, host)) return port;
  throw new Error(`No free port between ${from} and ${from + 199} on ${host}.`);
}

/**
 * The port of this house: a free one the first time, then always the same. What a browser has
 * kept and not yet sent belongs to the address with its port and would be out of reach on another.
 * @param wanted the port that the person has named, if any: then it is this one or none
 * @throws Error where the port of this house is taken by another program
 */
export async function housePort(note: string, first: number, wanted?: number, host = '127.0.0.1'): Promise<number> {
  const remembered = existsSync(note) ? Number(readFileSync(note, 'utf8')) : Number.NaN;
  const known = wanted ?? (Number.isInteger(remembered) && remembered > 0 ? remembered : undefined);
  if (known !== undefined && !(await isFree(known, host)))
    throw new Error(
      `Port ${known} is taken by another program. End that program, or choose another port: ASPECTA_PORT=${known + 10} ./aspecta …\n` +
        'Entries that a browser has kept and not yet sent stay with the old port until the shop is there again.',
    );
  const port = known ?? (await freePort(first, host));
  mkdirSync(dirname(note), { recursive: true });
  writeFileSync(note, String(port));
  return port;
}

export function isFree(port: number, host = '127.0.0.1'): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });
}
