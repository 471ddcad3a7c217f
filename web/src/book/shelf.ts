import { buyPages } from './pages/buy.ts';
import { curvePages } from './pages/curve.ts';
import { cutPages } from './pages/cut.ts';
import { fitPages } from './pages/fit.ts';
import { foldPages } from './pages/fold.ts';
import { holdPages } from './pages/hold.ts';
import { inspectPages } from './pages/inspect.ts';
import { measurePages } from './pages/measure.ts';
import { patternPages } from './pages/pattern.ts';
import { heatPages } from './pages/heat.ts';
import { weldPages } from './pages/weld.ts';
import type { BookPage } from './page.ts';

/** Every page of the Bench book, in the order of the work. */
export const BOOK: readonly BookPage[] = [
  ...measurePages,
  ...inspectPages,
  ...holdPages,
  ...fitPages,
  ...cutPages,
  ...foldPages,
  ...curvePages,
  ...patternPages,
  ...weldPages,
  ...heatPages,
  ...buyPages,
];

export const pageOf = (key: string): BookPage | undefined => BOOK.find((page) => page.key === key);

/** Pages that have all words of a search, in what they are called or in what one wants to do; those called so first. */
export function searchBook(text: string, pages: readonly BookPage[] = BOOK): BookPage[] {
  const words = text
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word.length > 1);
  const score = (page: BookPage) => {
    const title = page.title.toLowerCase();
    const all = `${title} ${page.wants} ${page.words}`.toLowerCase();
    return words.every((word) => all.includes(stem(word)))
      ? 1 + words.filter((word) => title.includes(stem(word))).length
      : 0;
  };
  return words.length === 0
    ? [...pages]
    : pages
        .map((page) => ({ page, score: score(page) }))
        .filter((found) => found.score > 0)
        .sort((a, b) => b.score - a.score)
        .map((found) => found.page);
}

/** "bending" and "bends" find "bend". */
const stem = (word: string) => word.replace(/(ing|es|s)$/, (end) => (word.length - end.length >= 3 ? '' : end));
