import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import type { IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ServerProblem } from '../http/problems.ts';

/** What somebody sends, on the disk and not in the memory: its file, and how it is thrown away. */
export interface Received {
  file: string;
  throwAway: () => Promise<void>;
}

/** Keeps what is sent in a file of its own. @throws ServerProblem where it is nothing, or larger than `most` bytes */
export async function receive(sent: IncomingMessage, most: number): Promise<Received> {
  const tooLarge = new ServerProblem('too-large', `An archive may have at most ${most / 1e6} MB.`, 'archive');
  // Said before anything is read, so that the answer finds its way back.
  if (Number(sent.headers['content-length'] ?? 0) > most) throw tooLarge;
  const folder = await mkdtemp(join(tmpdir(), 'archive-'));
  const throwAway = () => rm(folder, { recursive: true, force: true });
  const file = join(folder, 'sent.zip');
  let bytes = 0;
  const counted = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > most) done(tooLarge);
      else done(null, chunk);
    },
  });
  try {
    await pipeline(sent, counted, createWriteStream(file));
    if (bytes === 0) throw new ServerProblem('invalid', 'Send the ZIP of a car.', 'archive');
  } catch (error) {
    await throwAway();
    throw error;
  }
  return { file, throwAway };
}
