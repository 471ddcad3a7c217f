import { accessSync, constants } from 'node:fs';
import { delimiter, join } from 'node:path';

/** Where Debian keeps programs of the system; a plain PATH of an ordinary user lacks them. */
const SYSTEM_FOLDERS = ['/usr/local/sbin', '/usr/sbin', '/sbin', '/usr/local/bin', '/usr/bin', '/bin'];

/**
 * The full path of a program of the machine.
 * @throws Error naming the Debian package that brings it
 */
export function programOf(name: string, debianPackage: string, path = process.env['PATH'] ?? ''): string {
  for (const folder of [...path.split(delimiter), ...SYSTEM_FOLDERS]) {
    const file = join(folder, name);
    try {
      if (folder === '') continue;
      accessSync(file, constants.X_OK);
      return file;
    } catch {
      // Not in this folder.
    }
  }
  throw new Error(`${name} was not found on this machine; install the Debian package ${debianPackage}.`);
}
