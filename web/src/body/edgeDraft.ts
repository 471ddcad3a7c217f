import { hasHeight, hasPitch, type EdgeKind, type EdgeSpec } from '@aspecta/core/body';

/** An edge while it is typed. */
export interface EdgeDraft {
  kind: EdgeKind;
  pitch: string;
  height: string;
  sheets: string;
  hidden: boolean;
}

export const draftOf = (edge: EdgeSpec, typed: (mm: number) => string): EdgeDraft => ({
  kind: edge.kind,
  pitch: edge.pitch === undefined ? '' : typed(edge.pitch),
  height: edge.height === undefined ? '' : typed(edge.height),
  sheets: String(edge.sheets ?? 2),
  hidden: edge.hidden ?? false,
});

/** What was typed as an edge, with what is wrong at its field. */
export function edgeOf(
  { kind, pitch, height, sheets, hidden }: EdgeDraft,
  { read, noLength }: { read: (text: string) => number | null; noLength: () => string },
): { edge: EdgeSpec; wrong: Record<string, string> } {
  const wrong: Record<string, string> = {};
  const length = (field: string, text: string): number | undefined => {
    if (text.trim() === '') return undefined;
    const mm = read(text);
    if (mm === null || mm <= 0) wrong[field] = noLength();
    return mm ?? undefined;
  };
  const every = hasPitch(kind) ? length('pitch', pitch) : undefined;
  if (['spot', 'bolt', 'rivet'].includes(kind) && every === undefined) wrong['pitch'] ??= noLength();
  const wide = hasHeight(kind) ? length('height', height) : undefined;
  const count = Number(sheets);
  if (hasPitch(kind) && !(Number.isInteger(count) && count >= 1 && count <= 5))
    wrong['sheets'] = 'Type how many sheets meet there, from 1 to 5.';
  return {
    wrong,
    edge: {
      kind,
      ...(every === undefined ? {} : { pitch: every, sheets: count }),
      ...(wide === undefined ? {} : { height: wide }),
      ...(hidden && every !== undefined ? { hidden } : {}),
    },
  };
}
