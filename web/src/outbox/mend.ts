import type { useUnits } from '../shell/units.ts';
import type { Entry } from './device.ts';

/** How this shop writes lengths, coatings and small areas. */
export type Units = Pick<ReturnType<typeof useUnits>, 'word' | 'typed' | 'read' | 'coating' | 'spot'>;

/** How a number of one kind is named, shown and read. */
type Quantity = Pick<Units, 'typed' | 'read'> & { word: { value: string } };

/** A field of an entry that a person can mend. */
export interface MendField {
  key: string;
  label: string;
  number: boolean;
  value: string;
}

/** Fields by name, in the words of the page on which they were entered. */
const LABELS: Readonly<Record<string, string>> = {
  metalMm: 'Metal left',
  coatingUm: 'Coating',
  panel: 'Panel (its short name)',
  layer: 'Layer',
  u: 'From the left',
  v: 'Up',
  depth: 'Deepest pit',
  side: 'Side of the patch',
  length: 'Length',
  pits: 'Pits in it',
  mouth: 'Mean mouth',
  note: 'Note',
  overruled: 'Why it is of another class than its evidence',
};

/** Kept in mm, µm and mm², shown and typed in the units of the shop. */
const quantityOf = (key: string, units: Units): Quantity | undefined =>
  ['metalMm', 'u', 'v', 'depth', 'side', 'length'].includes(key)
    ? units
    : key === 'coatingUm'
      ? units.coating
      : key === 'mouth'
        ? units.spot
        : undefined;

/** What of an entry can be mended by writing: numbers, words and the place. */
export function fieldsOf(entry: Entry, units: Units): MendField[] {
  const inner = innerOf(entry);
  return Object.keys(LABELS).flatMap((key): MendField[] => {
    const value = inner[key];
    if (value === undefined || value === null || (typeof value !== 'number' && typeof value !== 'string')) return [];
    if (typeof value === 'string') return [{ key, label: LABELS[key]!, number: false, value }];
    const quantity = quantityOf(key, units);
    if (!quantity) return [{ key, label: LABELS[key]!, number: true, value: String(value) }];
    return [{ key, label: `${LABELS[key]!}, ${quantity.word.value}`, number: true, value: quantity.typed(value) }];
  });
}

/** The body of an entry with what was written; a number that is none is sent as it is, so that the server names it. */
export function mended(entry: Entry, typed: Readonly<Record<string, string>>, units: Units): Entry['body'] {
  if (entry.body instanceof Blob) return entry.body;
  const changes = Object.fromEntries(
    fieldsOf(entry, units)
      // What stands there as it was shown is rounded: reading it back would change it.
      .filter(({ key, value }) => typed[key] !== undefined && typed[key] !== value)
      .map(({ key, number }) => {
        const text = typed[key]!.trim();
        return [key, (number ? (quantityOf(key, units)?.read ?? numberOf)(text) : null) ?? text];
      }),
  );
  const inner = { ...innerOf(entry), ...changes };
  return 'readings' in entry.body ? { readings: [inner] } : inner;
}

function numberOf(text: string): number | null {
  const value = Number(text.replace(',', '.'));
  return text !== '' && Number.isFinite(value) ? value : null;
}

function innerOf(entry: Entry): Record<string, unknown> {
  if (entry.body instanceof Blob) return {};
  const { readings } = entry.body as { readings?: Record<string, unknown>[] };
  return readings?.[0] ?? entry.body;
}
