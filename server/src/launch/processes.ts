import { readdirSync, readFileSync } from 'node:fs';

export const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** Does a process of this number run, and is it the program that we mean? A number may have been given to another one. */
export function isAlive(pid: number, program: string): boolean {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
  } catch {
    return false;
  }
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    if (stat.slice(stat.lastIndexOf(')') + 2).startsWith('Z')) return false;
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(program);
  } catch {
    return true;
  }
}

/**
 * The numbers of all processes that were started with this word, such as the folder they
 * work on. Asked of the machine itself, because a note of a number may be missing, cut off, or
 * from another machine.
 */
export function processesWith(word: string): number[] {
  const holds = (pid: string) => {
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').includes(word);
    } catch {
      return false;
    }
  };
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid && holds(name))
    .map(Number);
}

/** Ends processes that an earlier start has left behind: asks first, insists after `patience` ms. */
export async function endAll(pids: readonly number[], word: string, patience: number): Promise<void> {
  const left = () => pids.filter((pid) => isAlive(pid, word));
  const signal = (name: NodeJS.Signals) =>
    left().forEach((pid) => {
      try {
        process.kill(pid, name);
      } catch {
        // It has just ended by itself, or belongs to somebody else.
      }
    });
  signal('SIGTERM');
  const until = Date.now() + patience;
  while (left().length > 0 && Date.now() < until) await pause(100);
  signal('SIGKILL');
  while (left().length > 0 && Date.now() < until + 5000) await pause(50);
}
