import type { Entry } from './device.ts';

/** A field of an entry that a person can mend. */
export interface MendField {
  key: string;
  label: string;
  number: boolean;
  value: string;
}

/** Fields by name, in the words of the page on which they were entered. */
const LABELS: Readonly<Record<string, string>> = {
  metalMm: 'Metal left, mm',
  coatingUm: 'Coating, µm',
  panel: 'Panel (its short name)',
  layer: 'Layer',
  u: 'From the left, mm',
  v: 'Up, mm',
  depth: 'Deepest pit, mm',
  side: 'Side of the patch, mm',
  pits: 'Pits in it',
  mouth: 'Mean mouth, mm²',
  note: 'Note',
  overruled: 'Why it is of another class than its evidence',
};

/** What of an entry can be mended by writing: numbers, words and the place. */
export function fieldsOf(entry: Entry): MendField[] {
  const inner = innerOf(entry);
  return Object.keys(LABELS).flatMap((key): MendField[] => {
    const value = inner[key];
    if (value === undefined || value === null || (typeof value !== 'number' && typeof value !== 'string')) return [];
    return [{ key, label: LABELS[key]!, number: typeof value === 'number', value: String(value) }];
  });
}

/** The body of an entry with what was written; a number that is none is sent as it is, so that the server names it. */
export function mended(entry: Entry, typed: Readonly<Record<string, string>>): Entry['body'] {
  if (entry.body instanceof Blob) return entry.body;
  const changes = Object.fromEntries(
    fieldsOf(entry)
      .filter(({ key }) => typed[key] !== undefined)
      .map(({ key, number }) => {
        const text = typed[key]!.trim();
        const value = Number(text.replace(',', '.'));
        return [key, number && text !== '' && Number.isFinite(value) ? value : text];
      }),
  );
  const inner = { ...innerOf(entry), ...changes };
  return 'readings' in entry.body ? { readings: [inner] } : inner;
}

function innerOf(entry: Entry): Record<string, unknown> {
  if (entry.body instanceof Blob) return {};
  const { readings } = entry.body as { readings?: Record<string, unknown>[] };
  return readings?.[0] ?? entry.body;
}
