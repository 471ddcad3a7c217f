import { COAT_WORDS } from '../close/index.ts';
import type { ShelfKind, ShelfLine } from '@aspecta/core/shelf';

/** What is used up; every word that a person reads for it stands here. */
export const SHELF_WORDS: Readonly<Record<ShelfKind, string>> = {
  wire: 'Welding wire',
  rod: 'Filler rod',
  gas: 'Shielding gas',
  disc: 'Flap discs',
  ...COAT_WORDS,
};

/** Something on the shelf, as it is counted now. Grams, litres or pieces, by its kind. */
export interface ShelfInput {
  id: string;
  kind: ShelfKind;
  name: string;
  counted: number;
  least: number;
  /** YYYY-MM-DD; null where it keeps. */
  useBy: string | null;
}
export interface ShelfItemView extends ShelfInput {
  /** When it was counted, and by whom. */
  since: string;
  by: string;
  version: number;
}
export interface ShelfLineView extends ShelfLine {
  /** Cars whose work takes it, the one that takes most first. */
  cars: { vehicle: string; car: string; amount: number }[];
}
export interface ShelfView {
  items: ShelfItemView[];
  lines: ShelfLineView[];
}
