/** Somewhere that one can go. */
export interface Place {
  title: string;
  /** What kind of place it is, in a word or two. */
  kind: string;
  to: string;
  /** Other words by which it is looked for. */
  words: string;
}

/** mend "sills" to "sill", "welding" to "weld": people look for a thing in any form. */
const stem = (word: string): string => word.replace(/(ing|es|s)$/, (end) => (word.length - end.length >= 3 ? '' : end));

/** By how many letters two words differ at most, so that one slip of the finger is forgiven. */
function nearly(a: string, b: string): boolean {
  if (a.length < 4 || Math.abs(a.length - b.length) > 1) return false;
  let i = 0;
  while (i < a.length && i < b.length && a[i] === b[i]) i++;
  const [restA, restB] = [a.slice(i), b.slice(i)];
  return restA.slice(1) === restB.slice(1) || restA.slice(1) === restB || restA === restB.slice(1);
}

/** 0 where a word is not there; more the nearer it stands to what the place is called. */
function worth(word: string, { title, kind, words }: Place): number {
  const inTitle = title.toLowerCase().split(/[^a-z0-9]+/);
  if (inTitle.some((one) => one === word)) return 5;
  if (inTitle.some((one) => one.startsWith(stem(word)))) return 4;
  const others = `${kind} ${words}`.toLowerCase().split(/[^a-z0-9]+/);
  if (others.some((one) => one.startsWith(stem(word)))) return 2;
  return [...inTitle, ...others].some((one) => nearly(word, one)) ? 1 : 0;
}

/** Places that have all words of a search, those called so first; all of them where nothing is typed. */
export function find(text: string, places: readonly Place[], most = 12): Place[] {
  const words = text
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '');
  if (words.length === 0) return places.slice(0, most);
  return places
    .map((place, i) => {
      const worths = words.map((word) => worth(word, place));
      const score = worths.every((one) => one > 0) ? worths.reduce((sum, one) => sum + one, 0) : 0;
      return { place, score: score - place.title.length / 1000, i };
    })
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || a.i - b.i)
    .slice(0, most)
    .map(({ place }) => place);
}
