import { EDGE_WORDS } from '@aspecta/contract/body';
import type { EdgeSpec } from '@aspecta/core/body';

/** What an edge is, as one says it; lengths written by the caller. */
export function edgeText({ kind, pitch, sheets, height, hidden }: EdgeSpec, length: (mm: number) => string): string {
  return [
    EDGE_WORDS[kind].toLowerCase(),
    ...(height === undefined ? [] : [`${length(height)} wide`]),
    ...(pitch === undefined ? [] : [`every ${length(pitch)}`]),
    ...(sheets !== undefined && sheets > 2 ? [`${sheets} sheets`] : []),
    ...(hidden ? ['its fasteners hidden'] : []),
  ].join(', ');
}
