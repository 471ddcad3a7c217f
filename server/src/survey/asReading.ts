import type { ReadingInput } from '@aspecta/contract/survey';
import type { Reading } from '@aspecta/core/survey';
import type { ReadingRow } from './entities.ts';

/** What a row says of its sheet. */
type Counting = Pick<
  ReadingRow,
  'panel' | 'layer' | 'u' | 'v' | 'coatingUm' | 'coatingOver' | 'metalMm' | 'metalUnder' | 'probe' | 'at' | 'takenAt'
> & { note?: string };

/** A reading of the wire or the database as core takes it: what was not read is left out. */
export function asReading(input: ReadingInput | Counting): Reading {
  const readAt = input.takenAt ?? ('at' in input ? input.at : undefined);
  return {
    panel: input.panel,
    layer: input.layer,
    u: input.u,
    v: input.v,
    coatingUm: input.coatingUm ?? undefined,
    coatingOver: Boolean(input.coatingOver) || undefined,
    metalMm: input.metalMm ?? undefined,
    metalUnder: Boolean(input.metalUnder) || undefined,
    probe: input.probe ?? undefined,
    note: input.note ?? undefined,
    readAt: readAt ? new Date(readAt).getTime() : undefined,
  };
}
