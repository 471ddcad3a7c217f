import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { createStream } from 'rotating-file-stream';

/** Bytes of one log file, and how many of them are kept. */
const LARGEST = '5M';
const FILES = 5;

export interface Log {
  /** Path of the file that is being written. */
  path: string;
  write(text: Buffer | string): void;
  /** The last lines that were written, for a message when something did not start. */
  tail(): string;
}

/** A log in a folder of the house, in files of a limited size; a full disk costs lines of it and nothing else. */
export function openLog(folder: string, name: string): Log {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const stream = createStream((_time, index) => (index ? `${name}.${index}.log` : `${name}.log`), {
    path: folder,
    size: LARGEST,
    rotate: FILES,
    mode: 0o600,
  });
  stream.on('error', () => undefined);
  stream.on('warning', () => undefined);
  let last = '';
  return {
    path: join(folder, `${name}.log`),
    write: (text) => {
      last = (last + text.toString()).slice(-2000);
      stream.write(text);
    },
    tail: () => last.trim(),
  };
}
