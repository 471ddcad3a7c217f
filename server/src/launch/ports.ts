import { createServer } from 'node:net';

/** The first free port on loopback from this one on. */
export async function freePort(from: number): Promise<number> {
  for (let port = from; port < from + 200; port++) if (await isFree(port)) return port;
  throw new Error(`No free port between ${from} and ${from + 199} on 127.0.0.1.`);
}

function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
}
