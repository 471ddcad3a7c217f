import type { useUnits } from '../shell/units.ts';
import type { Entry } from './device.ts';

/** How this shop writes lengths. */
export type Lengths = Pick<ReturnType<typeof useUnits>, 'word' | 'typed' | 'read'>;

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
  coatingUm: 'Coating, µm',
  panel: 'Panel (its short name)',
  layer: 'Layer',
  u: 'From the left',
  v: 'Up',
  depth: 'Deepest pit',
  side: 'Side of the patch',
  pits: 'Pits in it',
  mouth: 'Mean mouth, mm²',
  note: 'Note',
  overruled: 'Why it is of another class than its evidence',
};

/** Kept in mm, shown and typed in the unit of the shop. */
const LENGTHS = new Set(['metalMm', 'u', 'v', 'depth', 'side']);

/** What of an entry can be mended by writing: numbers, words and the place. */
export function fieldsOf(entry: Entry, lengths: Lengths): MendField[] {
  const inner = innerOf(entry);
  return Object.keys(LABELS).flatMap((key): MendField[] => {
    const value = inner[key];
    if (value === undefined || value === null || (typeof value !== 'number' && typeof value !== 'string')) return [];
    if (typeof value === 'string') return [{ key, label: LABELS[key]!, number: false, value }];
    if (!LENGTHS.has(key)) return [{ key, label: LABELS[key]!, number: true, value: String(value) }];
    return [{ key, label: `${LABELS[key]!}, ${lengths.word.value}`, number: true, value: lengths.typed(value) }];
  });
}

/** The body of an entry with what was written; a number that is none is sent as it is, so that the server names it. */
export function mended(entry: Entry, typed: Readonly<Record<string, string>>, lengths: Lengths): Entry['body'] {
  if (entry.body instanceof Blob) return entry.body;
  const changes = Object.fromEntries(
    fieldsOf(entry, lengths)
      // What stands there as it was shown is rounded: reading it back would change it.
      .filter(({ key, value }) => typed[key] !== undefined && typed[key] !== value)
      .map(({ key, number }) => {
        const text = typed[key]!.trim();
        return [key, (number ? (LENGTHS.has(key) ? lengths.read(text) : numberOf(text)) : null) ?? text];
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
