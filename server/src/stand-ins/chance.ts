/** 0 to 1, always the same for the same number. */
export function chance(n: number, salt: number): number {
  let x = (Math.imul(n, 0x9e3779b1) ^ Math.imul(salt, 0x85ebca6b)) >>> 0;
  x = Math.imul(x ^ (x >>> 16), 0x7feb352d) >>> 0;
  x = Math.imul(x ^ (x >>> 15), 0x846ca68b) >>> 0;
  return ((x ^ (x >>> 16)) >>> 0) / 2 ** 32;
}

/** A number for a word, always the same one. */
export const numberOf = (word: string): number =>
  [...word].reduce((sum, c) => (Math.imul(sum, 31) + c.codePointAt(0)!) | 0, 7);
