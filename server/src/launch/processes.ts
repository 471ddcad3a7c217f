import { readFileSync } from 'node:fs';

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
