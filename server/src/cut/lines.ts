import { createHash } from 'node:crypto';
import { cutLine, type CutLine } from '@aspecta/core/cut';

/** Lines of so many repairs are kept. */
const KEPT = 100;

/** Lines by all that they were found from: the page, its files and the card ask for the same one again and again. */
export class FoundLines {
  private readonly found = new Map<string, CutLine>();

  find(input: Parameters<typeof cutLine>[0]): CutLine {
    const key = createHash('sha256').update(JSON.stringify(input)).digest('base64');
    const line = this.found.get(key) ?? cutLine(input);
    // The one that was asked for last is forgotten last.
    this.found.delete(key);
    this.found.set(key, line);
    if (this.found.size > KEPT) this.found.delete(this.found.keys().next().value!);
    return line;
  }
}
