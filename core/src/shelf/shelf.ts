import { CANS, COAT_KINDS, type CoatKind } from '../close/index.ts';
import { finite, list } from '../check.ts';
import { wholeUp } from '../tolerances.ts';

/** What work uses up: wire and rod in grams, gas in litres, discs by the piece, coats in litres. */
export const SHELF_KINDS = ['wire', 'rod', 'gas', 'disc', ...COAT_KINDS] as const;
export type ShelfKind = 'wire' | 'rod' | 'gas' | 'disc' | CoatKind;

/** How much of it is in one as it is usually sold; common practice, no published source. */
export const PACKS: Readonly<Record<ShelfKind, number>> = { wire: 5000, rod: 1000, gas: 2000, disc: 1, ...CANS };

export interface ShelfItem {
  id: string;
  kind: ShelfKind;
  /** As it was counted, and when, ms. */
  counted: number;
  since: number;
  /** What is to stay on the shelf; 0 for nothing. */
  least: number;
  /** ms from which it is not used any more; null where it keeps. */
  useBy: number | null;
}
/** Something was used up, or will be. */
export interface ShelfUse {
  kind: ShelfKind;
  amount: number;
}
export interface ShelfLine {
  kind: ShelfKind;
  /** What is left of each that was counted. */
  left: { id: string; amount: number; over: boolean }[];
  /** Of those that may still be used. */
  there: number;
  needed: number;
  /** What is lacking for all that is planned and for what is to stay there. */
  short: number;
  /** In packs as they are sold. */
  packs: number;
}

/**
 * What is on the shelf, what of it the planned work takes, and what has to be bought? What was counted goes down by
 * what work has used since; what ends first is used first, and nothing after its day.
 *
 * @param items as counted; amounts in the unit of their kind
 * @param used what was used up, with when (ms)
 * @param needs what the work that is left takes
 * @param now ms
 * @returns a line for each kind that is on the shelf or needed, in the order of the kinds
 * @throws Problem naming the field
 * @example shelf({ items: [{ id: 'a', kind: 'wire', counted: 900, since: 0, least: 0, useBy: null }], used: [{ kind: 'wire', amount: 200, at: 5 }], needs: [{ kind: 'wire', amount: 1000 }], now: 10 })[0].short // → 300
 */
export function shelf({
  items,
  used,
  needs,
  now,
}: {
  items: readonly ShelfItem[];
  used: readonly (ShelfUse & { at: number })[];
  needs: readonly ShelfUse[];
  now: number;
}): ShelfLine[] {
  const given = list<ShelfItem>('items', items, 0, 2000);
  given.forEach(({ counted, least }, i) => {
    finite(`items[${i}].counted`, counted, { min: 0, max: 1e7 });
    finite(`items[${i}].least`, least, { min: 0, max: 1e7 });
  });
  const left = new Map(given.map(({ id, counted }) => [id, counted]));
  for (const { kind, amount, at } of [...used].sort((a, b) => a.at - b.at)) {
    let open = amount;
    const from = given
      .filter((item) => item.kind === kind && item.since <= at && (item.useBy ?? Infinity) > at)
      .sort((a, b) => (a.useBy ?? Infinity) - (b.useBy ?? Infinity) || a.since - b.since);
    for (const { id } of from) {
      const taken = Math.min(open, left.get(id)!);
      left.set(id, left.get(id)! - taken);
      open -= taken;
    }
  }
  return SHELF_KINDS.flatMap((kind): ShelfLine[] => {
    const own = given.filter((item) => item.kind === kind);
    const needed = needs.reduce((sum, need) => sum + (need.kind === kind ? need.amount : 0), 0);
    if (own.length === 0 && needed === 0) return [];
    const all = own.map(({ id, useBy }) => ({ id, amount: left.get(id)!, over: useBy !== null && useBy <= now }));
    const there = all.reduce((sum, { amount, over }) => sum + (over ? 0 : amount), 0);
    const least = Math.max(0, ...own.map((item) => item.least));
    const short = Math.max(0, needed + least - there);
    return [{ kind, left: all, there, needed, short, packs: wholeUp(short / PACKS[kind]) }];
  });
}
