import { rmSync } from 'node:fs';
import { createConnection, createServer, type Server } from 'node:net';

/** ms. A launch that holds the house but does not answer within this is there all the same. */
const LONGEST_ANSWER = 3000;

/** A house that is held: by ourselves until `release`, or by another launch. */
export type Hold = { release: () => void } | { heldBy: string };

/**
 * Takes the house for this launch. The lock is a socket and not a note of a process number:
 * it goes with the process however that ends, and a number from another machine, container or
 * day cannot be mistaken for it.
 * @param path of the socket, at most 107 bytes
 * @param tell what another launch is answered, such as the address
 * @param end called when somebody asks this launch to end
 */
export async function holdHouse(path: string, tell: () => string, end: () => void): Promise<Hold> {
  for (let attempt = 0; ; attempt++) {
    const server = await listen(path, tell, end);
    if (server)
      return {
        release: () => {
          server.close();
          rmSync(path, { force: true });
        },
      };
    const heldBy = await askHouse(path, 'who');
    if (heldBy !== null) return { heldBy };
    if (attempt > 3) throw new Error(`The lock ${path} can be neither taken nor asked; remove it and try again.`);
    // Nobody behind it: left over from a launch that was killed.
    rmSync(path, { force: true });
  }
}

/** Asks the launch that holds a house; null where nobody holds it. */
export function askHouse(path: string, question: 'who' | 'end'): Promise<string | null> {
  return new Promise((resolve) => {
    let answer = '';
    const socket = createConnection(path, () => socket.write(`${question}\n`));
    socket.setTimeout(LONGEST_ANSWER, () => {
      socket.destroy();
      resolve(answer || 'it does not answer');
    });
    socket.on('data', (chunk) => (answer += chunk.toString()));
    socket.once('end', () => resolve(answer));
    socket.once('error', () => resolve(null));
  });
}

function listen(path: string, tell: () => string, end: () => void): Promise<Server | null> {
  return new Promise((resolve, reject) => {
    const server = createServer((socket) => {
      socket.on('error', () => undefined);
      socket.once('data', (question) => {
        socket.end(tell());
        if (question.toString().startsWith('end')) end();
      });
    });
    server.once('error', (error: NodeJS.ErrnoException) =>
      error.code === 'EADDRINUSE' ? resolve(null) : reject(error),
    );
    server.listen(path, () => {
      server.unref();
      resolve(server);
    });
  });
}
